/** The docket report: the dates of a span by matter, person, unit or all, in two orders, as a page, PDF, XLSX, CSV, ICS or mail. */
import { stringify } from 'csv-stringify/sync';
import ExcelJS from 'exceljs';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { z } from 'zod';
import { parseDate, date as plain, sayDate, shortDate, type PlainDate } from '#core/dates/plain.ts';
import { may } from '#core/access/table.ts';
import { sentence, type Step } from '#core/docket/trace.ts';
import { command, Refused, type Staff, type World } from '../command.ts';
import { makePdf } from '../documents/pdf.ts';
import { maybeText } from '../fields.ts';
import { newId } from '../ids.ts';
import { harmless } from '../matters/listing.ts';
import { queueMail } from '../trust/scope.ts';
import { datesIcs } from './feeds.ts';
import { docket, type DeadlineView, type DocketFilter } from './queries.ts';

const SHOWS = ['open', 'unchecked', 'missed', 'proposed', 'all'] as const;
/** The filter of the docket from an address; what is no date is left out and said. */
export function readDocketFilter(p: URLSearchParams): { filter: DocketFilter; bad: string } {
	const [from, to] = [parseDate(p.get('from')), parseDate(p.get('to'))];
	const show = SHOWS.find((s) => s === p.get('show'));
	const text = (k: string) => {
		const v = p.get(k)?.trim();
		return v && v.length <= 200 ? v : undefined;
	};
	const filter: DocketFilter = {
		...(show && show !== 'open' ? { show } : {}),
		from,
		to,
		who: text('who') === 'all' ? undefined : text('who'),
		unit: text('unit'),
		kind: text('kind'),
		court: text('court'),
		matter: text('matter'),
		order: p.get('order') === 'matter' ? 'matter' : undefined,
		page: Math.max(1, Math.floor(Number(p.get('page'))) || 1)
	};
	return {
		filter,
		bad:
			(p.get('from') && !from) || (p.get('to') && !to)
				? 'One of the days is not a date that exists; it was left out.'
				: from && to && from > to
					? 'The first day is after the last: nothing lies between them.'
					: ''
	};
}

export const REPORT_COLUMNS = {
	date: 'Date',
	time: 'Time',
	title: 'What',
	matter: 'Matter',
	number: 'Number',
	authority: 'Authority',
	state: 'State',
	checked: 'Second check',
	responsible: 'Lawyer',
	unit: 'Business unit',
	court: 'Court',
	event: 'Event',
	computed: 'Rule gives',
	internal: 'Our date',
	place: 'Place',
	count: 'How it was counted'
} as const;
export type ReportColumn = keyof typeof REPORT_COLUMNS;
export const REPORT_DEFAULT: ReportColumn[] = [
	'date',
	'time',
	'title',
	'matter',
	'authority',
	'state',
	'checked',
	'responsible',
	'count'
];
export type ReportRow = DeadlineView & { count: string };
export type Report = {
	filter: DocketFilter;
	columns: ReportColumn[];
	long: boolean;
	rows: ReportRow[];
	total: number;
};
export const REPORT_MOST = 5000;

/** What the count did beside counting: what was rolled, how service counted, which reading was cautious. */
const notable = (trace: readonly Step[]) =>
	trace
		.filter(
			(s) =>
				s.step === 'rolled' ||
				s.step === 'service' ||
				s.step === 'deemed' ||
				s.step === 'stays' ||
				s.step === 'no-service' ||
				s.step === 'weekday'
		)
		.map(sentence)
		.join(' ');

/** Reads what a report is asked for. */
export function readReport(p: URLSearchParams): {
	filter: DocketFilter;
	columns: ReportColumn[];
	long: boolean;
	bad: string;
} {
	const { filter, bad } = readDocketFilter(p);
	const wanted = (p.get('cols') ?? '')
		.split(',')
		.filter((c): c is ReportColumn => c in REPORT_COLUMNS);
	return {
		filter,
		bad,
		long: p.get('long') === '1',
		columns: wanted.length ? wanted : REPORT_DEFAULT
	};
}
/** The report as this person may see it. */
export function report(
	w: World,
	me: Staff,
	r: { filter: DocketFilter; columns: ReportColumn[]; long: boolean }
): Report {
	const { rows, total } = docket(w, me, { ...r.filter, page: 1, per: REPORT_MOST });
	const trace = w.db.prepare<[string], { trace: string }>(
		'SELECT trace FROM deadline WHERE id = ?'
	);
	return {
		...r,
		total,
		rows: rows.map((d) => ({
			...d,
			count:
				notable(JSON.parse(trace.get(d.id)!.trace) as Step[]) +
				(d.computed ? ` Moved by ${d.movedHow}: ${d.movedReason}.` : '') +
				(d.stale ? ` ${d.stale}` : '')
		}))
	};
}

