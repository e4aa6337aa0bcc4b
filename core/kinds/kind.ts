/**
 * Matter kinds: the pattern a matter is opened from. A kind is data: YAML that ships in kinds/,
 * edited in the application.
 */
import { z } from 'zod';
import { WHOLE_SHARE } from '../costs/money.ts';
import { factSchema, keySchema, nameSchema, type Fact } from './fact.ts';

/** What may stand in the caption strip beside facts: it follows from the docket and the sheet. */
export const DERIVED_KEYS = {
	'next-hearing': 'Next hearing',
	'next-date': 'Next date',
	'days-to-trial': 'Trial',
	'days-open': 'Open'
} as const;
export type DerivedKey = keyof typeof DERIVED_KEYS;

const groupSchema = z.object({
	key: keySchema,
	name: nameSchema('A group'),
	facts: z.array(factSchema).min(1, 'A group needs a fact.').max(20)
});
const roleSchema = z.object({
	role: z.string().trim().min(1).max(40),
	wanted: z.boolean().optional()
});
const shareSchema = z.object({
	unit: z.string().min(1),
	share: z.number().int().min(1).max(WHOLE_SHARE)
});
const taskSchema = z.object({
	subject: z.string().trim().min(1).max(200),
	who: z.enum(['responsible', 'opener']),
	days: z.number().int().min(0).max(365)
});

const wordsSchema = z.string().trim().min(1).max(60);
/** A quick link; keys of facts in braces are filled from the matter. */
const linkSchema = z.object({
	name: z.string().trim().min(1).max(60),
	url: z
		.string()
		.trim()
		.max(500)
		.regex(/^https?:\/\//i, 'The address of a link begins with https://.')
});

const shape = z.object({
	id: keySchema,
	name: nameSchema('A kind'),
	plural: nameSchema('A kind'),
	opponent: z.string().trim().max(40).default('Counterparty'),
	facts: z.array(factSchema).max(60).default([]),
	/** Facts that repeat: each lease, each policy. */
	groups: z.array(groupSchema).max(10).default([]),
	keyFacts: z
		.array(keySchema)
		.max(6, 'At most six key facts stand in the caption strip.')
		.default([]),
	folders: z.array(z.string().trim().min(1).max(60)).max(30).default([]),
	roles: z.array(roleSchema).max(30).default([]),
	/** "{counterparty}, {subject}": keys of facts in braces. */
	title: z.string().trim().max(200).default(''),
	rulebook: z.string().nullable().default(null),
	ladder: z.array(z.number().int().min(-30).max(365)).max(12).default([]),
	split: z.array(shareSchema).max(12).default([]),
	tasks: z.array(taskSchema).max(20).default([]),
	/** Where a matter of the kind may stand, in the department's own words and in their order. */
	stages: z.array(wordsSchema).max(20).default([]),
	/** How one may end. */
	endings: z.array(wordsSchema).max(20).default([]),
	links: z.array(linkSchema).max(12).default([]),
	quietDays: z.number().int().min(1, 'Quiet is at least one day.').max(3650),
	ageDays: z.number().int().min(1, 'The age is at least one day.').max(36500),
	retentionYears: z.number().int().min(0).max(100)
});
export type Kind = z.infer<typeof shape>;

export const kindSchema = shape.superRefine((kind, ctx) => {
	for (const { path, message } of [
		...findDoubleKeys(kind),
		...findUnknownKeys(kind),
		...findDoubleWords(kind),
		...findSplitFaults(kind)
	])
		ctx.addIssue({ code: 'custom', message, path });
});

type Issue = { path: (string | number)[]; message: string };

/** Facts and groups share one space of keys; within a group its facts have their own. */
function findDoubleKeys({ facts, groups }: Kind): Issue[] {
	const issues: Issue[] = [];
	const seen = new Set<string>();
	for (const [i, { key }] of facts.entries()) {
		if (seen.has(key))
			issues.push({ path: ['facts', i, 'key'], message: `Two facts have the key ${key}.` });
		seen.add(key);
	}
	for (const [i, group] of groups.entries()) {
		if (seen.has(group.key))
			issues.push({
				path: ['groups', i, 'key'],
				message: `Two parts have the key ${group.key}.`
			});
		seen.add(group.key);
		for (const key of findDoubles(group.facts.map((fact) => fact.key)))
			issues.push({
				path: ['groups', i],
				message: `Two facts of ${group.name} have the key ${key}.`
			});
	}
	return issues;
}

/** A stage, and a way of ending, is there once. */
const findDoubleWords = ({ stages, endings }: Kind): Issue[] =>
	(
		[
			['stages', stages],
			['endings', endings]
		] as const
	).flatMap(([key, words]) =>
		findDoubles(words.map((word) => word.toLowerCase())).map((word) => ({
			path: [key],
			message: `“${word}” is there twice.`
		}))
	);

const findDoubles = (keys: readonly string[]): string[] =>
	keys.filter((key, i) => keys.indexOf(key) !== i);

/** The keys that a text names in braces. */
const keysInText = (text: string): string[] =>
	[...text.matchAll(/\{([^}]*)\}/g)].map(([, key = '']) => key);

