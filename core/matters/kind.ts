/**
 * Matter kinds: the pattern a matter is opened from. A kind is data (YAML in kinds/, edited in the application); this file says
 * what a kind may hold, reads what people type into its facts, and says facts as people write them.
 */
import { z } from 'zod';
import { parseCents, sayCents } from '../money/cents.ts';
import { parseDate, sayDate, type PlainDate } from '../dates/plain.ts';
import { readDate } from '../dates/read.ts';

export const FACT_TYPES = {
	text: 'text',
	long: 'long text',
	number: 'number',
	money: 'money',
	date: 'date',
	yesno: 'yes or no',
	choice: 'choice',
	person: 'person or organization',
	web: 'address of a web page',
	coded: 'coded list with free text'
} as const;
export type FactType = keyof typeof FACT_TYPES;

const key = z
	.string()
	.regex(
		/^[a-z][a-z0-9-]{0,40}$/,
		'A key is of small letters, digits and hyphens, and begins with a letter.'
	);
const name = (what: string) =>
	z
		.string({ error: `${what} needs a name.` })
		.trim()
		.min(1, `${what} needs a name.`)
		.max(60, `The name of ${what.toLowerCase()} is longer than 60 characters.`);
const factSchema = z
	.object({
		key,
		name: name('A fact'),
		type: z.enum(Object.keys(FACT_TYPES) as [FactType, ...FactType[]], {
			error: 'Choose what sort of fact it is.'
		}),
		options: z.array(z.string().trim().min(1).max(80)).max(200).optional(),
		codes: z
			.array(
				z.object({
					code: z.string().trim().min(1).max(20),
					label: z.string().trim().min(1).max(80)
				})
			)
			.max(500)
			.optional(),
		/** Shown as missing until it is there. */
		wanted: z.boolean().optional(),
		/** Taken away: its values stay readable, it is not asked for any more. */
		retired: z.boolean().optional()
	})
	.refine((f) => f.type !== 'choice' || (f.options?.length ?? 0) > 0, {
		message: 'A choice needs at least one option.',
		path: ['options']
	})
	.refine((f) => f.type !== 'coded' || (f.codes?.length ?? 0) > 0, {
		message: 'A coded list needs at least one code.',
		path: ['codes']
	});
export type Fact = z.infer<typeof factSchema>;

export const DERIVED_KEYS = {
	'next-hearing': 'Next hearing',
	'next-date': 'Next date',
	'days-to-trial': 'Trial',
	'days-open': 'Open'
} as const;

export const kindSchema = z
	.object({
		id: key,
		name: name('A kind'),
		plural: name('A kind'),
		opponent: z.string().trim().max(40).default('Counterparty'),
		facts: z.array(factSchema).max(60).default([]),
		/** Facts that repeat: each lease, each policy. */
		groups: z
			.array(
				z.object({
					key,
					name: name('A group'),
					facts: z.array(factSchema).min(1, 'A group needs a fact.').max(20)
				})
			)
			.max(10)
			.default([]),
		keyFacts: z.array(key).max(6, 'At most six key facts stand in the caption strip.').default([]),
		folders: z.array(z.string().trim().min(1).max(60)).max(30).default([]),
		roles: z
			.array(z.object({ role: z.string().trim().min(1).max(40), wanted: z.boolean().optional() }))
			.max(30)
			.default([]),
		/** "{counterparty}, {subject}": keys of facts in braces. */
		title: z.string().trim().max(200).default(''),
		rulebook: z.string().nullable().default(null),
		ladder: z.array(z.number().int().min(-30).max(365)).max(12).default([]),
		split: z
			.array(z.object({ unit: z.string().min(1), share: z.number().int().min(1).max(1_000_000) }))
			.max(12)
			.default([]),
		tasks: z
			.array(
				z.object({
					subject: z.string().trim().min(1).max(200),
					who: z.enum(['responsible', 'opener']),
					days: z.number().int().min(0).max(365)
				})
			)
			.max(20)
			.default([]),
		quietDays: z.number().int().min(1, 'Quiet is at least one day.').max(3650),
		ageDays: z.number().int().min(1, 'The age is at least one day.').max(36500),
		retentionYears: z.number().int().min(0).max(100)
	})
	.superRefine((k, ctx) => {
		const say = (message: string, ...path: (string | number)[]) =>
			ctx.addIssue({ code: 'custom', message, path });
		const seen = new Set<string>();
		for (const [i, f] of k.facts.entries()) {
			if (seen.has(f.key)) say(`Two facts have the key ${f.key}.`, 'facts', i, 'key');
			seen.add(f.key);
		}
		for (const [i, g] of k.groups.entries()) {
			if (seen.has(g.key)) say(`Two parts have the key ${g.key}.`, 'groups', i, 'key');
			seen.add(g.key);
			const inner = new Set<string>();
			for (const f of g.facts) {
				if (inner.has(f.key)) say(`Two facts of ${g.name} have the key ${f.key}.`, 'groups', i);
				inner.add(f.key);
			}
		}
		for (const kf of k.keyFacts)
			if (!(kf in DERIVED_KEYS) && !k.facts.some((f) => f.key === kf && !f.retired))
				say(`The caption strip names ${kf}, which is no fact of the kind.`, 'keyFacts');
		for (const m of k.title.matchAll(/\{([^}]*)\}/g))
			if (!k.facts.some((f) => f.key === m[1] && !f.retired))
				say(`The title names {${m[1]}}, which is no fact of the kind.`, 'title');
		if (k.split.length && k.split.reduce((a, s) => a + s.share, 0) !== 1_000_000)
			say('The split does not add up to 100 %.', 'split');
	});
