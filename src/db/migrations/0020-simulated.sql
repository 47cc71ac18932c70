-- What other simulated things are really like, by name: a boring head by its holder, the tool post of a lathe by its machine.
CREATE TABLE sim_thing (
  name TEXT PRIMARY KEY,
  ticket TEXT NOT NULL
) STRICT;
