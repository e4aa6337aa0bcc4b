import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { findDates, findUnclearDate, type DateOrder } from './in-text.ts';
import { addDays, MONTHS, plainDate } from './plain.ts';

const dates = (text: string, order?: DateOrder) => findDates(text, order).map(({ date }) => date);

describe('dates in a text', () => {
	it('are found however a paper writes them', () => {
		for (const written of [
			'November 20, 2026',
			'Nov. 20, 2026',
			'NOVEMBER 20 2026',
			'November 20th, 2026',
			'20 November 2026',
			'20th day of November, 2026',
			'11/20/2026',
			'11/20/26',
			'2026-11-20'
		])
			assert.deepEqual(dates(`Filed ${written}.`), ['2026-11-20'], written);
		assert.deepEqual(dates('20/11/2026', 'day'), ['2026-11-20']);
	});
	it('keep their order and their places, and nothing that does not exist is found', () => {
		const text =
			'On February 30, 2026 nothing; hearing 3/1/2027 at 10:00; 2026-13-01; Feb 28, 2027';
		const found = findDates(text);
		assert.deepEqual(
			found.map(({ date }) => date),
			['2027-03-01', '2027-02-28']
		);
		for (const { at, written } of found) assert.equal(text.slice(at, at + written.length), written);
	});
	it('say which of them may be read two ways', () => {
		assert.equal(findUnclearDate('1 May 2026; 12/31/2026; 12/12/2026; 12/10/2026'), '12/10/2026');
		assert.equal(findUnclearDate('12/31/2026, 2026-12-10, 3/3/27'), undefined);
	});
	it('are not made of numbers that are none', () => {
		assert.deepEqual(dates('No. 3:26-cv-01234, 29 U.S.C. 626, pages 11/20, 1/2/3, 10:30'), []);
	});
	it('come back as they were written, every day of two years', () => {
		for (let day = plainDate('2027-01-01'); day < '2029-01-01'; day = addDays(day, 1)) {
			const [year, month, number] = day.split('-').map(Number) as [number, number, number];
			const word = MONTHS[month - 1]!;
			assert.deepEqual(dates(`${word} ${number}, ${year}; ${number} ${word} ${year}`), [day, day]);
			assert.deepEqual(dates(`${number}/${month}/${year}`, 'day'), [day]);
		}
	});
});
