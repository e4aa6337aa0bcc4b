/** Kinds are edited in the application; their matters show it at once. */
import { z } from 'zod';
import type { Fact } from '#core/kinds/fact.ts';
import { findKindFaults, keyFromName, kindSchema, type Kind } from '#core/kinds/kind.ts';
import type { Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { base, flag, id, text } from '#server/app/fields.ts';
import { exists, insert, scalar, update } from '#server/db/sql.ts';
import { listBooks } from '#server/rulebooks/shelf.ts';
import { findUnit } from '#server/units/queries.ts';
import { findKind, kindBody, listKinds, type StoredKind } from './queries.ts';
import type { KindRow } from './rows.ts';
import { kindTogether } from './two-writers.ts';

/** Changes a kind. */
export const saveKind = command({
	name: 'save kind',
	action: 'kind.edit',
	input: z.object({
		kindId: id('a kind'),
		body: z.record(z.string(), z.unknown()),
		active: flag,
		base
	}),
	run({ ctx, input, record }) {
		const before = findKind(ctx, input.kindId);
		if (!before) throw new NotFound('kind');
		const { body, active } = kindTogether(ctx, before, input);
		const read = parseKind(ctx, { ...body, id: input.kindId });
		const kind = keepRetired(before, read);
		refuseChangedTypes(ctx, before, kind);
		if (!active && before.active) refuseNoneLeft(ctx, kind.id);
		refuseTakenName(ctx, kind.name, kind.id);
		update<KindRow>(
			ctx.db,
			'kind',
			{ id: kind.id },
			{
				name: kind.name,
				body: JSON.stringify(kind),
				active: active ? 1 : 0,
				version: before.version + 1
			}
		);
		record.audit({ kind: kind.id, before, after: kind });
		return { version: before.version + 1 };
	}
});

/** Adds a kind, as a copy of another. */
export const addKind = command({
	name: 'add kind',
	action: 'kind.edit',
	input: z.object({ name: text('The name', 60), like: id('the kind it begins like') }),
	run({ ctx, input: { name, like }, record }) {
		const model = findKind(ctx, like);
		if (!model) throw new Refused('Choose the kind it begins like.', 'like');
		refuseTakenName(ctx, name, null);
		const taken = listKinds(ctx).map((kind) => kind.id);
		const kind: Kind = {
			...kindBody(model),
			id: keyFromName(name, taken),
			name,
			plural: name
		};
		insert<KindRow>(ctx.db, 'kind', {
			id: kind.id,
			name,
			position: scalar(ctx.db, 'SELECT max(position) + 1 FROM kind'),
			body: JSON.stringify(kind)
		});
		record.audit({ kind: kind.id, like });
		return { kindId: kind.id };
	}
});

/** Reads a kind and what it names outside itself. @throws Refused at its first fault */
function parseKind(ctx: Context, body: unknown): Kind {
	const [fault] = findKindFaults(body);
	if (fault) throw new Refused(fault.message, fault.path);
	const kind = kindSchema.parse(body);
	const booksOfMatters = listBooks(ctx).filter((book) => book.events.size > 0);
	if (kind.rulebook !== null && !booksOfMatters.some((book) => book.id === kind.rulebook))
		throw new Refused('There is no such rulebook.', 'rulebook');
	if (kind.split.some(({ unit }) => !findUnit(ctx, unit)))
		throw new Refused('The split names a business unit that is not there.', 'split');
	return { ...kind, ladder: [...new Set(kind.ladder)].sort((a, b) => b - a) };
}

/**
 * Facts that the new body leaves out are kept as taken away, so that what was written in them stays
 * readable.
 */
function keepRetired(before: Kind, now: Kind): Kind {
	const groupBefore = (key: string) => before.groups.find((group) => group.key === key);
	const gone = before.groups.filter((old) => !now.groups.some((group) => group.key === old.key));
	return {
		...now,
		facts: withRetired(before.facts, now.facts),
		groups: [
			...now.groups.map((group) => ({
				...group,
				facts: withRetired(groupBefore(group.key)?.facts ?? [], group.facts)
			})),
			...gone.map((group) => ({ ...group, facts: group.facts.map(retire) }))
		]
	};
}
const retire = (fact: Fact): Fact => ({ ...fact, retired: true });
const withRetired = (before: readonly Fact[], now: readonly Fact[]): Fact[] => [
	...now,
	...before.filter((old) => !now.some((fact) => fact.key === old.key)).map(retire)
];

function refuseChangedTypes(ctx: Context, before: StoredKind, kind: Kind): void {
	for (const fact of kind.facts) {
		const old = before.facts.find(({ key }) => key === fact.key);
		if (old && old.type !== fact.type && isFilled(ctx, kind.id, fact.key))
			throw new Refused(
				`${fact.name} is filled on matters already: its sort cannot change. Take out it and add another.`,
				'facts'
			);
	}
}

const isFilled = (ctx: Context, kind: string, fact: string): boolean =>
	exists(
		ctx.db,
		`SELECT 1
		FROM matter_fact f
		JOIN matter m ON m.id = f.matter_id
		WHERE m.kind = @kind AND f.fact = @fact`,
		{ kind, fact }
	);

function refuseNoneLeft(ctx: Context, kindId: string): void {
	if (!listKinds(ctx).some((kind) => kind.active && kind.id !== kindId))
		throw new Refused('One kind must stay in use.');
}

function refuseTakenName(ctx: Context, name: string, but: string | null): void {
	if (exists(ctx.db, 'SELECT 1 FROM kind WHERE name = @name AND id IS NOT @but', { name, but }))
		throw new Refused('Another kind has this name.', 'name');
}
