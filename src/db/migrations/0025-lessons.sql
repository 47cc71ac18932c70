-- What somebody practised: which faults were planted, what they said, and when each fault comes again. Nothing else of Practice is kept here.
CREATE TABLE lesson_run (
  id INTEGER PRIMARY KEY,
  person_id TEXT NOT NULL REFERENCES person (id),
  lesson TEXT NOT NULL,
  seed INTEGER NOT NULL,
  planted TEXT NOT NULL CHECK (json_valid(planted)),
  said TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(said)),
  -- numbers of tools of which they asked for an opinion
  helped TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(helped)),
  started_at TEXT NOT NULL,
  ended_at TEXT
) STRICT;
CREATE INDEX lesson_run_person ON lesson_run (person_id, id);

CREATE TABLE lesson_memory (
  person_id TEXT NOT NULL REFERENCES person (id),
  code TEXT NOT NULL,
  body TEXT NOT NULL CHECK (json_valid(body)),
  PRIMARY KEY (person_id, code)
) STRICT, WITHOUT ROWID;
