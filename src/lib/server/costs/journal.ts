/** The journal of a run as CSV (RFC 4180), for the ledger. */
import { stringify } from 'csv-stringify/sync';
import { harmlessCell } from '#core/format/words.ts';
import type { JournalRow } from './queries.ts';

const COLUMNS = {
	date: 'date',
	run: 'run',
	account: 'account',
	businessUnit: 'business unit',
	costCenter: 'cost center',
	matter: 'matter',
	debit: 'debit',
	credit: 'credit'
} as const satisfies Record<keyof JournalRow, string>;

export const makeJournalCsv = (rows: readonly JournalRow[]): string =>
	stringify(
		rows.map((row) => ({
			...row,
			account: harmlessCell(row.account),
			matter: harmlessCell(row.matter),
			businessUnit: harmlessCell(row.businessUnit),
			costCenter: harmlessCell(row.costCenter)
		})),
		{ header: true, record_delimiter: '\r\n', columns: COLUMNS }
	);
