/** The morning digest: one mail a day to each colleague for whom something stands. */
import { addDays } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application } from '#server/app/application.ts';
import { all, insertOrIgnore } from '#server/db/sql.ts';
import { concerns } from '#server/docket/date-people.ts';
import { FULL_TITLE } from '#server/docket/list.ts';
import { eachRow, type JobReport } from '#server/app/job.ts';
import { queueMail } from '#server/mail/queue.ts';
import { countDueMemos } from '#server/memos/queries.ts';
import { listColleagues, type Colleague } from '#server/staff/queries.ts';
import { dayDigest, type DigestDate, type DigestTask } from './messages.ts';
import type { DigestRow } from './rows.ts';
import { asReminders } from './send.ts';

type OnMatter = { matterId: string; restricted: 0 | 1 };

/** Queues the digests of today that were not queued yet. */
export const sendDigests = (app: Application, held?: ReadonlySet<string>): Promise<JobReport> =>
	eachRow(
		listColleagues(app),
		({ id }) => id,
		(colleague) => app.db.transaction(() => sendDigest(app, colleague)).immediate(),
		held
	);

function sendDigest(app: Application, to: Colleague): number {
	const today = app.clock.today();
	if (!insertOrIgnore<DigestRow>(app.db, 'digest', { staff_id: to.id, day: today })) return 0;
	const dates = listDates(app, to.id);
	const tasks = listTasks(app, to.id);
	// A restricted matter's dates go in a mail of their own: whoever may read mail may not know of
	// it.
	const restricted = [...dates, ...tasks]
		.filter((entry) => entry.restricted)
		.map(({ matterId }) => matterId);
	let mails = 0;
	for (const matterId of [null, ...new Set(restricted)]) {
		const belongs = (entry: OnMatter) =>
			matterId === null ? !entry.restricted : entry.matterId === matterId;
		const mine = { dates: dates.filter(belongs), tasks: tasks.filter(belongs) };
		const memos = matterId === null ? countDueMemos(app, to.id) : 0;
		if (mine.dates.length + mine.tasks.length + memos === 0) continue;
		const message = dayDigest(today, mine.dates, mine.tasks, memos);
		queueMail(asReminders(app), { matterId, to, message });
		mails++;
	}
	return mails;
}

const DAYS_AHEAD = 7;
const DATES_LIMIT = 200;
const TASKS_LIMIT = 100;

const listDates = (app: Application, me: string): (DigestDate & OnMatter)[] =>
	all(
		app.db,
		`SELECT
			${FULL_TITLE} AS title, d.date, m.number, m.title AS matterTitle, m.id AS matterId, m.restricted,
			d.checked_by IS NOT NULL AS checked, d.left_by IS NOT NULL AS isLeft
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		WHERE d.state = 'docketed' AND m.status <> 'closed' AND d.date <= @until AND ${concerns('d', 'm')}
		ORDER BY d.date, d.id
		LIMIT ${DATES_LIMIT}`,
		{ me, until: addDays(app.clock.today(), DAYS_AHEAD) }
	);

const listTasks = ({ db }: Application, me: string): (DigestTask & OnMatter)[] =>
	all(
		db,
		`SELECT t.subject, t.due, m.number, m.id AS matterId, m.restricted
		FROM task t
		JOIN matter m ON m.id = t.matter_id
		WHERE t.state = 'open' AND t.assignee_id = @me AND t.due <= today() AND ${visible('m')}
		ORDER BY t.due, t.id
		LIMIT ${TASKS_LIMIT}`,
		{ me }
	);
