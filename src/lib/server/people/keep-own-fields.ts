/** The department says which fields of its own a card has. */
import { z } from 'zod';
import { factSchema, type Fact } from '#core/kinds/fact.ts';
import type { Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { base } from '#server/app/fields.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { exists, run, scalar } from '#server/db/sql.ts';
import { listOwnFields } from './own-fields.ts';

const FIELDS_LIMIT = 40;

/** The fields as one field of a form has them. */
const ownFieldsField = (fields: readonly Fact[]): string => JSON.stringify(fields);

/**
 * Keeps the fields of cards. One that is left out is asked for no more; what was written in it
 * stays readable.
 */
export const saveOwnFields = command({
	name: 'save card fields',
	action: 'staff.edit',
	input: z.object({
		fields: z.array(factSchema).max(FIELDS_LIMIT, 'At most 40 fields.').default([]),
		base
	}),
	run({ ctx, input, record }) {
		const before = listOwnFields(ctx);
		const fields = together(ctx, before, input);
		refuseFaults(ctx, before, fields);
		const kept = [
			...fields,
			...before
				.filter(({ key }) => !fields.some((fact) => fact.key === key))
				.map((fact) => ({ ...fact, retired: true }))
		];
		for (const [position, fact] of kept.entries())
			run(
				ctx.db,
				`INSERT INTO card_field (key, body, position)
				VALUES (@key, @body, @position)
				ON CONFLICT (key) DO UPDATE SET body = excluded.body, position = excluded.position`,
				{ key: fact.key, body: JSON.stringify(fact), position }
			);
		record.audit({ what: 'card fields', before, after: kept });
	}
});

type Input = { fields: Fact[]; base?: Readonly<Record<string, string>> | null | undefined };
function together(ctx: Context, before: readonly Fact[], { fields, base }: Input): Fact[] {
	const { fields: chosen } = requireTogether(
		ctx,
		{ matterId: null, id: 'card fields' },
		{
			labels: { fields: 'Fields' },
			now: { fields: ownFieldsField(before) },
			base,
			yours: { fields: ownFieldsField(fields) },
			format: (_, value) =>
				(JSON.parse(value) as Fact[])
					.filter(({ retired }) => !retired)
					.map(({ name }) => name)
					.join('\n')
		}
	);
	return z.array(factSchema).parse(JSON.parse(chosen));
}

function refuseFaults(ctx: Context, before: readonly Fact[], fields: readonly Fact[]): void {
	const names = fields.filter(({ retired }) => !retired).map(({ name }) => name.toLowerCase());
	if (new Set(names).size < names.length)
		throw new Refused('Two fields have the same name.', 'fields');
	for (const fact of fields) {
		const old = before.find(({ key }) => key === fact.key);
		if (old && old.type !== fact.type && isFilled(ctx, fact.key))
			throw new Refused(
				`${fact.name} is filled on ${countFilled(ctx, fact.key)} cards: its sort cannot change. Remove it and add another.`,
				'fields'
			);
	}
}
const isFilled = (ctx: Context, key: string): boolean =>
	exists(ctx.db, 'SELECT 1 FROM person_field WHERE field = @key', { key });
const countFilled = (ctx: Context, key: string): number =>
	scalar(ctx.db, 'SELECT count(*) FROM person_field WHERE field = @key', { key });
