/**
 * The docket report by mail: each colleague gets it as they themselves may see it, with a link to
 * every date.
 */
import { z } from 'zod';
import { may } from '#core/access/table.ts';
import {
	actingStaff,
	type Application,
	type Context,
	type Staff
} from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { maybeText } from '#server/app/fields.ts';
import { maybeOne } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { docketReport } from './messages.ts';
import { makeReportCsv } from './report-files.ts';
import { formatFilter } from './filter-words.ts';
import { listRestricted, makeReport, parseReport, type Report } from './report.ts';

export const mailReport = command({
	name: 'mail docket report',
	action: 'docket.read',
	input: z.object({
		query: z.string().max(2000),
		to: z.array(z.string()).min(1, 'Choose whom it goes to.').max(50),
		words: maybeText('The message', 1000)
	}),
	run({ ctx, input, record }) {
		const asked = parseReport(ctx, new URLSearchParams(input.query));
		// "Mine" is the sender's: the receiver gets the same matters, as far as they may see them.
		const who = asked.filter.who === 'mine' ? actingStaff(ctx).id : asked.filter.who;
		const request = { ...asked, filter: { ...asked.filter, who } };
		const receivers = [...new Set(input.to)].map((staffId) => requireReceiver(ctx, staffId));
		for (const to of receivers)
			for (const { matterId, report } of splitRestricted(ctx, makeReport(ctx, to, request)))
				queueMail(ctx, {
					matterId,
					to,
					message: docketReport(report, {
						about: formatFilter(ctx, request.filter),
						words: input.words,
						origin: ctx.origin
					}),
					attachment: {
						sha256: ctx.files.put(Buffer.from(makeReportCsv(report))),
						name: `docket-${ctx.clock.today()}.csv`
					}
				});
		record.audit({ query: input.query, to: receivers.map(({ login }) => login) });
		return { sent: receivers.length };
	}
});

function requireReceiver(ctx: Context, staffId: string): Staff {
	const staff = maybeOne<StaffRow>(ctx.db, 'SELECT * FROM staff WHERE id = @staffId', { staffId });
	if (staff?.active !== 1 || !may(staff.role, 'docket.read'))
		throw new Refused('Choose colleagues of the department.', 'to');
	return staff;
}

/**
 * Dates of a restricted matter go in a mail of their own: whoever may read mail may not know of it.
 */
function splitRestricted(
	app: Application,
	report: Report
): { matterId: string | null; report: Report }[] {
	const restricted = listRestricted(app);
	const part = (matterId: string | null) => {
		const isIn = (id: string) => (matterId === null ? !restricted.has(id) : id === matterId);
		const rows = report.rows.filter((row) => isIn(row.matterId));
		return {
			matterId,
			report: { ...report, rows, missedBefore: report.missedBefore.filter(isIn) }
		};
	};
	const matters = new Set(report.rows.map((row) => row.matterId));
	return [part(null), ...[...matters].filter((id) => restricted.has(id)).map(part)];
}
