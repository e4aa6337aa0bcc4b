-- A session says from where and by what it was begun, and when it was used last; its id is for
-- ending it, the token stays a hash.
ALTER TABLE session ADD COLUMN id TEXT;
ALTER TABLE session ADD COLUMN seen_at TEXT;
ALTER TABLE session ADD COLUMN address TEXT NOT NULL DEFAULT '';
ALTER TABLE session ADD COLUMN agent TEXT NOT NULL DEFAULT '';
-- Those begun before have no id to end them by: everyone signs in once more.
DELETE FROM session;
CREATE UNIQUE INDEX session_id ON session(id);

-- A link that sets a new password, once.
CREATE TABLE password_link (
	token_hash TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	made_by TEXT NOT NULL REFERENCES staff(id),
	made_at TEXT NOT NULL,
	expires_at TEXT NOT NULL,
	used_at TEXT
) STRICT;
CREATE INDEX password_link_staff ON password_link(staff_id);

-- Tries are counted by name and place together, so that nobody is locked out by others.
DELETE FROM sign_in_attempt;
