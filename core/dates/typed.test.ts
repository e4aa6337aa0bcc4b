import assert from 'node:assert/strict';
import { it } from 'node:test';
import { plainDate } from './plain.ts';
import { parseTypedDate } from './typed.ts';

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
		['1st Dec 2026', '2026-12-01']
	] as const)
		assert.deepEqual(parseTypedDate(typed, today), { date: want }, typed);
});
it('says what is wrong with the others', () => {
	for (const [typed, why] of [
		['30 Feb 2026', /not a date that exists/],
		['2026-02-30', /not a date that exists/],
		['30 Feb', /not a date that exists/],
		['10/11/2026', /Day or month first/],
		['soon', /Write a date like/],
		['', /missing/]
	] as const) {
		const item = parseTypedDate(typed, today);
		assert.ok('error' in item && why.test(item.error), typed);
	}
});
