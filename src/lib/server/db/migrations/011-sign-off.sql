-- Each week whoever holds dates says of those of the next weeks that they are seen and right, or what
-- is not. Said once, it stays: what changes later is signed off anew.
CREATE TABLE sign_off (
	id TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	-- The Monday of its week, and the last day whose dates it is about.
	week TEXT NOT NULL,
	until TEXT NOT NULL CHECK (until >= week),
	at TEXT NOT NULL
) STRICT;
CREATE INDEX sign_off_week ON sign_off(week, staff_id, at);

CREATE TABLE sign_off_date (
	sign_off_id TEXT NOT NULL REFERENCES sign_off(id),
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	-- As it stood then.
	date TEXT NOT NULL,
	-- What is not right; empty where it is.
	words TEXT NOT NULL DEFAULT '',
	PRIMARY KEY (sign_off_id, deadline_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX sign_off_date_deadline ON sign_off_date(deadline_id);
CREATE TRIGGER sign_off_kept BEFORE UPDATE ON sign_off
BEGIN
	SELECT RAISE(ABORT, 'a sign-off stays as it was given');
END;
CREATE TRIGGER sign_off_date_kept BEFORE UPDATE ON sign_off_date
BEGIN
	SELECT RAISE(ABORT, 'a sign-off stays as it was given');
END;
CREATE TRIGGER sign_off_not_deleted BEFORE DELETE ON sign_off
BEGIN
	SELECT RAISE(ABORT, 'a sign-off is not deleted');
END;
CREATE TRIGGER sign_off_date_not_deleted BEFORE DELETE ON sign_off_date
BEGIN
	SELECT RAISE(ABORT, 'a sign-off is not deleted');
END;

-- Who was asked for it: on the week's first day, and once more where it is still wanting.
CREATE TABLE sign_off_ask (
	staff_id TEXT NOT NULL REFERENCES staff(id),
	week TEXT NOT NULL,
	round INTEGER NOT NULL CHECK (round IN (1, 2)),
	at TEXT NOT NULL,
	PRIMARY KEY (staff_id, week, round)
) STRICT, WITHOUT ROWID;
