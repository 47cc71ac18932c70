-- How the sensors of the balancing spindle answer: found with a known rotor, valid for a time.
CREATE TABLE spindle_calibration (
  id INTEGER PRIMARY KEY,
  coupling TEXT NOT NULL,
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  body TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
CREATE TRIGGER spindle_calibration_no_update BEFORE UPDATE ON spindle_calibration BEGIN SELECT RAISE (ABORT, 'a calibration is frozen'); END;
CREATE TRIGGER spindle_calibration_no_delete BEFORE DELETE ON spindle_calibration BEGIN SELECT RAISE (ABORT, 'a calibration is frozen'); END;

-- Each run of the balancing spindle: of a tool, or of the rotor. What the sensors gave is kept as a file.
CREATE TABLE balance_run (
  id INTEGER PRIMARY KEY,
  assembly_id INTEGER REFERENCES assembly (id),
  serial TEXT NOT NULL,
  round INTEGER NOT NULL,
  seat INTEGER NOT NULL CHECK (seat IN (0, 180)),
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  body TEXT NOT NULL CHECK (json_valid(body)),
  evidence TEXT NOT NULL
) STRICT;
CREATE INDEX balance_run_assembly ON balance_run (assembly_id);
CREATE TRIGGER balance_run_no_update BEFORE UPDATE ON balance_run BEGIN SELECT RAISE (ABORT, 'a run is frozen'); END;
CREATE TRIGGER balance_run_no_delete BEFORE DELETE ON balance_run BEGIN SELECT RAISE (ABORT, 'a run is frozen'); END;

-- A tool that is being balanced, so that anyone can go on with it; and the calibration that is under way (assembly 0).
CREATE TABLE balance_work (
  assembly_id INTEGER PRIMARY KEY,
  body TEXT NOT NULL CHECK (json_valid(body)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- How good a tool is, measured here or told by somebody else; void once it was touched.
CREATE TABLE balance_result (
  id INTEGER PRIMARY KEY,
  assembly_id INTEGER NOT NULL REFERENCES assembly (id),
  serial TEXT NOT NULL,
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  body TEXT NOT NULL CHECK (json_valid(body)),
  voided_at TEXT,
  void_reason TEXT
) STRICT;
CREATE INDEX balance_result_current ON balance_result (assembly_id) WHERE voided_at IS NULL;
CREATE INDEX balance_result_serial ON balance_result (serial);
CREATE TRIGGER balance_result_frozen BEFORE UPDATE ON balance_result
WHEN NEW.id IS NOT OLD.id OR NEW.assembly_id IS NOT OLD.assembly_id OR NEW.serial IS NOT OLD.serial OR NEW.at IS NOT OLD.at
  OR NEW.person_id IS NOT OLD.person_id OR NEW.body IS NOT OLD.body OR OLD.voided_at IS NOT NULL
BEGIN
  SELECT RAISE (ABORT, 'a result is frozen');
END;
CREATE TRIGGER balance_result_no_delete BEFORE DELETE ON balance_result BEGIN SELECT RAISE (ABORT, 'a result is frozen'); END;

-- Screws, rings and holes that a holder has, whatever tool is on it.
CREATE TABLE holder_balance (
  serial TEXT PRIMARY KEY REFERENCES holder (serial),
  body TEXT NOT NULL CHECK (json_valid(body)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- What a simulated spindle does, and what simulated tools weigh where; nobody but stand-ins looks inside.
CREATE TABLE sim_spindle (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  body TEXT NOT NULL
) STRICT;
CREATE TABLE sim_unbalance (
  name TEXT PRIMARY KEY,
  ticket TEXT NOT NULL
) STRICT;
