/** Parts of SQL about people that several areas ask for. */

/** Every tie of the person @id to matters: roles with their dates, and facts that name them. */
export const TIES = `SELECT mr.matter_id, mr.role, mr.note, mr.from_day, mr.to_day
	FROM matter_role mr
	WHERE mr.person_id = @id
	UNION ALL
	SELECT
		mf.matter_id,
		replace(
			CASE
				WHEN instr(mf.fact, '.') > 0 THEN substr(mf.fact, instr(mf.fact, '.') + 1)
				ELSE mf.fact
			END,
			'-', ' '
		),
		'', NULL, NULL
	FROM matter_fact mf
	WHERE mf.value = @id`;

/** A person's first mail address or telephone; empty where there is none. */
export const contactSql = (alias: string, kind: 'mail' | 'phone'): string =>
	`coalesce(
		(
			SELECT pc.value
			FROM person_contact pc
			WHERE pc.person_id = ${alias}.id AND pc.kind = '${kind}'
			ORDER BY pc.position, pc.id
			LIMIT 1
		),
		''
	)`;

/** The other and former names of the person p. */
export const OTHER_NAMES = `coalesce(
		(SELECT group_concat(n.name, ', ') FROM person_name n WHERE n.person_id = p.id), ''
	)`;
