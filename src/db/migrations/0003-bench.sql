-- The bench: setting masters, the adapter on its spindle, checks of its zero, and what a lead overruled.
CREATE TABLE master (
  id TEXT PRIMARY KEY,
  mark TEXT NOT NULL UNIQUE,
  body TEXT NOT NULL
) STRICT;
CREATE TABLE bench_adapter (
  id INTEGER PRIMARY KEY,
  coupling TEXT NOT NULL,
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id)
) STRICT;
CREATE TABLE bench_check (
  id INTEGER PRIMARY KEY,
  master_id TEXT NOT NULL REFERENCES master (id),
  coupling TEXT NOT NULL,
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  drift_x REAL NOT NULL,
  drift_z REAL NOT NULL,
  zero_x REAL NOT NULL,
  zero_z REAL NOT NULL,
  evidence TEXT,
  reason TEXT
) STRICT;
CREATE TABLE bench_overrule (
  id INTEGER PRIMARY KEY,
  at TEXT NOT NULL,
  until TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  reason TEXT NOT NULL
) STRICT;

-- Where the figures came from: the bench's pictures, typed twice, or another bench's serial line.
ALTER TABLE measurement ADD COLUMN source TEXT NOT NULL DEFAULT 'pictures';
