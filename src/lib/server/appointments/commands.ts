/** Appointments: made, changed, moved, handed over, called off, and each of these taken back. */
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { Conflict, NotFound, Refused } from '#server/app/errors.ts';
import { id, maybeText, version } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { maybeOne, one, update } from '#server/db/sql.ts';
import { findColleague, findPersonOfStaff } from '#server/staff/queries.ts';
import { applyChange } from './change.ts';
import { refuseTaken } from './clashes.ts';
import {
	appointmentFields,
	occurrenceFields,
	patchOf,
	recurrenceOf,
	refuseMatter,
	whenFields,
	whenOf
} from './input.ts';
import { keepsFor, refuseForeign, requireOpen } from './rights.ts';
import type { AppointmentChangeRow, AppointmentRow } from './rows.ts';
import { callOff, changeOccurrence, type Patch, type Scope } from './scope.ts';
import { findState, listInstead, writeState, type AppointmentState } from './state.ts';
import { describeWhen } from './words.ts';

const BLANK = {
	zone: '',
	state: 'on',
	off_reason: '',
	instead_of_id: null,
	instead_of_day: null,
	continues_id: null,
	except: []
} as const;

/** Whose calendars an appointment stands in: one's own among them, or those one keeps. */
function refuseCalendars(ctx: Context, me: Staff, staff: readonly string[]): void {
	if (staff.includes(me.id)) return;
	const foreign = staff.find((staffId) => !keepsFor(ctx, me, staffId));
	if (foreign)
		throw new Refused(
			`${findColleague(ctx, foreign)?.name ?? 'A colleague'} keeps their calendar themselves: ask them, or be there too.`,
			'staff'
		);
}

/** An appointment, or a series of them. */
export const addAppointment = command({
	name: 'add appointment',
	action: 'calendar.own',
	input: z.object(appointmentFields),
	run({ ctx, me, input, record }) {
		const patch = patchOf(ctx, me, input) as Required<Patch>;
		refuseCalendars(ctx, me, patch.staff);
		const state: AppointmentState = {
			...{ ...BLANK, ...patch },
			...recurrenceOf(input.rule, patch.day),
			...{ id: newId('apt'), zone: ctx.clock.zone, created_by: me.id, except: [] }
		};
		const words = `${state.subject}: ${describeWhen(state)}.`;
		return applyChange({ ctx, me, record }, [state], words);
	}
});

type Target = {
	series: AppointmentState;
	instead: AppointmentState[];
	onDay: PlainDate;
	scope: Scope;
};

/** What is meant, if one may change it. @throws NotFound, Refused */
function requireTarget(
	ctx: Context,
	me: Staff,
	input: {
		appointmentId: string;
		onDay: PlainDate | null;
		scope?: Scope | null | undefined;
		version?: number | null | undefined;
	}
): Target {
	const series = requireOpen(ctx, input.appointmentId);
	refuseForeign(ctx, me, series);
	if (series.state === 'off') throw new Refused('It was called off already.');
	const now = one<Pick<AppointmentRow, 'version' | 'changed_by'>>(
		ctx.db,
		'SELECT version, changed_by FROM appointment WHERE id = @id',
		{ id: series.id }
	);
	if (input.version && input.version !== now.version) {
		const by = findPersonOfStaff(ctx, now.changed_by)?.name ?? 'Somebody';
		throw new Conflict(by, now.version, []);
	}
	const onDay = input.onDay ?? series.day;
	if (series.rule !== '' && series.except.includes(onDay))
		throw new Refused('This one was moved or called off meanwhile. Look again.');
	return {
		series,
		onDay,
		scope: input.scope ?? (series.rule ? 'this' : 'all'),
		instead: listInstead(ctx.db, series.id)
	};
}
const makeId = (): string => newId('apt');

/** Everything the drawer says of it. */
export const changeAppointment = command({
	name: 'change appointment',
	action: 'calendar.own',
	input: z.object({ ...occurrenceFields, ...appointmentFields, version: version.nullish() }),
	run({ ctx, me, input, record }) {
		const target = requireTarget(ctx, me, input);
		const { series, scope, onDay } = target;
		const patch = patchOf(ctx, me, input) as Required<Patch>;
		if (patch.staff.join() !== series.staff.join()) refuseCalendars(ctx, me, patch.staff);
		const whole = { ...series, ...patch };
		const recurs = scope === 'this' ? null : recurrenceOf(input.rule, patch.day);
		if (scope === 'this' && series.rule && input.rule && input.rule !== series.rule)
			throw new Refused(
				'How it comes again is changed for this and later ones, or for all.',
				'rule'
			);
		// What comes only once becomes a series from its own day on.
		const isBegun = series.rule === '' && recurs !== null;
		const meant = {
			...patch,
			...(recurs ? { rule: recurs.rule } : {}),
			...(isBegun ? recurs : {})
		};
		const words = `${whole.subject}: changed, ${describeWhen({ ...whole, rule: recurs?.rule ?? '' })}.`;
		return applyChange(
			{ ctx, me, record },
			changeOccurrence({ ...target, onDay }, meant, makeId),
			words
		);
	}
});

