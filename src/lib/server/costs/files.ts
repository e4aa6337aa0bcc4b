/** The files of a cost run: the statement of a business unit as PDF, the journal as CSV. */
import { stringify } from 'csv-stringify/sync';
import { sayDate } from '#core/dates/plain.ts';
import { sayCents } from '#core/money/cents.ts';
import { sayHours } from '#core/time/minutes.ts';
import type { Staff, World } from '../command.ts';
import { departmentName } from '../house.ts';
import { makePdf } from '../documents/pdf.ts';
import { journalRows, runTitle, statement, type RunView } from './queries.ts';

/** CSV after RFC 4180; a text that a spreadsheet would take for a formula is quoted with an apostrophe. */
export function journalCsv(w: World, me: Staff, r: RunView): string {
	const safe = (s: string) => (/^[=+\-@\t\r]/.test(s) ? `'${s}` : s);
	return stringify(
		journalRows(w, me, r).map((j) => ({
			...j,
			businessUnit: safe(j.businessUnit),
			costCenter: safe(j.costCenter)
		})),
		{
			header: true,
			record_delimiter: '\r\n',
			columns: {
				date: 'date',
				run: 'run',
				account: 'account',
				businessUnit: 'business unit',
				costCenter: 'cost center',
				matter: 'matter',
				debit: 'debit',
				credit: 'credit'
			}
		}
	);
}

export async function statementPdf(
	w: World,
	me: Staff,
	r: RunView,
	unit: { id: string; name: string }
): Promise<Buffer> {
	const s = statement(w, me, r, unit.id);
	const department = departmentName(w);
	const head = (text: string, alignment: 'left' | 'right' = 'left') => ({
		text,
		alignment,
		bold: true,
		fontSize: 9
	});
	return makePdf({
		info: { title: `Statement ${runTitle(r)}, ${unit.name}` },
		defaultStyle: { font: 'Hanken', fontSize: 9.5 },
		content: [
			{ text: department, color: '#4a5b62', margin: [0, 0, 0, 18] },
			{
				text: `Statement of legal cost, ${unit.name}`,
				font: 'Newsreader',
				fontSize: 20,
				margin: [0, 0, 0, 4]
			},
			{
				text: `${runTitle(r)}, from ${sayDate(r.from).replace(/^\w+ /, '')} to ${sayDate(r.to).replace(/^\w+ /, '')}. ${r.state === 'approved' ? `Cost run ${r.number}, approved by ${r.approvedBy}.` : r.state === 'reversed' ? `Cost run ${r.number}, reversed: ${r.reason}` : 'Preview: not approved, nothing is booked.'}`,
				margin: [0, 0, 0, 16],
				color: '#4a5b62'
			},
			{
				layout: {
					hLineWidth: (i: number, n: { table: { body: unknown[] } }) =>
						i === 1 || i >= n.table.body.length - 1 ? 1 : 0.4,
					vLineWidth: () => 0,
					hLineColor: () => '#16252b',
					paddingTop: () => 5,
					paddingBottom: () => 5
				},
				table: {
					headerRows: 1,
					widths: [84, '*', 56, 44, 72],
					body: [
						[
							head('Matter'),
							head(''),
							head('Share', 'right'),
							head('Hours', 'right'),
							head('Amount', 'right')
						],
						...s.lines.map((l) => [
							l.number ?? '',
							{
								stack: [
									{ text: l.title, bold: true },
									...(l.narratives.length
										? [
												{
													text: l.narratives.slice(0, 12).join('; '),
													color: '#4a5b62',
													fontSize: 8.5
												}
											]
										: [])
								]
							},
							{ text: l.share, alignment: 'right' as const },
							{ text: sayHours(l.minutes), alignment: 'right' as const },
							{ text: sayCents(l.cents), alignment: 'right' as const }
						]),
						[
							{ text: 'Total', bold: true },
							'',
							'',
							'',
							{ text: sayCents(s.total), bold: true, alignment: 'right' as const }
						]
					]
				}
			},
			{
				text: 'Hours are those of the whole matter; the amount is this business unit’s share, to the cent.',
				color: '#4a5b62',
				fontSize: 8.5,
				margin: [0, 14, 0, 0]
			}
		]
	});
}
