-- A tool on its way into a machine: it holds its pocket and its T, and anyone goes on from where it was left.
CREATE TABLE load_run (
  id INTEGER PRIMARY KEY,
  serial TEXT NOT NULL UNIQUE REFERENCES holder (serial),
  machine_key TEXT NOT NULL REFERENCES machine (key),
  pocket INTEGER NOT NULL,
  t INTEGER NOT NULL,
  handover_id INTEGER NOT NULL REFERENCES handover (id),
  body TEXT NOT NULL CHECK (json_valid(body)),
  person_id TEXT NOT NULL REFERENCES person (id),
  started_at TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (machine_key, pocket),
  UNIQUE (machine_key, t)
) STRICT;

-- Wear that a tool carries from one machine to the next: length and radius, mm.
ALTER TABLE assembly ADD COLUMN wear TEXT CHECK (wear IS NULL OR json_valid(wear));
