-- What the spindle itself is at: whose run it makes, and the calibration that is under way; null: nothing.
CREATE TABLE spindle_work (
  name TEXT PRIMARY KEY CHECK (name IN ('run', 'calibration')),
  body TEXT NOT NULL CHECK (json_valid(body)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- A tool that is being balanced, so that anyone can go on with it. Its version only grows, however often it begins anew.
CREATE TABLE balance_work_of_tools (
  assembly_id INTEGER PRIMARY KEY REFERENCES assembly (id),
  body TEXT NOT NULL CHECK (json_valid(body)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
INSERT INTO balance_work_of_tools SELECT assembly_id, body, version FROM balance_work WHERE assembly_id > 0;
DROP TABLE balance_work;
ALTER TABLE balance_work_of_tools RENAME TO balance_work;
