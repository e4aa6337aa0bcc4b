/** A kind as fields of text, part by part: by which two people's changes are put together. */
import type { Kind } from './kind.ts';

/** What each part is called on the screen. */
export const KIND_PARTS = {
	name: 'Name',
	plural: 'Name of many',
	opponent: 'The other side is called',
	facts: 'Facts',
	groups: 'Groups that repeat',
	keyFacts: 'Key facts',
	folders: 'Folders',
	roles: 'Roles',
	title: 'Title it proposes',
	rulebook: 'Rulebook',
	ladder: 'Reminder days',
	split: 'Split',
	tasks: 'First tasks',
	stages: 'Stages',
	endings: 'How one may end',
	links: 'Quick links',
	quietDays: 'Quiet after',
	ageDays: 'Old after',
	retentionYears: 'Kept for'
} as const satisfies Record<Exclude<keyof Kind, 'id'>, string>;
export type KindPart = keyof typeof KIND_PARTS;

/** The same value is the same text, in whichever order its keys were written. */
function canonical(value: unknown): unknown {
	if (Array.isArray(value)) return value.map(canonical);
	if (typeof value !== 'object' || value === null) return value ?? null;
	return Object.fromEntries(
		Object.entries(value)
			.filter(([, inner]) => inner !== undefined)
			.sort(([one], [other]) => (one < other ? -1 : 1))
			.map(([key, inner]) => [key, canonical(inner)])
	);
}

/** Each part as JSON. */
export const kindFields = (kind: Partial<Record<KindPart, unknown>>): Record<KindPart, string> =>
	Object.fromEntries(
		(Object.keys(KIND_PARTS) as KindPart[]).map((part) => [
			part,
			JSON.stringify(canonical(kind[part]))
		])
	) as Record<KindPart, string>;
