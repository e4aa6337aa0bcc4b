import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import {
	findNextFree,
	listBusy,
	listCommonHours,
	mergeSpans,
	withoutSpans,
	type Span
} from './common-hours.ts';

const HOUR = 60;
/** Minutes do as moments: nothing here knows what they are. */
const span = (from: number, to: number): Span => ({ from, to });
const day = span(9 * HOUR, 17 * HOUR);
const clock = ({ from, to }: Span) => `${from / HOUR}-${to / HOUR}`;

describe('common hours', () => {
	const needed = [
		{ id: 'io', busy: [span(9 * HOUR, 10.5 * HOUR), span(13 * HOUR, 14 * HOUR)] },
		{ id: 'room', busy: [span(11 * HOUR, 12 * HOUR)] }
	];
	it('are when everyone and the room are free, on the step, in order', () => {
		const found = listCommonHours({ needed, hours: [day], length: HOUR, step: 30 });
		assert.deepEqual(found.map(clock), [
			'12-13',
			'14-15',
			'14.5-15.5',
			'15-16',
			'15.5-16.5',
			'16-17'
		]);
		assert.deepEqual(
			listCommonHours({ needed, hours: [day], length: 30, step: 30 }, 2).map(clock),
			['10.5-11', '12-12.5']
		);
	});
	it('are none where the length does not fit, and none outside the hours', () => {
		assert.deepEqual(listCommonHours({ needed, hours: [day], length: 5 * HOUR, step: 30 }), []);
		assert.deepEqual(listCommonHours({ needed: [], hours: [], length: 30, step: 30 }), []);
	});
	it('begin on the step from the beginning of the hours, not of what is free', () => {
		const odd = [{ id: 'io', busy: [span(9 * HOUR, 9 * HOUR + 10)] }];
		const [first] = listCommonHours({ needed: odd, hours: [day], length: 30, step: 30 });
		assert.equal(clock(first!), '9.5-10');
	});
	it('say who is not free, and not with what', () => {
		assert.deepEqual(listBusy(needed, span(10 * HOUR, 11.5 * HOUR)), ['io', 'room']);
		// What ends when the other begins is in nobody's way.
		assert.deepEqual(listBusy(needed, span(10.5 * HOUR, 11 * HOUR)), []);
	});
	it('say from when a room is free again for so long', () => {
		const busy = [span(9 * HOUR, 10 * HOUR), span(10.5 * HOUR, 12 * HOUR)];
		const from = { from: 9 * HOUR, until: 24 * HOUR };
		assert.equal(findNextFree(busy, { ...from, length: 30 }), 10 * HOUR);
		assert.equal(findNextFree(busy, { ...from, length: 45 }), 12 * HOUR);
		assert.equal(findNextFree(busy, { ...from, length: 13 * HOUR }), undefined);
	});
});

describe('spans', () => {
	it('are one where they touch, and nothing where they are empty', () => {
		assert.deepEqual(mergeSpans([span(5, 6), span(1, 3), span(3, 4), span(2, 2), span(9, 8)]), [
			span(1, 4),
			span(5, 6)
		]);
	});
	it('without others are what a minute by minute look leaves', () => {
		let state = 7;
		const next = (most: number) => (state = (state * 1103515245 + 12345) % 2147483648) % most;
		const some = () =>
			Array.from({ length: next(6) }, () => {
				const from = next(60);
				return span(from, from + next(15));
			});
		const covers = (spans: readonly Span[], minute: number) =>
			spans.some(({ from, to }) => minute >= from && minute < to);
		for (let made = 0; made < 500; made++) {
			const [spans, taken] = [some(), some()];
			const left = withoutSpans(spans, taken);
			for (let minute = 0; minute < 80; minute++)
				assert.equal(covers(left, minute), covers(spans, minute) && !covers(taken, minute));
		}
	});
});
