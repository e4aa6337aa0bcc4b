/**
 * What is written when a matter is opened: shared by opening one by hand and importing thousands.
 */
import { z } from 'zod';
import { WHOLE_SHARE } from '#core/costs/money.ts';
import { addDays, isWeekend, toDay, type PlainDate } from '#core/dates/plain.ts';
import { formatFact } from '#core/kinds/fact.ts';
import { proposeTitle } from '#core/kinds/kind.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { findSetting } from '#server/app/department.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, maybeId, maybeText } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import type { Recorder } from '#server/app/record.ts';
import { exists, insert, scalar, update } from '#server/db/sql.ts';
import { findKind, type StoredKind } from '#server/kinds/queries.ts';
import { findPersonName, NAME_LIMIT, requirePerson } from '#server/people/card.ts';
import { insertPerson } from '#server/people/write-card.ts';
import { findColleague, findLawyer, type Colleague } from '#server/staff/queries.ts';
import { findTeam, listTeamMembers, membersInput } from '#server/staff/teams.ts';
import type { TaskRow } from '#server/tasks/rows.ts';
import { findUnit } from '#server/units/queries.ts';
import { PRIORITIES } from './edit.ts';
import { listFacts } from './facts.ts';
import type { MatterMemberRow, MatterRoleRow, MatterRow } from './rows.ts';
import { joinAll } from './members.ts';
import { addParties, findWrongMembers, findWrongParties, partyInput } from './opening-people.ts';
import { findOrigin } from './origins.ts';
import { DESCRIPTION_LIMIT, listMatterRulebooks, TITLE_LIMIT } from './sheet.ts';
import { writeSplit } from '#server/costs/split.ts';
import { writeFacts } from './write-facts.ts';

export const openingInput = z.object({
	kind: z.string(),
	title: maybeText('The title', TITLE_LIMIT),
	unitId: maybeText('The business unit', 60),
	responsibleId: maybeText('The lawyer', 60),
	opponentId: maybeId,
	opponentName: maybeText('The name', NAME_LIMIT),
	opponentKind: z.enum(['person', 'organization']).nullish(),
	rulebook: maybeId,
	restricted: flag,
	priority: z.enum(PRIORITIES).default('normal'),
	/** "fact:court" and the like, as on the sheet. */
	facts: z.record(z.string(), z.string()).default({}),
	requestId: maybeId,
	description: maybeText('The description', DESCRIPTION_LIMIT),
	originId: maybeId,
	/** Who brought the matter; whoever opens it, where nobody is named. */
	originatingId: maybeId,
	/** Everyone else it is about, each in a role. */
	parties: z.array(partyInput).max(40).default([]),
	members: membersInput,
	teamId: maybeId
});
export type Opening = z.output<typeof openingInput>;
export type OpeningParts = { kind: StoredKind; lawyer: Colleague };

const known = (found: unknown, field: string, words: string): Record<string, string> =>
	found ? {} : { [field]: words };

/** What an opening names. @throws Refused with all that is wrong at once, each beside its field */
export function requireOpeningParts(ctx: Context, opening: Opening): OpeningParts {
	const kind = findKind(ctx, opening.kind);
	if (!kind?.active) throw new Refused('Choose a kind.', 'kind');
	const lawyer = findLawyer(ctx, opening.responsibleId);
	const { rulebook, originId, originatingId, teamId } = opening;
	const isBook = rulebook === null || listMatterRulebooks(ctx).some(({ id }) => id === rulebook);
	const wrong: Record<string, string> = {
		...known(opening.title || kind.title, 'title', 'The title is missing.'),
		...known(findUnit(ctx, opening.unitId), 'unitId', 'Choose a business unit.'),
		...known(lawyer, 'responsibleId', 'Choose the responsible lawyer.'),
		...known(isBook, 'rulebook', 'There is no such rulebook.'),
		...known(originId === null || findOrigin(ctx, originId), 'originId', 'Choose the origin.'),
		...known(
			originatingId === null || findColleague(ctx, originatingId),
			'originatingId',
			'Choose a colleague.'
		),
		...known(teamId === null || findTeam(ctx, teamId), 'teamId', 'Choose a team.'),
		...findWrongMembers(ctx, opening.members),
		...findWrongParties(ctx, kind, opening.parties)
	};
	const [first] = Object.entries(wrong);
	if (first) throw new Refused(first[1], first[0], wrong);
	if (!lawyer) throw new Refused('Choose the responsible lawyer.', 'responsibleId');
	return { kind, lawyer };
}

