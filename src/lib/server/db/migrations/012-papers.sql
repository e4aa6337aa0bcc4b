-- Papers that came in and are not docketed yet: each waits with somebody, until it has become an
-- event with its dates, or is put aside with a reason.
CREATE TABLE paper (
	id TEXT PRIMARY KEY,
	sha256 TEXT NOT NULL,
	media_type TEXT NOT NULL,
	file_name TEXT NOT NULL,
	size INTEGER NOT NULL CHECK (size > 0),
	text TEXT NOT NULL,
	unread TEXT NOT NULL,
	received_by TEXT NOT NULL REFERENCES staff(id),
	received_at TEXT NOT NULL,
	-- Who has it.
	holder_id TEXT NOT NULL REFERENCES staff(id),
	-- Known from its number, or said by somebody; once it is docketed, the matter it was filed in.
	matter_id TEXT REFERENCES matter(id),
	-- Its document, where it is filed.
	document_id TEXT REFERENCES document(id),
	event_id TEXT REFERENCES event(id),
	state TEXT NOT NULL CHECK (state IN ('waits', 'docketed', 'aside')),
	closed_by TEXT REFERENCES staff(id),
	closed_at TEXT,
	reason TEXT NOT NULL DEFAULT '',
	CHECK ((state = 'waits') = (closed_at IS NULL)),
	CHECK (state <> 'docketed' OR (event_id IS NOT NULL AND document_id IS NOT NULL)),
	CHECK (document_id IS NULL OR matter_id IS NOT NULL)
) STRICT;
CREATE INDEX paper_waits ON paper(received_at) WHERE state = 'waits';
CREATE INDEX paper_document ON paper(document_id) WHERE document_id IS NOT NULL;
