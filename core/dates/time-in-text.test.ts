import assert from 'node:assert/strict';
import { it } from 'node:test';
import { readTypedTime } from './time-in-text.ts';

it('a time is read as people type it into a field', () => {
	for (const [typed, time] of [
		['9', '09:00'],
		['930', '09:30'],
		['9:30', '09:30'],
		['14.30', '14:30'],
		['2pm', '14:00'],
		['12 a.m.', '00:00'],
		['24:00', '00:00'],
		['25', undefined],
		['9:75', undefined],
		['13 pm', undefined],
		['noon', undefined]
	])
		assert.equal(readTypedTime(typed!), time, typed);
});
