-- What was found at the machine itself: by hand, by a probe, by a laser; with the minutes that the machine stood for it.
CREATE TABLE touch_off (
  id INTEGER PRIMARY KEY,
  machine_key TEXT NOT NULL REFERENCES machine (key),
  t INTEGER NOT NULL,
  serial TEXT,
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  what TEXT NOT NULL CHECK (what IN ('length', 'radius', 'X zero')),
  method TEXT NOT NULL CHECK (method IN ('by hand', 'probe', 'laser', 'indicator')),
  value_mm REAL NOT NULL,
  minutes REAL NOT NULL CHECK (minutes >= 0)
) STRICT;
CREATE INDEX touch_off_machine ON touch_off (machine_key, id);
CREATE TRIGGER touch_off_kept_update BEFORE UPDATE ON touch_off BEGIN SELECT raise(ABORT, 'touch-offs are only added'); END;
CREATE TRIGGER touch_off_kept_delete BEFORE DELETE ON touch_off BEGIN SELECT raise(ABORT, 'touch-offs are only added'); END;
