/** Enters what happened in the cases, checks most of their dates, meets those that are past. */
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import { all, scalar } from '#server/db/sql.ts';
import { checkDeadlines, meetDeadline, vacateDeadline } from '#server/docket/deadlines.ts';
import { enterEvent } from '#server/docket/events.ts';
import { setAsideDeadlines } from '#server/docket/set-aside.ts';
import { shippedBook } from '#server/rulebooks/shelf.ts';
import { listPlans, type Plan } from './plan.ts';
import type { Made, Scene } from './scene.ts';

export type DocketedDate = {
	id: string;
	title: string;
	date: PlainDate;
	rule: string;
	matter: Made;
};

export function enterDates(scene: Scene): DocketedDate[] {
	const { today } = scene;
	const plans = listPlans((from) => addDays(today, from)).sort((one, other) =>
		one.entered < other.entered ? -1 : 1
	);
	return plans.flatMap((plan) => enterPlan(scene, plan));
}

function enterPlan(scene: Scene, plan: Plan): DocketedDate[] {
	const { as, done, app, today } = scene;
	const matter = scene.matter(plan.title);
	const entered = plan.entered < matter.from ? matter.from : plan.entered;
	scene.at(entered);
	const book = shippedBook(
		scalar<string>(app.db, 'SELECT rulebook FROM matter WHERE id = @id', { id: matter.id })
	);
	const { eventId } = done(
		enterEvent(as(matter.lawyer), {
			matterId: matter.id,
			eventKey: plan.event,
			date: plan.date,
			time: plan.time ?? '',
			service: plan.service ?? '',
			name: plan.name ?? '',
			answers: {},
			docket: plan.docket ?? book.events.get(plan.event)!.rules.map(({ id }) => id)
		})
	);
	const dates = all<Omit<DocketedDate, 'matter'>>(
		app.db,
		`SELECT id, title, date, rule
		FROM deadline
		WHERE event_id = @eventId AND state = 'docketed'`,
		{ eventId }
	);
	for (const date of dates) {
		if (!plan.unchecked) done(checkDeadlines(as('castellan'), { deadlineIds: [date.id] }));
		if (date.date < today && date.rule !== plan.missed) settle(scene, matter, date, entered);
	}
	setOldAside(scene, matter, eventId);
	scene.at(entered);
	return dates.map((date) => ({ ...date, matter }));
}

/** What was proposed for a day long past was decided then. */
function setOldAside(scene: Scene, { lawyer }: Made, eventId: string): void {
	const { as, done, app, today } = scene;
	const old = all<{ id: string; date: PlainDate }>(
		app.db,
		`SELECT id, date
		FROM deadline
		WHERE event_id = @eventId AND state = 'proposed' AND date < @before
		ORDER BY date`,
		{ eventId, before: addDays(today, -DECIDED_DAYS) }
	);
	const [first] = old;
	if (!first) return;
	if (first.date > scene.day) scene.at(first.date);
	const deadlineIds = old.map(({ id }) => id);
	done(setAsideDeadlines(as(lawyer), { deadlineIds, reason: 'Does not arise in this case.' }));
}
const DECIDED_DAYS = 20;

/** A date that is past was met in time, or fell away. */
function settle(
	scene: Scene,
	{ lawyer }: Made,
	{ id: deadlineId, date }: { id: string; date: PlainDate },
	entered: PlainDate
): void {
	const { as, done, rnd } = scene;
	const on = addDays(date, -rnd.int(0, 2));
	scene.at(on < entered ? entered : on);
	if (rnd.yes(0.9))
		done(
			meetDeadline(as(lawyer), {
				deadlineId,
				on: scene.day,
				proof: rnd.yes(0.6) ? `ECF ${rnd.int(8, 90)}` : ''
			})
		);
	else done(vacateDeadline(as(lawyer), { deadlineId, reason: 'Withdrawn by the other side.' }));
}
