/**
 * The docket report: chosen dates and columns, on the screen, as files, by mail, and as calendars
 * with an address.
 */
import { addDays } from '#core/dates/plain.ts';
import { listFeeds, makeFeed, revokeFeed } from '#server/docket/feeds.ts';
import { listDocketChoices } from '#server/docket/filter-choices.ts';
import { formatFilter } from '#server/docket/filter-words.ts';
import {
	formatReadable,
	REPORT_COLUMNS,
	type ReportColumn
} from '#server/docket/report-columns.ts';
import { GROUPINGS, groupingOf, groupRows } from '#server/docket/report-groups.ts';
import { mailReport } from '#server/docket/report-mail.ts';
import { mailReportOutside } from '#server/docket/report-outside.ts';
import { describeMissedBefore } from '#server/docket/report-words.ts';
import { describeReport, parseReport, type Report } from '#server/docket/report.ts';
import { readReport } from '#server/docket/tasks.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';

const SHOWN = 400;
const FIRST_SPAN_DAYS = 30;

export async function load(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const today = app.clock.today();
	const params = new URLSearchParams(event.url.searchParams);
	if (!params.has('go') && !params.get('from')) {
		params.set('from', today);
		params.set('to', addDays(today, FIRST_SPAN_DAYS));
	}
	const { bad, ...asked } = parseReport(app, params);
	const report = await readReport(app, me, { request: asked, most: SHOWN });
	const shown = asked.columns.filter((column) => column !== 'count');
	return {
		asked,
		bad,
		total: report.total,
		missedBefore: missedBefore(report, params),
		text: formatFilter(app, asked.filter),
		printed: describeReport(app, me),
		query: params.toString(),
		columns: Object.entries(REPORT_COLUMNS) as [ReportColumn, string][],
		orders: Object.entries(GROUPINGS).map(([id, { label }]) => ({ id, label })),
		/** What the heading of a group says is not said again in every row. */
		said: groupingOf(report).said,
		groups: groupRows(report).map(({ key, name, rows }) => ({
			key,
			name,
			rows: rows.map((row) => ({
				id: row.id,
				href: `/matters/${row.matterNumber}/docket?deadline=${row.id}`,
				state: row.state,
				checked: row.checked,
				sort: row.sort,
				late: row.date <= today,
				adrift: row.left !== null,
				count: row.count,
				cells: shown.map((column) => formatReadable(row, column, asked.long, today))
			}))
		})),
		shown: Math.min(SHOWN, report.total),
		choices: listDocketChoices(app, me),
		feeds: listFeeds(app, me)
	};
}

/** What the span leaves out though nobody settled it, and where it is read. */
function missedBefore({ missedBefore: dates }: Report, params: URLSearchParams) {
	if (dates.length === 0) return null;
	const query = new URLSearchParams(params);
	for (const name of ['from', 'to']) query.delete(name);
	query.set('show', 'unsettled');
	query.set('go', '1');
	return { words: describeMissedBefore(dates), query: query.toString() };
}

export const actions = {
	feed: actionValue(makeFeed),
	revoke: action(revokeFeed),
	mail: actionValue(mailReport),
	outside: actionValue(mailReportOutside)
};
