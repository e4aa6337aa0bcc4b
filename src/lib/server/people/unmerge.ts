/** Takes a merge of two cards apart again. */
import { z } from 'zod';
import type { Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id } from '#server/app/fields.ts';
import { exists, insertOrIgnore, maybeOne, remove, run, update } from '#server/db/sql.ts';
import type { MatterFactRow, MatterRoleRow } from '#server/matters/rows.ts';
import { findPersonName, requirePerson } from './card.ts';
import { CONTACT_SHIFT, listMattersOf, type FactKey, type Moved } from './merge.ts';
import { returnFields, returnTies } from './merge-fields.ts';
import { mayMerge } from './queries.ts';
import type { PersonCategoryRow, PersonMergeRow, PersonNameRow, PersonRow } from './rows.ts';

/** What moved goes back where it still is; what was changed since stays where it was put. */
export const undoMerge = command({
	name: 'undo merge',
	action: 'person.edit',
	input: z.object({ mergeId: id('a merge') }),
	run({ ctx, me, input, record }) {
		const merge = maybeOne<PersonMergeRow>(
			ctx.db,
			'SELECT * FROM person_merge WHERE id = @mergeId',
			input
		);
		if (!merge) throw new NotFound('merge');
		const keep = requirePerson(ctx, merge.kept_id);
		if (merge.undone_at) throw new Refused('This merge was taken apart already.');
		if (!mayMerge(ctx, me, keep.id))
			throw new Refused('The card is on a matter that is not yours to see. Ask the docket clerk.');
		refuseOutOfOrder(ctx, merge);
		moveBack(ctx, { keepId: keep.id, goneId: merge.gone_id }, readMoved(merge));
		for (const personId of [keep.id, merge.gone_id])
			run(ctx.db, 'UPDATE person SET version = version + 1 WHERE id = @personId', { personId });
		update<PersonMergeRow>(
			ctx.db,
			'person_merge',
			{ id: merge.id },
			{ undone_at: ctx.clock.now() }
		);
		record.audit({ kept: keep.id, back: merge.gone_id, merge: merge.id });
		const name = findPersonName(ctx, merge.gone_id) ?? '';
		for (const matterId of listMattersOf(ctx, readMoved(merge).roles))
			record.logBeside(
				matterId,
				'people',
				`${name} is not the same as ${keep.name}: their cards were taken apart again.`,
				`/people/${merge.gone_id}`
			);
		return { personId: merge.gone_id };
	}
});

function refuseOutOfOrder(ctx: Context, { id, kept_id }: PersonMergeRow): void {
	const later = exists(
		ctx.db,
		`SELECT 1
		FROM person_merge
		WHERE kept_id = @kept_id AND undone_at IS NULL AND id > @id`,
		{ id, kept_id }
	);
	if (later)
		throw new Refused('Another card was merged into this one later: take that apart first.');
}

/** What a merge moved. Merges of the first versions kept the facts as lists of three. */
function readMoved({ moved }: PersonMergeRow): Moved {
	const stored = JSON.parse(moved) as Omit<Moved, 'facts'> & {
		facts: (FactKey | [string, string, number])[];
	};
	const facts = stored.facts.map((fact): FactKey => {
		if (!Array.isArray(fact)) return fact;
		const [matter_id, key, row] = fact;
		return { matter_id, fact: key, row };
	});
	return { ...stored, facts };
}

type Pair = { keepId: string; goneId: string };

function moveBack(ctx: Context, pair: Pair, moved: Moved): void {
	const { keepId, goneId } = pair;
	update<PersonRow>(ctx.db, 'person', { id: goneId }, { merged_into: null });
	returnTies(ctx, pair, moved);
	returnRows(ctx, 'matter_role', moved.roles, pair);
	returnRows(ctx, 'person_name', moved.names, pair);
	returnRows(ctx, 'witness', moved.witnesses, pair);
	returnContacts(ctx, moved.contacts, pair);
	for (const role of moved.doubled)
		insertOrIgnore<MatterRoleRow>(ctx.db, 'matter_role', { ...role, person_id: goneId });
	for (const name of moved.twins)
		insertOrIgnore<PersonNameRow>(ctx.db, 'person_name', { ...name, person_id: goneId });
	for (const category of moved.categories)
		remove<PersonCategoryRow>(ctx.db, 'person_category', { person_id: keepId, category });
	for (const id of moved.children)
		update<PersonRow>(ctx.db, 'person', { id, parent_id: keepId }, { parent_id: goneId });
	for (const key of moved.facts)
		update<MatterFactRow>(ctx.db, 'matter_fact', { ...key, value: keepId }, { value: goneId });
	if (moved.took) returnFields(ctx, keepId, moved.took);
	if (moved.parent) update<PersonRow>(ctx.db, 'person', { id: keepId }, { parent_id: null });
	if (moved.added)
		remove<PersonNameRow>(ctx.db, 'person_name', {
			person_id: keepId,
			folded: moved.added,
			kind: 'alias'
		});
}

function returnRows(
	ctx: Context,
	table: string,
	ids: readonly string[],
	{ keepId, goneId }: Pair
): void {
	const sql = `UPDATE OR IGNORE ${table}
		SET person_id = @goneId
		WHERE id = @id AND person_id = @keepId`;
	for (const id of ids) run(ctx.db, sql, { id, keepId, goneId });
}

function returnContacts(ctx: Context, ids: readonly string[], { keepId, goneId }: Pair): void {
	for (const id of ids)
		run(
			ctx.db,
			`UPDATE person_contact
			SET person_id = @goneId, position = position - ${CONTACT_SHIFT}
			WHERE id = @id AND person_id = @keepId`,
			{ id, keepId, goneId }
		);
}
