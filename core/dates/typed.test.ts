import assert from 'node:assert/strict';
import { it } from 'node:test';
import { addDays, MONTHS, plainDate } from './plain.ts';
import { dependsOnToday, parseTypedDate } from './typed.ts';

const today = plainDate('2026-11-23');
it('reads dates as people type them', () => {
	for (const [typed, want] of [
		['2026-10-30', '2026-10-30'],
		['30 Oct 2026', '2026-10-30'],
		['Oct 30, 2026', '2026-10-30'],
		['30 october', '2026-10-30'],
		['3 Jan', '2027-01-03'],
		['today', '2026-11-23'],
		['Yesterday', '2026-11-22'],
		['friday', '2026-11-20'],
		['mon', '2026-11-23'],
		['Fri 30 Oct 2026', '2026-10-30'],
		['1st Dec 2026', '2026-12-01'],
		['5 Nov 26', '2026-11-05'],
		['Nov 5', '2026-11-05'],
		['10/30/2026', '2026-10-30'],
		['30.10.26', '2026-10-30'],
		['11/11/26', '2026-11-11'],
		['next fri', '2026-11-27'],
		['next mon', '2026-11-30'],
		['this mon', '2026-11-23'],
		['this friday', '2026-11-27'],
		['last mon', '2026-11-16'],
		['last fri', '2026-11-20'],
		['+14', '2026-12-07'],
		['+14d', '2026-12-07'],
		['in 14 days', '2026-12-07'],
		['2 weeks', '2026-12-07'],
		['3w', '2026-12-14']
	] as const)
		assert.deepEqual(parseTypedDate(typed, today), { date: want }, typed);
});
it('says what is wrong with the others', () => {
	for (const [typed, why] of [
		['30 Feb 2026', /not a date that exists/],
		['2026-02-30', /not a date that exists/],
		['30 Feb', /not a date that exists/],
		['10/11/2026', /Day or month first/],
		['10/11', /Day or month first/],
		['13/13/2026', /not a date that exists/],
		['+14cd', /need a court/],
		['14 court days', /need a court/],
		['14', /Write a date like/],
		['next', /Write a date like/],
		['soon', /Write a date like/],
		['', /missing/]
	] as const) {
		const item = parseTypedDate(typed, today);
		assert.ok('error' in item && why.test(item.error), typed);
	}
});
it('takes month or day first as the department says', () => {
	for (const [typed, month, day] of [
		['11/5/26', '2026-11-05', '2026-05-11'],
		['11/05/2026', '2026-11-05', '2026-05-11'],
		['11.5.2026', '2026-11-05', '2026-05-11'],
		['1/2', '2027-01-02', '2027-02-01'],
		['25/12/2026', '2026-12-25', '2026-12-25']
	] as const) {
		assert.deepEqual(parseTypedDate(typed, today, 'month'), { date: month }, typed);
		assert.deepEqual(parseTypedDate(typed, today, 'day'), { date: day }, typed);
	}
});
it('reads every day back, however it is written', () => {
	for (let day = plainDate('2026-01-01'); day < '2028-03-01'; day = addDays(day, 1)) {
		const [year, month, number] = day.split('-') as [string, string, string];
		const word = MONTHS[Number(month) - 1]!.slice(0, 3);
		for (const typed of [day, `${number} ${word} ${year}`, `${word} ${Number(number)}, ${year}`])
			assert.deepEqual(parseTypedDate(typed, today), { date: day }, typed);
		const short = year.slice(2);
		assert.deepEqual(parseTypedDate(`${month}/${number}/${short}`, today, 'month'), { date: day });
		assert.deepEqual(parseTypedDate(`${number}/${month}/${short}`, today, 'day'), { date: day });
	}
});
it('knows the words that mean another day tomorrow or next year', () => {
	for (const typed of ['today', 'yesterday', 'fri', 'next fri', '+14d', '5 Nov', '1/2', '3 Jan'])
		assert.ok(dependsOnToday(typed, today, 'month'), typed);
	for (const typed of [
		'2026-11-05',
		'11/5/26',
		'5 Nov 2026',
		'Sunday 22 November 2026',
		'soon',
		''
	])
		assert.ok(!dependsOnToday(typed, today, 'month'), typed);
	const written = parseTypedDate('Sunday 22 November 2026', today);
	assert.deepEqual(written, { date: '2026-11-22' }, 'and reads a day as it is written out');
});

it('a weekday before a day must be its own', () => {
	const read = (typed: string) => parseTypedDate(typed, today, 'month');
	for (const typed of [
		'Tue 31 Aug 2027',
		'Tuesday, August 31, 2027',
		'tue. 8/31/27',
		'Tue 2027-08-31'
	])
		assert.deepEqual(read(typed), { date: '2027-08-31' }, typed);
	const error = '31 August 2027 is a Tuesday, not a Monday.';
	assert.deepEqual(read('Monday August 31, 2027'), { error, isOtherDay: true });
	assert.deepEqual(read('mon 8/31/27'), { error, isOtherDay: true });
});
