-- Measuring programs: one row a version, the newest is in force.
CREATE TABLE measuring_program (
  definition_id TEXT NOT NULL,
  version INTEGER NOT NULL,
  at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  why TEXT NOT NULL,
  steps TEXT NOT NULL,
  evidence TEXT,
  PRIMARY KEY (definition_id, version)
) STRICT;

-- The stand-in's tools have helixes, points and leaning axes from now on: they are made anew from their seeds.
DELETE FROM sim_truth;
