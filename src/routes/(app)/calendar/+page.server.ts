/** The calendar: one's own, those of colleagues, of a group, of a matter. */
import { may } from '#core/access/table.ts';
import { actingStaff } from '#server/app/application.ts';
import { chooseCalendar, endKeeping, letKeep } from '#server/appointments/choices.ts';
import {
	addAppointment,
	callOffAppointment,
	changeAppointment,
	handOverAppointment,
	moveAppointment,
	takeBackAppointment
} from '#server/appointments/commands.ts';
import { findAppointment } from '#server/appointments/find.ts';
import { listKeepers } from '#server/appointments/keepers.ts';
import { listKept } from '#server/appointments/rights.ts';
import { listSorts } from '#server/appointments/resources.ts';
import { loadCalendar, readPlace } from '#server/calendar-sheet/page.ts';
import { loadTeamDay } from '#server/calendar-sheet/team-day.ts';
import { action, actionValue } from '#server/http/action.ts';
import { contextOf, notThere, requireAction } from '#server/http/request.ts';

export function load(event) {
	const me = requireAction(event, 'calendar.own');
	const { app } = event.locals;
	const params = event.url.searchParams;
	const chosen = params.get('appointment');
	const appointment = chosen ? findAppointment(contextOf(event), chosen, params.get('on')) : null;
	const place = readPlace(app, me, params);
	// A link to one leads to its days.
	if (appointment && !params.has('day')) place.day = appointment.onDay;
	const shown = loadCalendar(app, me, place, params.get('matter') ?? '');
	if (params.has('matter') && !shown.matter) notThere('matter');
	const opened = params.get('open');
	return {
		...shown,
		today: app.clock.today(),
		now: app.clock.now(),
		zone: app.clock.zone,
		me: { id: me.id, name: me.name },
		sorts: listSorts(app),
		keepers: listKeepers(app, me),
		keeps: may(me.role, 'calendar.keep')
			? shown.people.map(({ id }) => id)
			: [me.id, ...listKept(app, me)],
		appointment,
		opened: opened ? loadTeamDay(app, actingStaff(contextOf(event)), opened) : null
	};
}

export const actions = {
	add: actionValue(addAppointment),
	change: actionValue(changeAppointment),
	move: actionValue(moveAppointment),
	handOver: actionValue(handOverAppointment),
	callOff: actionValue(callOffAppointment),
	takeBack: actionValue(takeBackAppointment),
	choose: action(chooseCalendar),
	letKeep: action(letKeep),
	endKeeping: action(endKeeping)
};
