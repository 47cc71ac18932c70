-- Values of practice that the shop has changed from what ships, by their name; lengths mm, temperatures °C.
CREATE TABLE practice (
  key TEXT PRIMARY KEY,
  value REAL NOT NULL
) STRICT;

-- An adapter is a thing with a serial; the bench's zero belongs to it. Adapters so far were known by their taper only.
CREATE TABLE adapter (
  serial TEXT PRIMARY KEY,
  coupling TEXT NOT NULL,
  name TEXT NOT NULL
) STRICT;
INSERT INTO adapter (serial, coupling, name)
SELECT DISTINCT 'AD-' || replace(replace(coupling, ' ', ''), '-', '') || '-1', coupling, 'adapter ' || coupling
FROM (SELECT coupling FROM bench_adapter UNION SELECT coupling FROM bench_check UNION SELECT body ->> '$.coupling' FROM master);
ALTER TABLE bench_adapter ADD COLUMN serial TEXT;
UPDATE bench_adapter SET serial = 'AD-' || replace(replace(coupling, ' ', ''), '-', '') || '-1';
ALTER TABLE bench_check ADD COLUMN adapter TEXT;
UPDATE bench_check SET adapter = 'AD-' || replace(replace(coupling, ' ', ''), '-', '') || '-1';
-- Which bench was checked: the one with the camera, or the one whose values are typed or come over its line.
ALTER TABLE bench_check ADD COLUMN bench TEXT NOT NULL DEFAULT 'camera';
CREATE INDEX bench_check_adapter ON bench_check (bench, adapter, at);
CREATE INDEX measurement_at ON measurement (at);

-- A drift found later holds what was measured before it.
ALTER TABLE handover ADD COLUMN held TEXT;

-- A piece keeps its heat whatever tool is on it.
ALTER TABLE holder ADD COLUMN heat TEXT CHECK (heat IS NULL OR json_valid(heat));
UPDATE holder SET heat = (SELECT a.heat FROM assembly a WHERE a.serial = holder.serial ORDER BY a.id DESC LIMIT 1);
-- After a fall it is looked at before it is used again.
ALTER TABLE holder ADD COLUMN fallen_at TEXT;

-- Sister tools of one T in one machine: 0 the first, 1 its first sister.
ALTER TABLE assembly ADD COLUMN sister INTEGER NOT NULL DEFAULT 0;
-- Minutes it has cut since it went into the machine it is in, as its control counts them.
ALTER TABLE assembly ADD COLUMN running_min REAL NOT NULL DEFAULT 0;
CREATE TABLE load_run_new (
  id INTEGER PRIMARY KEY,
  serial TEXT NOT NULL UNIQUE REFERENCES holder (serial),
  machine_key TEXT NOT NULL REFERENCES machine (key),
  pocket INTEGER NOT NULL,
  t INTEGER NOT NULL,
  sister INTEGER NOT NULL DEFAULT 0,
  handover_id INTEGER NOT NULL REFERENCES handover (id),
  body TEXT NOT NULL CHECK (json_valid(body)),
  person_id TEXT NOT NULL REFERENCES person (id),
  started_at TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (machine_key, pocket),
  UNIQUE (machine_key, t, sister)
) STRICT;
INSERT INTO load_run_new (id, serial, machine_key, pocket, t, handover_id, body, person_id, started_at, version)
SELECT id, serial, machine_key, pocket, t, handover_id, body, person_id, started_at, version FROM load_run;
DROP TABLE load_run;
ALTER TABLE load_run_new RENAME TO load_run;

-- What each T of a job's programs means, where somebody said so: a definition, or nothing to set up.
ALTER TABLE job ADD COLUMN mapping TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(mapping));

-- How far the clock of a room of stand-ins has been set forward, so that nobody waits for a simulated nose to cool.
CREATE TABLE sim_clock (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  ahead_ms INTEGER NOT NULL CHECK (ahead_ms >= 0)
) STRICT;
