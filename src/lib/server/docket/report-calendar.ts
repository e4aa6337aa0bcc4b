/** The dates of a docket report as a calendar. */
import type { Application } from '#server/app/application.ts';
import { writeCalendarTask } from '#server/calendar/tasks.ts';
import { dateItem, requireDated } from './calendar-items.ts';
import type { Report } from './report.ts';

export function makeReportCalendar(app: Application, { rows }: Report): Promise<string> {
	const items = rows.map(({ id }) => dateItem(app, requireDated(app, id)));
	const head = { name: 'Docket report', now: app.clock.now() };
	return app.work.run(writeCalendarTask, { items, head });
}
