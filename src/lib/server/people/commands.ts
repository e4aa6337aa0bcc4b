/** New cards of people and organizations. */
import { z } from 'zod';
import { preparedCommand } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { flag, maybeText, text } from '#server/app/fields.ts';
import { isMailAddress, NAME_LIMIT } from './card.ts';
import { nearNamesTask } from './tasks.ts';
import { insertPerson } from './write-card.ts';

/** From this strength on, a near name is shown before a card is made. */
const SHOWN_BEFORE = 78;

/** Makes a card. Near names are shown once before: they may be the same. */
export const addPerson = preparedCommand({
	name: 'add person',
	action: 'person.edit',
	input: z.object({
		kind: z.enum(['person', 'organization']),
		name: text('The name', NAME_LIMIT),
		email: maybeText('The mail address', 200).refine(
			(value) => value === '' || isMailAddress(value),
			'This is not a mail address.'
		),
		phone: maybeText('The phone', 60),
		note: maybeText('The note', 2000),
		former: maybeText('Former names', 500),
		sure: flag
	}),
	async prepare({ ctx, input, me }) {
		if (input.sure) return;
		const near = await ctx.work.run(nearNamesTask, {
			me: me.id,
			name: input.name,
			least: SHOWN_BEFORE
		});
		if (near.length) throw new Refused('There are cards near to this name.', 'near', {}, { near });
	},
	run({ ctx, input, record }) {
		const { sure, former, ...card } = input;
		const personId = insertPerson(ctx, { ...card, formerNames: former, twin: sure });
		record.audit({ person: personId, name: input.name });
		return { personId };
	}
});
