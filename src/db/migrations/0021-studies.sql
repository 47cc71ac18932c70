-- Studies of the bench: who measures which tools how often. Their readings are the measurements themselves.
CREATE TABLE study (
  id INTEGER PRIMARY KEY,
  body TEXT NOT NULL CHECK (json_valid(body)),
  started_at TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  ended_at TEXT
) STRICT;
