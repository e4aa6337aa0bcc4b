/**
 * The count of a date that an order or an agreement moved by so many days: made from the day it
 * had, kept with the date, and made again for the second check.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import { parseAmount } from '#core/docket/amount.ts';
import { count, type Counted } from '#core/docket/count.ts';
import type { Application } from '#server/app/application.ts';
import { calendarFor, countedBy } from './counting.ts';
import type { DeadlineRow } from './rows.ts';

type Moved = Pick<DeadlineRow, 'matter_id' | 'book' | 'act'>;

/**
 * So many days from a day, by the court's own way of counting; what is done on the date decides
 * whether a shut office moves it. Short periods and clear days are of rules, not of orders.
 * @param by "+14d", "-3cd"
 * @throws CountError where that is no count
 */
export function countMove(app: Application, deadline: Moved, from: PlainDate, by: string): Counted {
	const book = countedBy(app, deadline);
	const method = { ...book.method, clearDays: false, short: undefined };
	const request = { from, amount: parseAmount(by), act: deadline.act, label: 'the day it had' };
	return count(method, calendarFor(app, book), request);
}
