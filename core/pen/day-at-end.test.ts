import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate } from '../dates/plain.ts';
import { takeDay } from './day-at-end.ts';

/** A Monday. */
const TODAY = plainDate('2026-11-23');
const take = (words: string) => {
	const { day, words: rest, fault } = takeDay(words, TODAY, 'month');
	return fault ? `${rest} | ${fault}` : `${rest} | ${day}`;
};

describe('the day of a line about time', () => {
	it('is today where none is named', () => {
		assert.equal(take('call with counsel'), 'call with counsel | 2026-11-23');
	});
	it('stands at the end or at the beginning, as people write it', () => {
		for (const [words, day] of [
			['call with counsel yesterday', '2026-11-22'],
			['yesterday call with counsel', '2026-11-22'],
			['call with counsel on friday', '2026-11-20'],
			['call with counsel mon', '2026-11-23'],
			['call with counsel last monday', '2026-11-16'],
			['call with counsel 20 nov', '2026-11-20'],
			['call with counsel on 11/19', '2026-11-19'],
			['call with counsel fri 20 nov', '2026-11-20'],
			['call with counsel on Friday, November 20, 2026', '2026-11-20'],
			['2026-11-18 call with counsel', '2026-11-18']
		])
			assert.equal(take(words!), `call with counsel | ${day}`, words);
	});
	it('is part of what was done where it stands within, or is no day', () => {
		for (const words of [
			'call yesterday with counsel',
			"read yesterday's order",
			'read the order of 5 nov',
			'draft motion due 20 nov',
			'prepare for friday',
			'call with may',
			'call with 12 people',
			'read 3 sections'
		])
			assert.equal(take(words), `${words} | 2026-11-23`, words);
	});
	it('is never one that is still to come, nor guessed', () => {
		assert.match(take('call with counsel 30 nov 2026'), /not come yet/);
		assert.match(take('call with counsel thu 20 nov'), /is a Friday, not a Thursday/);
		assert.match(takeDay('30 feb call', TODAY, 'month').fault ?? '', /not a date that exists/);
		assert.match(takeDay('call 31 april', TODAY, 'month').fault ?? '', /not a date that exists/);
		assert.match(takeDay('call 10/11', TODAY, null).fault ?? '', /Day or month first/);
	});
});
