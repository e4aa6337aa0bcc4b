/**
 * Two cards that are one: merged with nothing lost. What moved is kept, so that it can go back
 * (unmerge.ts).
 */
import { z } from 'zod';
import { foldName } from '#core/people/names.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { id } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { all, insert, insertOrIgnore, remove, run, update } from '#server/db/sql.ts';
import type { MatterFactRow, MatterRoleRow } from '#server/matters/rows.ts';
import { isAbove, requirePerson } from './card.ts';
import { mayMerge } from './queries.ts';
import type { PersonCategoryRow, PersonMergeRow, PersonNameRow, PersonRow } from './rows.ts';
import { moveTies, takeFields, type OwnKey, type Taken } from './merge-fields.ts';
import { insertName } from './write-card.ts';

export type FactKey = Pick<MatterFactRow, 'matter_id' | 'fact' | 'row'>;
/** What moved from one card to the other. */
export type Moved = {
	/** Ids of roles, names, addresses, cards below, places on witness lists. */
	roles: string[];
	names: string[];
	contacts: string[];
	children: string[];
	witnesses: string[];
	/** What the kept card had already: taken off the other, whole. */
	doubled: MatterRoleRow[];
	twins: Omit<PersonNameRow, 'person_id'>[];
	categories: string[];
	facts: FactKey[];
	/** The kept card took the other's parent. */
	parent: boolean;
	/** The other's name, folded, where it became another name of the kept card. */
	added: string | null;
	/** Fields of the kept card that took the other's value, as they were. */
	took?: Taken;
	/** Functions, business units, identity numbers and memos: their ids. */
	functions?: string[];
	functionsOf?: string[];
	units?: string[];
	identity?: string[];
	memos?: string[];
	own?: OwnKey[];
};
type Pair = { keep: PersonRow; gone: PersonRow };

/** Addresses of the other card come after those of the kept one. */
export const CONTACT_SHIFT = 20;

/**
 * Merges a card into another: roles, names, addresses, categories, cards below and facts go to the
 * card that is kept.
 */
export const mergePeople = command({
	name: 'merge people',
	action: 'person.edit',
	input: z.object({
		keepId: id('the card to keep'),
		goneId: id('the card that goes into it'),
		/** Fields of which the other card's value is kept. */
		take: z.array(z.string().max(80)).max(80).default([])
	}),
	run({ ctx, me, input, record }) {
		if (input.keepId === input.goneId)
			throw new Refused('A card cannot be merged with itself. Choose the other one.', 'goneId');
		const pair = {
			keep: requirePerson(ctx, input.keepId),
			gone: requirePerson(ctx, input.goneId)
		};
		refuseMerge(ctx, me, pair);
		const moved = moveCard(ctx, pair, input.take);
		const { keep, gone } = pair;
		setPerson(ctx, gone, { merged_into: keep.id });
		setPerson(ctx, requirePerson(ctx, keep.id), {});
		const mergeId = newId('mrg');
		insert<PersonMergeRow>(ctx.db, 'person_merge', {
			id: mergeId,
			kept_id: keep.id,
			gone_id: gone.id,
			moved: JSON.stringify(moved),
			by: me.id,
			at: ctx.clock.now()
		});
		record.audit({ kept: keep.id, gone: gone.id, merge: mergeId });
		for (const matterId of listMattersOf(ctx, moved.roles))
			record.logBeside(
				matterId,
				'people',
				`${gone.name} is the same as ${keep.name}: their cards were merged.`,
				`/people/${keep.id}`
			);
		return { mergeId, keepId: keep.id };
	}
});

/** Changes a card, which raises its version. */
function setPerson(ctx: Context, { id, version }: PersonRow, set: Partial<PersonRow>): void {
	update<PersonRow>(ctx.db, 'person', { id }, { ...set, version: version + 1 });
}

function refuseMerge(ctx: Context, me: Staff, { keep, gone }: Pair): void {
	if (!mayMerge(ctx, me, gone.id) || !mayMerge(ctx, me, keep.id))
		throw new Refused(
			'One of the two is on a matter that is not yours to see. Ask the docket clerk to merge them.',
			'goneId'
		);
	if (keep.kind !== gone.kind) {
		const kind = keep.kind === 'person' ? 'a person' : 'an organization';
		throw new Refused(
			`${keep.name} is ${kind} and ${gone.name} is not. Change one of the cards first.`,
			'goneId'
		);
	}
	for (const [below, above] of [
		[keep, gone],
		[gone, keep]
	] as const)
		if (isAbove(ctx, above.id, below.id))
			throw new Refused(
				`${below.name} belongs to ${above.name}: take the parent off first.`,
				'goneId'
			);
}