const what = (d: ReportRow, long: boolean) =>
	long ? [d.title, d.long].filter(Boolean).join('\n') : d.short || d.title;
export function cell(d: ReportRow, c: ReportColumn, long: boolean): string {
	switch (c) {
		case 'title':
			return what(d, long);
		case 'matter':
			return d.matterTitle;
		case 'number':
			return d.matterNumber;
		case 'checked':
			return d.checked
				? `checked by ${d.checkedBy}`
				: d.returnedBy
					? `returned by ${d.returnedBy}`
					: d.state === 'docketed' || d.state === 'missed'
						? 'needs a second check'
						: '';
		case 'time':
			return d.time ?? '';
		case 'computed':
			return d.computed ?? '';
		case 'internal':
			return d.internal ?? '';
		default:
			return String(d[c] ?? '');
	}
}
const DATES = new Set<ReportColumn>(['date', 'computed', 'internal']);

export const reportCsv = (r: Report): string =>
	`\uFEFF${stringify([r.columns.map((c) => REPORT_COLUMNS[c]), ...r.rows.map((d) => r.columns.map((c) => harmless(cell(d, c, r.long))))], { record_delimiter: '\r\n' })}`;

/** A workbook with typed dates, filters on and a frozen head. */
export async function reportXlsx(r: Report): Promise<Buffer> {
	const book = new ExcelJS.Workbook();
	const sheet = book.addWorksheet('Docket', { views: [{ state: 'frozen', ySplit: 1 }] });
	sheet.columns = r.columns.map((c) => ({
		header: REPORT_COLUMNS[c],
		key: c,
		width: c === 'count' ? 60 : c === 'title' || c === 'matter' ? 36 : DATES.has(c) ? 12 : 20,
		style: DATES.has(c) ? { numFmt: 'yyyy-mm-dd' } : {}
	}));
	for (const d of r.rows)
		sheet.addRow(
			r.columns.map((c) => {
				const v = cell(d, c, r.long);
				return v === '' ? null : DATES.has(c) ? new Date(`${v}T00:00:00Z`) : v;
			})
		);
	sheet.getRow(1).font = { bold: true };
	sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: r.columns.length } };
	return Buffer.from(await book.xlsx.writeBuffer());
}

/** Groups by day or by matter, as the order says. */
export function grouped(r: Report): { key: string; name: string; rows: ReportRow[] }[] {
	const out: { key: string; name: string; rows: ReportRow[] }[] = [];
	for (const d of r.rows) {
		const key = r.filter.order === 'matter' ? d.matterNumber : d.date;
		if (out.at(-1)?.key !== key)
			out.push({
				key,
				name: r.filter.order === 'matter' ? `${d.matterNumber} ${d.matterTitle}` : sayDate(d.date),
				rows: []
			});
		out.at(-1)!.rows.push(d);
	}
	return out;
}
export async function reportPdf(w: World, r: Report, about: string): Promise<Buffer> {
	const cols = r.columns.filter(
		(c) =>
			c !== 'count' &&
			!(r.filter.order === 'matter' ? c === 'matter' || c === 'number' : c === 'date')
	);
	const content: Content[] = [
		{ text: 'Docket report', fontSize: 18 },
		{
			text: `${about}. ${r.total} ${r.total === 1 ? 'date' : 'dates'}${r.total > r.rows.length ? `, the first ${r.rows.length}` : ''}. Made on ${sayDate(w.clock.today())}.`,
			fontSize: 9,
			margin: [0, 2, 0, 10],
			color: '#4a5b62'
		}
	];
	if (r.rows.length === 0) content.push({ text: 'No date fits.' });
	for (const g of grouped(r)) {
		const body: TableCell[][] = [
			cols.map((c) => ({ text: REPORT_COLUMNS[c], bold: true, fontSize: 8 }))
		];
		for (const d of g.rows) {
			body.push(
				cols.map((c) => ({
					text:
						DATES.has(c) && cell(d, c, r.long)
							? shortDate(plain(cell(d, c, r.long)), Number(w.clock.today().slice(0, 4)))
							: cell(d, c, r.long),
					fontSize: 8.5,
					...(c === 'title' ? { bold: true } : {})
				}))
			);
			if (r.columns.includes('count') && d.count)
				body.push([
					{
						text: d.count,
						colSpan: cols.length,
						fontSize: 7.5,
						color: '#4a5b62',
						margin: [8, 0, 0, 2]
					},
					...cols.slice(1).map(() => ({ text: '' }))
				]);
		}
		content.push(
			{ text: g.name, fontSize: 11.5, margin: [0, 8, 0, 3] },
			{
				table: {
					headerRows: 1,
					widths: cols.map((c) =>
						c === 'title'
							? '*'
							: c === 'matter' || c === 'authority' || c === 'event'
								? '*'
								: 'auto'
					),
					body,
					dontBreakRows: true
				},
				layout: 'lightHorizontalLines'
			}
		);
	}
	return makePdf({
		info: { title: 'Docket report' },
		pageOrientation: 'landscape',
		pageMargins: [40, 40, 40, 44],
		defaultStyle: { font: 'Hanken', fontSize: 9 },
		content,
		footer: (n, of) => ({
			text: `Docket report, ${w.clock.today()}, page ${n} of ${of}. Check every date against the current rules.`,
			fontSize: 7.5,
			margin: [40, 12, 40, 0],
			color: '#4a5b62'
		})
	});
}
export const reportIcs = (w: World, r: Report): string =>
	datesIcs(
		w,
		r.rows.map((d) => d.id)
	);

