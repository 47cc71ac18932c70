-- Who works on a tool or a machine while a control is asked: a lease that ends by itself. Times of the computer, not of the room.
CREATE TABLE claim (
  key TEXT PRIMARY KEY,
  token TEXT NOT NULL,
  what TEXT NOT NULL CHECK (what IN ('load', 'give up', 'unload', 'release')),
  person_id TEXT NOT NULL REFERENCES person (id),
  since_ms INTEGER NOT NULL,
  until_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX claim_token ON claim (token);

-- A tool on its way out of a machine: noted before its row is emptied, so that whoever looks next can end what broke off.
CREATE TABLE unload_run (
  id INTEGER PRIMARY KEY,
  serial TEXT NOT NULL UNIQUE REFERENCES holder (serial),
  assembly_id INTEGER NOT NULL REFERENCES assembly (id),
  machine_key TEXT NOT NULL REFERENCES machine (key),
  body TEXT NOT NULL CHECK (json_valid(body)),
  person_id TEXT NOT NULL REFERENCES person (id),
  started_at TEXT NOT NULL
) STRICT;
