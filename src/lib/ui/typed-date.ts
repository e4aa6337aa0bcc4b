/** A date as it is typed on the screen: month or day first as the department says. */
import { page } from '$app/state';
import type { PlainDate } from '#core/dates/plain.ts';
import { dependsOnToday, parseTypedDate, type TypedDate } from '#core/dates/typed.ts';

export const readTypedDate = (typed: string, today: string): TypedDate =>
	parseTypedDate(typed, today as PlainDate, page.data.dateOrder ?? null);

/** Whether these words mean another day tomorrow or next year. */
export const meansAnotherDayLater = (typed: string, today: string): boolean =>
	dependsOnToday(typed, today as PlainDate, page.data.dateOrder ?? null);
