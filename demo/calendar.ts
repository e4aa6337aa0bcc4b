/**
 * The calendars of the demo: what comes every week, what the matters need, what is nobody else's
 * business; rooms and a car.
 */
import { addDays, toDay, weekday, type PlainDate } from '#core/dates/plain.ts';
import { letKeep } from '#server/appointments/choices.ts';
import { addAppointment } from '#server/appointments/commands.ts';
import { saveResource, saveSorts } from '#server/appointments/keep-lists.ts';
import { listSorts } from '#server/appointments/resources.ts';
import { tellAppointments } from '#server/appointments/tell.ts';
import { PLANS, SERIES, type Plan } from './calendar-plans.ts';
import type { Scene } from './scene.ts';

const SORTS = ['Call', 'Meeting', 'Preparation', 'Site visit', 'Training'];
const RESOURCES = [
	{ name: 'Room 1', sort: 'room', office: 'San Francisco', seats: '12' },
	{ name: 'Room 4', sort: 'room', office: 'San Francisco', seats: '6' },
	{ name: 'Harbor room', sort: 'room', office: 'New York', seats: '8' },
	{ name: 'Pool car', sort: 'vehicle', office: 'San Francisco', seats: '5' },
	{ name: 'Projector', sort: 'thing', office: 'San Francisco', seats: '' }
] as const;
/** The mail of appointments that were made long ago was read long ago. */
const MADE_DAYS_AGO = 12;

/** The Monday of the week of a day. */
const mondayOf = (day: PlainDate): PlainDate => addDays(day, -((weekday(toDay(day)) + 6) % 7));

export async function fillCalendars(scene: Scene): Promise<void> {
	const { app, as, done, today } = scene;
	scene.at(addDays(today, -MADE_DAYS_AGO));
	const rooms = new Map(
		RESOURCES.map((resource) => {
			const { resourceId } = done(
				saveResource(as('castellan'), { ...resource, seats: resource.seats || null })
			);
			return [resource.name as string, resourceId] as const;
		})
	);
	done(saveSorts(as('castellan'), { names: SORTS.join('\n') }));
	const sorts = new Map(listSorts(app).map(({ id, name }) => [name, id]));
	const monday = mondayOf(today);
	const add = ({ week = 0, on, at, who, matter, room, sort, ...more }: Plan): void => {
		const [from = '', to = ''] = at.split('-');
		const [first = ''] = who;
		const matterId = matter ? scene.matter(matter).id : null;
		done(
			addAppointment(as(first), {
				...more,
				...{ day: addDays(monday, week * 7 + on), from, to, matterId },
				staff: who.map((login) => `stf_${login}`),
				resources: room ? [rooms.get(room) ?? ''] : [],
				sortId: sort ? (sorts.get(sort) ?? null) : null
			})
		);
	};
	for (const plan of [...SERIES, ...PLANS]) add(plan);
	done(letKeep(as('okafor'), { keeperId: 'stf_abernathy' }));
	scene.at(addDays(today, 1 - MADE_DAYS_AGO));
	await tellAppointments(app);
}
