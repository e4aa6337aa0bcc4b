/** A matter's sheet as fields of text: what the form shows, what it sends back, and what is stored. */
import {
	factAt,
	readFact,
	sayFact,
	type Fact,
	type FactValue,
	type Kind
} from '#core/matters/kind.ts';
import { sayCents } from '#core/money/cents.ts';
import { Refused, type Ctx, type World } from '../command.ts';
import { cardVisible } from '../trust/scope.ts';
import { makePerson } from '../people/commands.ts';

export type Fields = Record<string, string>;
export type StoredFact = { fact: string; row: number; value: string; more: string };
export const factsOf = (w: Pick<World, 'db'>, matterId: string): StoredFact[] =>
	w.db
		.prepare<[string], StoredFact>(
			'SELECT fact, row, value, more FROM matter_fact WHERE matter_id = ? ORDER BY fact, row'
		)
		.all(matterId);

export const personName =
	(w: Pick<World, 'db'>) =>
	(personId: string): string | undefined =>
		w.db
			.prepare<unknown[], { name: string }>(
				'SELECT name FROM person WHERE id = coalesce((SELECT merged_into FROM person WHERE id = @id), @id)'
			)
			.get({ id: personId })?.name;

/** A kept value as it stands in its field. */
export const typedOf = (f: Fact, v: FactValue): string =>
	f.type === 'money' ? sayCents(Number(v.value)).replace('−', '-') : v.value;

export type Said = {
	key: string;
	name: string;
	said: string;
	type: Fact['type'];
	value: string;
	wanted: boolean;
	retired: boolean;
};
/** The facts of a matter in the order of its kind, said as people write them; those no longer asked for come last where they have a value. */
export function sayFacts(
	w: World,
	kind: Kind,
	stored: readonly StoredFact[]
): {
	facts: Said[];
	groups: {
		key: string;
		name: string;
		heads: { key: string; name: string; type: Fact['type'] }[];
		rows: string[][];
	}[];
} {
	const name = personName(w);
	const say = (f: Fact, s: StoredFact | undefined) => (s ? sayFact(f, s, name) : '');
	const facts = kind.facts
		.map((f): Said => {
			const s = stored.find((x) => x.fact === f.key);
			return {
				key: f.key,
				name: f.name,
				said: say(f, s),
				type: f.type,
				value: s?.value ?? '',
				wanted: f.wanted === true && !f.retired,
				retired: f.retired === true
			};
		})
		.filter((f) => !f.retired || f.said !== '');
	// Facts of a kind the matter had before.
	for (const s of stored)
		if (!factAt(kind, s.fact) && !s.fact.includes('.'))
			facts.push({
				key: s.fact,
				name: s.fact.replaceAll('-', ' '),
				said: [s.value, s.more].filter(Boolean).join(', '),
				type: 'text',
				value: s.value,
				wanted: false,
				retired: true
			});
	const groups = kind.groups
		.map((g) => {
			const mine = stored.filter((s) => s.fact.startsWith(`${g.key}.`));
			const heads = g.facts.filter(
				(f) => !f.retired || mine.some((s) => s.fact === `${g.key}.${f.key}`)
			);
			const n = Math.max(-1, ...mine.map((s) => s.row)) + 1;
			return {
				key: g.key,
				name: g.name,
				heads: heads.map((f) => ({ key: f.key, name: f.name, type: f.type })),
				rows: Array.from({ length: n }, (_, r) =>
					heads.map((f) =>
						say(
							f,
							mine.find((s) => s.row === r && s.fact === `${g.key}.${f.key}`)
						)
					)
				)
			};
		})
		.filter((g) => g.heads.length);
	return { facts: [...facts.filter((f) => !f.retired), ...facts.filter((f) => f.retired)], groups };
}

/** The facts as fields: "fact:court", "more:nature", and each group whole as JSON rows, "group:policies". */
export function factFields(kind: Kind, stored: readonly StoredFact[]): Fields {
	const out: Fields = {};
	for (const f of kind.facts) {
		if (f.retired) continue;
		const s = stored.find((x) => x.fact === f.key && x.row === 0);
		out[`fact:${f.key}`] = s ? typedOf(f, s) : '';
		if (f.type === 'coded') out[`more:${f.key}`] = s?.more ?? '';
	}
	for (const g of kind.groups) {
		const mine = stored.filter((s) => s.fact.startsWith(`${g.key}.`));
		const n = Math.max(-1, ...mine.map((s) => s.row)) + 1;
		out[`group:${g.key}`] = JSON.stringify(
			Array.from({ length: n }, (_, r) =>
				Object.fromEntries(
					g.facts.flatMap((f) => {
						const s = mine.find((x) => x.row === r && x.fact === `${g.key}.${f.key}`);
						return s ? [[f.key, typedOf(f, s)], ...(s.more ? [[`${f.key}+`, s.more]] : [])] : [];
					})
				)
			)
		);
	}
	return out;
}

