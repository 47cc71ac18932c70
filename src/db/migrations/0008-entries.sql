-- An entry of the record is a code with its data from now on; the sentence is made when it is read. What was written before keeps its text.
ALTER TABLE record ADD COLUMN entry TEXT CHECK (entry IS NULL OR json_valid(entry));
CREATE INDEX record_what ON record (what);
CREATE INDEX record_machine ON record (machine_key);
CREATE INDEX record_person ON record (person_id);

-- What is looked for by words: everything that an entry names. It holds no text of its own and can be made anew.
CREATE VIRTUAL TABLE record_words USING fts5 (words, content = '', tokenize = 'unicode61 remove_diacritics 2');
INSERT INTO record_words (rowid, words)
SELECT seq, concat_ws(' ', what, serial, 'T' || t, machine_key, text) FROM record;
CREATE TRIGGER record_words_add AFTER INSERT ON record BEGIN
  INSERT INTO record_words (rowid, words) VALUES (NEW.seq, concat_ws(' ', NEW.what, NEW.serial, 'T' || NEW.t, NEW.machine_key, NEW.text,
    (SELECT group_concat(atom, ' ') FROM json_tree(NEW.entry) WHERE atom IS NOT NULL)));
END;

-- How far the chain of the record was proven, and when.
CREATE TABLE record_proof (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  seq INTEGER NOT NULL,
  hash TEXT NOT NULL,
  at TEXT NOT NULL
) STRICT;

-- Every row that can change says how often it was changed: whoever writes names the version that was read.
ALTER TABLE machine ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE holder ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE job ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE component ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE master ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE post ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE step_list ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

-- Why a hand-over is out of date or held is a code with its data too.
DROP TRIGGER handover_frozen;
UPDATE handover SET void_reason = json_object('code', 'SAID', 'text', void_reason) WHERE void_reason IS NOT NULL;
UPDATE handover SET held = json_object('code', 'SAID', 'text', held) WHERE held IS NOT NULL;
CREATE TRIGGER handover_frozen BEFORE UPDATE ON handover
WHEN NEW.frozen <> OLD.frozen OR NEW.label <> OLD.label OR NEW.post_text <> OLD.post_text OR NEW.issue <> OLD.issue OR OLD.voided_at IS NOT NULL
BEGIN
  SELECT RAISE (ABORT, 'a hand-over is frozen');
END;
CREATE INDEX handover_serial ON handover (serial);
CREATE INDEX handover_machine ON handover (machine_key) WHERE voided_at IS NULL;

-- What pages ask for, by index.
CREATE INDEX assembly_serial ON assembly (serial);
CREATE INDEX assembly_machine ON assembly (machine_key, state);
CREATE INDEX assembly_t ON assembly (t) WHERE state <> 'apart';
CREATE INDEX assembly_job ON assembly (job_id) WHERE job_id IS NOT NULL;
CREATE INDEX assembly_place ON assembly (place_id) WHERE place_id IS NOT NULL;
CREATE INDEX assembly_definition ON assembly (definition_id);
CREATE INDEX assembly_stands ON assembly (due_at, id) WHERE state <> 'apart';
CREATE INDEX holder_component ON holder (component_id);
CREATE INDEX holder_place ON holder (place_id) WHERE place_id IS NOT NULL;
CREATE INDEX component_kind ON component (kind, id);
CREATE INDEX definition_t ON definition (t);
CREATE INDEX job_state ON job (state, due_at);
CREATE INDEX component_version ON component (version);
CREATE INDEX move_to ON move (to_place) WHERE to_account = 'hand';
CREATE INDEX move_from ON move (from_place) WHERE from_account = 'hand';

-- Which tools were ever built with a part: by its number, or by the serial of a piece.
CREATE TABLE assembly_part (
  part TEXT NOT NULL,
  assembly_id INTEGER NOT NULL REFERENCES assembly (id),
  PRIMARY KEY (part, assembly_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX assembly_part_of ON assembly_part (assembly_id);
INSERT INTO assembly_part (part, assembly_id)
SELECT p.value ->> '$.component', a.id FROM assembly a, json_each(a.parts) p WHERE p.value ->> '$.component' IS NOT NULL
UNION SELECT p.value ->> '$.serial', a.id FROM assembly a, json_each(a.parts) p WHERE p.value ->> '$.serial' IS NOT NULL;
CREATE TRIGGER assembly_part_add AFTER INSERT ON assembly BEGIN
  INSERT INTO assembly_part (part, assembly_id)
  SELECT p.value ->> '$.component', NEW.id FROM json_each(NEW.parts) p WHERE p.value ->> '$.component' IS NOT NULL
  UNION SELECT p.value ->> '$.serial', NEW.id FROM json_each(NEW.parts) p WHERE p.value ->> '$.serial' IS NOT NULL;
END;
CREATE TRIGGER assembly_part_change AFTER UPDATE OF parts ON assembly WHEN NEW.parts <> OLD.parts BEGIN
  DELETE FROM assembly_part WHERE assembly_id = NEW.id;
  INSERT INTO assembly_part (part, assembly_id)
  SELECT p.value ->> '$.component', NEW.id FROM json_each(NEW.parts) p WHERE p.value ->> '$.component' IS NOT NULL
  UNION SELECT p.value ->> '$.serial', NEW.id FROM json_each(NEW.parts) p WHERE p.value ->> '$.serial' IS NOT NULL;
END;
