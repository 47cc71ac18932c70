-- What a shop sets up for itself: couplings of its own or with figures put right, and what is no longer used.
CREATE TABLE coupling (
  name TEXT PRIMARY KEY,
  body TEXT NOT NULL CHECK (json_valid(body)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

ALTER TABLE machine ADD COLUMN retired INTEGER NOT NULL DEFAULT 0;
ALTER TABLE master ADD COLUMN retired INTEGER NOT NULL DEFAULT 0;
ALTER TABLE adapter ADD COLUMN retired INTEGER NOT NULL DEFAULT 0;
ALTER TABLE adapter ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
