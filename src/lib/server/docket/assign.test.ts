/** Whose a date is, who holds it while that person is away, and one act for many dates. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, run } from '#server/db/sql.ts';
import { addMember, restrictMatter, setStandIn } from '#server/matters/members.ts';
import { sendReminders } from '#server/reminders/send.ts';
import { addLeave } from '#server/staff/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { assignDeadlines } from './assign.ts';
import { batchDeadlines, previewBatch } from './batch.ts';
import { enterEvent } from './events.ts';
import { listDeadlines } from './list.ts';
import type { DeadlineRow } from './rows.ts';

let house: TestHouse;
let matterId: string;
const open = async () => {
	const made = await newMatter(house);
	good(
		enterEvent(house.as('okafor'), {
			matterId: made.matterId,
			eventKey: 'summons-and-complaint-served-on-a-defendant',
			date: '2026-11-09',
			docket: ['answer-or-rule-12-motion']
		})
	);
	return made.matterId;
};
const find = (title: string, ofMatter = matterId) =>
	one<DeadlineRow>(
		house.db,
		'SELECT * FROM deadline WHERE matter_id = @ofMatter AND title = @title',
		{ ofMatter, title }
	);
const answer = (ofMatter = matterId) => find('Answer or Rule 12 motion', ofMatter);
const warning = (ofMatter = matterId) => find('Start on the answer', ofMatter);
const shown = (login: string, who: string) =>
	listDeadlines(house, house.staff(login), { who }).rows.map(({ id }) => id);
const row = () =>
	listDeadlines(house, house.staff('okafor'), {}).rows.find(({ id }) => id === answer().id)!;
const mails = (subject: string) =>
	all<{ recipient: string }>(
		house.db,
		'SELECT recipient FROM mail_out WHERE subject LIKE @like ORDER BY recipient',
		{ like: `%${subject}%` }
	).map(({ recipient }) => /<(.*)@/.exec(recipient)?.[1]);
const away = (login: string) =>
	good(
		addLeave(house.as('castellan'), {
			staffId: `stf_${login}`,
			from: '2026-11-20',
			to: '2026-11-27'
		})
	);
const assign = (more: { assigneeId?: string; standInId?: string }, login = 'okafor') =>
	assignDeadlines(house.as(login), { deadlineIds: [answer().id], ...more });

beforeEach(async () => {
	house = await testHouse();
	matterId = await open();
});

describe('whose a date is', () => {
	it('is the responsible lawyer of the matter, until it is given to somebody, who is told', () => {
		assert.deepEqual([row().responsible, row().holder, row().standIn], ['IO', 'IO', null]);
		good(assign({ assigneeId: 'stf_wardle' }));
		assert.deepEqual([row().responsible, row().holder], ['TW', 'TW']);
		assert.deepEqual(mails('a date is yours now'), ['wardle']);
		assert.ok(shown('wardle', 'mine').includes(answer().id), 'it is among the dates of hers');
		good(assign({ assigneeId: '' }));
		assert.equal(row().responsible, 'IO');
	});

	it('is held by the stand-in while the other is away, and only then', () => {
		good(assign({ assigneeId: 'stf_wardle', standInId: 'stf_reyes' }));
		assert.deepEqual(shown('reyes', 'held'), []);
		away('wardle');
		assert.deepEqual([row().responsible, row().holder], ['TW', 'SR']);
		assert.deepEqual(shown('reyes', 'held'), [answer().id]);
		away('reyes');
		assert.equal(row().holder, 'TW', 'nobody is here: it stays whose it is');
		house.set('2026-11-30');
		assert.equal(row().holder, 'TW');
	});

	it("takes the matter's stand-in where it has none of its own", () => {
		good(setStandIn(house.as('okafor'), { matterId, staffId: 'stf_quiroga' }));
		away('okafor');
		assert.equal(row().holder, 'MQ');
		assert.match(
			Object.values(
				bad(setStandIn(house.as('okafor'), { matterId, staffId: 'stf_okafor' }))
			).join(),
			/is the responsible lawyer/
		);
	});

	it('is found where the one it belonged to has left', () => {
		good(assign({ assigneeId: 'stf_wardle' }));
		assert.deepEqual(shown('okafor', 'nobody'), []);
		run(house.db, "UPDATE staff SET active = 0 WHERE id = 'stf_wardle'", {});
		assert.deepEqual(shown('okafor', 'nobody'), [answer().id]);
		good(assign({ assigneeId: 'stf_reyes' }));
		assert.deepEqual(shown('okafor', 'nobody'), []);
	});

	it('refuses a stand-in for oneself, strangers, and outsiders of a restricted matter', () => {
		assert.match(bad(assign({ standInId: 'stf_okafor' })).standInId!, /stands in for themselves/);
		assert.match(bad(assign({ assigneeId: 'stf_tarrant' })).assigneeId!, /colleague/);
		good(assign({ assigneeId: 'stf_wardle' }));
		good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
		assert.match(bad(assign({ assigneeId: 'stf_reyes' })).assigneeId!, /not on this restricted/);
		assert.equal(row().responsible, 'IO', 'an outsider keeps nothing of it');
		assert.deepEqual(shown('wardle', 'mine'), []);
		good(addMember(house.as('okafor'), { matterId, staffId: 'stf_wardle' }));
		assert.equal(row().responsible, 'TW');
	});

	it('reminds the one whose it is beside the team', async () => {
		good(assign({ assigneeId: 'stf_wardle', standInId: 'stf_reyes' }));
		house.set('2026-11-29');
		await sendReminders(house);
		const told = mails('Answer or Rule 12 motion');
		assert.ok(told.includes('wardle') && told.includes('reyes'), told.join());
	});
});

describe('one act for many dates', () => {
	let other: string;
	const batch = (act: string, deadlineIds: string[], more: object = {}) =>
		batchDeadlines(house.as('castellan'), { act: act as 'docket', deadlineIds, ...more });

	beforeEach(async () => {
		other = await open();
	});

	it('dockets proposals of several matters, and each team is told once', () => {
		good(batch('docket', [warning().id, warning(other).id]));
		assert.deepEqual([warning().state, warning(other).state], ['docketed', 'docketed']);
		assert.equal(mails('a date was docketed').filter((to) => to === 'okafor').length, 2);
	});

	it('does nothing at all where one of them is refused, and says which', () => {
		const fault = Object.values(bad(batch('docket', [warning().id, answer(other).id]))).join();
		assert.match(fault, /LF-2026-\d+: .*docketed already\. Nothing was changed\./);
		assert.equal(warning().state, 'proposed');
	});

	it('shows before what becomes of each, and saves nothing', async () => {
		const ids = [warning().id, answer(other).id];
		const rows = good(
			await previewBatch(house.as('castellan'), { act: 'docket', deadlineIds: ids })
		);
		assert.deepEqual(
			rows.map(({ fault }) => fault),
			[null, 'This date is docketed already.']
		);
		assert.equal(warning().state, 'proposed');
		assert.equal(mails('a date was docketed').length, 0);
	});

	it('sets aside with a reason, gives away, and adds a reminder', () => {
		const ids = [answer().id, answer(other).id];
		bad(batch('aside', [warning().id]));
		good(batch('aside', [warning().id], { reason: 'Outside counsel has it.' }));
		assert.equal(warning().set_aside, 1);
		good(batch('assignee', ids, { value: 'stf_reyes' }));
		good(batch('standIn', ids, { value: 'stf_wardle' }));
		assert.deepEqual(
			[answer().assignee_id, answer(other).stand_in_id],
			['stf_reyes', 'stf_wardle']
		);
		good(batch('reminder', ids, { value: '21, 10' }));
		assert.deepEqual(
			(JSON.parse(answer().ladder!) as number[]).filter((days) => days > 7),
			[30, 21, 14, 10]
		);
		assert.match(Object.values(bad(batch('reminder', ids, { value: '10' }))).join(), /already/);
	});

	it('knows no date of a matter one may not see', () => {
		good(restrictMatter(house.as('okafor'), { matterId: other, restricted: 'on' }));
		bad(batch('assignee', [answer(other).id], { value: 'stf_reyes' }));
		assert.equal(answer(other).assignee_id, null);
	});
});