function moveCard(ctx: Context, pair: Pair, take: readonly string[]): Moved {
	const took = takeFields(ctx, pair, take);
	const { doubled, moved: roles } = moveRoles(ctx, pair);
	const { doubled: twins, moved: names } = moveNames(ctx, pair);
	return {
		roles,
		doubled,
		names,
		twins,
		contacts: moveContacts(ctx, pair),
		categories: moveCategories(ctx, pair),
		children: moveChildren(ctx, pair),
		facts: moveFacts(ctx, pair),
		witnesses: moveWitnesses(ctx, pair),
		parent: takeParent(ctx, pair),
		...moveTies(ctx, pair),
		took,
		added: keepName(ctx, pair, took)
	};
}

/**
 * Gives rows to the kept card, one by one; those it has already stay. The ids of those that moved.
 */
function moveRows(ctx: Context, table: string, ids: readonly string[], { keep }: Pair): string[] {
	const sql = `UPDATE OR IGNORE ${table} SET person_id = @personId WHERE id = @id`;
	return ids.filter((id) => run(ctx.db, sql, { personId: keep.id, id }) > 0);
}

function moveRoles(ctx: Context, pair: Pair) {
	const rows = all<MatterRoleRow>(
		ctx.db,
		'SELECT * FROM matter_role WHERE person_id = @id',
		pair.gone
	);
	const moved = moveRows(
		ctx,
		'matter_role',
		rows.map(({ id }) => id),
		pair
	);
	const doubled = rows.filter(({ id }) => !moved.includes(id));
	for (const { id } of doubled) remove<MatterRoleRow>(ctx.db, 'matter_role', { id });
	return { moved, doubled };
}

function moveNames(ctx: Context, pair: Pair) {
	const rows = all<Omit<PersonNameRow, 'person_id'>>(
		ctx.db,
		'SELECT id, kind, name, folded FROM person_name WHERE person_id = @id',
		pair.gone
	);
	const moved = moveRows(
		ctx,
		'person_name',
		rows.map(({ id }) => id),
		pair
	);
	const doubled = rows.filter(({ id }) => !moved.includes(id));
	for (const { id } of doubled) remove<PersonNameRow>(ctx.db, 'person_name', { id });
	return { moved, doubled };
}

const listIds = (ctx: Context, sql: string, { gone }: Pair): string[] =>
	all<{ id: string }>(ctx.db, sql, gone).map(({ id }) => id);

function moveContacts(ctx: Context, pair: Pair): string[] {
	const ids = listIds(ctx, 'SELECT id FROM person_contact WHERE person_id = @id', pair);
	run(
		ctx.db,
		`UPDATE person_contact
		SET person_id = @keep, position = position + ${CONTACT_SHIFT}
		WHERE person_id = @gone`,
		{ keep: pair.keep.id, gone: pair.gone.id }
	);
	return ids;
}

function moveCategories(ctx: Context, { keep, gone }: Pair): string[] {
	const rows = all<PersonCategoryRow>(
		ctx.db,
		'SELECT category FROM person_category WHERE person_id = @id',
		gone
	);
	return rows
		.map(({ category }) => category)
		.filter((category) =>
			insertOrIgnore<PersonCategoryRow>(ctx.db, 'person_category', {
				person_id: keep.id,
				category
			})
		);
}

function moveChildren(ctx: Context, pair: Pair): string[] {
	const ids = listIds(ctx, 'SELECT id FROM person WHERE parent_id = @id', pair);
	update<PersonRow>(ctx.db, 'person', { parent_id: pair.gone.id }, { parent_id: pair.keep.id });
	return ids;
}

function moveFacts(ctx: Context, { keep, gone }: Pair): FactKey[] {
	const keys = all<FactKey>(
		ctx.db,
		'SELECT matter_id, fact, row FROM matter_fact WHERE value = @id',
		gone
	);
	update<MatterFactRow>(ctx.db, 'matter_fact', { value: gone.id }, { value: keep.id });
	return keys;
}

const moveWitnesses = (ctx: Context, pair: Pair): string[] =>
	moveRows(
		ctx,
		'witness',
		listIds(ctx, 'SELECT id FROM witness WHERE person_id = @id', pair),
		pair
	);

function takeParent(ctx: Context, { keep, gone }: Pair): boolean {
	if (keep.parent_id || !gone.parent_id || gone.parent_id === keep.id) return false;
	update<PersonRow>(ctx.db, 'person', { id: keep.id }, { parent_id: gone.parent_id });
	return true;
}

/** The name that is not kept stays findable as another name of the kept card. */
function keepName(ctx: Context, { keep, gone }: Pair, took: Taken): string | null {
	const other = 'name' in took ? keep.name : gone.name;
	const folded = foldName(other);
	if (folded === foldName('name' in took ? gone.name : keep.name)) return null;
	insertName(ctx, keep.id, 'alias', other);
	return folded;
}

export const listMattersOf = (ctx: Context, roles: readonly string[]): string[] =>
	all<{ matter_id: string }>(
		ctx.db,
		`SELECT DISTINCT matter_id
		FROM matter_role
		WHERE id IN (SELECT value FROM json_each(@roles))`,
		{ roles: JSON.stringify(roles) }
	).map(({ matter_id }) => matter_id);
