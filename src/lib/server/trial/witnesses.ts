/** The witnesses of a matter, in the order in which they are heard. */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, maybeDay, maybeText } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insertOrIgnore, maybeOne, remove, update } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { nextPosition } from './exhibits.ts';
import type { WitnessRow } from './rows.ts';

export const addWitness = matterCommand({
	name: 'add witness',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		personId: id('a person'),
		side: z.enum(['ours', 'theirs'], { error: 'Choose a side.' }),
		about: maybeText('What they say', 500),
		minutes: z.coerce
			.number({ error: 'Write minutes.' })
			.int('Write whole minutes.')
			.min(0)
			.max(2400)
			.nullish()
	}),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input, record }) {
		const { personId, side, about, minutes } = input;
		const person = maybeOne<{ name: string }>(
			ctx.db,
			`SELECT p.name
			FROM person p
			WHERE p.id = @personId
				AND EXISTS (
					SELECT 1 FROM matter_role r WHERE r.person_id = p.id AND r.matter_id = @matterId
				)`,
			{ personId, matterId: matter.id }
		);
		if (!person) throw new Refused('Choose someone who has a role on this matter.', 'personId');
		const added = insertOrIgnore<WitnessRow>(ctx.db, 'witness', {
			id: newId('wit'),
			matter_id: matter.id,
			person_id: personId,
			side,
			about,
			minutes: minutes ?? null,
			position: nextPosition(ctx, 'witness', matter.id)
		});
		if (!added) throw new Refused(`${person.name} is on the list already.`, 'personId');
		record.audit({ witness: personId });
		record.log(
			'people',
			`Witness for ${side === 'ours' ? 'our' : 'the other'} side: ${person.name}.`,
			`/matters/${matter.number}/trial`
		);
	}
});

type NamedWitness = WitnessRow & { name: string };
function requireWitness(
	ctx: Context,
	witnessId: string
): { witness: NamedWitness; matter: MatterRow } {
	const witness = maybeOne<NamedWitness>(
		ctx.db,
		`SELECT w.*, p.name
		FROM witness w
		JOIN person p ON p.id = w.person_id
		WHERE w.id = @witnessId`,
		{ witnessId }
	);
	if (!witness) throw new NotFound('witness');
	return { witness, matter: requireMatter(ctx, witness.matter_id) };
}

/** Moves a witness up or down in the order; at its end nothing happens. */
export const moveWitness = matterCommand({
	name: 'move witness',
	action: 'matter.edit',
	input: z.object({ witnessId: id('a witness'), move: z.enum(['up', 'down']) }),
	find: (ctx, { witnessId }) => requireWitness(ctx, witnessId),
	onClosed: 'allowed',
	run({ ctx, witness, input, record }) {
		record.audit({ witness: witness.person_id, move: input.move });
		const [before, order] = input.move === 'up' ? ['<', 'DESC'] : ['>', 'ASC'];
		const neighbor = maybeOne<WitnessRow>(
			ctx.db,
			`SELECT *
			FROM witness
			WHERE matter_id = @matter_id AND position ${before} @position
			ORDER BY position ${order}
			LIMIT 1`,
			witness
		);
		if (!neighbor) return;
		const place = (id: string, position: number) =>
			update<WitnessRow>(ctx.db, 'witness', { id }, { position });
		place(witness.id, neighbor.position);
		place(neighbor.id, witness.position);
	}
});

/** Heard on a day; without a day, not heard yet. */
export const hearWitness = matterCommand({
	name: 'hear witness',
	action: 'matter.edit',
	input: z.object({ witnessId: id('a witness'), heard: maybeDay('The day') }),
	find: (ctx, { witnessId }) => requireWitness(ctx, witnessId),
	onClosed: 'allowed',
	run({ ctx, witness, input, record }) {
		const { heard } = input;
		if (heard && heard > ctx.clock.today())
			throw new Refused('That day has not come yet.', 'heard');
		update<WitnessRow>(ctx.db, 'witness', { id: witness.id }, { heard_on: heard });
		record.audit({ witness: witness.person_id, heard });
		const when = heard ? `was heard on ${formatDate(heard)}` : 'is not heard yet';
		record.log('people', `${witness.name} ${when}.`);
	}
});

export const removeWitness = matterCommand({
	name: 'remove witness',
	action: 'matter.edit',
	input: z.object({ witnessId: id('a witness') }),
	find: (ctx, { witnessId }) => requireWitness(ctx, witnessId),
	onClosed: 'allowed',
	run({ ctx, witness, record }) {
		remove<WitnessRow>(ctx.db, 'witness', { id: witness.id });
		record.audit({ witness: witness.person_id });
		record.log('people', `${witness.name} removed from the list of witnesses.`);
	}
});
