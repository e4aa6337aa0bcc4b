/** The names of what people are on a matter, beside those of its kind. */

/** Roles that fit any kind. */
export const OTHER_ROLES = [
	'opponent',
	'opposing counsel',
	'outside counsel',
	'counterparty',
	'agency',
	'witness',
	'expert',
	'insurer',
	'judge',
	'regulator',
	'contact'
] as const;
