/** Asks whoever holds dates for their word on them: as the week begins, and once more later. */
import { askRound, listUncovered, signOffWeek } from '#core/sign-off/week.ts';
import type { Application, Context } from '#server/app/application.ts';
import { eachRow, type JobReport } from '#server/app/job.ts';
import { all, insertOrIgnore } from '#server/db/sql.ts';
import { heldBy } from '#server/docket/date-people.ts';
import { FULL_TITLE } from '#server/docket/list.ts';
import { queueMail } from '#server/mail/queue.ts';
import { listColleagues, type Colleague } from '#server/staff/queries.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { signOffAsked, type Asking } from './messages.ts';
import { findSignOff } from './queries.ts';
import type { SignOffAskRow } from './rows.ts';

export const askForSignOffs = (app: Application, held?: ReadonlySet<string>): Promise<JobReport> =>
	eachRow(
		listColleagues(app),
		({ id }) => id,
		(colleague) => app.db.transaction(() => ask(app, colleague)).immediate(),
		held
	);

type HeldDate = { id: string; title: string; date: PlainDate; number: string; restricted: 0 | 1 };
const listHeld = ({ db }: Application, who: string, until: PlainDate): HeldDate[] =>
	all(
		db,
		`SELECT d.id, ${FULL_TITLE} AS title, d.date, m.number, m.restricted
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		JOIN date_people p ON p.deadline_id = d.id
		WHERE d.state = 'docketed'
			AND m.status <> 'closed'
			AND d.date <= @until
			AND ${heldBy('@who')}
		ORDER BY d.date, d.id`,
		{ who, until }
	);

function ask(app: Application, to: Colleague): number {
	const today = app.clock.today();
	const { week, until } = signOffWeek(today);
	const round = askRound(today);
	const dates = listHeld(app, to.id, until);
	const signed = findSignOff(app, to.id, week);
	if (listUncovered(dates, signed?.dates ?? []).length === 0) return 0;
	const asked = { staff_id: to.id, week, round, at: app.clock.now() };
	if (!insertOrIgnore<SignOffAskRow>(app.db, 'sign_off_ask', asked)) return 0;
	const ctx: Context = { ...app, actor: { guest: 'reminders' } };
	const before: Asking = signed ? 'changed' : 'again';
	const asking = round === 1 && !signed ? 'first' : before;
	const shown = dates.filter(({ restricted }) => !restricted);
	queueMail(ctx, { matterId: null, to, message: signOffAsked(until, shown, asking) });
	return 1;
}
