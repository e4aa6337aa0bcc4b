/** Everything a template may ask of a matter. Empty values count as missing. */
import { dayAt } from '#core/dates/zone.ts';
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { formatHours } from '#core/format/hours.ts';
import type { MergeObject } from '#core/templates/merge.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, one } from '#server/db/sql.ts';
import { requireKind, type StoredKind } from '#server/kinds/queries.ts';
import { listFacts, viewFacts } from '#server/matters/facts.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { listRoles, type RoleView } from '#server/people/queries.ts';

/** Roles that stand for the other side, whatever the kind calls its own. */
const OTHER_SIDES = ['opponent', 'counterparty', 'agency'];
/** Kinds whose letters name a court. */
const LITIGATED = ['litigation', 'employment'];

export function makeMergeData(app: Application, matter: MatterRow, me: Staff): MergeObject {
	const kind = requireKind(app, matter.kind);
	const people = listRoles(app, matter.id);
	const dates = listDates(app, matter.id);
	return {
		today: app.clock.today(),
		matter: {
			court: '',
			caseNumber: '',
			judge: '',
			...factFields(app, kind, matter),
			number: matter.number,
			title: matter.title,
			kind: kind.name,
			openedOn: matter.opened_on,
			...derivedFields(app, matter)
		},
		...namedFields(app, matter),
		author: { name: me.name, email: me.email },
		opponent: { name: findOpponent(kind, people)?.name ?? '' },
		parties: people.map(({ name, role }) => ({ name, role })),
		dates,
		hasDates: dates.length > 0,
		litigation: LITIGATED.includes(matter.kind)
	};
}

/**
 * Every fact of the kind, under its name: matter.caseNumber. Dates and money as they are kept, for
 * their formats.
 */
function factFields(app: Application, kind: StoredKind, matter: MatterRow): MergeObject {
	const { facts } = viewFacts(app, kind, listFacts(app, matter.id));
	return Object.fromEntries(
		facts.map(({ key, type, value, text }) => [
			key.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase()),
			type === 'date' || type === 'money' ? value : text
		])
	);
}

const listDates = ({ db }: Application, matterId: string) =>
	all<{ title: string; date: PlainDate; authority: string }>(
		db,
		`SELECT title, date, authority
		FROM deadline
		WHERE matter_id = @matterId AND state = 'docketed'
		ORDER BY date`,
		{ matterId }
	);

function namedFields({ db }: Application, matter: MatterRow): MergeObject {
	const { lawyer, email, unit } = one<{ lawyer: string; email: string; unit: string }>(
		db,
		`SELECT s.name AS lawyer, s.email, u.name AS unit
		FROM matter m
		JOIN staff s ON s.id = m.responsible_id
		JOIN business_unit u ON u.id = m.unit_id
		WHERE m.id = @id`,
		{ id: matter.id }
	);
	return { lawyer: { name: lawyer, email }, unit };
}

const findOpponent = (kind: StoredKind, people: readonly RoleView[]): RoleView | undefined =>
	people.find(({ role }) => role === kind.roles[0]?.role || OTHER_SIDES.includes(role));

type Derived = {
	nextHearing: PlainDate | null;
	nextDate: PlainDate | null;
	trialDate: PlainDate | null;
	age: number;
	lastActivity: string;
	minutes: number;
	cost: number;
};
/**
 * What is derived of a matter: matter.nextHearing, matter.daysToTrial, matter.hours, matter.cost.
 */
function derivedFields(app: Application, { id }: MatterRow): MergeObject {
	const derived = one<Derived>(
		app.db,
		`SELECT
			h.date AS nextHearing, d.date AS nextDate, x.next_trial AS trialDate, x.age_days AS age,
			x.last_activity AS lastActivity, x.minutes, x.cents AS cost
		FROM matter_derived x
		LEFT JOIN hearing h ON h.id = x.next_hearing_id
		LEFT JOIN deadline d ON d.id = x.next_deadline_id
		WHERE x.matter_id = @id`,
		{ id }
	);
	const { trialDate } = derived;
	return {
		nextHearing: derived.nextHearing,
		nextDate: derived.nextDate,
		trialDate,
		daysToTrial: trialDate && daysBetween(app.clock.today(), trialDate),
		daysOpen: derived.age,
		lastActivity: dayAt(derived.lastActivity, app.clock.zone),
		hours: formatHours(derived.minutes),
		cost: derived.cost
	};
}
