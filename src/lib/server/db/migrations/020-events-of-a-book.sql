-- A closure reads the events of a book whose dates it may touch: by event and day.
DROP INDEX event_book;
CREATE INDEX event_book_key ON event(book, event_key, date);
CREATE INDEX deadline_moved ON deadline(event_id) WHERE computed IS NOT NULL;

-- What of a date that still may move is held against a change, without its trace.
CREATE INDEX deadline_may_move
	ON deadline(event_id, date, state, suggested, computed, time, rule, id)
	WHERE sort = 'deadline' AND (state IN ('docketed', 'proposed') OR computed IS NOT NULL);
