/**
 * Rows that a new release's migrations wrote, or that were there before the trail kept values, are
 * taken into the trail as they stand: from then on a change beside the application shows.
 */
import type { Db } from '../db/open.ts';
import { maybeOne, run } from '../db/sql.ts';
import { appendAudit, auditServer } from './audit.ts';
import { compareRows, schemaOf, TAKE_UP, type RowDifference } from './row-compare.ts';
import type { RowChange } from './row-watch.ts';

const SETTING = 'audit-schema';
const TAKE_UP_DONE = 'keep the values of this schema from here on';
/** So many rows in one entry. */
const IN_ONE = 2000;

const changeOf = ({ table, key, trail, row }: RowDifference): RowChange => [table, key, trail, row];

/**
 * Takes up what differs, once for each schema. Each row that differs stands in the trail with what
 * it was to the trail and what it is, so that nothing is covered up by it.
 */
export function takeRowsUp(db: Db, clock: { now(): string }): void {
	const schema = schemaOf(db);
	const known = maybeOne<{ value: string }>(db, 'SELECT value FROM setting WHERE name = @name', {
		name: SETTING
	});
	if (known?.value === String(schema)) return;
	db.transaction(() => {
		const rows: RowChange[] = [];
		for (const found of compareRows(db)) if (found.sort !== 'between') rows.push(changeOf(found));
		for (let from = 0; from < rows.length; from += IN_ONE) {
			const part = rows.slice(from, from + IN_ONE);
			appendAudit(
				db,
				{
					at: clock.now(),
					actor: 'server',
					action: TAKE_UP,
					matterId: null,
					detail: { schema, rows: part.length }
				},
				JSON.stringify(part)
			);
		}
		run(
			db,
			`INSERT INTO setting (name, value)
			VALUES (@name, @value)
			ON CONFLICT (name) DO UPDATE SET value = excluded.value`,
			{ name: SETTING, value: String(schema) }
		);
		auditServer({ db, clock }, TAKE_UP_DONE);
	}).immediate();
}
