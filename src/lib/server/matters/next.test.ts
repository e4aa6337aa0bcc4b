import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { plainDate } from '#core/dates/plain.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { addTask } from '#server/tasks/commands.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { listMatters } from './list.ts';
import { listNext } from './next.ts';

let house: TestHouse;
let matterId: string;
beforeEach(async () => {
	house = await testHouse();
	house.set('2026-11-02');
	({ matterId } = await newMatter(house, { kind: 'regulatory' }));
});
const date = (title: string, day: string, more: object = {}) =>
	good(addDeadline(house.as('okafor'), { matterId, title, date: day, ...more }));
const task = (subject: string, due: string) =>
	good(addTask(house.as('okafor'), { matterId, subject, assigneeId: 'stf_okafor', due }));
const next = (facts: { key: string; name: string; value: string }[] = []) =>
	listNext(house, matterId, facts).map(({ what, title }) => [what, title]);
const why = () =>
	listMatters(house, house.staff('okafor'), { cols: ['why'] }).rows[0]?.cells.why ?? null;

describe('what is next on a matter', () => {
	it('stands in the order of its days, whatever it is; of one day the time decides', () => {
		date('Reply', '2026-11-10');
		date('Hearing of the motion', '2026-11-06', { what: 'hearing', time: '14:00' });
		date('Filing', '2026-11-06', { time: '09:00' });
		task('Draft it', '2026-11-05');
		const facts = [
			{ key: 'term', name: 'End of the term', value: '2026-11-07' },
			{ key: 'old', name: 'Long over', value: '2020-01-01' }
		];
		const own = next(facts).filter(([, title]) => !/first|call/i.test(title!));
		const wanted = ['Draft it', 'Filing', 'Hearing of the motion', 'End of the term', 'Reply'];
		assert.deepEqual(
			own.map(([, title]) => title).filter((title) => wanted.includes(title!)),
			wanted
		);
		assert.ok(!own.some(([, title]) => title === 'Long over'));
	});
	it('begins with what is late', () => {
		date('Missed one', '2026-11-03');
		house.set('2026-11-04');
		date('Reply', '2026-11-10');
		assert.deepEqual(next()[0], ['date', 'Missed one']);
	});
});

describe('why a matter needs its lawyer', () => {
	it('is said by the first thing that does', () => {
		assert.equal(why(), null);
		date('Reply', '2026-11-03');
		assert.equal(why(), null, 'a date ahead is no reason yet');
		house.set('2026-11-03');
		assert.equal(why(), 'a date today');
		house.set('2026-11-04');
		assert.equal(why(), 'a missed date');
	});
	it('is that nothing happened for longer than its kind allows', () => {
		house.set(plainDate('2027-03-01'));
		assert.match(String(why()), /gone quiet|a late task/);
	});
});
