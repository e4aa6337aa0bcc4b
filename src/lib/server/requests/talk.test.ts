import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, scalar } from '#server/db/sql.ts';
import { listDeadlines } from '#server/docket/list.ts';
import { listDocuments } from '#server/documents/queries.ts';
import { listLogbook } from '#server/logbook/queries.ts';
import { openMatter } from '#server/matters/open.ts';
import { closeMatter } from '#server/matters/status.ts';
import { finishTask } from '#server/tasks/commands.ts';
import { bad, good, testHouse, type TestHouse } from '#server/testing/house.ts';
import { answerRequest, writeRequest } from './commands.ts';
import { findRequest, listMyRequests, listRequestQueue } from './queries.ts';
import { listRequestStatuses, saveRequestStatus, setRequestStatus } from './statuses.ts';
import { assignRequest, seeRequest, writeOnRequest } from './talk.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});
const wes = () => house.staff('tarrant');
const io = () => house.as('okafor');
const send = async (more: object = {}) =>
	good(
		await writeRequest(house.as('tarrant'), {
			...{ about: 'A longer term', unitId: 'unit_4', send: true },
			...more
		})
	).requestId;
const opened = async (requestId: string, more: object = {}) =>
	good(
		await openMatter(io(), {
			...{ kind: 'agreement', title: 'A longer term', unitId: 'unit_4' },
			...{ responsibleId: 'stf_okafor', requestId },
			...more
		})
	);

describe('a request that a matter is at work on', () => {
	it('is talked about from both sides, in the logbook, marked as read by the other', async () => {
		const requestId = await send();
		const { matterId } = await opened(requestId);
		good(await writeOnRequest(io(), { requestId, words: 'Is five years the least?' }));
		const word = new File(['five at the least'], 'reply.txt');
		good(await answerRequest(house.as('tarrant'), { requestId, words: 'It is.', files: [word] }));
		assert.deepEqual(
			findRequest(house, wes(), requestId)!
				.talk.filter(({ kind }) => kind !== 'state')
				.map(({ who, text }) => [who, text]),
			[
				['Ines Okafor', 'Is five years the least?'],
				['Wes Tarrant', 'It is.']
			]
		);
		const shared = () =>
			listLogbook(house, house.staff('okafor'), matterId).rows.flatMap(({ text, shared }) =>
				shared ? [[text, shared.name, shared.seenAt !== null]] : []
			);
		assert.deepEqual(shared(), [
			['Wes Tarrant: It is.', 'Wes Tarrant', false],
			['Ines Okafor: Is five years the least?', 'Wes Tarrant', false]
		]);
		good(seeRequest(house.as('tarrant'), { requestId }));
		assert.deepEqual(
			shared().map(([, , seen]) => seen),
			[true, true]
		);
		assert.deepEqual(
			listDocuments(house, house.staff('okafor'), { matterId }).rows.map(({ name }) => name),
			['reply']
		);
		const told = one<{ recipient: string }>(
			house.db,
			"SELECT recipient FROM mail_out WHERE subject LIKE '%: an answer' AND matter_id = @matterId",
			{ matterId }
		);
		assert.match(told.recipient, /okafor/);
	});
	it('brings the day it is wanted by into the matter; one that is over is only said', async () => {
		house.set('2026-10-30');
		const requestId = await send({ wantedBy: '2026-11-20' });
		const { matterId, number } = await opened(requestId);
		const [date] = listDeadlines(house, house.staff('okafor'), { matter: number }).rows;
		assert.deepEqual([date?.title, date?.date], ['Wanted by Wes Tarrant', '2026-11-20']);
		const late = await send({ wantedBy: '2026-11-02' });
		house.set('2026-11-03');
		const second = await opened(late, { title: 'Late' });
		assert.equal(listDeadlines(house, house.staff('okafor'), { matter: second.number }).total, 0);
		assert.ok(
			listLogbook(house, house.staff('okafor'), second.matterId).rows.some(({ text }) =>
				text.includes('which is over')
			)
		);
		assert.ok(matterId);
	});
	it('is finished with its matter, and nothing is said on one that is not yours to see', async () => {
		const requestId = await send();
		const { matterId } = await opened(requestId, { restricted: true });
		const hidden = await writeOnRequest(house.as('reyes'), { requestId, words: 'x' });
		assert.match(bad(hidden)['']!, /no such|not yours/);
		const taskId = scalar<string>(house.db, 'SELECT id FROM task');
		good(finishTask(io(), { taskId, done: true }));
		good(await closeMatter(io(), { matterId, ending: 'Concluded', reason: 'Done' }));
		for (const result of [
			await writeOnRequest(io(), { requestId, words: 'x' }),
			await answerRequest(house.as('tarrant'), { requestId, words: 'x' })
		])
			assert.match(bad(result)['']!, /finished/);
	});
});

