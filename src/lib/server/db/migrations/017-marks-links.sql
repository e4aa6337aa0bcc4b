-- Working marks: words of the department's own on a date (waiting, pressing), which no rule sets.
CREATE TABLE working_mark (
	id TEXT PRIMARY KEY,
	label TEXT NOT NULL CHECK (label <> '' AND length(label) <= 30),
	position INTEGER NOT NULL,
	-- Not offered any more; dates that have it keep it.
	retired INTEGER NOT NULL DEFAULT 0 CHECK (retired IN (0, 1))
) STRICT;
CREATE UNIQUE INDEX working_mark_label ON working_mark(lower(label)) WHERE retired = 0;
ALTER TABLE deadline ADD COLUMN working_mark_id TEXT REFERENCES working_mark(id);
CREATE INDEX deadline_working_mark ON deadline(working_mark_id) WHERE working_mark_id IS NOT NULL;

-- What a date points to beside its documents and exhibits: mail of its matter, and its folders.
CREATE TABLE date_mail (
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	mail_id TEXT NOT NULL REFERENCES mail_out(id),
	PRIMARY KEY (deadline_id, mail_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX date_mail_mail ON date_mail(mail_id);
CREATE TABLE date_folder (
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	folder TEXT NOT NULL CHECK (folder <> ''),
	PRIMARY KEY (deadline_id, folder)
) STRICT, WITHOUT ROWID;
CREATE INDEX mail_out_matter ON mail_out(matter_id, queued_at) WHERE matter_id IS NOT NULL;