export type Kind = z.infer<typeof kindSchema>;

/** All facts that can be filled: single ones by their key, those of a group as "group.fact". */
export function factAt(kind: Kind, path: string): Fact | undefined {
	const [a, b] = path.split('.');
	return b === undefined
		? kind.facts.find((f) => f.key === a)
		: kind.groups.find((g) => g.key === a)?.facts.find((f) => f.key === b);
}

export type FactValue = { value: string; more: string };
/**
 * What a person typed into a fact, as it is kept: dates YYYY-MM-DD, money in cents, numbers in plain digits, yes or no, a code with
 * its free text, a person's id. Empty text is no value. A fault comes back in the user's words.
 */
export function readFact(
	f: Fact,
	typed: string,
	more: string,
	today: PlainDate
): { value: FactValue | null } | { error: string } {
	const t = typed.trim();
	const free = more.trim();
	if (t === '' && free === '') return { value: null };
	const kept = (value: string, m = ''): { value: FactValue } => ({ value: { value, more: m } });
	if (free.length > 500)
		return { error: `${f.name}: the free text is longer than 500 characters.` };
	switch (f.type) {
		case 'text':
			return t.length > 300
				? { error: `${f.name} is longer than 300 characters.` }
				: kept(t.replace(/\s+/g, ' '));
		case 'long':
			return t.length > 10_000 ? { error: `${f.name} is longer than 10,000 characters.` } : kept(t);
		case 'number': {
			const n = t.replace(/,(?=\d{3}\b)/g, '').replace(/\s/g, '');
			return /^-?\d{1,15}(\.\d{1,6})?$/.test(n)
				? kept(n.replace(/^(-?)0+(?=\d)/, '$1'))
				: { error: `${f.name}: “${t}” is not a number.` };
		}
		case 'money': {
			const c = parseCents(t);
			return c === undefined
				? { error: `${f.name}: “${t}” is not an amount. Write 1,250.00.` }
				: kept(String(c));
		}
		case 'date': {
			const d = readDate(t, today);
			return 'date' in d ? kept(d.date) : { error: `${f.name}: ${d.error}` };
		}
		case 'yesno':
			return /^(yes|y|true|1)$/i.test(t)
				? kept('yes')
				: /^(no|n|false|0)$/i.test(t)
					? kept('no')
					: { error: `${f.name}: answer yes or no.` };
		case 'choice': {
			const o = f.options?.find((x) => x.toLowerCase() === t.toLowerCase());
			return o ? kept(o) : { error: `${f.name}: “${t}” is not one of ${f.options?.join(', ')}.` };
		}
		case 'coded': {
			const c =
				t === ''
					? ''
					: f.codes?.find(
							(x) =>
								x.code.toLowerCase() === t.toLowerCase() ||
								x.label.toLowerCase() === t.toLowerCase()
						)?.code;
			return c === undefined
				? {
						error: `${f.name}: “${t}” is no code of the list. Leave the code empty and write it beside.`
					}
				: kept(c, free);
		}
		case 'person':
			return /^per_\w+$/.test(t)
				? kept(t)
				: { error: `${f.name}: choose a person or organization.` };
		case 'web': {
			const u = /^https?:\/\//i.test(t) ? t : `https://${t}`;
			return URL.canParse(u) &&
				/^https?:$/.test(new URL(u).protocol) &&
				new URL(u).hostname.includes('.')
				? kept(u)
				: { error: `${f.name}: “${t}” is not the address of a web page.` };
		}
	}
}

/** A kept value as people write it. `person` gives the name behind an id. */
export function sayFact(f: Fact, v: FactValue, person: (id: string) => string | undefined): string {
	switch (f.type) {
		case 'money':
			return sayCents(Number(v.value));
		case 'date': {
			const d = parseDate(v.value);
			return d ? sayDate(d).replace(/^\w+ /, '') : v.value;
		}
		case 'number': {
			const [w, dec] = v.value.split('.');
			return w!.replace(/\B(?=(\d{3})+$)/g, ',') + (dec ? `.${dec}` : '');
		}
		case 'coded':
			return [f.codes?.find((c) => c.code === v.value)?.label ?? v.value, v.more]
				.filter(Boolean)
				.join(', ');
		case 'person':
			return person(v.value) ?? 'someone whose card is gone';
		default:
			return v.value;
	}
}

/** The title a kind proposes from its facts; empty until every fact it names is there. */
export function proposeTitle(kind: Kind, said: (key: string) => string): string {
	if (kind.title === '') return '';
	const names = [...kind.title.matchAll(/\{([^}]*)\}/g)].map((m) => m[1]!);
	return names.length && names.every((n) => said(n) !== '')
		? kind.title.replace(/\{([^}]*)\}/g, (_, n: string) => said(n))
		: '';
}

/** A key made from a name: "Date of loss" is date-of-loss; made unique among those taken. */
export function keyFrom(words: string, taken: readonly string[]): string {
	const base =
		words
			.normalize('NFKD')
			.replace(/\p{M}/gu, '')
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, '-')
			.replace(/^[^a-z]+|-+$/g, '')
			.slice(0, 36) || 'fact';
	let k = base;
	for (let n = 2; taken.includes(k); n++) k = `${base}-${n}`;
	return k;
}

/** The faults of a kind by where they are, in words; empty where there are none. */
export function kindFaults(body: unknown): { path: string; say: string }[] {
	const r = kindSchema.safeParse(body);
	return r.success ? [] : r.error.issues.map((i) => ({ path: i.path.join('.'), say: i.message }));
}
