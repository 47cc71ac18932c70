-- Programs that ask by the API: each has a token of its own, of which only the hash is kept.
CREATE TABLE client (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL,
  scopes TEXT NOT NULL CHECK (json_valid(scopes)),
  hash TEXT NOT NULL UNIQUE,
  made_at TEXT NOT NULL,
  made_by TEXT NOT NULL REFERENCES person (id),
  used_at TEXT,
  ended_at TEXT
) STRICT;

-- When somebody last did something at a terminal.
ALTER TABLE session ADD COLUMN acted_at TEXT;
