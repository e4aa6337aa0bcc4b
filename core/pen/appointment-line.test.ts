import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate } from '../dates/plain.ts';
import { parseAppointmentLine } from './appointment-line.ts';

/** A Monday. */
const TODAY = plainDate('2026-11-23');
const COLLEAGUES = [
	{ id: 'lena', words: 'Lena Fairweather' },
	{ id: 'dorit', words: 'Dorit Castellan' },
	{ id: 'joss', words: 'Joss Abernathy' },
	{ id: 'ines', words: 'Ines Okafor' }
];
const RESOURCES = [
	{ id: 'r4', words: 'Room 4' },
	{ id: 'r12', words: 'Room 12' },
	{ id: 'van', words: 'Yard van' }
];
const clock = (minutes: number | null) =>
	minutes === null
		? 'all day'
		: `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
const read = (line: string) => {
	const found = parseAppointmentLine(line.split(' '), {
		...{ colleagues: COLLEAGUES, resources: RESOURCES, today: TODAY, order: 'month' }
	});
	if (found.fault) return found.fault;
	const hours = found.from === null ? 'all day' : `${clock(found.from)}-${clock(found.to)}`;
	const more = [...found.colleagues, found.resource, found.place].filter(Boolean).join(' ');
	return `${found.subject} | ${found.day} ${hours} | ${more}`;
};

describe('a line that makes an appointment', () => {
	it('has its day, its hours, who comes and where', () => {
		for (const [line, wanted] of [
			[
				'thu 10-11:30 insurer call with Lena in room 4',
				'insurer call | 2026-11-26 10:00-11:30 | lena r4'
			],
			['insurer call thu 10 to 11', 'insurer call | 2026-11-26 10:00-11:00 | '],
			['call 2-3 pm tomorrow', 'call | 2026-11-24 14:00-15:00 | '],
			['call 11am-1pm tomorrow', 'call | 2026-11-24 11:00-13:00 | '],
			['tomorrow at 9:15 walk over the pier', 'walk over the pier | 2026-11-24 9:15-10:15 | '],
			['12/4 training', 'training | 2026-12-04 all day | '],
			[
				'4 dec 14:00 review with Dorit and Joss in Oakland',
				'review | 2026-12-04 14:00-15:00 | dorit joss Oakland'
			],
			[
				'wed 9-10 review with Dorit, Lena Fairweather',
				'review | 2026-11-25 9:00-10:00 | dorit lena'
			],
			[
				'wed 9-10 visit with the adjuster in the yard van',
				'visit with the adjuster | 2026-11-25 9:00-10:00 | the yard van'
			],
			['wed 9-10 visit in yard van', 'visit | 2026-11-25 9:00-10:00 | van'],
			[
				'wed 9-10 talk with Lena and the adjuster',
				'talk with the adjuster | 2026-11-25 9:00-10:00 | lena'
			]
		] as const)
			assert.equal(read(line), wanted, line);
	});

	it('takes a weekday for the next one', () => {
		assert.match(read('fri 9-10 call'), /2026-11-27/);
		assert.match(read('sun 9-10 call'), /2026-11-29/);
	});

	it('says what is missing or wrong', () => {
		assert.equal(read('10-11 call'), 'Say on which day.');
		assert.equal(read('thu 10-11'), 'Say what it is about.');
		assert.match(read('thu 11-10 call'), /11-10: it would end before it begins/);
		assert.match(read('thu 25-26 call'), /25-26 are no hours of a day/);
		assert.match(read('thu 10:75 call'), /10:75 is no time of a day/);
		assert.match(read('30 feb 10-11 call'), /not a date that exists/);
	});

	it('leaves figures alone that are no hours', () => {
		assert.match(read('thu 10-11 review exhibits 4 and 5'), /^review exhibits 4 and 5 \|/);
	});
});
