-- Devices that a terminal has of its own; what is not in it is as the shop has it.
ALTER TABLE session ADD COLUMN devices TEXT CHECK (devices IS NULL OR json_valid(devices));
-- What a camera that stands still found of itself on a master: where it looks, and its scale; null for every other bench.
ALTER TABLE bench_check ADD COLUMN calibration TEXT CHECK (calibration IS NULL OR json_valid(calibration));
