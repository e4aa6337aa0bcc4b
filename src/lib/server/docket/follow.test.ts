/** Dates that are left where they stood, and early warnings that follow what they warn of. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one } from '#server/db/sql.ts';
import { dayDigest } from '#server/reminders/messages.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { dateItem, requireDated } from './calendar-items.ts';
import { checkDeadlines, docketDeadlines } from './deadlines.ts';
import { decideChanges } from './changes.ts';
import { addClosure } from './closures.ts';
import { enterEvent } from './events.ts';
import { followEvent } from './follow.ts';
import { listDeadlines } from './list.ts';
import { findCheckItem } from './matter-docket.ts';
import { moveEvent } from './move-event.ts';
import { makeReport, parseReport } from './report.ts';
import { moveDeadline, previewReschedule } from './reschedule.ts';
import type { DateChangeRow, DeadlineRow, EventRow } from './rows.ts';

let house: TestHouse;
let matterId: string;
const event = () =>
	one<EventRow>(house.db, 'SELECT * FROM event WHERE matter_id = @matterId', { matterId });
const find = (title: string) =>
	one<DeadlineRow>(
		house.db,
		'SELECT * FROM deadline WHERE matter_id = @matterId AND title = @title',
		{ matterId, title }
	);
const answer = () => find('Answer or Rule 12 motion');
const warning = () => find('Start on the answer');
const lastMail = () =>
	one<{ text: string }>(house.db, 'SELECT text FROM mail_out ORDER BY id DESC LIMIT 1').text;
const lastLog = () =>
	one<{ text: string }>(house.db, 'SELECT text FROM logbook ORDER BY rowid DESC LIMIT 1').text;
const move = (to: string, only?: string[], login = 'okafor') =>
	moveEvent(house.as(login), {
		eventId: event().id,
		to,
		reason: 'Proof of service corrected',
		version: event().version,
		only
	});
const reschedule = (more: { by?: string; to?: string; how?: 'order' | 'back' }) =>
	moveDeadline(house.as('okafor'), {
		deadlineId: answer().id,
		how: 'order',
		reason: 'Stipulated',
		version: answer().version,
		...more
	});

beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	// Answer on Mon 30 Nov 2026, and the warning seven days before: Mon 23 Nov.
	good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: 'summons-and-complaint-served-on-a-defendant',
			date: '2026-11-09',
			docket: ['answer-or-rule-12-motion', 'suggested-answer-or-rule-12-motion']
		})
	);
});

describe('a date left where it stood', () => {
	beforeEach(() => {
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }));
		good(move('2026-11-12', [warning().id], 'castellan'));
	});

	it('loses its check, keeps who left it and why, and cannot be checked', () => {
		const { date, checked_by, left_by, left_reason, rule_gives } = answer();
		assert.deepEqual(
			{ date, checked_by, left_by, left_reason, rule_gives },
			{
				date: '2026-11-30',
				checked_by: null,
				left_by: 'stf_castellan',
				left_reason: 'Proof of service corrected',
				rule_gives: '2026-12-03'
			}
		);
		const refused = bad(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }));
		assert.match(Object.values(refused).join(), /no longer follows its event/);
		assert.equal(warning().left_by, null, 'what was chosen follows');
	});

	it('is named to the others, in the logbook and in mail', () => {
		const words =
			/No longer follows its event: Answer or Rule 12 motion left on Mon 30 Nov, the rule now gives Thu 3 Dec/;
		assert.match(lastLog(), words);
		assert.match(lastMail(), words);
	});

	it('says so in the list, the report, the calendar and the digest', () => {
		const me = house.staff('okafor');
		const [row] = listDeadlines(house, me, {}).rows.filter(({ id }) => id === answer().id);
		assert.deepEqual(row?.left, {
			by: house.staff('castellan').initials,
			gives: '2026-12-03',
			reason: 'Proof of service corrected'
		});
		const report = makeReport(house, me, parseReport(house, new URLSearchParams()));
		const counted = report.rows.find(({ id }) => id === answer().id)?.count ?? '';
		assert.match(counted, /No longer follows its event: the rule now gives Thu 3 Dec; left by DC/);
		const item = dateItem(house, requireDated(house, answer().id));
		assert.match(item.title, /\(no longer follows its event\)/);
		const line = { title: 'Answer', date: answer().date, number: 'LF-1', matterTitle: 'Pier' };
		const digest = dayDigest(answer().date, [{ ...line, checked: 0, isLeft: 1 }], []);
		assert.match(digest.text, /\(no longer follows its event\)/);
	});

	it('follows again when it is let, and waits for its check', () => {
		good(followEvent(house.as('okafor'), { deadlineId: answer().id }));
		const { date, left_by, rule_gives, checked_by } = answer();
		assert.deepEqual(
			{ date, left_by, rule_gives, checked_by },
			{ date: '2026-12-03', left_by: null, rule_gives: null, checked_by: null }
		);
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }));
		bad(followEvent(house.as('okafor'), { deadlineId: answer().id }));
	});

	it('follows again when its event moves back', () => {
		good(move('2026-11-09', []));
		assert.equal(answer().left_by, null);
		assert.equal(answer().date, '2026-11-30');
	});

	it('keeps the rule’s own day beside it where an order moves it', () => {
		good(reschedule({ to: '2026-12-10' }));
		const { date, computed, left_by } = answer();
		assert.deepEqual(
			{ date, computed, left_by },
			{ date: '2026-12-10', computed: '2026-12-03', left_by: null }
		);
	});
});

it('a date left against a change that waited is marked the same way', async () => {
	good(
		await addClosure(house.as('castellan'), {
			book: 'us-federal.ca-nd',
			date: '2026-11-30',
			kind: 'holiday',
			name: 'Day of mourning'
		})
	);
	const changes = all<DateChangeRow>(
		house.db,
		"SELECT * FROM date_change WHERE state = 'waits' AND deadline_id = @id",
		{ id: answer().id }
	);
	good(
		decideChanges(house.as('okafor'), {
			changeIds: changes.map(({ id }) => id),
			apply: false,
			reason: 'The judge wants it that day'
		})
	);
	assert.equal(answer().rule_gives, '2026-12-01');
	assert.equal(answer().left_reason, 'The judge wants it that day');
});

describe('an early warning', () => {
	it('follows the date it warns of when an order moves that, and back', async () => {
		const preview = good(
			await previewReschedule(house.as('okafor'), {
				deadlineId: answer().id,
				how: 'order',
				by: '+14d'
			})
		);
		assert.deepEqual(
			preview.early.map(({ to, days }) => ({ to, days })),
			[{ to: '2026-12-07', days: 14 }]
		);
		good(reschedule({ by: '+14d' }));
		assert.equal(answer().date, '2026-12-14');
		assert.equal(warning().date, '2026-12-07');
		assert.match(lastLog(), /early warning “Start on the answer” to Mon 7 Dec/);
		const me = house.staff('castellan');
		assert.equal(findCheckItem(house, me, warning().id)?.fresh?.same, true);
		good(reschedule({ how: 'back' }));
		assert.equal(warning().date, '2026-11-23');
	});

	it('stays with the moved date when the event moves', () => {
		good(reschedule({ by: '+14d' }));
		good(move('2026-11-10'));
		assert.equal(answer().date, '2026-12-14');
		assert.equal(answer().computed, '2026-12-01');
		assert.equal(warning().date, '2026-12-07');
	});

	it('is not called changed by a closure that touches neither', async () => {
		good(reschedule({ by: '+14d' }));
		good(
			await addClosure(house.as('castellan'), {
				book: 'us-federal.ca-nd',
				date: '2026-12-29',
				kind: 'holiday',
				name: 'Day of mourning'
			})
		);
		assert.deepEqual(all(house.db, "SELECT id FROM date_change WHERE state = 'waits'"), []);
	});

	it('of a proposal is proposed with it', () => {
		const proposals = all<DeadlineRow>(
			house.db,
			"SELECT * FROM deadline WHERE matter_id = @matterId AND state = 'proposed'",
			{ matterId }
		);
		if (proposals.length)
			good(docketDeadlines(house.as('okafor'), { deadlineIds: proposals.map(({ id }) => id) }));
		assert.equal(warning().suggested, 1);
	});
});
