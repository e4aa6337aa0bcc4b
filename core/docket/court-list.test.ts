import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { plainDate } from '../dates/plain.ts';
import { compareEntries, likeness, readCourtRows, type CourtEntry } from './court-list.ts';

const read = (...rows: string[][]) => readCourtRows(rows);
const ours = (id: string, title: string, date: string, more: object = {}) => ({
	...{ id, title, date: plainDate(date), time: null as string | null, isCourts: true },
	...more
});
const theirs = (title: string, date: string, time: string | null = null): CourtEntry => ({
	...{ title, date: plainDate(date), time, caseNumber: '' }
});

describe("a court's list", () => {
	it('is read by what stands in its cells, whatever their order', () => {
		assert.deepEqual(
			read(
				['Case', 'Date', 'Time', 'Event'],
				['4:26-cv-01422', '12/01/2026', '10:00 AM', 'Motion Hearing'],
				['Jury Trial', '4:26-cv-01422-JT', 'September 13, 2027 8:30 a.m.']
			).entries,
			[
				{
					...{ title: 'Motion Hearing', date: '2026-12-01', time: '10:00' },
					caseNumber: '4:26-cv-01422'
				},
				{
					...{ title: 'Jury Trial', date: '2027-09-13', time: '08:30' },
					caseNumber: '4:26-cv-01422-JT'
				}
			]
		);
	});
	it('is read as lines of text, and says what it could not read', () => {
		const found = read(
			['Calendar of Department 4'],
			['12/17/2026 9:30 Case Management Conference'],
			['continued to a day to be set']
		);
		assert.deepEqual(
			found.entries.map(({ title, date, time }) => [title, date, time]),
			[['Case Management Conference', '2026-12-17', '09:30']]
		);
		assert.deepEqual(found.unread, ['Calendar of Department 4', 'continued to a day to be set']);
	});
	it('says of a day that its weekday is another, and leaves the right one out of the title', () => {
		const found = read(
			['Tue 12/1/2026 10:00 AM Hearing on motion to strike'],
			['Mediation, 17 December 2026 (Thursday), 9:30'],
			['Tue 1/12/2026 Hearing on motion']
		);
		assert.deepEqual(
			found.entries.map(({ title, date }) => [title, date]),
			[
				['Hearing on motion to strike', '2026-12-01'],
				['Mediation', '2026-12-17']
			]
		);
		assert.deepEqual(found.unread, ['Tue 1/12/2026 Hearing on motion (1/12/2026 is a Monday)']);
	});
	it('takes no number of a case for a day, and no day for a number', () => {
		const [entry] = read(['CGC-26-601234', '2026-12-01', 'Demurrer']).entries;
		assert.deepEqual([entry?.date, entry?.caseNumber], ['2026-12-01', 'CGC-26-601234']);
	});
});

describe('the comparison', () => {
	it('finds what agrees, differs, and is missing here or there', () => {
		const result = compareEntries(
			[
				theirs('Motion Hearing: motion to strike', '2026-12-01', '10:00'),
				theirs('Jury Trial', '2027-10-18'),
				theirs('Settlement conference', '2027-01-12')
			],
			[
				ours('a', 'Hearing of a motion, motion to strike', '2026-12-01', { time: '10:00' }),
				ours('b', 'Trial date, jury', '2027-09-13'),
				ours('c', 'Final pretrial conference', '2027-08-24'),
				ours('d', 'Opposition', '2026-11-17', { isCourts: false })
			]
		);
		assert.deepEqual(
			result.agrees.map((pair) => pair.ours.id),
			['a']
		);
		assert.deepEqual(
			result.differs.map((pair) => pair.ours.id),
			['b']
		);
		assert.deepEqual(
			result.missingHere.map(({ title }) => title),
			['Settlement conference']
		);
		assert.deepEqual(
			result.missingThere.map(({ id }) => id),
			['c'],
			'a date by rule is not'
		);
	});
	it('takes another time of the same day for a difference, and none for none', () => {
		const mine = [ours('a', 'Case management conference', '2026-12-17', { time: '09:30' })];
		const on = (time: string | null) =>
			compareEntries([theirs('Case Management Conference', '2026-12-17', time)], mine);
		assert.equal(on('10:30').differs.length, 1);
		assert.equal(on('09:30').agrees.length, 1);
		assert.equal(on(null).agrees.length, 1);
	});
	it('does not take the papers of a day for the hearing of it', () => {
		const result = compareEntries(
			[theirs('Final Pretrial Conference', '2027-09-17')],
			[
				ours('a', 'Pretrial disclosures', '2027-09-17', { isCourts: false }),
				ours('b', 'Final pretrial conference', '2027-09-16')
			]
		);
		assert.deepEqual(
			result.differs.map((pair) => pair.ours.id),
			['b']
		);
	});
	it('pairs each entry once, the best first', () => {
		const result = compareEntries(
			[theirs('Motion hearing', '2026-12-01'), theirs('Motion hearing', '2026-12-08')],
			[
				ours('a', 'Hearing of a motion', '2026-12-08'),
				ours('b', 'Hearing of a motion', '2026-12-01')
			]
		);
		assert.deepEqual(
			result.agrees.map((pair) => [pair.ours.id, pair.theirs.date]),
			[
				['b', '2026-12-01'],
				['a', '2026-12-08']
			]
		);
	});
	it('loses nothing and invents nothing, whatever the two lists', () => {
		const title = fc.constantFrom('Trial', 'Motion hearing', 'Case conference', 'Expert reports');
		const day = fc.integer({ min: 1, max: 28 }).map((n) => `2026-12-${String(n).padStart(2, '0')}`);
		const entry = fc.record({ title, day });
		fc.assert(
			fc.property(fc.array(entry), fc.array(entry), (first, second) => {
				const court = first.map((one) => theirs(one.title, one.day));
				const mine = second.map((one, at) => ours(String(at), one.title, one.day));
				const result = compareEntries(court, mine);
				const paired = result.agrees.length + result.differs.length;
				assert.equal(paired + result.missingHere.length, court.length);
				assert.equal(paired + result.missingThere.length, mine.length);
				const used = [...result.agrees, ...result.differs].map((pair) => pair.ours.id);
				assert.equal(new Set(used).size, used.length);
				for (const pair of result.agrees) assert.equal(pair.theirs.date, pair.ours.date);
			}),
			{ numRuns: 300, seed: 20261127 }
		);
	});
	it('measures titles by the words that say something', () => {
		assert.equal(likeness('Hearing', 'Hearing of a motion'), 0);
		assert.equal(likeness('Jury Trial', 'Trial date, jury'), 1);
		assert.ok(likeness('Close of fact discovery', 'Fact Discovery Cutoff') > 0.9);
		assert.equal(likeness('Expert reports', 'Case management conference'), 0);
	});
});
