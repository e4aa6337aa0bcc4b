/** Everyone's weekly word on their dates: asked, given, kept, and wanting where it is. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, scalar } from '#server/db/sql.ts';
import { assignDeadlines } from '#server/docket/assign.ts';
import { checkDeadlines } from '#server/docket/deadlines.ts';
import { enterEvent } from '#server/docket/events.ts';
import { moveDeadline } from '#server/docket/reschedule.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { addLeave } from '#server/staff/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { askForSignOffs } from './ask.ts';
import { signOff } from './commands.ts';
import {
	findSignOffState,
	listOwnDates,
	listSigned,
	listSignOffStates,
	listSignOffWeeks
} from './queries.ts';

let house: TestHouse;
let matterId: string;
const answer = () =>
	one<DeadlineRow>(
		house.db,
		"SELECT * FROM deadline WHERE matter_id = @matterId AND title LIKE 'Answer or%'",
		{ matterId }
	);
const own = (login = 'okafor') => listOwnDates(house, house.staff(login));
const sign = (login = 'okafor', words: Record<string, string> = {}) =>
	signOff(house.as(login), {
		dates: own(login).map(({ id, date }) => ({
			id,
			date,
			wrong: id in words ? 'on' : '',
			words: words[id] ?? ''
		}))
	});
const state = (login = 'okafor', by = login) =>
	findSignOffState(house, house.staff(by), `stf_${login}`);
const asked = (login: string) =>
	all<{ subject: string; text: string }>(
		house.db,
		"SELECT subject, text FROM mail_out WHERE subject LIKE '%our word on your dates%' AND recipient LIKE @like ORDER BY rowid",
		{ like: `%${login}%` }
	);

beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	// The answer is due on Mon 30 Nov 2026; the week is that of Mon 23 Nov.
	good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: 'summons-and-complaint-served-on-a-defendant',
			date: '2026-11-09',
			docket: ['answer-or-rule-12-motion']
		})
	);
});

describe('the weekly sign-off', () => {
	it('is about the dates of whoever is responsible, or stands in for one who is away', () => {
		assert.deepEqual(
			own().map(({ id }) => id),
			[answer().id]
		);
		assert.deepEqual(own('wardle'), []);
		good(
			assignDeadlines(house.as('okafor'), {
				deadlineIds: [answer().id],
				assigneeId: 'stf_wardle',
				standInId: 'stf_reyes'
			})
		);
		assert.deepEqual([own().length, own('wardle').length, own('reyes').length], [0, 1, 0]);
		const days = { staffId: 'stf_wardle', from: '2026-11-23', to: '2026-11-24' };
		good(addLeave(house.as('castellan'), days));
		assert.deepEqual([own('wardle').length, own('reyes').length], [1, 1]);
	});

	it('is given once, kept as it was, and covers nothing that moves afterwards', () => {
		assert.equal(state().open.length, 1);
		good(sign());
		assert.deepEqual([state().open.length, state().at !== null], [0, true]);
		const { version } = answer();
		const move = { how: 'order' as const, by: '+7d', reason: 'Stipulated', version };
		good(moveDeadline(house.as('okafor'), { deadlineId: answer().id, ...move }));
		assert.equal(state().open.length, 1);
		const [kept] = listSigned(house, house.staff('castellan'), state().week);
		assert.deepEqual([kept?.date, kept?.words], ['2026-11-30', '']);
		assert.throws(() => house.db.exec('UPDATE sign_off_date SET words = 1'), /stays as it was/);
		assert.throws(() => house.db.exec('DELETE FROM sign_off_date'), /not deleted/);
		assert.deepEqual(listSignOffWeeks(house), ['2026-11-23']);
	});

	it('refuses a word on dates that have changed since they were shown', () => {
		const shown = own().map(({ id, date }) => ({ id, date }));
		const { version } = answer();
		const move = { how: 'order' as const, by: '+7d', reason: 'Stipulated', version };
		good(moveDeadline(house.as('okafor'), { deadlineId: answer().id, ...move }));
		const sent = signOff(house.as('okafor'), { dates: shown });
		assert.match(Object.values(bad(sent)).join(), /has moved meanwhile/);
		const nothing = signOff(house.as('okafor'), { dates: [] });
		assert.match(Object.values(bad(nothing)).join(), /has come meanwhile/);
		assert.equal(scalar(house.db, 'SELECT count(*) FROM sign_off'), 0);
	});

	it('sends back what is not right: it loses its check, and who must answer is told', () => {
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }));
		const nothing = Object.values(bad(sign('okafor', { [answer().id]: '' }))).join();
		assert.match(nothing, /Say what is not right of “Answer/);
		const given = good(sign('okafor', { [answer().id]: 'Served on the 10th.' }));
		assert.equal(given.wrong, 1);
		assert.deepEqual([answer().checked_by, answer().returned_by], [null, 'stf_okafor']);
		const told = all<{ recipient: string }>(
			house.db,
			"SELECT recipient FROM mail_out WHERE subject LIKE '%does not agree%'"
		);
		assert.equal(told.length, 1);
		assert.match(told[0]!.recipient, /castellan/, 'she docketed it herself: the clerk sees to it');
		assert.equal(
			listSigned(house, house.staff('okafor'), state().week)[0]?.words,
			'Served on the 10th.'
		);
		const clerk = listSignOffStates(house, house.staff('castellan'));
		assert.equal(clerk.find(({ id }) => id === 'stf_okafor')?.wrong, 1);
	});

	it('shows the clerk who has not given it, and nothing of what she may not see', () => {
		const states = () => listSignOffStates(house, house.staff('castellan'));
		assert.deepEqual(
			states().map(({ id, dates, at, open }) => ({ id, dates, at, open })),
			[{ id: 'stf_okafor', dates: 1, at: null, open: 1 }]
		);
		good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
		assert.deepEqual(states(), []);
		good(sign());
		assert.deepEqual(listSigned(house, house.staff('castellan'), state().week), []);
	});

	it('is asked on the first morning, once more on Thursday, and not of who has given it', async () => {
		await askForSignOffs(house);
		await askForSignOffs(house);
		assert.equal(asked('okafor').length, 1);
		assert.match(asked('okafor')[0]!.text, /Answer or Rule 12 motion/);
		assert.equal(asked('wardle').length, 0, 'she has no dates');
		house.set('2026-11-26');
		await askForSignOffs(house);
		assert.match(asked('okafor')[1]!.text, /Nobody has your word on them yet/);
		house.set('2026-11-30');
		good(sign());
		await askForSignOffs(house);
		assert.equal(asked('okafor').length, 2);
	});

	it('names no restricted matter in its mail', async () => {
		good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
		await askForSignOffs(house);
		assert.equal(asked('okafor').length, 1);
		assert.doesNotMatch(asked('okafor')[0]!.text, /Answer|LF-/);
	});
});
