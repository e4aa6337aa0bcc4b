/** Parts of SQL about matters that several areas ask for. */

/** A fact of the matter with this alias, as text; empty where it has none. */
export const factSql = (alias: string, fact: string): string =>
	`coalesce(
		(
			SELECT mfa.value
			FROM matter_fact mfa
			WHERE mfa.matter_id = ${alias}.id AND mfa.fact = '${fact}' AND mfa.row = 0
		),
		''
	)`;
