-- Hearings, trials, conferences and depositions are entries of the docket like any date: each event
-- that lies ahead of itself has one, under the rule `occasion`, on the event's own day.
ALTER TABLE deadline ADD COLUMN sort TEXT NOT NULL DEFAULT 'deadline'
	CHECK (sort IN ('deadline', 'hearing', 'trial', 'conference', 'deposition'));
-- What came of it. A date that was held is met, one that was taken off or has no new day is vacated.
ALTER TABLE deadline ADD COLUMN result TEXT CHECK (result IN ('held', 'off', 'open'));
ALTER TABLE deadline ADD COLUMN outcome TEXT NOT NULL DEFAULT '';
ALTER TABLE deadline ADD COLUMN appeared TEXT NOT NULL DEFAULT '';

INSERT INTO deadline (
	id, matter_id, event_id, rule, title, authority, act, suggested, state, date, time, trace, book,
	book_version, docketed_by, docketed_at, closed_at, closed_on, reason, place, link, sort, result
)
SELECT
	'due_' || substr(e.id, 5), e.matter_id, e.id, 'occasion',
	e.text || CASE WHEN e.name = '' THEN '' ELSE ', ' || e.name END,
	'the day of the event', 'serve', 0,
	CASE WHEN e.date < today() THEN 'met' ELSE 'docketed' END,
	e.date, e.time, '[]', e.book, e.book_version, e.entered_by, e.entered_at,
	CASE WHEN e.date < today() THEN e.date || 'T00:00:00.000Z' END,
	CASE WHEN e.date < today() THEN e.date END,
	CASE WHEN e.date < today() THEN 'held before outcomes were kept: none was recorded' ELSE '' END,
	e.place, e.link, e.ahead,
	CASE WHEN e.date < today() THEN 'held' END
FROM event e
WHERE e.ahead IN ('hearing', 'trial', 'conference', 'deposition');

-- Where and how to join is said once, of the entry.
UPDATE event SET place = '', link = '' WHERE ahead IN ('hearing', 'trial', 'conference', 'deposition');

DROP VIEW matter_derived;
DROP VIEW hearing;

-- Each column is worked out only where a query asks for it.
CREATE VIEW matter_derived AS
SELECT
	m.id AS matter_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT d.id
			FROM deadline d
			WHERE d.matter_id = m.id AND d.state = 'docketed' AND d.sort = 'deadline'
			ORDER BY d.date, d.id
			LIMIT 1
		)
	END AS next_deadline_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT d.id
			FROM deadline d
			WHERE d.matter_id = m.id
				AND d.state = 'docketed'
				AND d.sort <> 'deadline'
				AND d.date >= today()
			ORDER BY d.date, d.time, d.id
			LIMIT 1
		)
	END AS next_hearing_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT min(d.date)
			FROM deadline d
			WHERE d.matter_id = m.id
				AND d.state = 'docketed'
				AND d.sort = 'trial'
				AND d.date >= today()
		)
	END AS next_trial,
	CAST(julianday(coalesce(m.closed_on, today())) - julianday(m.opened_on) AS INTEGER) AS age_days,
	coalesce((SELECT max(l.at) FROM logbook l WHERE l.matter_id = m.id), m.created_at)
		AS last_activity,
	(SELECT coalesce(sum(t.minutes), 0) FROM time_entry t WHERE t.matter_id = m.id) AS minutes,
	(
		SELECT coalesce(sum(c.cents), 0)
		FROM cost_line c
		WHERE c.matter_id = m.id AND c.holds = 1
	) AS cents,
	(SELECT count(*) FROM task t WHERE t.matter_id = m.id AND t.state = 'open') AS open_tasks
FROM matter m;

-- Hearings and their like that stand, as captions, lists and templates name them.
CREATE VIEW hearing AS
SELECT id, matter_id, date, coalesce(hand_time, time) AS time, sort AS ahead, place, title
FROM deadline
WHERE sort <> 'deadline' AND state = 'docketed';
