import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { readSchedule } from './schedule-text.ts';

/** A line in short: what, title, day or count, time, place, paragraph. */
const said = (text: string) =>
	readSchedule(text).lines.map((line) =>
		[
			line.what === 'deadline' ? '' : `[${line.what}]`,
			line.title,
			line.date ?? `${line.count} ${line.from}`,
			line.time,
			line.place,
			line.authority
		]
			.filter(Boolean)
			.join(' | ')
	);

describe('the text of a scheduling order', () => {
	it('proposes a row for each date, with its title, time, room and paragraph', () => {
		const order = `The Court ORDERS as follows:
1. Fact discovery shall be completed by March 12, 2027.
2. Opening expert reports must be served no later than April 9, 2027; rebuttal reports by May 7, 2027.
3. Dispositive motions shall be filed on or before June 18, 2027.
4. The final pretrial conference is set for August 24, 2027 at 1:30 p.m. in Courtroom 7.
5. Jury trial will commence on September 13, 2027 at 8:30 a.m.
IT IS SO ORDERED. Dated: November 20, 2026`;
		assert.deepEqual(said(order), [
			'Fact discovery | 2027-03-12 | ¶ 1',
			'Opening expert reports | 2027-04-09 | ¶ 2',
			'Rebuttal reports | 2027-05-07 | ¶ 2',
			'Dispositive motions | 2027-06-18 | ¶ 3',
			'[conference] | Final pretrial conference | 2027-08-24 | 13:30 | Courtroom 7 | ¶ 4',
			'[trial] | Jury trial | 2027-09-13 | 08:30 | ¶ 5'
		]);
		assert.equal(readSchedule(order).dated, '2026-11-20');
	});
	it('reads a day with its weekday, and what is heard or served on a second day', () => {
		assert.deepEqual(
			said(`1. Fact discovery closes on Friday, May 14, 2027.
3. Dispositive motions shall be filed by 7/2/2027 and heard on August 5, 2027 at 10:00 a.m. in Courtroom 4.
4. The final pretrial conference will be held on Tuesday, August 31, 2027 at 2:00 p.m.
5. Proposed orders must be filed by May 3, 2027 and served on or before May 4, 2027.`),
			[
				'Fact discovery closes | 2027-05-14 | ¶ 1',
				'Dispositive motions | 2027-07-02 | ¶ 3',
				'[hearing] | Dispositive motions, hearing | 2027-08-05 | 10:00 | Courtroom 4 | ¶ 3',
				'[conference] | Final pretrial conference | 2027-08-31 | 14:00 | ¶ 4',
				'Proposed orders | 2027-05-03 | ¶ 5',
				'Proposed orders, service | 2027-05-04 | ¶ 5'
			]
		);
	});
	it('doubts a day that is written with the weekday of another', () => {
		const doubts = (text: string) => readSchedule(text).lines.map(({ doubtful }) => doubtful);
		assert.deepEqual(doubts('Conference on Monday, August 31, 2027\nReply: Tue. May 4, 2027'), [
			'Monday August 31, 2027',
			''
		]);
		assert.deepEqual(doubts('Reply\tWednesday, 5/4/2027\nReply\tMay 4, 2027 (Tuesday)'), [
			'Wednesday 5/4/2027',
			''
		]);
	});
	it('reads days that stand before what is due, and titles on a line above', () => {
		assert.deepEqual(said('01/15/2027: Amend pleadings\nClose of discovery\nMarch 1, 2027\n'), [
			'Amend pleadings | 2027-01-15',
			'Close of discovery | 2027-03-01'
		]);
	});
	it('reads days counted from something', () => {
		assert.deepEqual(said('6. Motions in limine shall be filed 21 days before trial.'), [
			'Motions in limine | -21d trial | ¶ 6'
		]);
		assert.deepEqual(said('(b) Opposition is due 10 court days after the motion is served'), [
			'Opposition | +10cd motion is served | ¶ b'
		]);
	});
	it('says what is filed, and what is served or done', () => {
		const acts = (text: string) => readSchedule(text).lines.map(({ act }) => act);
		assert.deepEqual(acts('Motions shall be filed by March 1, 2027'), ['file']);
		assert.deepEqual(acts('Fact discovery closes March 1, 2027'), ['serve']);
		assert.deepEqual(acts('Expert reports\tMarch 1, 2027\nReply brief\tMarch 2, 2027'), [
			'serve',
			'file'
		]);
	});
	it('does not take papers about a trial for the trial', () => {
		assert.deepEqual(
			said(
				'Trial briefs due March 1, 2027\nJoint statement for the case management conference March 2, 2027'
			),
			[
				'Trial briefs | 2027-03-01',
				'Joint statement for the case management conference | 2027-03-02'
			]
		);
	});
	it('finds nothing in a text without days, and leaves a day that is none', () => {
		assert.deepEqual(
			said('The parties shall meet and confer.\nDiscovery closes February 30, 2027'),
			[]
		);
		assert.deepEqual(said(''), []);
	});
	it('says which lines it could not read', () => {
		assert.deepEqual(
			readSchedule('Discovery closes February 30, 2027\nReply due March 1, 2027').unread,
			['Discovery closes February 30, 2027']
		);
		assert.deepEqual(readSchedule('Trial\tMay 3, 2027\nExpert reports\tto be set').unread, [
			'Expert reports to be set'
		]);
	});
});

describe('rows of a spreadsheet', () => {
	it('are read by their heads', () => {
		assert.deepEqual(
			said(
				'Event\tDate\tTime\tRoom\tParagraph\nClose of fact discovery\t3/12/2027\t\t\t¶ 1\nHearing on motions\t6/30/2027\t10:00\tCourtroom 7\t¶ 4'
			),
			[
				'Close of fact discovery | 2027-03-12 | ¶ 1',
				'[hearing] | Hearing on motions | 2027-06-30 | 10:00 | Courtroom 7 | ¶ 4'
			]
		);
	});
	it('are read without heads by what stands in them', () => {
		assert.deepEqual(said('March 12, 2027\tClose of fact discovery\nMay 3, 2027\tTrial\t9 a.m.'), [
			'Close of fact discovery | 2027-03-12',
			'[trial] | Trial | 2027-05-03 | 09:00'
		]);
	});
	it('may hold counts', () => {
		assert.deepEqual(said('Item\tDate\nWitness lists\t14 days before trial'), [
			'Witness lists | -14d trial'
		]);
	});
});

it('days in figures are read as the department writes them', () => {
	assert.equal(readSchedule('Reply due 4/5/2027', 'day').lines[0]?.date, '2027-05-04');
});
