/** Time of three years, month by month, each month closed by a cost run. */
import { addDays, isWeekend, plainDate, toDay } from '#core/dates/plain.ts';
import { approveRun, makeRun, sendRun } from '#server/costs/commands.ts';
import { exists } from '#server/db/sql.ts';
import { shippedBook } from '#server/rulebooks/shelf.ts';
import { logTime, releaseTime } from '#server/time/commands.ts';
import type { Made, Scene } from './scene.ts';
import { workOn } from './work.ts';

/** How many entries of a day at most. */
const HANDS: Readonly<Record<string, number>> = {
	okafor: 2,
	wardle: 3,
	quiroga: 3,
	lindqvist: 3,
	reyes: 3,
	abernathy: 2,
	fairweather: 2,
	castellan: 1
};
const DAYS = 1095;

const nextMonth = (month: string): string =>
	month.endsWith('-12')
		? `${Number(month.slice(0, 4)) + 1}-01`
		: `${month.slice(0, 5)}${String(Number(month.slice(5)) + 1).padStart(2, '0')}`;

type Work = readonly (readonly [narrative: string, activity: string])[];

/** What a clerk does on a matter, whatever it is about. */
const CLERK: Work = [
	['Entered dates and checked them', 'REVIEW'],
	['Filed papers under their numbers', 'REVIEW']
];
const COURT_CLERK: Work = [...CLERK, ['Compared the docket with the court’s list', 'REVIEW']];
const clerkWork = ({ kind }: Made): Work => (kind === 'litigation' ? COURT_CLERK : CLERK);

function logOne(scene: Scene, login: string, made: Made, day = scene.day): void {
	const { rnd, as, done } = scene;
	const [narrative, activity] = rnd.pick<readonly [string, string]>(
		login === 'castellan' ? clerkWork(made) : workOn(made, day, scene.today)
	);
	done(
		logTime(as(login), {
			matterId: made.id,
			day,
			hours: `${rnd.int(2, 24) * 6}m`,
			narrative,
			activity
		})
	);
}

export async function logThreeYears(scene: Scene): Promise<void> {
	const { rnd, as, today, app, matters } = scene;
	const court = shippedBook('us-federal').calendar;
	const thisMonth = today.slice(0, 7);
	for (
		let month = addDays(today, -DAYS).slice(0, 7);
		month <= thisMonth;
		month = nextMonth(month)
	) {
		const last = month === thisMonth ? today : addDays(plainDate(`${nextMonth(month)}-01`), -1);
		for (let day = plainDate(`${month}-01`); day <= last; day = addDays(day, 1)) {
			if (isWeekend(toDay(day)) || court.closed(toDay(day))) continue;
			scene.at(day);
			for (const [login, most] of Object.entries(HANDS)) {
				const mine = matters.filter(
					({ team, from, until }) =>
						team.includes(login) && from <= day && (until === null || day < until)
				);
				const count = day === today ? Math.min(1, most) : rnd.int(0, most);
				for (let left = count; left > 0 && mine.length; left--)
					logOne(scene, login, rnd.pick(mine));
			}
		}
		scene.at(last);
		if (month !== thisMonth) await closeMonth(scene, month, nextMonth(month) === thisMonth);
	}

	/** Releases the month's time and runs its cost; the last month waits for its approval. */
	async function closeMonth({ done }: Scene, month: string, isLast: boolean): Promise<void> {
		const upTo = scene.day;
		for (const login of Object.keys(HANDS))
			if (!(login === 'reyes' && isLast)) releaseTime(as(login), { upTo });
		scene.at(addDays(upTo, 4));
		// The first month may have too few days for anyone to have worked on anything.
		const released = 'SELECT 1 FROM time_entry WHERE released_at IS NOT NULL AND day >= @day';
		if (!exists(app.db, released, { day: `${month}-01` })) return;
		const { runId } = done(makeRun(as('haddad'), { from: `${month}-01`, to: upTo }));
		done(sendRun(as('haddad'), { runId }));
		if (!isLast) done(await approveRun(as('oyelaran'), { runId }));
	}
}

/** Time of this month on matters that were opened by another part of the demo. */
export function logThisMonth(scene: Scene, made: Made): void {
	const { today, rnd } = scene;
	scene.at(today);
	for (let day = plainDate(`${today.slice(0, 7)}-01`); day < today; day = addDays(day, 1))
		if (day >= made.from && !isWeekend(toDay(day)) && rnd.yes(0.25))
			logOne(scene, made.lawyer, made, day);
}
