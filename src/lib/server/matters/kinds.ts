/** The kinds of matter as they stand: shipped ones are loaded once, then edited in the application. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse, stringify } from 'yaml';
import { z } from 'zod';
import { kindFaults, kindSchema, keyFrom, type Kind } from '#core/matters/kind.ts';
import { command, Refused, type Staff, type World } from '../command.ts';
import { visible } from '../trust/scope.ts';
import { flag, id, text } from '../fields.ts';
import { booksIn } from '../docket/books.ts';

const folder = () => join(process.env.KITE_HOME ?? process.cwd(), 'kinds');
const ORDER = [
	'litigation',
	'employment',
	'regulatory',
	'agreement',
	'real-estate',
	'trademark',
	'corporate',
	'data-incident',
	'claims'
];

/** Adds the kinds that ship where there are none yet. */
export function addKinds(w: World): void {
	if (w.db.prepare('SELECT 1 FROM kind').get()) return;
	const add = w.db.prepare('INSERT INTO kind (id, name, position, body) VALUES (?, ?, ?, ?)');
	for (const f of readdirSync(folder())
		.filter((n) => n.endsWith('.yaml'))
		.sort()) {
		const k = kindSchema.parse(parse(readFileSync(join(folder(), f), 'utf8')));
		add.run(k.id, k.name, ORDER.indexOf(k.id), JSON.stringify(k));
	}
}

export type KindRow = Kind & { version: number; active: boolean };
type Row = { body: string; version: number; active: number };
const row = (r: Row): KindRow => ({
	...(JSON.parse(r.body) as Kind),
	version: r.version,
	active: r.active === 1
});
export const kinds = (w: Pick<World, 'db'>): KindRow[] =>
	w.db
		.prepare<[], Row>('SELECT body, version, active FROM kind ORDER BY position, id')
		.all()
		.map(row);
export function kindOf(w: Pick<World, 'db'>, kindId: string): KindRow {
	const r = w.db
		.prepare<[string], Row>('SELECT body, version, active FROM kind WHERE id = ?')
		.get(kindId);
	if (!r) throw new Error(`a matter is of a kind that is not there: ${kindId}`);
	return row(r);
}
export const findKind = (w: Pick<World, 'db'>, kindId: string): KindRow | undefined => {
	const r = w.db
		.prepare<[string], Row>('SELECT body, version, active FROM kind WHERE id = ?')
		.get(kindId);
	return r && row(r);
};
/** How many matters of each kind the viewer may see. */
export const kindUses = (w: World, me: Staff): Map<string, number> =>
	new Map(
		w.db
			.prepare<unknown[], { kind: string; n: number }>(
				`SELECT m.kind, count(*) AS n FROM matter m WHERE ${visible('m')} GROUP BY m.kind`
			)
			.all({ me: me.id })
			.map((r) => [r.kind, r.n])
	);
export const kindYaml = (k: KindRow): string => {
	const { version: _, active: __, ...body } = k;
	return stringify(body, { lineWidth: 0 });
};

/** Facts that the new body leaves out are kept as taken away, so that what was written in them stays readable. */
function withRetired(old: Kind, body: Kind): Kind {
	const keep = (was: Kind['facts'], now: Kind['facts']) => [
		...now,
		...was.filter((f) => !now.some((g) => g.key === f.key)).map((f) => ({ ...f, retired: true }))
	];
	return {
		...body,
		facts: keep(old.facts, body.facts),
		groups: [
			...body.groups.map((g) => ({
				...g,
				facts: keep(old.groups.find((o) => o.key === g.key)?.facts ?? [], g.facts)
			})),
			...old.groups
				.filter((o) => !body.groups.some((g) => g.key === o.key))
				.map((g) => ({ ...g, facts: g.facts.map((f) => ({ ...f, retired: true })) }))
		]
	};
}

function checked(w: World, body: unknown): Kind {
	const faults = kindFaults(body);
	if (faults.length) throw new Refused(faults[0]!.say, faults[0]!.path);
	const k = kindSchema.parse(body);
	if (k.rulebook !== null && !booksIn(w).some((b) => b.id === k.rulebook && b.events.size > 0))
		throw new Refused('There is no such rulebook.', 'rulebook');
	for (const s of k.split)
		if (!w.db.prepare('SELECT 1 FROM business_unit WHERE id = ?').get(s.unit))
			throw new Refused('The split names a business unit that is not there.', 'split');
	return { ...k, ladder: [...new Set(k.ladder)].sort((a, b) => b - a) };
}

/** Changes a kind. Its matters show it at once. */
export const saveKind = command({
	name: 'save kind',
	action: 'kind.edit',
	input: z.object({
		kindId: id('a kind'),
		version: z.coerce.number().int(),
		body: z.unknown(),
		active: flag
	}),
	run(ctx, i, scribe) {
		const old = findKind(ctx, i.kindId);
		if (!old) throw new Refused('There is no such kind.');
		if (old.version !== i.version)
			throw new Refused(
				'Someone else changed this kind meanwhile. Load it again; what you typed is kept in this window.'
			);
		const k = withRetired(old, checked(ctx, { ...(i.body as object), id: i.kindId }));
		for (const f of k.facts) {
			const was = old.facts.find((o) => o.key === f.key);
			if (
				was &&
				was.type !== f.type &&
				ctx.db
					.prepare(
						'SELECT 1 FROM matter_fact f JOIN matter m ON m.id = f.matter_id WHERE m.kind = ? AND f.fact = ?'
					)
					.get(i.kindId, f.key)
			)
				throw new Refused(
					`${f.name} is filled on matters already: its sort cannot change. Take it away and add another.`,
					'facts'
				);
		}
		if (
			!i.active &&
			old.active &&
			ctx.db.prepare('SELECT 1 FROM kind WHERE active = 1 AND id <> ?').get(i.kindId) === undefined
		)
			throw new Refused('One kind must stay in use.');
		if (ctx.db.prepare('SELECT 1 FROM kind WHERE name = ? AND id <> ?').get(k.name, k.id))
			throw new Refused('Another kind has this name.', 'name');
		ctx.db
			.prepare('UPDATE kind SET name = ?, body = ?, active = ?, version = version + 1 WHERE id = ?')
			.run(k.name, JSON.stringify(k), i.active ? 1 : 0, i.kindId);
		scribe.note({ kind: i.kindId, before: old, after: k });
		return { version: old.version + 1 };
	}
});

/** Adds a kind, as a copy of another. */
export const addKind = command({
	name: 'add kind',
	action: 'kind.edit',
	input: z.object({ name: text('The name', 60), like: id('the kind it begins like') }),
	run(ctx, i, scribe) {
		const from = findKind(ctx, i.like);
		if (!from) throw new Refused('Choose the kind it begins like.', 'like');
		if (ctx.db.prepare('SELECT 1 FROM kind WHERE name = ?').get(i.name))
			throw new Refused('Another kind has this name.', 'name');
		const { version: _, active: __, ...body } = from;
		const kindId = keyFrom(
			i.name,
			kinds(ctx).map((k) => k.id)
		);
		const k = { ...body, id: kindId, name: i.name, plural: i.name };
		ctx.db
			.prepare(
				'INSERT INTO kind (id, name, position, body) VALUES (?, ?, (SELECT max(position) + 1 FROM kind), ?)'
			)
			.run(kindId, i.name, JSON.stringify(k));
		scribe.note({ kind: kindId, like: i.like });
		return { kindId };
	}
});
