/** The matter that a row of an import names. */
import { mayOnlyRead } from '#server/access/team.ts';
import { visible } from '#server/access/visibility.ts';
import type { Db } from '#server/db/open.ts';
import { maybeOne } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { faultOf, type Fault } from './verdict.ts';

export type NumberedMatter = Pick<MatterRow, 'id' | 'number' | 'status' | 'restricted'>;

/** A matter by its number, as the one who imports may see it. */
export const findNumbered = (db: Db, me: string, number: string): NumberedMatter | undefined =>
	maybeOne(
		db,
		`SELECT m.id, m.number, m.status, m.restricted
		FROM matter m
		WHERE m.number = upper(@number) AND ${visible('m')}`,
		{ number, me }
	);

/** Why nothing can be put on the matter that is named. */
export const listMatterFaults = (
	db: Db,
	me: string,
	matter: NumberedMatter | undefined,
	typed: string
): Fault[] => [
	...faultOf('matter', typed && !matter && `There is no matter ${typed} that you see.`),
	...faultOf(
		'matter',
		matter && mayOnlyRead(db, matter.id, me) && `You may only read ${matter.number}.`
	)
];
