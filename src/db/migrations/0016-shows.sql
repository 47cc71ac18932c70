-- How a terminal shows torque, temperature and mass, and how large its text is; what nobody chose is as the shop usually reads.
ALTER TABLE session ADD COLUMN shows TEXT CHECK (shows IS NULL OR json_valid(shows));
