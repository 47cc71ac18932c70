-- Parts are described by ISO 13399 symbols.
UPDATE component SET body = json_object(
  'kind', 'shrink-holder', 'id', id, 'name', json_extract(body, '$.name'), 'CCMS', json_extract(body, '$.coupling'),
  'DCONWS', json_extract(body, '$.boreMm'), 'boreMin', json_extract(body, '$.boreLimits.min'), 'boreMax', json_extract(body, '$.boreLimits.max'),
  'LPR', json_extract(body, '$.projectionMm'), 'BD', json_extract(body, '$.noseMm'), 'coneDeg', json_extract(body, '$.noseHalfAngleDeg'),
  'heatedMm', json_extract(body, '$.heatedMm'), 'LSCN', json_extract(body, '$.depth.min'), 'LSCX', json_extract(body, '$.depth.max'),
  'greatestC', json_extract(body, '$.greatestC'), 'yieldMPa', json_extract(body, '$.yieldMPa'), 'RPMX', json_extract(body, '$.greatestRpm'),
  'WT', json_extract(body, '$.massKg'), 'coil', json_extract(body, '$.coil'))
WHERE kind = 'shrink-holder';
UPDATE component SET body = json_remove(json_set(body, '$.NOF', json_extract(body, '$.edges'), '$.WT', json_extract(body, '$.massKg')), '$.edges', '$.massKg')
WHERE kind = 'solid-cutter';

UPDATE definition SET body = json_remove(json_set(body,
  '$.toolClass', 'finish',
  '$.parts', json_array(
    json_object('role', 'holder', 'component', json_extract(body, '$.holder'), 'alternatives', json_array(), 'count', 1),
    json_object('role', 'cutter', 'component', json_extract(body, '$.cutter'), 'alternatives', json_array(), 'count', 1)),
  '$.edges', (SELECT json_extract(c.body, '$.NOF') FROM component c WHERE c.id = json_extract(definition.body, '$.cutter')),
  '$.measure', CASE WHEN json_type(body, '$.RE') = 'null' THEN json_array('LF', 'DC') ELSE json_array('LF', 'DC', 'RE') END,
  '$.reachMm', NULL, '$.balance', NULL, '$.route', 'as the machine', '$.lifeMin', NULL, '$.contour', NULL), '$.holder', '$.cutter');

UPDATE machine SET body = json_set(body, '$.studForms', json_array(), '$.greatestKg', NULL, '$.route', 'measure, then balance');

-- Holder care: inspection, pull stud. A piece with a serial may also be an extension, which has no taper.
ALTER TABLE holder ADD COLUMN inspect_by TEXT;
ALTER TABLE holder ADD COLUMN stud_component TEXT REFERENCES component (id);
ALTER TABLE holder ADD COLUMN stud_since TEXT;
ALTER TABLE holder ADD COLUMN place_id TEXT REFERENCES place (id);

-- The shop's plan: furniture on a grid, drawers and slots in it.
CREATE TABLE store_unit (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL CHECK (kind IN ('cabinet', 'shelf', 'rack', 'cart', 'bench')),
  name TEXT NOT NULL,
  x INTEGER NOT NULL,
  y INTEGER NOT NULL,
  w INTEGER NOT NULL CHECK (w > 0),
  h INTEGER NOT NULL CHECK (h > 0)
) STRICT;
CREATE TABLE place (
  id TEXT PRIMARY KEY,
  unit_id TEXT NOT NULL REFERENCES store_unit (id),
  name TEXT NOT NULL,
  row INTEGER NOT NULL,
  taper TEXT
) STRICT;
CREATE INDEX place_unit ON place (unit_id);

-- Stock as a ledger between accounts; any move is put right by its own counter-entry, once.
CREATE TABLE move (
  id INTEGER PRIMARY KEY,
  component_id TEXT NOT NULL REFERENCES component (id),
  name TEXT NOT NULL,
  from_account TEXT NOT NULL,
  to_account TEXT NOT NULL,
  count INTEGER NOT NULL CHECK (count > 0),
  from_place TEXT REFERENCES place (id),
  to_place TEXT REFERENCES place (id),
  job_id TEXT REFERENCES job (id),
  serial TEXT,
  person_id TEXT REFERENCES person (id),
  at TEXT NOT NULL,
  counters INTEGER UNIQUE REFERENCES move (id)
) STRICT;
CREATE INDEX move_component ON move (component_id);
CREATE INDEX move_job ON move (job_id) WHERE job_id IS NOT NULL;
CREATE TRIGGER move_no_update BEFORE UPDATE ON move BEGIN SELECT RAISE (ABORT, 'the ledger is only added to'); END;
CREATE TRIGGER move_no_delete BEFORE DELETE ON move BEGIN SELECT RAISE (ABORT, 'the ledger is only added to'); END;
INSERT INTO move (component_id, name, from_account, to_account, count, serial, person_id, at)
SELECT component_id, CASE WHEN why = 'received' AND delta < 0 THEN 'counted' ELSE why END,
  CASE why WHEN 'built in' THEN 'hand' WHEN 'taken back' THEN 'built' WHEN 'scrapped' THEN 'hand' ELSE iif(delta > 0, 'outside', 'hand') END,
  CASE why WHEN 'built in' THEN 'built' WHEN 'taken back' THEN 'hand' WHEN 'scrapped' THEN 'scrap' ELSE iif(delta > 0, 'hand', 'outside') END,
  abs(delta), serial, person_id, at
