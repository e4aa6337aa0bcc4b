/** Two people edit one kind: their changes are put together, part by part. */
import { KIND_PARTS, kindFields } from '#core/kinds/fields.ts';
import type { Context } from '#server/app/application.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { kindBody, type StoredKind } from './queries.ts';

type Typed = {
	body: Record<string, unknown>;
	active: boolean;
	base?: Readonly<Record<string, string>> | null | undefined;
};

/**
 * A kind as it is to be saved.
 * @throws Conflict where both changed the same part
 */
export function kindTogether(ctx: Context, stored: StoredKind, { body, active, base }: Typed) {
	const fields = requireTogether(
		ctx,
		{ matterId: null, id: stored.id },
		{
			labels: { ...KIND_PARTS, active: 'In use' },
			now: { ...kindFields(kindBody(stored)), active: String(stored.active) },
			base,
			yours: { ...kindFields(body), active: String(active) },
			format: (_, value, other) => describePart(value, other)
		}
	);
	const { active: inUse, ...parts } = fields;
	return {
		body: Object.fromEntries(
			Object.entries(parts).map(([part, value]) => [part, JSON.parse(value)])
		) as Record<string, unknown>,
		active: inUse === 'true'
	};
}

/** A part in words; of a list, what the other has not, one a line. */
function describePart(value: string, other: string): string {
	const part: unknown = JSON.parse(value);
	if (!Array.isArray(part)) return part === null ? '' : String(part);
	const theirs: unknown = JSON.parse(other);
	const known = new Set(Array.isArray(theirs) ? theirs.map((item) => JSON.stringify(item)) : []);
	const own = part.filter((item) => !known.has(JSON.stringify(item)));
	if (own.length === 0)
		return part.length === 0 ? 'nothing' : 'the same in another order, or fewer';
	return own.map(describeItem).join('\n');
}

function describeItem(item: unknown): string {
	if (typeof item !== 'object' || item === null) return String(item);
	return Object.entries(item)
		.filter(([key]) => key !== 'key')
		.map(([key, value]) => (key === 'name' ? String(value) : `${key} ${describeValue(value)}`))
		.join(', ');
}

function describeValue(value: unknown): string {
	if (Array.isArray(value)) return value.map(describeItem).join('; ');
	return typeof value === 'object' ? describeItem(value) : String(value);
}