/**
 * Writes the matter with its number, facts, title, other side and split; the rest is the caller's.
 * @param words the first entry of its logbook
 * @param number one it has already; the next of its year where none is given
 */
export function insertMatter(
	ctx: Context,
	opening: Opening,
	{ kind }: OpeningParts,
	{ day, words, number }: { day: PlainDate; words: string; number?: string | undefined },
	record: Recorder
): MatterRow {
	const matter = insertRow(ctx, opening, day, number);
	record.logOn(matter.id, 'matter', words);
	writeFacts(ctx, matter.id, kind, opening.facts);
	const title = titleOf(ctx, opening, kind, matter.id);
	update<MatterRow>(ctx.db, 'matter', { id: matter.id }, { title });
	addOtherSide(ctx, opening, kind, matter, record);
	addParties(ctx, matter, opening.parties, record);
	const shares = kind.split.length ? kind.split : [{ unit: opening.unitId, share: WHOLE_SHARE }];
	writeSplit(
		ctx,
		matter.id,
		day,
		shares.map((share) => ({ ...share, costCenter: null }))
	);
	return { ...matter, title };
}

function insertRow(
	ctx: Context,
	opening: Opening,
	day: PlainDate,
	own: string | undefined
): MatterRow {
	if (own !== undefined && isTaken(ctx, own)) throw new Refused(`The number ${own} is taken.`);
	const number = own ?? nextNumber(ctx, Number(day.slice(0, 4)));
	const matter: MatterRow = {
		id: newId('mat'),
		number,
		title: opening.title || number,
		kind: opening.kind,
		status: 'open',
		unit_id: opening.unitId,
		responsible_id: opening.responsibleId,
		originating_id: opening.originatingId ?? actingStaff(ctx).id,
		restricted: opening.restricted ? 1 : 0,
		rulebook: opening.rulebook,
		opened_on: day,
		closed_on: null,
		created_at: ctx.clock.now(),
		priority: opening.priority,
		status_reason: '',
		status_from: day,
		retain_until: null,
		version: 1,
		ladder: null,
		stand_in_id: null,
		origin_id: opening.originId,
		description: opening.description,
		stage: '',
		stage_from: null,
		ending: ''
	};
	insert<MatterRow>(ctx.db, 'matter', matter);
	return matter;
}

const isTaken = ({ db }: Context, number: string): boolean =>
	exists(db, 'SELECT 1 FROM matter WHERE number = @number', { number });

/**
 * The next number of the year: LF-2026-0042. Never given twice, never changed; one that a matter
 * brought along is passed over.
 */
function nextNumber(ctx: Context, year: number): string {
	const pattern = findSetting(ctx, 'matter number', 'LF-{year}-{0000}');
	const last = scalar(
		ctx.db,
		`INSERT INTO number_series (year, last)
		VALUES (@year, 1)
		ON CONFLICT (year) DO UPDATE SET last = last + 1
		RETURNING last`,
		{ year }
	);
	const number = pattern
		.replace('{year}', String(year))
		.replace(/\{(0+)\}/, (_, zeros: string) => String(last).padStart(zeros.length, '0'));
	return isTaken(ctx, number) ? nextNumber(ctx, year) : number;
}