FROM stock_move WHERE delta <> 0 ORDER BY id;
DROP TABLE stock_move;

-- Jobs: several programs, tool lists, quantity and priority.
ALTER TABLE job ADD COLUMN quantity INTEGER NOT NULL DEFAULT 1;
ALTER TABLE job ADD COLUMN priority INTEGER NOT NULL DEFAULT 0;
ALTER TABLE job ADD COLUMN state TEXT NOT NULL DEFAULT 'open' CHECK (state IN ('open', 'done', 'cancelled'));
ALTER TABLE job ADD COLUMN urgent_for TEXT;
ALTER TABLE job ADD COLUMN extra TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(extra));
CREATE TABLE job_program (
  job_id TEXT NOT NULL REFERENCES job (id),
  position INTEGER NOT NULL,
  name TEXT NOT NULL,
  text TEXT NOT NULL,
  hash TEXT NOT NULL,
  program TEXT NOT NULL CHECK (json_valid(program)),
  PRIMARY KEY (job_id, position)
) STRICT;
INSERT INTO job_program (job_id, position, name, text, hash, program)
SELECT id, 1, program_name, program_text, program_hash, program FROM job;
ALTER TABLE job DROP COLUMN program_name;
ALTER TABLE job DROP COLUMN program_text;
ALTER TABLE job DROP COLUMN program_hash;
ALTER TABLE job DROP COLUMN program;

-- What is in a tool, where it stands, how worn it is.
ALTER TABLE assembly ADD COLUMN place_id TEXT REFERENCES place (id);
ALTER TABLE assembly ADD COLUMN parts TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(parts));
ALTER TABLE assembly ADD COLUMN condition TEXT NOT NULL DEFAULT 'fit' CHECK (condition IN ('fit', 'worn', 'broken'));
ALTER TABLE assembly ADD COLUMN life_used_min REAL NOT NULL DEFAULT 0;
CREATE UNIQUE INDEX assembly_in_slot ON assembly (place_id) WHERE place_id IS NOT NULL AND state IN ('built', 'measured', 'released');
UPDATE assembly SET parts = (
  SELECT d.body ->> '$.parts' FROM definition d WHERE d.id = assembly.definition_id AND d.version = assembly.definition_version)
WHERE definition_id IS NOT NULL;

-- A build under way, so that anyone can go on with it.
CREATE TABLE build (
  id INTEGER PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES job (id),
  t INTEGER NOT NULL,
  serial TEXT NOT NULL REFERENCES holder (serial),
  body TEXT NOT NULL CHECK (json_valid(body)),
  person_id TEXT NOT NULL REFERENCES person (id),
  started_at TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE UNIQUE INDEX build_on_holder ON build (serial);

-- Steps of a build, by clamping; a shop changes them or adds its own.
CREATE TABLE step_list (
  clamping TEXT PRIMARY KEY,
  body TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

-- What each build of a holder type taught about the stop: aimed and measured length.
CREATE TABLE stop_lesson (
  assembly_id INTEGER PRIMARY KEY REFERENCES assembly (id),
  holder_component TEXT NOT NULL REFERENCES component (id),
  shank_mm REAL NOT NULL,
  stop_set_mm REAL NOT NULL,
  measured_mm REAL NOT NULL,
  at TEXT NOT NULL
) STRICT;
CREATE INDEX stop_lesson_holder ON stop_lesson (holder_component);

-- Notes for whoever comes next.
CREATE TABLE shift_note (
  id INTEGER PRIMARY KEY,
  text TEXT NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  at TEXT NOT NULL,
  done_at TEXT
) STRICT;

-- What a simulated shrink unit is doing; nobody but the stand-in looks inside.
CREATE TABLE sim_shrink (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  body TEXT NOT NULL
) STRICT;