/** The caption strip, the title and the links name facts of the kind. */
function findUnknownKeys({ facts, keyFacts, title, links }: Kind): Issue[] {
	const known = new Set(facts.filter((fact) => !fact.retired).map((fact) => fact.key));
	return [
		...keyFacts
			.filter((key) => !(key in DERIVED_KEYS) && !known.has(key))
			.map((key) => ({
				path: ['keyFacts'],
				message: `The caption strip names ${key}, which is no fact of the kind.`
			})),
		...keysInText(title)
			.filter((key) => !known.has(key))
			.map((key) => ({
				path: ['title'],
				message: `The title names {${key}}, which is no fact of the kind.`
			})),
		...links.flatMap(({ name, url }) =>
			keysInText(url)
				.filter((key) => !known.has(key))
				.map((key) => ({
					path: ['links'],
					message: `The link “${name}” names {${key}}, which is no fact of the kind.`
				}))
		)
	];
}

function findSplitFaults({ split }: Kind): Issue[] {
	const total = split.reduce((sum, { share }) => sum + share, 0);
	if (split.length === 0 || total === WHOLE_SHARE) return [];
	return [{ path: ['split'], message: 'The split does not add up to 100 %.' }];
}

export type KindFault = { path: string; message: string };
/** The faults of a kind by where they are, in words; empty where there are none. */
export function findKindFaults(body: unknown): KindFault[] {
	const result = kindSchema.safeParse(body);
	if (result.success) return [];
	return result.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
}

/** A fact by where it stands: a single one by its key, one of a group as "group.fact". */
export function findFact(kind: Pick<Kind, 'facts' | 'groups'>, path: string): Fact | undefined {
	const [key, inner] = path.split('.');
	if (inner === undefined) return kind.facts.find((fact) => fact.key === key);
	return kind.groups.find((group) => group.key === key)?.facts.find((fact) => fact.key === inner);
}

/**
 * The title a kind proposes from its facts; empty until every fact it names is there.
 * @param factText what stands in a fact, as people write it; empty where it has nothing
 */
export function proposeTitle(kind: Kind, factText: (key: string) => string): string {
	const keys = keysInText(kind.title);
	if (keys.length === 0 || keys.some((key) => factText(key) === '')) return '';
	return kind.title.replace(/\{([^}]*)\}/g, (_, key: string) => factText(key));
}

/**
 * The links a kind proposes for a matter, with its facts in their addresses; one that names a fact
 * which is not there yet is left out.
 * @param factText what stands in a fact, as people write it; empty where it has nothing
 */
export const proposeLinks = (
	{ links }: Pick<Kind, 'links'>,
	factText: (key: string) => string
): { name: string; url: string }[] =>
	links
		.filter(({ url }) => keysInText(url).every((key) => factText(key) !== ''))
		.map(({ name, url }) => ({
			name,
			url: url.replace(/\{([^}]*)\}/g, (_, key: string) => encodeURIComponent(factText(key)))
		}));

/** A key made from a name: "Date of loss" is date-of-loss; made unique among those taken. */
export function keyFromName(name: string, taken: readonly string[]): string {
	const base =
		name
			.normalize('NFKD')
			.replace(/\p{M}/gu, '')
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, '-')
			.replace(/^[^a-z]+|-+$/g, '')
			.slice(0, 36) || 'fact';
	let key = base;
	for (let n = 2; taken.includes(key); n++) key = `${base}-${n}`;
	return key;
}
