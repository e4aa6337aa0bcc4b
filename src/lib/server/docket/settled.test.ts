/** What was missed stays missed, what was settled by mistake comes back, proposals are decided. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { addDays, plainDate } from '#core/dates/plain.ts';
import type { Result } from '#server/app/errors.ts';
import { listSlip } from '#server/day-sheet/slip.ts';
import { all, one } from '#server/db/sql.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { addDeadline } from './by-hand.ts';
import { checkDeadlines, docketDeadlines, meetDeadline, vacateDeadline } from './deadlines.ts';
import { enterEvent } from './events.ts';
import { listDeadlines } from './list.ts';
import { listMatterEvents } from './matter-docket.ts';
import { judgeLateDeadline } from './met-late.ts';
import { moveEvent } from './move-event.ts';
import { formatCell } from './report-columns.ts';
import { makeReport, parseReport } from './report.ts';
import type { DeadlineRow } from './rows.ts';
import { setAsideDeadlines } from './set-aside.ts';
import { bringEventBack, takeBackDeadline, withdrawEvent } from './take-back.ts';

let house: TestHouse;
let matterId: string;
let eventId: string;
const find = (title: string) =>
	one<DeadlineRow>(
		house.db,
		'SELECT * FROM deadline WHERE matter_id = @matterId AND title = @title',
		{ matterId, title }
	);
const answer = () => find('Answer or Rule 12 motion');
const warning = () => find('Start on the answer');
const log = () =>
	all<{ text: string }>(
		house.db,
		'SELECT text FROM logbook WHERE matter_id = @matterId ORDER BY rowid',
		{ matterId }
	)
		.map(({ text }) => text)
		.join('\n');
const why = (result: Result<unknown>) => Object.values(bad(result)).join(' ');
const shown = (show: 'missed' | 'unsettled' | 'proposed', login = 'okafor') =>
	listDeadlines(house, house.staff(login), { show }).rows.map(({ id }) => id);
const meet = (on: string, late = '') =>
	meetDeadline(house.as('okafor'), { deadlineId: answer().id, on, late });

beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	// Answer on Mon 30 Nov 2026; its early warning is left as a proposal.
	({ eventId } = good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: 'summons-and-complaint-served-on-a-defendant',
			date: '2026-11-09',
			docket: ['answer-or-rule-12-motion']
		})
	));
});

describe('a date that was missed', () => {
	beforeEach(() => house.set('2026-12-02'));

	it('is met late with a reason, asks for a second word, and stays among the missed', () => {
		assert.deepEqual(shown('missed'), [answer().id]);
		assert.match(why(meet('2026-12-01')), /due on Monday 30 November 2026: say why/);
		good(meet('2026-12-01', 'The courier was late.'));
		assert.deepEqual(shown('missed'), [answer().id]);
		assert.deepEqual(shown('unsettled'), [answer().id]);
		const asked = all<{ to_email: string }>(
			house.db,
			"SELECT * FROM mail_out WHERE subject LIKE '%met late%'"
		);
		assert.equal(asked.length, 1, 'the docket clerk is asked');
		assert.match(
			why(judgeLateDeadline(house.as('okafor'), { deadlineId: answer().id, words: 'Fine' })),
			/for someone else/
		);
		assert.equal(
			judgeLateDeadline(house.as('wardle'), { deadlineId: answer().id, words: 'Fine' }).ok,
			false,
			'neither supervisor nor clerk'
		);
		good(
			judgeLateDeadline(house.as('castellan'), {
				deadlineId: answer().id,
				words: 'Accepted by stipulation.'
			})
		);
		assert.deepEqual(shown('unsettled'), []);
		assert.deepEqual(shown('missed'), [answer().id], 'as settled');
		const rows = makeReport(
			house,
			house.staff('okafor'),
			parseReport(house, new URLSearchParams({ show: 'missed' }))
		).rows;
		assert.equal(formatCell(rows[0]!, 'state', false), 'met late');
		assert.match(rows[0]!.count, /Met late on .*courier was late.*DC: Accepted by stipulation/);
		assert.match(log(), /Met late: .* Accepted by stipulation/);
	});

	it('that was met in time, and only recorded later, is met', () => {
		good(meet('2026-11-30'));
		assert.deepEqual(shown('missed'), []);
		assert.match(
			why(judgeLateDeadline(house.as('castellan'), { deadlineId: answer().id, words: 'x' })),
			/not met late/
		);
	});

	it('stands on the Day sheet until it is settled', () => {
		const states = () =>
			listSlip(house, house.staff('okafor')).rows.map(({ title, state }) => [title, state]);
		assert.deepEqual(states()[0], ['Answer or Rule 12 motion', 'missed']);
		good(meet('2026-12-01', 'The courier was late.'));
		assert.deepEqual(states()[0], ['Answer or Rule 12 motion', 'late']);
		good(judgeLateDeadline(house.as('castellan'), { deadlineId: answer().id, words: 'Seen' }));
		assert.deepEqual(states(), []);
	});
});

it('the Day sheet shows all that is due today, and counts what it does not show', () => {
	const add = (title: string, date: string) =>
		good(addDeadline(house.as('okafor'), { matterId, title, date }));
	for (let n = 0; n < 12; n++) add(`Today ${n}`, '2026-11-23');
	for (let n = 0; n < 9; n++) add(`Later ${n}`, addDays(plainDate('2026-11-24'), n));
	const { rows, today, more, near } = listSlip(house, house.staff('okafor'));
	assert.equal(rows.filter(({ date }) => date === '2026-11-23').length, 12);
	assert.equal(today, 12);
	const ahead = rows.filter(({ date }) => date > '2026-11-23').length;
	assert.equal(more, 10 - ahead);
	assert.ok(ahead > 0 && near > 12);
});

describe('what was settled by mistake', () => {
	it('stands again with a reason: met, and with its late word', () => {
		house.set('2026-12-02');
		good(meet('2026-12-01', 'The courier was late.'));
		const input = { deadlineId: answer().id, reason: 'Another paper was filed' };
		good(takeBackDeadline(house.as('okafor'), input));
		const { state, closed_on, late_reason } = answer();
		assert.deepEqual(
			{ state, closed_on, late_reason },
			{
				state: 'docketed',
				closed_on: null,
				late_reason: ''
			}
		);
		assert.match(log(), /stands again, it was met: Another paper was filed/);
		assert.match(log(), /The courier was late/, 'what was recorded stays to be read');
		assert.match(why(takeBackDeadline(house.as('okafor'), input)), /stands/);
	});

	it('stands again: vacated', () => {
		good(vacateDeadline(house.as('okafor'), { deadlineId: answer().id, reason: 'Settled' }));
		good(takeBackDeadline(house.as('okafor'), { deadlineId: answer().id, reason: 'It was not' }));
		assert.deepEqual([answer().state, answer().reason], ['docketed', '']);
	});

	it('that stands again after its event moved is marked as left behind, and unchecked', () => {
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }));
		good(vacateDeadline(house.as('okafor'), { deadlineId: answer().id, reason: 'Settled' }));
		good(
			moveEvent(house.as('okafor'), { eventId, to: '2026-11-12', reason: 'Corrected', version: 1 })
		);
		good(takeBackDeadline(house.as('okafor'), { deadlineId: answer().id, reason: 'It was not' }));
		const { state, date, rule_gives, checked_by } = answer();
		assert.deepEqual(
			{ state, date, rule_gives, checked_by },
			{ state: 'docketed', date: '2026-11-30', rule_gives: '2026-12-03', checked_by: null }
		);
	});

	it('is a whole event: withdrawn with what it set, and brought back with it', () => {
		good(withdrawEvent(house.as('okafor'), { eventId, reason: 'Wrong matter' }));
		assert.deepEqual([answer().state, warning().state], ['vacated', 'vacated']);
		const event = () =>
			listMatterEvents(house, house.staff('okafor'), matterId).find(({ id }) => id === eventId);
		assert.deepEqual(event()?.withdrawn, { by: 'IO', reason: 'Wrong matter' });
		assert.match(log(), /entered by mistake: Wrong matter\. Off with it: Answer/);
		const moved = { eventId, to: '2026-11-10', reason: 'x', version: event()!.version };
		assert.match(why(moveEvent(house.as('okafor'), moved)), /bring it back first/);
		assert.match(
			why(takeBackDeadline(house.as('okafor'), { deadlineId: answer().id, reason: 'x' })),
			/bring the event back first/
		);
		good(bringEventBack(house.as('okafor'), { eventId, reason: 'It was right' }));
		assert.deepEqual([answer().state, warning().state], ['docketed', 'proposed']);
		assert.equal(event()?.withdrawn, null);
	});

	it('leaves what was met before the event was withdrawn', () => {
		good(meet('2026-11-20'));
		good(withdrawEvent(house.as('okafor'), { eventId, reason: 'Wrong matter' }));
		assert.equal(answer().state, 'met');
	});
});

describe('a proposal', () => {
	it('is set aside with a reason, and stands again as a proposal', () => {
		assert.deepEqual(shown('proposed'), [warning().id]);
		const deadlineIds = [warning().id];
		assert.match(
			why(setAsideDeadlines(house.as('okafor'), { deadlineIds, reason: '' })),
			/The reason is missing/
		);
		good(setAsideDeadlines(house.as('okafor'), { deadlineIds, reason: 'We are late already' }));
		assert.deepEqual(shown('proposed'), []);
		assert.deepEqual([warning().state, warning().set_aside], ['vacated', 1]);
		assert.match(log(), /Set aside: Start on the answer .* We are late already/);
		good(takeBackDeadline(house.as('okafor'), { deadlineId: warning().id, reason: 'After all' }));
		assert.deepEqual([warning().state, warning().set_aside], ['proposed', 0]);
		good(docketDeadlines(house.as('okafor'), { deadlineIds }));
		assert.match(
			why(setAsideDeadlines(house.as('okafor'), { deadlineIds, reason: 'x' })),
			/no proposal any more/
		);
	});
});
