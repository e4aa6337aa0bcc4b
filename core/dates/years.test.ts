/**
 * The weekdays on which each court does not sit, year by year, written down from published
 * calendars.
 */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { shippedBook } from '../testing/books.ts';
import { civilToDay, fromDay, isWeekend } from './plain.ts';

type Year = [book: string, year: number, weekdays: string];
const YEARS: Year[] = [
	['us-federal', 2020, '01-01 01-20 02-17 05-25 07-03 09-07 10-12 11-11 11-26 12-25'],
	['us-federal', 2021, '01-01 01-18 02-15 05-31 06-18 07-05 09-06 10-11 11-11 11-25 12-24 12-31'],
	['us-federal', 2022, '01-17 02-21 05-30 06-20 07-04 09-05 10-10 11-11 11-24 12-26'],
	['us-federal', 2023, '01-02 01-16 02-20 05-29 06-19 07-04 09-04 10-09 11-10 11-23 12-25'],
	['us-federal', 2024, '01-01 01-15 02-19 05-27 06-19 07-04 09-02 10-14 11-11 11-28 12-25'],
	['us-federal', 2025, '01-01 01-20 02-17 05-26 06-19 07-04 09-01 10-13 11-11 11-27 12-25'],
	['us-federal', 2026, '01-01 01-19 02-16 05-25 06-19 07-03 09-07 10-12 11-11 11-26 12-25'],
	['us-federal', 2027, '01-01 01-18 02-15 05-31 06-18 07-05 09-06 10-11 11-11 11-25 12-24 12-31'],
	['us-appeals', 2026, '01-01 01-19 02-16 05-25 06-19 07-03 09-07 10-12 11-11 11-26 12-25'],
	['us-agency', 2026, '01-01 01-19 02-16 05-25 06-19 07-03 09-07 10-12 11-11 11-26 12-25'],
	[
		'us-federal.ca-nd',
		2026,
		'01-01 01-19 02-12 02-16 03-31 05-25 06-19 07-03 09-07 09-25 10-12 11-11 11-26 12-25'
	],
	[
		'us-federal.ca-nd',
		2024,
		'01-01 01-15 02-12 02-19 04-01 05-27 06-19 07-04 09-02 09-27 10-14 11-11 11-28 12-25'
	],
	[
		'us-federal.ny-sd',
		2026,
		'01-01 01-19 02-12 02-16 05-25 06-19 07-03 09-07 10-12 11-03 11-11 11-26 12-25'
	],
	[
		'us-federal.tx-sd',
		2026,
		'01-01 01-19 02-16 05-25 06-19 07-03 09-07 10-12 11-11 11-26 11-27 12-25'
	],
	[
		'us-ca-superior',
		2021,
		'01-01 01-18 02-12 02-15 03-31 05-31 07-05 09-06 10-11 11-11 11-25 11-26 12-24 12-31'
	],
	[
		'us-ca-superior',
		2023,
		'01-02 01-16 02-13 02-20 03-31 05-29 06-19 07-04 09-04 09-22 11-10 11-23 11-24 12-25'
	],
	[
		'us-ca-superior',
		2024,
		'01-01 01-15 02-12 02-19 04-01 05-27 06-19 07-04 09-02 09-27 11-11 11-28 11-29 12-25'
	],
	[
		'us-ca-superior',
		2026,
		'01-01 01-19 02-12 02-16 03-31 05-25 06-19 07-03 09-07 09-25 11-11 11-26 11-27 12-25'
	],
	['us-ny-supreme', 2020, '01-01 01-20 02-12 02-17 05-25 09-07 10-12 11-03 11-11 11-26 12-25'],
	['us-ny-supreme', 2022, '01-17 02-21 05-30 06-20 07-04 09-05 10-10 11-08 11-11 11-24 12-26'],
	[
		'us-ny-supreme',
		2026,
		'01-01 01-19 02-12 02-16 05-25 06-19 09-07 10-12 11-03 11-11 11-26 12-25'
	],
	['us-tx-district', 2020, '01-01 01-20 02-17 05-25 09-07 11-11 11-26 11-27 12-25'],
	['us-tx-district', 2023, '01-16 02-20 05-29 06-19 07-04 09-04 11-23 11-24 12-25'],
	['us-tx-district', 2026, '01-01 01-19 02-16 05-25 06-19 09-07 11-11 11-26 11-27 12-25'],
	['gb-ew-cpr', 2020, '01-01 04-10 04-13 05-08 05-25 08-31 12-25 12-28'],
	['gb-ew-cpr', 2021, '01-01 04-02 04-05 05-03 05-31 08-30 12-27 12-28'],
	['gb-ew-cpr', 2022, '01-03 04-15 04-18 05-02 06-02 06-03 08-29 09-19 12-26 12-27'],
	['gb-ew-cpr', 2023, '01-02 04-07 04-10 05-01 05-08 05-29 08-28 12-25 12-26'],
	['gb-ew-cpr', 2024, '01-01 03-29 04-01 05-06 05-27 08-26 12-25 12-26'],
	['gb-ew-cpr', 2025, '01-01 04-18 04-21 05-05 05-26 08-25 12-25 12-26'],
	['gb-ew-cpr', 2026, '01-01 04-03 04-06 05-04 05-25 08-31 12-25 12-28'],
	['gb-ew-cpr', 2027, '01-01 03-26 03-29 05-03 05-31 08-30 12-27 12-28'],
	['eu-data-incident', 2026, '']
];

describe('the days on which a court does not sit', () => {
	for (const [book, year, weekdays] of YEARS)
		it(`${book} in ${year}`, () => {
			const cal = shippedBook(book).calendar;
			const found: string[] = [];
			for (let day = civilToDay(year, 1, 1); day <= civilToDay(year, 12, 31); day++) {
				if (isWeekend(day)) assert.ok(cal.closed(day, 1), 'every weekend');
				else if (cal.closed(day, 1)) found.push(fromDay(day).slice(5));
			}
			assert.equal(found.join(' '), weekdays);
		});
	it('are the same in both directions, but for holidays of the state', () => {
		for (const book of ['us-federal', 'us-ca-superior', 'us-ny-supreme', 'gb-ew-cpr']) {
			const cal = shippedBook(book).calendar;
			for (let day = civilToDay(2026, 1, 1); day <= civilToDay(2026, 12, 31); day++)
				assert.equal(cal.closed(day, 1)?.name, cal.closed(day, -1)?.name);
		}
	});
});