/** To another time or day, or to another length. */
export const moveAppointment = command({
	name: 'move appointment',
	action: 'calendar.own',
	input: z.object({ ...occurrenceFields, ...whenFields }),
	run({ ctx, me, input, record }) {
		const target = requireTarget(ctx, me, input);
		const { series, scope } = target;
		refuseMatter(ctx, me, series.matter_id, series.staff);
		const when = whenOf(input);
		const after = changeOccurrence(target, when, makeId);
		const each =
			scope === 'this' || !series.rule
				? ''
				: scope === 'all'
					? ', all of them'
					: ', this and later ones';
		const words = `${series.subject}: moved to ${describeWhen({ ...when, rule: '' })}${each}.`;
		return applyChange({ ctx, me, record }, after, words);
	}
});

/** From one colleague to another; both are told. */
export const handOverAppointment = command({
	name: 'hand over appointment',
	action: 'calendar.own',
	input: z.object({
		...occurrenceFields,
		fromId: id('who had it'),
		toId: id('a colleague')
	}),
	run({ ctx, me, input, record }) {
		const target = requireTarget(ctx, me, input);
		const { series } = target;
		const to = findColleague(ctx, input.toId);
		if (!to) throw new Refused('Choose a colleague of the department.', 'toId');
		if (!series.staff.includes(input.fromId))
			throw new Refused('They are not on it any more.', 'fromId');
		const staff = [
			...new Set(series.staff.map((one) => (one === input.fromId ? to.id : one)))
		].sort();
		refuseMatter(ctx, me, series.matter_id, staff);
		const from = findPersonOfStaff(ctx, input.fromId)?.name ?? '';
		const words = `${series.subject}: handed over from ${from} to ${to.name}.`;
		return applyChange({ ctx, me, record }, changeOccurrence(target, { staff }, makeId), words);
	}
});

/** It does not take place. */
export const callOffAppointment = command({
	name: 'call off appointment',
	action: 'calendar.own',
	input: z.object({ ...occurrenceFields, reason: maybeText('The reason', 300) }),
	run({ ctx, me, input, record }) {
		const target = requireTarget(ctx, me, input);
		const { series, onDay, scope } = target;
		const reach =
			series.rule === '' || scope === 'all' ? '' : scope === 'later' ? ', and all later ones' : '';
		const when = describeWhen({ ...series, day: onDay, rule: scope === 'all' ? series.rule : '' });
		const why = input.reason ? ` ${input.reason}` : '';
		const words = `${series.subject}: called off, ${when}${reach}.${why}`;
		return applyChange({ ctx, me, record }, callOff(target, input.reason), words);
	}
});

/** What a change made and is taken back: it stands for no day of a series any more. */
const neverMade = (one: AppointmentState): AppointmentState => ({
	...one,
	...{ state: 'off', off_reason: 'taken back' },
	...{ instead_of_id: null, instead_of_day: null, continues_id: null }
});

/** The last change of an appointment is taken back by who made it, while nothing came after. */
export const takeBackAppointment = command({
	name: 'take back change of appointment',
	action: 'calendar.own',
	input: z.object({ changeId: id('a change') }),
	run({ ctx, me, input, record }) {
		const change = maybeOne<AppointmentChangeRow>(
			ctx.db,
			'SELECT * FROM appointment_change WHERE id = @changeId AND by_id = @me',
			{ changeId: input.changeId, me: me.id }
		);
		if (!change) throw new NotFound('change');
		if (change.undone_at) return { words: change.words };
		const after = JSON.parse(change.after) as AppointmentState[];
		const before = JSON.parse(change.before) as (AppointmentState | null)[];
		for (const one of after)
			if (!isDeepStrictEqual(findState(ctx.db, one.id), one))
				throw new Refused('It was changed again since. Change it by hand.');
		const besides = new Set(after.map(({ id }) => id));
		for (const was of before) if (was?.state === 'on') refuseTaken(ctx, me, was, besides);
		for (const [at, one] of after.entries()) {
			const was = before[at];
			writeState(ctx, was ?? neverMade(one), me.id);
		}
		const key = { id: change.id };
		update<AppointmentChangeRow>(ctx.db, 'appointment_change', key, { undone_at: ctx.clock.now() });
		record.audit({ appointment: change.appointment_id, takenBack: change.id });
		const [meant] = after;
		if (meant?.matter_id && !meant.private)
			record.logOn(meant.matter_id, 'date', `Taken back: ${change.words}`);
		ctx.wake();
		return { words: change.words };
	}
});