function read(
	ctx: Ctx,
	f: Fact,
	typed: string,
	more: string,
	field: string,
	matterId: string
): FactValue | null {
	// "new:Name" makes a card in place.
	const made =
		f.type === 'person' && typed.startsWith('new:')
			? makePerson(ctx, { kind: 'organization', name: typed.slice(4).trim(), madeFor: matterId })
			: typed;
	const r = readFact(f, made, more, ctx.clock.today());
	if ('error' in r) throw new Refused(r.error, field);
	if (
		r.value &&
		f.type === 'person' &&
		!ctx.db
			.prepare(`SELECT 1 FROM person p WHERE p.id = @id AND ${cardVisible('p')}`)
			.get({ id: r.value.value, me: 'staff' in ctx.actor ? ctx.actor.staff.id : '' })
	)
		throw new Refused(`${f.name}: choose a person or organization.`, field);
	return r.value;
}

/** Writes the facts that the fields give; fields that are not given stay. Returns what changed, by name, in words. */
export function writeFacts(
	ctx: Ctx,
	matterId: string,
	kind: Kind,
	fields: Fields
): { name: string; key: string; from: string; to: string }[] {
	const stored = factsOf(ctx, matterId);
	const name = personName(ctx);
	const changed: { name: string; key: string; from: string; to: string }[] = [];
	const put = ctx.db.prepare(
		'INSERT INTO matter_fact (matter_id, fact, row, value, more) VALUES (?, ?, ?, ?, ?) ON CONFLICT DO UPDATE SET value = excluded.value, more = excluded.more'
	);
	for (const [field, typed] of Object.entries(fields)) {
		const [what, key] = [field.slice(0, field.indexOf(':')), field.slice(field.indexOf(':') + 1)];
		if (what === 'fact') {
			const f = kind.facts.find((x) => x.key === key && !x.retired);
			if (!f) throw new Refused(`This kind of matter has no fact ${key}.`, field);
			const v = read(ctx, f, typed, fields[`more:${key}`] ?? '', field, matterId);
			const old = stored.find((s) => s.fact === key && s.row === 0);
			if ((old?.value ?? '') === (v?.value ?? '') && (old?.more ?? '') === (v?.more ?? ''))
				continue;
			if (v) put.run(matterId, key, 0, v.value, v.more);
			else
				ctx.db
					.prepare('DELETE FROM matter_fact WHERE matter_id = ? AND fact = ? AND row = 0')
					.run(matterId, key);
			changed.push({
				name: f.name,
				key,
				from: old ? sayFact(f, old, name) : '',
				to: v ? sayFact(f, v, name) : ''
			});
		} else if (what === 'group') {
			const g = kind.groups.find((x) => x.key === key);
			if (!g) throw new Refused(`This kind of matter has no group ${key}.`, field);
			const rows = rowsOf(typed, field).filter((r) =>
				Object.values(r).some((x) => x.trim() !== '')
			);
			if (rows.length > 200) throw new Refused(`${g.name} has more than 200 rows.`, field);
			const next: StoredFact[] = [];
			rows.forEach((r, n) => {
				for (const f of g.facts) {
					const v = f.retired
						? null
						: read(ctx, f, r[f.key] ?? '', r[`${f.key}+`] ?? '', field, matterId);
					if (v) next.push({ fact: `${g.key}.${f.key}`, row: n, ...v });
				}
			});
			const old = stored.filter((s) => s.fact.startsWith(`${g.key}.`));
			const line = (s: StoredFact) => JSON.stringify([s.fact, s.row, s.value, s.more]);
			const gone = g.facts.filter((f) => f.retired).map((f) => `${g.key}.${f.key}`);
			if (
				JSON.stringify(
					old
						.filter((s) => !gone.includes(s.fact))
						.map(line)
						.sort()
				) === JSON.stringify(next.map(line).sort())
			)
				continue;
			for (const s of old)
				if (!gone.includes(s.fact))
					ctx.db
						.prepare('DELETE FROM matter_fact WHERE matter_id = ? AND fact = ? AND row = ?')
						.run(matterId, s.fact, s.row);
			for (const s of next) put.run(matterId, s.fact, s.row, s.value, s.more);
			const n = (list: StoredFact[]) => `${new Set(list.map((s) => s.row)).size}`;
			changed.push({
				name: g.name,
				key: g.key,
				from: n(old),
				to: `${rows.length} ${rows.length === 1 ? 'row' : 'rows'}`
			});
		}
	}
	return changed;
}

export function rowsOf(json: string, field = ''): Record<string, string>[] {
	try {
		const v = JSON.parse(json || '[]') as unknown;
		if (
			Array.isArray(v) &&
			v.every(
				(r) =>
					typeof r === 'object' &&
					r !== null &&
					Object.values(r).every((x) => typeof x === 'string')
			)
		)
			return v as Record<string, string>[];
	} catch {
		/* said below */
	}
	throw new Refused('The rows could not be read.', field);
}

/** What a matter of this kind should still have. */
export function stillMissing(
	kind: Kind,
	facts: readonly Said[],
	roles: readonly string[]
): string[] {
	return [
		...facts
			.filter((f) => f.wanted && f.said === '')
			.map((f) => f.name.charAt(0).toLowerCase() + f.name.slice(1)),
		...kind.roles.filter((r) => r.wanted && !roles.includes(r.role)).map((r) => r.role)
	];
}