function titleOf(ctx: Context, opening: Opening, kind: StoredKind, matterId: string): string {
	if (opening.title) return opening.title;
	const stored = listFacts(ctx, matterId);
	const factText = (key: string) => {
		const fact = kind.facts.find((other) => other.key === key);
		const value = stored.find((other) => other.fact === key);
		return fact && value ? formatFact(fact, value, (id) => findPersonName(ctx, id)) : '';
	};
	const title = proposeTitle(kind, factText).slice(0, TITLE_LIMIT);
	if (title === '')
		throw new Refused('The title is missing: type one, or the facts it is made of.', 'title');
	return title;
}

function addOtherSide(
	ctx: Context,
	opening: Opening,
	kind: StoredKind,
	matter: MatterRow,
	record: Recorder
): void {
	const personId = opening.opponentId ?? makeOtherSide(ctx, opening, matter);
	if (!personId) return;
	const { name } = requireOtherSide(ctx, personId);
	const role = kind.roles[0]?.role ?? kind.opponent.toLowerCase();
	insert<MatterRoleRow>(ctx.db, 'matter_role', {
		id: newId('rol'),
		matter_id: matter.id,
		person_id: personId,
		role,
		from_day: matter.opened_on
	});
	record.logOn(matter.id, 'people', `${name} added as ${role}.`, `/people/${personId}`);
}

const makeOtherSide = (ctx: Context, opening: Opening, matter: MatterRow): string | null =>
	opening.opponentName === ''
		? null
		: insertPerson(ctx, {
				kind: opening.opponentKind ?? 'organization',
				name: opening.opponentName,
				madeFor: matter.id,
				field: 'opponentName'
			});

/** The card that was chosen. @throws Refused beside the field */
export function requireOtherSide(ctx: Context, personId: string): { name: string } {
	try {
		return requirePerson(ctx, personId);
	} catch (error) {
		if (error instanceof NotFound)
			throw new Refused('Choose a person, or type a new name.', 'opponentName');
		throw error;
	}
}

/** Whoever opens a matter is on it; otherwise a restricted one would vanish under their hands. */
export function addOpener(ctx: Context, matter: MatterRow): void {
	const me = actingStaff(ctx);
	if (me.id === matter.responsible_id) return;
	insert<MatterMemberRow>(ctx.db, 'matter_member', {
		matter_id: matter.id,
		staff_id: me.id,
		role: 'owner',
		part: '',
		access: 'change'
	});
}

/** The team and the colleagues who are on the matter from the beginning; gives their ids. */
export function addMembers(
	ctx: Context,
	matter: MatterRow,
	{ members, teamId }: Pick<Opening, 'members' | 'teamId'>,
	record: Recorder
): string[] {
	const team = teamId === null ? [] : listTeamMembers(ctx, teamId);
	const all = [...members, ...team].filter(({ staffId }) => staffId !== matter.responsible_id);
	const joined = joinAll(ctx, matter, all);
	if (joined.length === 0) return [];
	record.logOn(matter.id, 'people', `On the matter: ${joined.join('; ')}.`);
	return all.map(({ staffId }) => staffId);
}

/** Nobody does a first task on a weekend: it is for the Monday after. */
const offWeekend = (day: PlainDate): PlainDate => {
	const number = toDay(day);
	return isWeekend(number) ? offWeekend(addDays(day, 1)) : day;
};

/** The tasks with which a matter of this kind begins. */
export function addFirstTasks(
	ctx: Context,
	matter: MatterRow,
	kind: StoredKind,
	record: Recorder
): void {
	if (kind.tasks.length === 0) return;
	const me = actingStaff(ctx);
	for (const { subject, who, days } of kind.tasks)
		insert<TaskRow>(ctx.db, 'task', {
			id: newId('tsk'),
			matter_id: matter.id,
			subject,
			assignee_id: who === 'responsible' ? matter.responsible_id : me.id,
			due: offWeekend(addDays(matter.opened_on, days)),
			state: 'open',
			created_by: me.id,
			created_at: ctx.clock.now()
		});
	record.logOn(
		matter.id,
		'task',
		`First tasks of ${kind.name.toLowerCase()}: ${kind.tasks.map(({ subject }) => subject).join('; ')}.`,
		`/matters/${matter.number}/tasks`
	);
}
