-- What somebody said was wrong with a tool, beside what was told; the next measurement shows whether they were right.
CREATE TABLE cause_said (
  measurement_id INTEGER PRIMARY KEY REFERENCES measurement (id),
  assembly_id INTEGER NOT NULL REFERENCES assembly (id),
  code TEXT NOT NULL,
  edge INTEGER,
  told TEXT NOT NULL CHECK (json_valid(told)),
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  -- NULL until the tool was measured again
  was_right INTEGER CHECK (was_right IN (0, 1))
) STRICT;
CREATE INDEX cause_said_open ON cause_said (assembly_id) WHERE was_right IS NULL;
CREATE INDEX cause_said_right ON cause_said (code) WHERE was_right = 1;