describe('where a request stands', () => {
	it('is said in words that the department keeps, and its writer is told', async () => {
		const requestId = await send();
		good(setRequestStatus(io(), { requestId, statusId: 'rst_drafting' }));
		assert.equal(listMyRequests(house, wes())[0]?.status, 'Being drafted');
		assert.equal(
			scalar(
				house.db,
				"SELECT count(*) FROM mail_out WHERE text LIKE '%now stands at: Being drafted%'"
			),
			1
		);
		assert.match(
			bad(setRequestStatus(io(), { requestId, statusId: 'rst_drafting' })).statusId!,
			/already/
		);
		good(
			saveRequestStatus(house.as('haddad'), {
				...{ statusId: 'rst_drafting', label: 'On the desk', retired: true }
			})
		);
		assert.equal(findRequest(house, wes(), requestId)?.status, 'On the desk');
		const other = await send();
		assert.match(
			bad(setRequestStatus(io(), { requestId: other, statusId: 'rst_drafting' })).statusId!,
			/not offered/
		);
		assert.match(
			bad(saveRequestStatus(house.as('haddad'), { label: 'on the DESK' })).label!,
			/there already/
		);
		assert.equal(listRequestStatuses(house).find(({ id }) => id === 'rst_drafting')?.uses, 1);
	});
	it('is with the colleague it was given to, who is told; the queue is filtered by that', async () => {
		const requestId = await send();
		await send({ unitId: 'unit_0' });
		good(assignRequest(io(), { requestId, staffId: 'stf_reyes' }));
		assert.equal(findRequest(house, wes(), requestId)?.takenBy, house.staff('reyes').name);
		const mails = all<{ subject: string }>(
			house.db,
			"SELECT subject FROM mail_out WHERE recipient LIKE '%reyes%'"
		);
		assert.ok(mails.some(({ subject }) => subject.endsWith('is yours')));
		const queue = (filter: object) =>
			listRequestQueue(house, house.staff('okafor'), 'open', filter).length;
		assert.deepEqual(
			[queue({}), queue({ unit: 'unit_0' }), queue({ holder: 'stf_reyes' })],
			[2, 1, 1]
		);
		assert.match(
			bad(assignRequest(io(), { requestId, staffId: 'stf_tarrant' })).staffId!,
			/Choose a colleague/
		);
	});
	it('refuses a file in words, beside its field, and keeps nothing of the rest', async () => {
		const requestId = await send();
		const result = await answerRequest(house.as('tarrant'), {
			requestId,
			words: 'Here',
			files: [
				new File(['fine'], 'a.txt'),
				new File(['%PDF-1.7 rubbish'], 'b.pdf'),
				new File([], 'c.txt')
			]
		});
		assert.match(bad(result).files!, /b\.pdf|c\.txt/);
		assert.equal(scalar(house.db, 'SELECT count(*) FROM request_file'), 0);
		assert.equal(findRequest(house, wes(), requestId)?.talk.length, 1);
	});
});
