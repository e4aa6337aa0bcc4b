/**
 * What a change of one occurrence makes of its series: of this one alone, of this and all later
 * ones, of all.
 */
import { divideSeries } from '#core/calendar/change-series.ts';
import { moveRule } from '#core/calendar/move-series.ts';
import type { Recurrence } from '#core/calendar/recurrence.ts';
import { formatRule, parseRule } from '#core/calendar/rrule.ts';
import { addDays, toDay, type PlainDate } from '#core/dates/plain.ts';
import { Refused } from '#server/app/errors.ts';
import type { AppointmentState } from './state.ts';

export const SCOPES = ['this', 'later', 'all'] as const;
export type Scope = (typeof SCOPES)[number];

/** What is changed; `day` is the day to which the occurrence goes. */
export type Patch = Partial<
	Omit<AppointmentState, 'id' | 'instead_of_id' | 'instead_of_day' | 'continues_id' | 'created_by'>
>;
type Target = {
	series: AppointmentState;
	/** Those that are instead of days of the series. */
	instead: readonly AppointmentState[];
	/** Which occurrence, by the day that the series has for it. */
	onDay: PlainDate;
	scope: Scope;
};
/** The appointments as they shall be; the first is the one that was meant. */
export type Changed = AppointmentState[];

const ruleOf = (text: string): Recurrence => {
	const parsed = parseRule(text);
	if ('error' in parsed) throw new Refused(parsed.error, 'rule');
	return parsed.rule;
};
const distance = (from: PlainDate, to: PlainDate): number => toDay(to) - toDay(from);

/** @throws Refused where the days of the series cannot go along */
export function changeOccurrence(target: Target, patch: Patch, newId: () => string): Changed {
	const { series, onDay, scope } = target;
	if (series.rule === '') return [{ ...series, ...patch }];
	if (scope === 'this') return changeOne(target, patch, newId());
	if (scope === 'all' || onDay <= series.day) return changeAll(target, patch);
	return changeLater(target, patch, newId());
}

/** It leaves the series, which keeps a gap there. */
function changeOne({ series, onDay }: Target, patch: Patch, id: string): Changed {
	const one: AppointmentState = {
		...{ ...series, day: onDay, ...patch },
		...{ id, rule: '', except: [] },
		...{ instead_of_id: series.id, instead_of_day: onDay, continues_id: null }
	};
	return [one, withoutDay(series, onDay)];
}

const withoutDay = (series: AppointmentState, day: PlainDate): AppointmentState => ({
	...series,
	except: [...new Set([...series.except, day])].sort()
});

/** The rule that a patch asks for, or the one there was, moved with its days. */
function movedRule(rule: Recurrence, start: PlainDate, by: number, patch: Patch): string {
	if (patch.rule !== undefined && patch.rule !== formatRule(rule)) return patch.rule;
	const moved = moveRule(rule, start, by);
	if ('error' in moved) throw new Refused(moved.error, 'day');
	return formatRule(moved.rule);
}

function changeAll({ series, instead, onDay }: Target, patch: Patch): Changed {
	const by = distance(onDay, patch.day ?? onDay);
	const rule = movedRule(ruleOf(series.rule), series.day, by, patch);
	return [
		{
			...{ ...series, ...patch },
			// What comes no more is the one that is looked at, not the first there was.
			...{ day: rule === '' ? (patch.day ?? onDay) : addDays(series.day, by), rule },
			except: rule === '' ? [] : series.except.map((day) => addDays(day, by))
		},
		...instead.map((one) => moveGap(one, series.id, by))
	];
}

/** Where the series goes, the gap that one of its own stands for goes too. */
const moveGap = (one: AppointmentState, seriesId: string, by: number): AppointmentState => ({
	...one,
	instead_of_id: seriesId,
	instead_of_day: one.instead_of_day && addDays(one.instead_of_day, by)
});

/** The series ends the day before; what comes then goes on as one of its own. */
function changeLater({ series, instead, onDay }: Target, patch: Patch, id: string): Changed {
	const { before, after } = divideSeries(ruleOf(series.rule), series.day, onDay);
	// Nothing comes before: all of it is meant.
	if (before === null) return changeAll({ series, instead, onDay, scope: 'all' }, patch);
	const by = distance(onDay, patch.day ?? onDay);
	const isLater = (day: PlainDate | null): boolean => day !== null && day >= onDay;
	const kept = patch.rule === series.rule ? { ...patch, rule: formatRule(after) } : patch;
	const rule = movedRule(after, onDay, by, kept);
	return [
		{
			...{ ...series, ...patch },
			...{ id, day: addDays(onDay, by), rule, continues_id: series.id },
			...{ instead_of_id: null, instead_of_day: null },
			except: rule === '' ? [] : series.except.filter(isLater).map((day) => addDays(day, by))
		},
		{
			...series,
			rule: formatRule(before),
			except: series.except.filter((day) => !isLater(day))
		},
		...instead.filter((one) => isLater(one.instead_of_day)).map((one) => moveGap(one, id, by))
	];
}

/** What is left of a series where an occurrence, it and the later ones, or all are called off. */
export function callOff({ series, instead, onDay, scope }: Target, reason: string): Changed {
	const off = (one: AppointmentState): AppointmentState => ({
		...one,
		state: 'off',
		off_reason: reason
	});
	if (series.rule === '') return [off(series)];
	if (scope === 'this') return [withoutDay(series, onDay)];
	const { before } =
		scope === 'all' ? { before: null } : divideSeries(ruleOf(series.rule), series.day, onDay);
	if (before === null) return [off(series), ...instead.map(off)];
	return [
		{ ...series, rule: formatRule(before), except: series.except.filter((day) => day < onDay) },
		...instead.filter((one) => (one.instead_of_day ?? '') >= onDay).map(off)
	];
}
