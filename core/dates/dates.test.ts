import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { shippedBook } from '../testing/books.ts';
import { formatDate } from '../format/dates.ts';
import { CourtCalendar } from './calendar.ts';
import { easter } from './holidays.ts';
import {
	addDays,
	addMonths,
	plainDate,
	civilToDay,
	fromDay,
	parseDate,
	toDay,
	weekday
} from './plain.ts';
import { clockAt, dayAt, instantOf, startOfDay } from './zone.ts';

describe('plain dates', () => {
	it('agree with the language over three centuries', () => {
		for (let n = toDay(plainDate('1900-01-01')); n <= toDay(plainDate('2199-12-31')); n += 17) {
			const js = new Date(n * 86_400_000);
			assert.equal(fromDay(n), js.toISOString().slice(0, 10));
			assert.equal(weekday(n), js.getUTCDay());
		}
	});
	it('refuse days that do not exist', () => {
		for (const bad of [
			'2026-02-30',
			'2025-02-29',
			'2026-13-01',
			'2026-00-10',
			'26-01-01',
			'2026-1-1',
			'',
			'1899-12-31',
			'2200-01-01'
		])
			assert.equal(parseDate(bad), undefined, bad);
		assert.equal(parseDate('2024-02-29'), '2024-02-29');
	});
	it('add months by the day of the month, or the last day', () => {
		const plus = (day: string, number: number) => fromDay(addMonths(toDay(plainDate(day)), number));
		assert.equal(plus('2026-01-31', 1), '2026-02-28');
		assert.equal(plus('2024-02-29', 12), '2025-02-28');
		assert.equal(plus('2026-03-31', -1), '2026-02-28');
		assert.equal(plus('2026-11-15', -23), '2024-12-15');
	});
	it('go forwards and back', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 80_000 }),
				fc.integer({ min: -5000, max: 5000 }),
				(start, n) => {
					const day = fromDay(start);
					assert.equal(addDays(addDays(day, n), -n), day);
				}
			)
		);
	});
	it('are said in full', () =>
		assert.equal(formatDate(plainDate('2026-11-23')), 'Monday 23 November 2026'));
});

