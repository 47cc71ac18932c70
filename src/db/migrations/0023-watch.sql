-- Where a control's table and the record were found to tell otherwise: since when, and what somebody decided of it.
CREATE TABLE watch_difference (
  id INTEGER PRIMARY KEY,
  machine_key TEXT NOT NULL REFERENCES machine (key),
  serial TEXT NOT NULL REFERENCES holder (serial),
  -- the hand-over that the table is held against: another one begins anew
  handover INTEGER,
  -- what differs: a register by its name, or the code of what else it is
  what TEXT NOT NULL,
  difference TEXT NOT NULL CHECK (json_valid(difference)),
  first_at TEXT NOT NULL,
  last_at TEXT NOT NULL,
  -- who did something at that machine last before it was seen
  near_id TEXT REFERENCES person (id),
  state TEXT NOT NULL DEFAULT 'open' CHECK (state IN ('open', 'kept open', 'wear', 'gone')),
  decided_at TEXT,
  decided_by TEXT REFERENCES person (id),
  reason TEXT
) STRICT;
CREATE UNIQUE INDEX watch_difference_now ON watch_difference (machine_key, serial, what) WHERE state <> 'gone';

-- When each control's table was read last, and why it could not be.
CREATE TABLE watch_look (
  machine_key TEXT PRIMARY KEY REFERENCES machine (key),
  at TEXT NOT NULL,
  problem TEXT CHECK (problem IS NULL OR json_valid(problem))
) STRICT;
