-- What is never changed again once it is written: measurements, hand-overs, bookings, builds, checks of the bench.
-- Each row is sealed when it is written, in a chain of its own, so that a row that was changed or taken out shows.
CREATE TABLE seal (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  tbl TEXT NOT NULL,
  id INTEGER NOT NULL,
  hash TEXT NOT NULL,
  UNIQUE (tbl, id)
) STRICT;
CREATE TRIGGER seal_no_update BEFORE UPDATE ON seal BEGIN SELECT RAISE (ABORT, 'seals are only added to'); END;
CREATE TRIGGER seal_no_delete BEFORE DELETE ON seal BEGIN SELECT RAISE (ABORT, 'seals are only added to'); END;

CREATE TRIGGER measurement_no_update BEFORE UPDATE ON measurement BEGIN SELECT RAISE (ABORT, 'a measurement is frozen'); END;
CREATE TRIGGER measurement_no_delete BEFORE DELETE ON measurement BEGIN SELECT RAISE (ABORT, 'a measurement is frozen'); END;

DROP TRIGGER handover_frozen;
CREATE TRIGGER handover_frozen BEFORE UPDATE ON handover
WHEN NEW.id IS NOT OLD.id OR NEW.serial IS NOT OLD.serial OR NEW.issue IS NOT OLD.issue OR NEW.assembly_id IS NOT OLD.assembly_id
  OR NEW.measurement_id IS NOT OLD.measurement_id OR NEW.machine_key IS NOT OLD.machine_key OR NEW.frozen IS NOT OLD.frozen
  OR NEW.label IS NOT OLD.label OR NEW.post_name IS NOT OLD.post_name OR NEW.post_file IS NOT OLD.post_file
  OR NEW.post_text IS NOT OLD.post_text OR NEW.post_check IS NOT OLD.post_check OR NEW.released_at IS NOT OLD.released_at
  OR NEW.person_id IS NOT OLD.person_id
  OR OLD.voided_at IS NOT NULL
BEGIN
  SELECT RAISE (ABORT, 'a hand-over is frozen');
END;
CREATE TRIGGER handover_no_delete BEFORE DELETE ON handover BEGIN SELECT RAISE (ABORT, 'a hand-over is frozen'); END;

CREATE TRIGGER assembly_frozen BEFORE UPDATE ON assembly
WHEN NEW.id IS NOT OLD.id OR NEW.serial IS NOT OLD.serial OR NEW.name IS NOT OLD.name OR NEW.definition_id IS NOT OLD.definition_id
  OR NEW.definition_version IS NOT OLD.definition_version OR NEW.coupling IS NOT OLD.coupling OR NEW.built_at IS NOT OLD.built_at
BEGIN
  SELECT RAISE (ABORT, 'what was built is frozen');
END;
CREATE TRIGGER assembly_no_delete BEFORE DELETE ON assembly BEGIN SELECT RAISE (ABORT, 'what was built is frozen'); END;

CREATE TRIGGER bench_check_no_update BEFORE UPDATE ON bench_check BEGIN SELECT RAISE (ABORT, 'a check is frozen'); END;
CREATE TRIGGER bench_check_no_delete BEFORE DELETE ON bench_check BEGIN SELECT RAISE (ABORT, 'a check is frozen'); END;
