/**
 * What a merge does to the fields of the kept card: which take the other card's value, and what
 * hangs on the other card and moves with it.
 */
import { foldName } from '#core/people/names.ts';
import type { Context } from '#server/app/application.ts';
import { all, insertOrIgnore, maybeOne, remove, run, update } from '#server/db/sql.ts';
import { listOwnFields } from './own-fields.ts';
import type { PersonFieldRow, PersonRow } from './rows.ts';

type Pair = { keep: PersonRow; gone: PersonRow };

/** Fields of which one of the two values is kept. */
const CHOICES = {
	name: 'Name',
	status: 'Standing',
	printed: 'Name as printed',
	industry: 'Industry',
	note: 'Note',
	parent_id: 'Parent organization'
} as const;
type Choice = keyof typeof CHOICES;
const isChoice = (field: string): field is Choice => field in CHOICES;

type OwnValue = Pick<PersonFieldRow, 'value' | 'more'>;
/** What stood in a field of the kept card; of an own field null where nothing did. */
export type Taken = Partial<Record<Choice, string | null>> & {
	own?: Record<string, OwnValue | null>;
};
export type OwnKey = { person_id: string; field: string };

/** The other's values go into the kept card. A parent that is the card itself is passed over. */
export function takeFields(ctx: Context, { keep, gone }: Pair, take: readonly string[]): Taken {
	const took: Taken = {};
	const set: Partial<PersonRow> = {};
	for (const field of take.filter(isChoice)) {
		if (field === 'parent_id' && gone.parent_id === keep.id) continue;
		took[field] = keep[field];
		Object.assign(set, { [field]: gone[field] });
	}
	if (set.name !== undefined) set.folded = foldName(set.name);
	if (Object.keys(set).length) update<PersonRow>(ctx.db, 'person', { id: keep.id }, set);
	const own = takeOwn(ctx, { keep, gone }, take);
	return Object.keys(own).length ? { ...took, own } : took;
}

const findOwnValue = (ctx: Context, personId: string, field: string): OwnValue | null =>
	maybeOne<OwnValue>(
		ctx.db,
		'SELECT value, more FROM person_field WHERE person_id = @personId AND field = @field',
		{ personId, field }
	) ?? null;

/** Of the department's own fields: those chosen, and those the kept card has nothing in. */
function takeOwn(ctx: Context, { keep, gone }: Pair, take: readonly string[]) {
	const own: Record<string, OwnValue | null> = {};
	for (const { key } of listOwnFields(ctx)) {
		const was = findOwnValue(ctx, keep.id, key);
		const other = findOwnValue(ctx, gone.id, key);
		if (!other || (was && !take.includes(`fact:${key}`))) continue;
		own[key] = was;
		setOwn(ctx, keep.id, key, other);
	}
	return own;
}

function setOwn(ctx: Context, personId: string, field: string, value: OwnValue | null): void {
	const key = { person_id: personId, field };
	remove<PersonFieldRow>(ctx.db, 'person_field', key);
	if (value) insertOrIgnore<PersonFieldRow>(ctx.db, 'person_field', { ...key, ...value });
}

/** Puts back what stood in the kept card's fields. */
export function returnFields(ctx: Context, keepId: string, { own = {}, ...fields }: Taken): void {
	const set: Partial<PersonRow> = { ...(fields as Partial<PersonRow>) };
	if (set.name !== undefined) set.folded = foldName(set.name);
	if (Object.keys(set).length) update<PersonRow>(ctx.db, 'person', { id: keepId }, set);
	for (const [field, value] of Object.entries(own)) setOwn(ctx, keepId, field, value);
}

/** Tables of which rows move, and the column that says whose they are. */
const TIES = {
	functions: ['person_function', 'person_id'],
	functionsOf: ['person_function', 'contact_id'],
	units: ['unit_relation', 'person_id'],
	identity: ['identity_number', 'person_id'],
	memos: ['memo', 'person_id'],
	guests: ['appointment_guest', 'person_id']
} as const;
type Tie = keyof typeof TIES;
export type MovedTies = Record<Tie, string[]> & { own: OwnKey[] };

/** Rows the kept card has already stay with the other. */
export function moveTies(ctx: Context, { keep, gone }: Pair): MovedTies {
	const moved = {} as MovedTies;
	for (const tie of Object.keys(TIES) as Tie[]) {
		const [table, column] = TIES[tie];
		moved[tie] = all<{ id: string }>(ctx.db, `SELECT id FROM ${table} WHERE ${column} = @goneId`, {
			goneId: gone.id
		})
			.map(({ id }) => id)
			.filter((id) => moveTie(ctx, tie, { id, from: gone.id, to: keep.id }));
	}
	moved.own = all<OwnKey>(
		ctx.db,
		'SELECT person_id, field FROM person_field WHERE value = @id',
		gone
	);
	update<PersonFieldRow>(ctx.db, 'person_field', { value: gone.id }, { value: keep.id });
	return moved;
}

/** Takes what moved back to where it was, where it still is. */
export function returnTies(
	ctx: Context,
	{ keepId, goneId }: { keepId: string; goneId: string },
	moved: Partial<MovedTies>
): void {
	for (const tie of Object.keys(TIES) as Tie[])
		for (const id of moved[tie] ?? []) moveTie(ctx, tie, { id, from: keepId, to: goneId });
	for (const key of moved.own ?? [])
		update<PersonFieldRow>(ctx.db, 'person_field', { ...key, value: keepId }, { value: goneId });
}

function moveTie(ctx: Context, tie: Tie, move: { id: string; from: string; to: string }): boolean {
	const [table, column] = TIES[tie];
	const other = column === 'contact_id' ? 'person_id' : 'id';
	const sql = `UPDATE OR IGNORE ${table}
		SET ${column} = @to
		WHERE id = @id AND ${column} = @from AND ${other} <> @to`;
	return run(ctx.db, sql, move) > 0;
}
