/**
 * The docket report by mail to people outside: a PDF with a word, no addresses of this house in it,
 * nothing of restricted matters and none of our own notes.
 */
import { z } from 'zod';
import { plural } from '#core/format/words.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { preparedCommand } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { text } from '#server/app/fields.ts';
import { queueMail } from '#server/mail/queue.ts';
import { formatFilter } from './filter-words.ts';
import { docketReportOutside } from './messages.ts';
import type { ReportColumn } from './report-columns.ts';
import { describeReport, listRestricted, makeReport, parseReport, type Report } from './report.ts';
import { reportPdfTask } from './tasks.ts';

/** What is for the department alone. */
const OWN: ReadonlySet<ReportColumn> = new Set([
	'internal',
	'workingMark',
	'tags',
	'checked',
	'changed',
	'count'
]);
const RECEIVERS = 10;
const ADDRESS = /^[^\s@<>,;]+@[^\s@<>,;]+\.[^\s@<>,;]+$/;

const addresses = text('A mail address', 1000)
	.transform((typed) => [...new Set(typed.split(/[\s,;]+/).filter(Boolean))])
	.superRefine((typed, ctx) => {
		const wrong = typed.find((address) => !ADDRESS.test(address));
		if (wrong) ctx.addIssue({ code: 'custom', message: `${wrong} is not a mail address.` });
		if (typed.length > RECEIVERS)
			ctx.addIssue({ code: 'custom', message: `At most ${RECEIVERS} addresses at once.` });
	});

/** What goes outside of a report: without restricted matters, without our own columns. */
function makeOutsideReport(app: Application, me: Staff, query: string): Report {
	const report = makeReport(app, me, parseReport(app, new URLSearchParams(query)));
	const restricted = listRestricted(app);
	const rows = report.rows.filter(({ matterId }) => !restricted.has(matterId));
	const columns = report.columns.filter((column) => !OWN.has(column));
	if (rows.length === 0) throw new Refused('No date fits: there is nothing to send.');
	const total = report.total - (report.rows.length - rows.length);
	return { ...report, columns, rows, total, missedBefore: [] };
}

export const mailReportOutside = preparedCommand({
	name: 'mail docket report outside',
	action: 'docket.change',
	input: z.object({
		query: z.string().max(2000),
		addresses,
		words: text('A word to them', 1000)
	}),
	async prepare({ ctx, me, input }) {
		const report = makeOutsideReport(ctx, me, input.query);
		const pdf = await ctx.work.run(reportPdfTask, {
			report,
			about: formatFilter(ctx, report.filter),
			printed: describeReport(ctx, me),
			today: ctx.clock.today()
		});
		return { pdf: Buffer.from(pdf), report };
	},
	run({ ctx, me, input, record, prepared: { pdf, report } }) {
		const attachment = {
			sha256: ctx.files.put(pdf),
			name: `docket-${ctx.clock.today()}.pdf`
		};
		const message = docketReportOutside(report.rows.length, { words: input.words, from: me });
		for (const email of input.addresses)
			queueMail(ctx, { matterId: null, to: { name: email, email }, message, attachment });
		for (const [matterId, count] of countByMatter(report)) {
			const what = `Docket report with ${plural(count, 'date')}`;
			record.logOn(matterId, 'date', `${what} sent to ${input.addresses.join(', ')}.`);
		}
		record.audit({
			query: input.query,
			to: input.addresses,
			dates: report.rows.map(({ id }) => id),
			file: attachment.sha256
		});
		return { sent: input.addresses.length };
	}
});

/** How many dates of each matter are in it. */
function countByMatter({ rows }: Report): Map<string, number> {
	const counts = new Map<string, number>();
	for (const { matterId } of rows) counts.set(matterId, (counts.get(matterId) ?? 0) + 1);
	return counts;
}
