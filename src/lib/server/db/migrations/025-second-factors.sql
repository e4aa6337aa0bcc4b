-- What somebody shows beside their password: a code of an authenticator app, or a passkey.
CREATE TABLE second_factor (
	id TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	sort TEXT NOT NULL CHECK (sort IN ('code', 'passkey')),
	label TEXT NOT NULL,
	added_at TEXT NOT NULL,
	used_at TEXT,
	-- Of a code: its secret, encrypted, and the last step whose code was taken.
	secret BLOB,
	last_step INTEGER NOT NULL DEFAULT 0,
	-- Of a passkey: what it is known by, its public key, and how often it said it was used.
	credential_id TEXT UNIQUE,
	public_key BLOB,
	counter INTEGER NOT NULL DEFAULT 0,
	transports TEXT NOT NULL DEFAULT '',
	CHECK ((sort = 'code') = (secret IS NOT NULL)),
	CHECK ((sort = 'passkey') = (credential_id IS NOT NULL AND public_key IS NOT NULL))
) STRICT;
CREATE INDEX second_factor_staff ON second_factor(staff_id);

-- What was begun and is not finished: a secret that is not confirmed, a challenge that is not
-- answered. The newest of its sort holds.
CREATE TABLE factor_offer (
	staff_id TEXT NOT NULL REFERENCES staff(id),
	sort TEXT NOT NULL CHECK (sort IN ('code', 'passkey', 'sign-in')),
	secret BLOB,
	challenge TEXT,
	expires_at TEXT NOT NULL,
	PRIMARY KEY (staff_id, sort)
) STRICT;

-- The password was right; the second factor is awaited.
CREATE TABLE sign_in_step (
	token_hash TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	at TEXT NOT NULL,
	expires_at TEXT NOT NULL
) STRICT;
