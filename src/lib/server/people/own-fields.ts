/**
 * The department's own fields of cards: what they are, and what stands in them on one card. They
 * are typed like the facts of matters.
 */
import { factSchema, formatFact, parseFact, typedFact, type Fact } from '#core/kinds/fact.ts';
import type { Application, Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { all, insert, remove } from '#server/db/sql.ts';
import type { CardFieldRow, PersonFieldRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

/** Every field there is or was, in its order. */
export const listOwnFields = ({ db }: Has): Fact[] =>
	all<Pick<CardFieldRow, 'body'>>(db, 'SELECT body FROM card_field ORDER BY position').map(
		({ body }) => factSchema.parse(JSON.parse(body))
	);

const listStored = ({ db }: Has, personId: string): PersonFieldRow[] =>
	all(db, 'SELECT * FROM person_field WHERE person_id = @personId', { personId });

/** Fields of text by `fact:KEY` and, beside a code, `more:KEY`: what a form shows. */
export type OwnFields = Record<`fact:${string}` | `more:${string}`, string>;

const toFields = (fact: Fact, value: { value: string; more: string } | null): OwnFields => ({
	[`fact:${fact.key}`]: value ? typedFact(fact, value) : '',
	...(fact.type === 'coded' ? { [`more:${fact.key}`]: value?.more ?? '' } : {})
});

/** What stands in the fields that are asked for. */
export function findOwn(app: Has, personId: string): OwnFields {
	const stored = listStored(app, personId);
	return Object.assign(
		{},
		...listOwnFields(app)
			.filter(({ retired }) => !retired)
			.map((fact) => toFields(fact, stored.find(({ field }) => field === fact.key) ?? null))
	) as OwnFields;
}

/**
 * What was typed, in the form in which it is kept.
 * @throws Refused on the field at fault
 */
export function normalizeOwn(ctx: Context, typed: Readonly<Record<string, string>>): OwnFields {
	return Object.assign(
		{},
		...listOwnFields(ctx)
			.filter(({ retired, key }) => !retired && `fact:${key}` in typed)
			.map((fact) => toFields(fact, readOwn(ctx, fact, typed)))
	) as OwnFields;
}

function readOwn(ctx: Context, fact: Fact, typed: Readonly<Record<string, string>>) {
	const field = `fact:${fact.key}`;
	const more = typed[`more:${fact.key}`] ?? '';
	const reading = parseFact(fact, typed[field] ?? '', more, ctx.clock.today());
	if ('error' in reading) throw new Refused(reading.error, field);
	return reading.value;
}

/** Writes the given fields; those that are not given stay. */
export function writeOwn(ctx: Context, personId: string, fields: OwnFields): void {
	for (const fact of listOwnFields(ctx)) {
		if (fact.retired || !(`fact:${fact.key}` in fields)) continue;
		const value = readOwn(ctx, fact, fields);
		remove<PersonFieldRow>(ctx.db, 'person_field', { person_id: personId, field: fact.key });
		if (value)
			insert<PersonFieldRow>(ctx.db, 'person_field', {
				...{ person_id: personId, field: fact.key },
				...value
			});
	}
}

export type OwnView = {
	key: string;
	name: string;
	text: string;
	type: Fact['type'];
	value: string;
};
/** As people read them; a field that is asked for no more is shown where something stands in it. */
export function viewOwn(
	app: Has,
	personId: string,
	nameOf: (id: string) => string | undefined
): OwnView[] {
	const stored = listStored(app, personId);
	return listOwnFields(app).flatMap((fact) => {
		const value = stored.find(({ field }) => field === fact.key);
		if (!value) return [];
		const text = formatFact(fact, value, nameOf);
		return [{ key: fact.key, name: fact.name, text, type: fact.type, value: value.value }];
	});
}
