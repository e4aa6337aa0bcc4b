import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate } from '../dates/plain.ts';
import { BY_HAND, parseEventLine, type EventParts } from './event-line.ts';

const MONDAY = plainDate('2026-11-23');
const SERVICES = [
	{ id: 'mail', words: 'mail by mail' },
	{ id: 'electronic', words: 'electronic electronically' }
];
const event = (words: string, more: object = {}) => ({
	...{ id: `a|${words.replaceAll(' ', '-')}`, words, served: false, ahead: false, services: [] },
	...more
});
const EVENTS = [
	event('interrogatories served', { served: true, services: SERVICES }),
	event('complaint filed', { services: SERVICES }),
	event('summons and complaint served on a defendant', { served: true, services: SERVICES }),
	event('state complaint served on a defendant', { served: true, services: SERVICES }),
	event('hearing of a motion', { ahead: true })
];
const read = (line: string, parts: EventParts = {}) =>
	parseEventLine(line.split(' '), EVENTS, MONDAY, { order: 'month', parts });

describe('a line that enters an event', () => {
	it('takes the event, the day and the service', () => {
		const line = read('interrogatories served yesterday by mail');
		assert.deepEqual(
			[line.event, line.date, line.service, line.fault],
			['a|interrogatories-served', '2026-11-22', 'mail', null]
		);
		assert.equal(read('complaint filed 11/2/26').date, '2026-11-02');
	});
	it('takes a time and a place', () => {
		const line = read('hearing 2 dec 10:00 room 4');
		assert.deepEqual(
			[line.event, line.date, line.time, line.place],
			['a|hearing-of-a-motion', '2026-12-02', '10:00', 'Room 4']
		);
		assert.equal(read('hearing of a motion at 1:30pm 2 dec in courtroom 7').time, '13:30');
		assert.equal(read('hearing of a motion at 1:30pm 2 dec in courtroom 7').place, 'Courtroom 7');
	});
	it('asks which event is meant, and takes none that is only near', () => {
		const line = read('complaint served yesterday');
		assert.equal(line.event, null, 'and not "complaint filed"');
		assert.match(line.fault!, /Which is meant/);
		assert.deepEqual(
			line.fits.map(({ words }) => words),
			['state complaint served on a defendant', 'summons and complaint served on a defendant']
		);
		assert.equal(read('complaint yesterday').fits.length, 3);
		assert.equal(read('complaint filed yesterday').event, 'a|complaint-filed', 'named whole');
	});
	it('takes what is corrected in place', () => {
		const chosen = read('complaint served yesterday', {
			event: 'a|state-complaint-served-on-a-defendant',
			service: 'electronic'
		});
		assert.deepEqual(
			[chosen.event, chosen.service, chosen.fault],
			['a|state-complaint-served-on-a-defendant', 'electronic', null]
		);
		const moved = read('interrogatories served yesterday', { date: plainDate('2026-11-20') });
		assert.equal(moved.date, '2026-11-20');
		assert.equal(read('interrogatories served by mail yesterday', { service: '' }).service, null);
	});
	it('says what it could not read', () => {
		assert.match(read('interrogatories served').fault!, /when/);
		assert.match(read('moon landing yesterday').fault!, /No event/);
		assert.match(read('interrogatories served yesterday by pigeon').fault!, /not a way of service/);
		assert.match(read('complaint filed yesterday by mail').fault!, /leave it out/);
		assert.match(read('yesterday').fault!, /Say what happened/);
	});
	it('says of a day that no month has that it does not exist, and not that no event is called so', () => {
		assert.match(
			read('interrogatories served 30 feb').fault!,
			/30 feb.* is not a date that exists/i
		);
		assert.match(read('complaint filed 2/30/26').fault!, /is not a date that exists/);
	});
	it('takes no weekday for the day where it stands before another day', () => {
		for (const day of ['mon 1 dec 2026', 'Monday, December 1, 2026', 'mon 12/1/26'])
			assert.equal(
				read(`interrogatories served ${day}`).fault,
				'1 December 2026 is a Tuesday, not a Monday.'
			);
		assert.equal(read('interrogatories served tue 1 dec 2026').date, '2026-12-01');
	});
	it('asks for the month or the day first where the department has not said', () => {
		const line = parseEventLine('complaint filed 5/11/26'.split(' '), EVENTS, MONDAY);
		assert.equal(line.date, null);
		assert.ok(line.fault);
	});
});

describe('a hearing or its like on a line', () => {
	it('is entered by hand where no event of a book is meant', () => {
		const line = read('deposition of Dr. Quill 4 dec 9:30 am');
		assert.deepEqual(line.hand, { sort: 'deposition', title: 'Deposition of Dr. Quill' });
		assert.deepEqual(
			[line.event, line.date, line.time, line.fault],
			[BY_HAND, '2026-12-04', '09:30', null]
		);
		assert.match(read('deposition of Dr. Quill').fault!, /Say when/);
	});
	it('is offered by hand beside the events that its words fit', () => {
		const line = read('hearing 2 dec 10:00');
		assert.equal(line.event, 'a|hearing-of-a-motion');
		assert.equal(line.hand, null);
		assert.deepEqual(
			line.fits.map(({ words }) => words),
			['hearing of a motion', 'Hearing, by hand']
		);
		const byHand = read('hearing 2 dec 10:00', { event: BY_HAND });
		assert.deepEqual(byHand.hand, { sort: 'hearing', title: 'Hearing' });
	});
	it('is no way to enter by hand what is none', () => {
		assert.match(read('moon landing yesterday', { event: BY_HAND }).fault!, /No event/);
	});
});
