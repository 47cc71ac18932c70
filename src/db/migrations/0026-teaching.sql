-- Lessons that a lead made: readings of real tools, without anything that says whose they were, and what was found to be wrong with each.
CREATE TABLE lesson_own (
  id INTEGER PRIMARY KEY,
  title TEXT NOT NULL,
  cases TEXT NOT NULL CHECK (json_valid(cases)),
  person_id TEXT NOT NULL REFERENCES person (id),
  at TEXT NOT NULL,
  retired INTEGER NOT NULL DEFAULT 0 CHECK (retired IN (0, 1))
) STRICT;

-- Which lesson somebody has to have passed before they do this alone; machine_key NULL: at every machine, or nothing of a machine.
CREATE TABLE lesson_condition (
  id INTEGER PRIMARY KEY,
  what TEXT NOT NULL CHECK (what IN ('load', 'shrink')),
  machine_key TEXT,
  lesson TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  at TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX lesson_condition_once ON lesson_condition (what, coalesce(machine_key, ''), lesson);
