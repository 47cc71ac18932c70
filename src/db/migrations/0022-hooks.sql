-- Addresses of other programs that are told of what happens, and what they are told: written with the entry itself, so nothing is forgotten.
CREATE TABLE hook (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL,
  url TEXT NOT NULL,
  events TEXT NOT NULL CHECK (json_valid(events)),
  secret TEXT NOT NULL,
  made_at TEXT NOT NULL,
  made_by TEXT NOT NULL REFERENCES person (id),
  ended_at TEXT
) STRICT;

CREATE TABLE hook_call (
  id INTEGER PRIMARY KEY,
  hook_id INTEGER NOT NULL REFERENCES hook (id),
  event TEXT NOT NULL,
  body TEXT NOT NULL,
  at TEXT NOT NULL,
  tries INTEGER NOT NULL DEFAULT 0,
  -- when it is tried next; NULL once it was taken or given up
  next_at TEXT,
  taken_at TEXT,
  problem TEXT
) STRICT;
CREATE INDEX hook_call_next ON hook_call (next_at) WHERE next_at IS NOT NULL;
CREATE INDEX hook_call_hook ON hook_call (hook_id, id);