/** In words, for the head of a report. */
export function sayFilter(w: World, f: DocketFilter): string {
	const name = (sql: string, v: string) =>
		w.db.prepare<[string], { name: string }>(sql).get(v)?.name ?? v;
	const parts = [
		{
			open: 'Docketed dates',
			unchecked: 'Docketed dates without a second check',
			missed: 'Missed dates',
			proposed: 'Proposed dates',
			all: 'All dates'
		}[f.show ?? 'open'],
		f.matter ? `of ${f.matter}` : '',
		f.who
			? `of ${f.who === 'mine' ? 'my matters' : name('SELECT name FROM staff WHERE id = ?', f.who)}`
			: '',
		f.unit ? `for ${name('SELECT name FROM business_unit WHERE id = ?', f.unit)}` : '',
		f.kind ? `of kind ${name('SELECT name FROM kind WHERE id = ?', f.kind)}` : '',
		f.court ? `in ${f.court}` : '',
		f.from ? `from ${sayDate(f.from as PlainDate)}` : '',
		f.to ? `to ${sayDate(f.to as PlainDate)}` : ''
	];
	return parts.filter(Boolean).join(' ');
}

/** Sends the report to colleagues: each gets it as they themselves may see it, with a link to every date. */
export const mailReport = command({
	name: 'mail docket report',
	action: 'docket.read',
	input: z.object({
		query: z.string().max(2000),
		to: z.array(z.string()).min(1, 'Choose whom it goes to.').max(50),
		words: maybeText('The message', 1000)
	}),
	run(ctx, i, scribe) {
		const asked = readReport(new URLSearchParams(i.query));
		const sent: string[] = [];
		for (const staffId of new Set(i.to)) {
			const s = ctx.db
				.prepare<[string], Staff & { active: number }>('SELECT * FROM staff WHERE id = ?')
				.get(staffId);
			if (!s || s.active !== 1 || !may(s.role, 'docket.read'))
				throw new Refused('Choose colleagues of the department.', 'to');
			// "Mine" is the sender's: the receiver gets the same matters, as far as they may see them.
			const filter =
				asked.filter.who === 'mine' && 'staff' in ctx.actor
					? { ...asked.filter, who: ctx.actor.staff.id }
					: asked.filter;
			const whole = report(ctx, s, { ...asked, filter });
			// Dates of a restricted matter go in a mail of their own: whoever may read mail may not know of it.
			const hidden = new Set(
				ctx.db
					.prepare<[], { id: string }>('SELECT id FROM matter WHERE restricted = 1')
					.all()
					.map((x) => x.id)
			);
			const parts: [string | null, Report][] = [
				[null, { ...whole, rows: whole.rows.filter((d) => !hidden.has(d.matterId)) }],
				...[...new Set(whole.rows.map((d) => d.matterId))]
					.filter((x) => hidden.has(x))
					.map((x): [string, Report] => [
						x,
						{ ...whole, rows: whole.rows.filter((d) => d.matterId === x) }
					])
			];
			for (const [matterId, r] of parts) {
				const lines = grouped(r).map(
					(g) =>
						`${g.name}\n${g.rows.map((d) => `  ${filter.order === 'matter' ? `${sayDate(d.date)}  ` : ''}${d.time ? `${d.time}  ` : ''}${what(d, r.long)}${filter.order === 'matter' ? '' : `, ${d.matterNumber} ${d.matterTitle}`}${d.checked || d.state === 'met' ? '' : ' (not checked)'}\n    ${ctx.origin}/matters/${d.matterNumber}/docket?count=${d.id}`).join('\n')}`
				);
				queueMail(ctx, newId('mal'), {
					matterId,
					to: `${s.name} <${s.email}>`,
					subject: `Docket report: ${sayFilter(ctx, filter)}`.slice(0, 180),
					text: `${i.words ? `${i.words}\n\n` : ''}${sayFilter(ctx, filter)}: ${r.rows.length}\n\n${lines.join('\n\n') || 'No date fits.'}\n`,
					attachment: {
						sha256: ctx.files.put(Buffer.from(reportCsv(r))),
						name: `docket-${ctx.clock.today()}.csv`
					}
				});
			}
			sent.push(s.login);
		}
		scribe.note({ query: i.query, to: sent });
		return { sent: sent.length };
	}
});
