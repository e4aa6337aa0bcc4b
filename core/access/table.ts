/**
 * Who may do what: one table, one function. Membership of a restricted matter is asked beside it
 * (see sees).
 */
export const ROLES = [
	'counsel',
	'paralegal',
	'docket-clerk',
	'legal-operations',
	'business-partner',
	'administrator'
] as const;
export type Role = (typeof ROLES)[number];

export const ROLE_LABELS: Record<Role, string> = {
	counsel: 'Counsel',
	paralegal: 'Paralegal',
	'docket-clerk': 'Docket clerk',
	'legal-operations': 'Legal operations',
	'business-partner': 'Business partner',
	administrator: 'Administrator'
};

const department: readonly Role[] = [
	'counsel',
	'paralegal',
	'docket-clerk',
	'legal-operations',
	'administrator'
];
const legal: readonly Role[] = ['counsel', 'paralegal', 'docket-clerk', 'administrator'];

const TABLE = {
	'matter.read': department,
	'matter.open': department,
	'matter.edit': department,
	'person.read': department,
	'person.edit': department,
	/** Identity numbers: to write them, and to have one shown. */
	'identity.show': ['counsel', 'paralegal', 'administrator'],
	/** One's own notes and reminders without a matter. */
	'memo.own': department,
	'docket.read': department,
	'docket.enter': legal,
	'docket.change': legal,
	'docket.check': legal,
	'docket.closure': ['docket-clerk', 'administrator'],
	'task.edit': department,
	/** One's own calendar, and what one puts into those of others beside oneself. */
	'calendar.own': department,
	/** The calendars of colleagues. */
	'calendar.read': department,
	/** To change the calendars of others; colleagues may also let somebody keep theirs. */
	'calendar.keep': ['docket-clerk', 'paralegal', 'administrator'],
	'note.write': department,
	'document.read': department,
	'document.edit': department,
	'sign.request': department,
	'sign.own': [
		'counsel',
		'paralegal',
		'docket-clerk',
		'legal-operations',
		'administrator',
		'business-partner'
	],
	'time.own': department,
	'cost.read': ['legal-operations', 'administrator'],
	'cost.run': ['legal-operations', 'administrator'],
	'cost.approve': ['legal-operations', 'administrator', 'counsel'],
	'split.edit': ['legal-operations', 'administrator', 'counsel'],
	'post.read': ['administrator', 'docket-clerk', 'legal-operations'],
	'search.use': department,
	'kind.edit': ['legal-operations', 'administrator'],
	'request.own': ['business-partner'],
	'request.triage': department,
	'interest.check': department,
	'interest.decide': legal,
	'import.run': ['paralegal', 'legal-operations', 'administrator'],
	'overview.read': ['counsel', 'legal-operations', 'administrator'],
	'staff.edit': ['docket-clerk', 'legal-operations', 'administrator'],
	'account.own': [...department, 'business-partner'],
	'account.edit': ['administrator']
} as const satisfies Record<string, readonly Role[]>;

export type Action = keyof typeof TABLE;

/** Who may be responsible for a matter. */
export const isLawyer = (role: Role): boolean => role === 'counsel';

/** What one does for oneself on a matter, without changing it. */
const OWN: readonly Action[] = ['matter.read', 'time.own', 'sign.own'];
/** Whether a kind of act changes the matter it is on: who may only read it does not do it. */
export const changesMatter = (action: Action): boolean => !OWN.includes(action);

/** Whether a role may do a kind of thing at all. */
export const may = (role: Role, action: Action): boolean =>
	(TABLE[action] as readonly Role[]).includes(role);

/** A restricted matter exists only for its responsible lawyer and members. */
export const sees = (
	matter: { restricted: boolean; responsible: string; members: readonly string[] },
	staff: { id: string; role: Role }
): boolean =>
	may(staff.role, 'matter.read') &&
	(!matter.restricted || matter.responsible === staff.id || matter.members.includes(staff.id));
