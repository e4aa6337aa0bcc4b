-- Who is responsible for a date, and who stands in for them: without a person of its own, a date has
-- those of its matter.
ALTER TABLE deadline ADD COLUMN assignee_id TEXT REFERENCES staff(id);
ALTER TABLE deadline ADD COLUMN stand_in_id TEXT REFERENCES staff(id)
	CHECK (stand_in_id IS NULL OR stand_in_id IS NOT assignee_id);
ALTER TABLE matter ADD COLUMN stand_in_id TEXT REFERENCES staff(id);
CREATE INDEX deadline_assignee ON deadline(assignee_id) WHERE assignee_id IS NOT NULL;
CREATE INDEX deadline_stand_in ON deadline(stand_in_id) WHERE stand_in_id IS NOT NULL;

-- Colleagues who are here today: neither gone nor on leave.
CREATE VIEW staff_here AS
SELECT s.id
FROM staff s
WHERE s.active = 1
	AND NOT EXISTS (
		SELECT 1 FROM leave l WHERE l.staff_id = s.id AND today() BETWEEN l.from_day AND l.to_day
	);

-- Whose a date is, and who holds it today: the stand-in, while the other is not here.
CREATE VIEW date_people AS
SELECT
	p.deadline_id,
	p.assignee_id,
	p.stand_in_id,
	CASE
		WHEN p.stand_in_id IS NOT NULL
			AND NOT EXISTS (SELECT 1 FROM staff_here h WHERE h.id = p.assignee_id)
			AND EXISTS (SELECT 1 FROM staff_here h WHERE h.id = p.stand_in_id)
			THEN p.stand_in_id
		ELSE p.assignee_id
	END AS holder_id
FROM (
	SELECT
		o.deadline_id,
		coalesce(o.assignee_id, o.responsible_id) AS assignee_id,
		nullif(coalesce(o.stand_in_id, o.matter_stand_in), coalesce(o.assignee_id, o.responsible_id))
			AS stand_in_id
	FROM (
		-- On a restricted matter nobody is responsible who is not on it.
		SELECT
			d.id AS deadline_id,
			m.responsible_id,
			CASE
				WHEN m.restricted = 0 OR EXISTS (
					SELECT 1 FROM matter_team t WHERE t.matter_id = m.id AND t.staff_id = m.stand_in_id
				)
					THEN m.stand_in_id
			END AS matter_stand_in,
			CASE
				WHEN m.restricted = 0 OR EXISTS (
					SELECT 1 FROM matter_team t WHERE t.matter_id = m.id AND t.staff_id = d.assignee_id
				)
					THEN d.assignee_id
			END AS assignee_id,
			CASE
				WHEN m.restricted = 0 OR EXISTS (
					SELECT 1 FROM matter_team t WHERE t.matter_id = m.id AND t.staff_id = d.stand_in_id
				)
					THEN d.stand_in_id
			END AS stand_in_id
		FROM deadline d
		JOIN matter m ON m.id = d.matter_id
	) o
) p;
