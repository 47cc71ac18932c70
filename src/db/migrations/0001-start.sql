-- People, machines and what tools are made of.
CREATE TABLE person (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  role TEXT NOT NULL CHECK (role IN ('operator', 'lead'))
) STRICT;

CREATE TABLE machine (
  key TEXT PRIMARY KEY,
  body TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE TABLE post (
  name TEXT PRIMARY KEY,
  template TEXT NOT NULL
) STRICT;

CREATE TABLE component (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL,
  body TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE TABLE holder (
  serial TEXT PRIMARY KEY,
  component_id TEXT REFERENCES component (id),
  coupling TEXT NOT NULL,
  retired INTEGER NOT NULL DEFAULT 0,
  heats INTEGER NOT NULL DEFAULT 0
) STRICT;

-- A part is never taken by setting a number, only by a move.
CREATE TABLE stock_move (
  id INTEGER PRIMARY KEY,
  component_id TEXT NOT NULL REFERENCES component (id),
  delta INTEGER NOT NULL,
  why TEXT NOT NULL,
  serial TEXT,
  person_id TEXT REFERENCES person (id),
  at TEXT NOT NULL
) STRICT;
CREATE INDEX stock_move_component ON stock_move (component_id);

CREATE TABLE definition (
  id TEXT NOT NULL,
  version INTEGER NOT NULL,
  t INTEGER NOT NULL,
  body TEXT NOT NULL CHECK (json_valid(body)),
  PRIMARY KEY (id, version)
) STRICT;

-- Jobs and the tools built for them.
CREATE TABLE job (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  machine_key TEXT NOT NULL REFERENCES machine (key),
  due_at TEXT NOT NULL,
  program_name TEXT NOT NULL,
  program_text TEXT NOT NULL,
  program_hash TEXT NOT NULL,
  program TEXT NOT NULL CHECK (json_valid(program)),
  created_at TEXT NOT NULL
) STRICT;

CREATE TABLE assembly (
  id INTEGER PRIMARY KEY,
  serial TEXT NOT NULL REFERENCES holder (serial),
  t INTEGER,
  name TEXT NOT NULL,
  definition_id TEXT,
  definition_version INTEGER,
  machine_key TEXT REFERENCES machine (key),
  job_id TEXT REFERENCES job (id),
  coupling TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('built', 'measured', 'released', 'loaded', 'apart')),
  pocket INTEGER,
  due_at TEXT,
  built_at TEXT NOT NULL,
  stop_set_mm REAL,
  heat TEXT CHECK (heat IS NULL OR json_valid(heat)),
  version INTEGER NOT NULL DEFAULT 1,
  FOREIGN KEY (definition_id, definition_version) REFERENCES definition (id, version)
) STRICT;
-- A holder carries one tool at a time, a pocket holds one.
CREATE UNIQUE INDEX assembly_on_holder ON assembly (serial) WHERE state <> 'apart';
CREATE UNIQUE INDEX assembly_in_pocket ON assembly (machine_key, pocket) WHERE state = 'loaded' AND pocket IS NOT NULL;
CREATE INDEX assembly_state ON assembly (state);

CREATE TABLE measurement (
  id INTEGER PRIMARY KEY,
  assembly_id INTEGER NOT NULL REFERENCES assembly (id),
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  body TEXT NOT NULL CHECK (json_valid(body)),
  evidence TEXT NOT NULL,
  reason TEXT
) STRICT;
CREATE INDEX measurement_assembly ON measurement (assembly_id);

CREATE TABLE handover (
  id INTEGER PRIMARY KEY,
  serial TEXT NOT NULL REFERENCES holder (serial),
  issue INTEGER NOT NULL,
  assembly_id INTEGER NOT NULL REFERENCES assembly (id),
  measurement_id INTEGER NOT NULL REFERENCES measurement (id),
  machine_key TEXT NOT NULL REFERENCES machine (key),
  frozen TEXT NOT NULL CHECK (json_valid(frozen)),
  label TEXT NOT NULL,
  post_name TEXT NOT NULL,
  post_file TEXT NOT NULL,
  post_text TEXT NOT NULL,
  post_check TEXT NOT NULL CHECK (json_valid(post_check)),
  released_at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  voided_at TEXT,
  void_reason TEXT,
  UNIQUE (serial, issue)
) STRICT;
CREATE UNIQUE INDEX handover_current ON handover (serial) WHERE voided_at IS NULL;
-- Only the voiding of a hand-over may change it.
CREATE TRIGGER handover_frozen BEFORE UPDATE ON handover
WHEN NEW.frozen <> OLD.frozen OR NEW.label <> OLD.label OR NEW.post_text <> OLD.post_text OR NEW.issue <> OLD.issue OR OLD.voided_at IS NOT NULL
BEGIN
  SELECT RAISE (ABORT, 'a hand-over is frozen');
END;

-- The record is only added to.
CREATE TABLE record (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  at TEXT NOT NULL,
  person_id TEXT REFERENCES person (id),
  what TEXT NOT NULL,
  serial TEXT,
  t INTEGER,
  machine_key TEXT,
  text TEXT NOT NULL,
  before TEXT,
  after TEXT
) STRICT;
CREATE INDEX record_serial ON record (serial);
CREATE TRIGGER record_no_update BEFORE UPDATE ON record BEGIN SELECT RAISE (ABORT, 'the record is only added to'); END;
CREATE TRIGGER record_no_delete BEFORE DELETE ON record BEGIN SELECT RAISE (ABORT, 'the record is only added to'); END;

CREATE TABLE session (
  id TEXT PRIMARY KEY,
  person_id TEXT REFERENCES person (id),
  unit TEXT NOT NULL DEFAULT 'mm' CHECK (unit IN ('mm', 'inch')),
  theme TEXT NOT NULL DEFAULT 'granite' CHECK (theme IN ('granite', 'basalt')),
  created_at TEXT NOT NULL
) STRICT;

-- What a simulated bench draws from; nobody but stand-ins looks inside.
CREATE TABLE sim_truth (
  assembly_id INTEGER PRIMARY KEY REFERENCES assembly (id),
  ticket TEXT NOT NULL
) STRICT;
