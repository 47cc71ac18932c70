-- Who may what, and by which PIN: people are retired, never deleted. An administrator is a lead who may also say who may what.
ALTER TABLE person ADD COLUMN administrator INTEGER NOT NULL DEFAULT 0 CHECK (administrator IN (0, 1));
ALTER TABLE person ADD COLUMN pin TEXT;
ALTER TABLE person ADD COLUMN retired INTEGER NOT NULL DEFAULT 0 CHECK (retired IN (0, 1));
ALTER TABLE person ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
UPDATE person SET administrator = 1 WHERE role = 'lead';

-- A session ends when somebody signs in or out at its terminal, or when an administrator ends it.
ALTER TABLE session ADD COLUMN ended_at TEXT;

-- Wrong PINs since the last right one, and until when no other is looked at.
CREATE TABLE sign_in_try (
  person_id TEXT PRIMARY KEY REFERENCES person (id),
  wrong INTEGER NOT NULL,
  until TEXT NOT NULL
) STRICT;

-- What a shop has decided, by name.
CREATE TABLE shop_setting (
  name TEXT PRIMARY KEY,
  body TEXT NOT NULL CHECK (json_valid(body)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
-- whoever worked without PINs goes on so, until somebody decides otherwise
INSERT INTO shop_setting (name, body) SELECT 'sign-in', '{"badgeAlone":true}' WHERE EXISTS (SELECT 1 FROM person);
