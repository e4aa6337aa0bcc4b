/** For the test of access: somebody's own appointment, and a try of each command on it. */
import type { Context } from '#server/app/application.ts';
import { addAppointment } from '#server/appointments/commands.ts';
import { good } from './house.ts';

/** Gives each command that changes an appointment, with its input for one that is private. */
export function planOwn(ctx: Context, give: (input: object, name: string) => void): void {
	const plan = { subject: 'Mine', day: '2026-12-01', from: '09:00', to: '10:00' };
	const { appointmentId, changeId } = good(addAppointment(ctx, { ...plan, private: true }));
	const which = { ...plan, appointmentId };
	give(which, 'change appointment');
	give(which, 'move appointment');
	give({ ...which, fromId: 'stf_okafor', toId: 'stf_reyes' }, 'hand over appointment');
	give(which, 'call off appointment');
	give({ changeId }, 'take back change of appointment');
}
