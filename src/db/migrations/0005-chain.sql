-- Each entry of the record with the hash of itself and of all before it; like the record it is only added to.
CREATE TABLE record_chain (
  seq INTEGER PRIMARY KEY REFERENCES record (seq),
  hash TEXT NOT NULL
) STRICT;
CREATE TRIGGER record_chain_no_update BEFORE UPDATE ON record_chain BEGIN SELECT RAISE (ABORT, 'the record is only added to'); END;
CREATE TRIGGER record_chain_no_delete BEFORE DELETE ON record_chain BEGIN SELECT RAISE (ABORT, 'the record is only added to'); END;
CREATE INDEX record_at ON record (at);
CREATE INDEX record_t ON record (t);

-- What the stand-in's data carriers hold, by the holder they sit in, and what goes wrong at their next write.
CREATE TABLE sim_tag (
  serial TEXT PRIMARY KEY,
  bytes BLOB NOT NULL,
  lost_after INTEGER
) STRICT;
