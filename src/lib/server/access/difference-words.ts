/** How a row differs from the audit trail, in words for who looks after the house. */
import type { Db } from '../db/open.ts';
import { maybeOne } from '../db/sql.ts';
import type { RowDifference } from './row-compare.ts';
import type { AuditRow } from './rows.ts';
import type { RowValues } from './watched.ts';

const LONGEST = 80;

function valueWords(value: unknown): string {
	if (value === null || value === undefined) return 'nothing';
	if (typeof value === 'object') return 'another text';
	const text = JSON.stringify(value);
	return text.length > LONGEST ? `${text.slice(0, LONGEST)}…"` : text;
}

/** A row in a few words: the values people know it by. */
const KNOWN_BY = ['number', 'title', 'name', 'text', 'narrative', 'date', 'day', 'minutes'];
function rowWords(values: RowValues): string {
	const told = KNOWN_BY.filter((name) => values[name] !== undefined && values[name] !== null);
	if (told.length === 0) return '';
	return ` (${told.map((name) => `${name} ${valueWords(values[name])}`).join(', ')})`;
}

function writerWords(db: Db, seq: number | null): string {
	const entry =
		seq === null
			? undefined
			: maybeOne<Pick<AuditRow, 'at' | 'actor' | 'action'>>(
					db,
					'SELECT at, actor, action FROM audit WHERE seq = @seq',
					{ seq }
				);
	return entry
		? ` Written last by ${entry.actor} (${entry.action}) at ${entry.at}, entry ${seq}.`
		: '';
}

/** @returns one sentence for each column that differs, and who wrote the row last */
export function differenceWords(db: Db, difference: RowDifference): string {
	const { table, key, sort, trail, row, seq } = difference;
	const name = `${table} ${(JSON.parse(key) as unknown[]).join(' ')}`;
	const writer = writerWords(db, seq);
	if (sort === 'missing')
		return `${name}${rowWords(trail ?? {})}: the trail has this row, the table has not.${writer}`;
	if (sort === 'unknown')
		return `${name}${rowWords(row ?? {})}: nothing in the trail has written this row.`;
	const columns = Object.keys(row ?? {}).map((column) => {
		const [was, is] = [valueWords(trail?.[column]), valueWords(row?.[column])];
		return sort === 'between'
			? `${name}, ${column}: was ${is} for a time, which the trail has not; it had ${was}.`
			: `${name}, ${column}: the trail has ${was}, the row ${is}.`;
	});
	return columns.join('\n') + writer;
}