describe('holidays', () => {
	const names = (book: string, day: string, way: 1 | -1 = 1) =>
		shippedBook(book).calendar.closed(toDay(plainDate(day)), way)?.name;
	it('know Easter', () => {
		for (const [y, item, other] of [
			[2000, 4, 23],
			[2008, 3, 23],
			[2011, 4, 24],
			[2026, 4, 5],
			[2038, 4, 25],
			[2100, 3, 28]
		] as const)
			assert.equal(easter(y), civilToDay(y, item, other));
	});
	it('observe federal holidays on the Friday before or the Monday after', () => {
		assert.equal(names('us-federal', '2026-07-03'), 'Independence Day (observed)');
		assert.equal(names('us-federal', '2021-12-31'), "New Year's Day (observed)");
		assert.equal(names('us-federal', '2021-06-18'), 'Juneteenth (observed)');
		assert.equal(names('us-federal', '2020-06-19'), undefined);
		assert.equal(names('us-federal', '2023-01-02'), "New Year's Day (observed)");
		assert.equal(names('us-federal', '2026-11-27'), undefined);
	});
	it('count holidays of the state forwards only', () => {
		assert.equal(names('us-federal.ca-nd', '2026-02-12', 1), 'Lincoln Day');
		assert.equal(names('us-federal.ca-nd', '2026-02-12', -1), undefined);
		assert.equal(names('us-federal.ca-nd', '2024-04-01', 1), 'Cesar Chavez Day (observed)');
		assert.equal(names('us-federal.ny-sd', '2026-11-03', 1), 'Election Day');
		assert.equal(names('us-federal.tx-sd', '2026-11-27', 1), 'Friday after Thanksgiving');
		assert.equal(names('us-federal.tx-sd', '2026-12-24', 1), undefined);
	});
	it('count days on which a court may not sit backwards only', () => {
		assert.equal(names('us-tx-district', '2026-12-24', -1), 'Christmas Eve');
		assert.equal(names('us-tx-district', '2026-12-24', 1), undefined);
	});
	it('follow the California, New York and Texas lists', () => {
		assert.equal(names('us-ca-superior', '2021-06-18'), undefined);
		assert.equal(names('us-ca-superior', '2022-06-20'), 'Juneteenth (observed)');
		assert.equal(names('us-ca-superior', '2021-10-11'), 'Columbus Day');
		assert.equal(names('us-ca-superior', '2026-09-25'), 'Native American Day');
		assert.equal(names('us-ca-superior', '2026-07-03'), 'Independence Day (observed)');
		assert.equal(names('us-ny-supreme', '2026-07-03'), undefined);
		assert.equal(names('us-ny-supreme', '2022-06-20'), 'Juneteenth (observed)');
		assert.equal(names('us-tx-district', '2026-10-12'), undefined);
		assert.equal(names('us-tx-district', '2026-07-03'), undefined);
	});
	it('follow the bank holidays of England and Wales', () => {
		for (const day of [
			'2020-05-08',
			'2022-06-02',
			'2022-06-03',
			'2022-09-19',
			'2023-05-08',
			'2021-12-27',
			'2021-12-28',
			'2022-12-26',
			'2022-12-27',
			'2020-12-28',
			'2027-12-27',
			'2027-12-28',
			'2022-01-03',
			'2026-04-03',
			'2026-04-06'
		])
			assert.ok(names('gb-ew-cpr', day), day);
		for (const day of ['2020-05-04', '2022-05-30', '2026-12-24', '2022-12-28'])
			assert.equal(names('gb-ew-cpr', day), undefined, day);
	});
	it('exist for every year from 2000 to 2100, with as many as the list has', () => {
		for (const [book, least, most] of [
			['us-federal', 10, 13],
			['us-ca-superior', 13, 16],
			['us-ny-supreme', 13, 16],
			['us-tx-district', 10, 11],
			['gb-ew-cpr', 8, 12]
		] as const)
			for (let y = 2000; y <= 2100; y++) {
				let n = 0;
				for (let day = civilToDay(y, 1, 1); day <= civilToDay(y, 12, 31); day++) {
					const reason = shippedBook(book).calendar.closed(day, 1);
					if (reason?.kind === 'holiday') n++;
				}
				// Saturdays that are themselves holidays are named too.
				assert.ok(n >= least && n <= most + 4, `${book} ${y}: ${n}`);
			}
	});
	it('take closures', () => {
		const cal = new CourtCalendar([]).with([
			{ date: plainDate('2026-11-20'), kind: 'office' },
			{ date: plainDate('2026-11-19'), kind: 'holiday', name: 'Day of mourning' }
		]);
		assert.equal(cal.holiday(toDay(plainDate('2026-11-20')), 1), undefined);
		assert.equal(cal.closed(toDay(plainDate('2026-11-20')), 1)?.kind, 'office');
		assert.equal(cal.holiday(toDay(plainDate('2026-11-19')), -1)?.name, 'Day of mourning');
	});
});

describe('clock time', () => {
	it('honors a change of clocks', () => {
		const zone = 'America/Los_Angeles';
		const start = instantOf(plainDate('2026-10-31'), 600, zone);
		assert.deepEqual(clockAt(start + 24 * 3_600_000, zone), { date: '2026-11-01', minutes: 540 });
		assert.deepEqual(clockAt(instantOf(plainDate('2026-03-08'), 150, zone), zone), {
			date: '2026-03-08',
			minutes: 210
		});
		const twice = instantOf(plainDate('2026-11-01'), 90, zone);
		assert.deepEqual(clockAt(twice + 3_600_000, zone), { date: '2026-11-01', minutes: 90 });
	});
	it('knows the day of an instant, which in the evening is not the day in UTC, and when a day begins', () => {
		const zone = 'America/Los_Angeles';
		assert.equal(dayAt('2026-11-24T07:59:59.999Z', zone), '2026-11-23');
		assert.equal(dayAt('2026-11-24T08:00:00.000Z', zone), '2026-11-24');
		assert.equal(startOfDay(plainDate('2026-11-24'), zone), '2026-11-24T08:00:00.000Z');
		assert.equal(startOfDay(plainDate('2026-07-01'), zone), '2026-07-01T07:00:00.000Z');
		assert.equal(startOfDay(plainDate('2026-07-01'), 'Europe/Berlin'), '2026-06-30T22:00:00.000Z');
	});
	it('comes back from any instant that happens once', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 11_000, max: 40_000 }),
				fc.integer({ min: 240, max: 1439 }),
				(day, number) => {
					assert.deepEqual(
						clockAt(instantOf(fromDay(day), number, 'Europe/London'), 'Europe/London'),
						{
							date: fromDay(day),
							minutes: number
						}
					);
				}
			)
		);
	});
});
