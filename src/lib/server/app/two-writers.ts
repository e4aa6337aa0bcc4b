/**
 * Two people write the same thing. What only one of them changed is taken from who changed it;
 * where both changed the same field, nothing is saved and the second is shown both.
 */
import { lastChangeBy } from '../access/audit.ts';
import type { Context } from './application.ts';
import { Conflict, type Difference } from './errors.ts';

type Fields<Field extends string> = Readonly<Record<Field, string>>;

export type Sides<Field extends string> = {
	/** What each field is called on the screen: these are compared. */
	labels: Fields<Field>;
	/** What stands, as the form would show it now. */
	now: Fields<Field>;
	/** What the form showed; a field that is not there was typed by somebody who saw no form. */
	base: Readonly<Record<string, string>> | null | undefined;
	yours: Fields<Field>;
	/** A value in words, beside the other one. */
	format?: (field: Field, value: string, other: string) => string;
};

/** The fields as they are to be written, and those that both changed. */
export function putTogether<Field extends string>({
	labels,
	now,
	base,
	yours,
	format = (_, value) => value
}: Sides<Field>): { fields: Record<Field, string>; differences: Difference[] } {
	const fields: Record<Field, string> = { ...yours };
	const differences: Difference[] = [];
	for (const field of Object.keys(labels) as Field[]) {
		const shown = base?.[field];
		const theirs = now[field];
		const mine = yours[field];
		if (shown === undefined || theirs === shown || theirs === mine) continue;
		if (mine === shown) fields[field] = theirs;
		else
			differences.push({
				field,
				name: labels[field],
				theirs: format(field, theirs, mine),
				yours: format(field, mine, theirs),
				values: { theirs, yours: mine }
			});
	}
	return { fields, differences };
}

/**
 * The fields as they are to be written.
 *
 * @param of the matter it belongs to, and what is changed, as the audit trail names it
 * @throws Conflict where both changed the same field
 */
export function requireTogether<Field extends string>(
	ctx: Context,
	of: { matterId: string | null; id: string },
	sides: Sides<Field>
): Record<Field, string> {
	const { fields, differences } = putTogether(sides);
	if (differences.length)
		throw new Conflict(lastChangeBy(ctx.db, of.matterId, of.id), 0, differences);
	return fields;
}
