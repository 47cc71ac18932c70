-- Adjustable heads set without a presetter: each setting of the dial and each bore that was measured, one after the other.
CREATE TABLE bore_event (
  id INTEGER PRIMARY KEY,
  assembly_id INTEGER NOT NULL REFERENCES assembly (id),
  -- the head by the holder it is on and its part number: what it is learned from
  head TEXT NOT NULL,
  -- counts per head: between two of them the insert may have been changed
  series INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('dial', 'bore')),
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  body TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
CREATE INDEX bore_event_assembly ON bore_event (assembly_id, id);
CREATE INDEX bore_event_head ON bore_event (head, series, id);
CREATE TRIGGER bore_event_kept_update BEFORE UPDATE ON bore_event BEGIN SELECT raise(ABORT, 'bores are only added'); END;
CREATE TRIGGER bore_event_kept_delete BEFORE DELETE ON bore_event BEGIN SELECT raise(ABORT, 'bores are only added'); END;
