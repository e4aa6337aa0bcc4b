import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { exists, run } from '#server/db/sql.ts';
import { listLogbook } from '#server/logbook/queries.ts';
import { answerRequest, removeDraft, withdrawRequest, writeRequest } from './commands.ts';
import { askBack, mergeRequest, takeRequest, turnDown } from './triage.ts';
import { listDocuments } from '#server/documents/queries.ts';

import { openMatter } from '#server/matters/open.ts';

import { search } from '#server/search/queries.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';

import { listMyRequests, findRequest, findRequestFile, listRequestQueue } from './queries.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});
const send = async (more: object = {}) =>
	good(
		await writeRequest(house.as('tarrant'), {
			about: 'Supplier wants a longer term',
			words: 'They ask for five years.',
			unitId: 'unit_4',
			counterparty: 'Quoin Catering LLC',
			urgency: 'soon',
			send: true,
			...more
		})
	);
const wes = () => house.staff('tarrant');

describe('a request', () => {
	it('is kept as a draft that nobody else sees, then sent, and found', async () => {
		const item = good(await writeRequest(house.as('tarrant'), { about: 'Half a thought' }));
		assert.deepEqual(
			[
				findRequest(house, house.staff('okafor'), item.requestId),
				listRequestQueue(house, house.staff('okafor'), 'open').length,
				search(house, house.staff('okafor'), 'thought').length
			],
			[undefined, 0, 0]
		);
		assert.match(
			bad(
				await writeRequest(house.as('tarrant'), {
					requestId: item.requestId,
					about: 'Half a thought',
					send: true
				})
			).unitId!,
			/business unit/
		);
		const other = good(
			await writeRequest(house.as('tarrant'), {
				requestId: item.requestId,
				about: 'A whole thought',
				unitId: 'unit_0',
				send: true,
				files: [new File(['x'], 'a.txt')]
			})
		);
		assert.equal(other.number, 'RQ-2026-0001');
		assert.deepEqual(
			listRequestQueue(house, house.staff('okafor'), 'open').map((request) => [
				request.about,
				request.files
			]),
			[['A whole thought', 1]]
		);
		assert.equal(search(house, house.staff('okafor'), 'whole thought')[0]?.kind, 'request');
		assert.ok(exists(house.db, "SELECT 1 FROM mail_out WHERE subject LIKE 'RQ-2026-0001%'"));
		assert.match(
			Object.values(bad(removeDraft(house.as('tarrant'), { requestId: item.requestId })))[0]!,
			/withdraw it/
		);
	});
	it('goes to and fro, and ends with a reason', async () => {
		const { requestId } = await send();
		good(takeRequest(house.as('abernathy'), { requestId }));
		good(askBack(house.as('abernathy'), { requestId, words: 'Who signs for them?' }));
		assert.equal(listMyRequests(house, wes())[0]!.state, 'asked');
		good(await answerRequest(house.as('tarrant'), { requestId, words: 'Their director.' }));
		assert.deepEqual(
			findRequest(house, wes(), requestId)!.talk.map((item) => item.kind),
			['state', 'state', 'question', 'answer']
		);
		assert.match(
			bad(turnDown(house.as('abernathy'), { requestId, reason: ' ' })).reason!,
			/missing/
		);
		good(turnDown(house.as('abernathy'), { requestId, reason: 'The contract runs until 2028.' }));
		assert.equal(findRequest(house, wes(), requestId)!.reason, 'The contract runs until 2028.');
		for (const result of [
			await answerRequest(house.as('tarrant'), { requestId, words: 'x' }),
			withdrawRequest(house.as('tarrant'), { requestId }),
			takeRequest(house.as('reyes'), { requestId })
		])
			assert.match(Object.values(bad(result))[0]!, /finished/);
		const two = await send();
		good(withdrawRequest(house.as('tarrant'), { requestId: two.requestId, reason: 'Solved' }));
		assert.equal(listRequestQueue(house, house.staff('okafor'), 'done').length, 2);
	});
	it('becomes a matter with everything in it, and nothing typed twice', async () => {
		const { requestId } = await send({
			files: [new File(['five years at the old price'], 'offer.txt')]
		});
		good(askBack(house.as('okafor'), { requestId, words: 'Which vessels?' }));
		good(await answerRequest(house.as('tarrant'), { requestId, words: 'All four.' }));
		const item = good(
			await openMatter(house.as('okafor'), {
				kind: 'agreement',
				title: 'Supplier wants a longer term',
				unitId: 'unit_4',
				responsibleId: 'stf_okafor',
				opponentName: 'Quoin Catering LLC',
				requestId
			})
		);
		const all = listLogbook(house, house.staff('okafor'), item.matterId)
			.rows.map((row) => row.text)
			.join('\n');
		for (const word of [
			'They ask for five years.',
			'Which vessels?',
			'All four.',
			'offer.txt filed as'
		])
			assert.ok(all.includes(word), word);
		assert.deepEqual(
			listDocuments(house, house.staff('okafor'), { matterId: item.matterId }).rows.map(
				(row) => row.name
			),
			['offer']
		);
		assert.equal(search(house, house.staff('okafor'), 'old price')[0]?.kind, 'document');
		const seen = findRequest(house, wes(), requestId)!;
		assert.deepEqual(
			[seen.state, seen.handler, seen.matter],
			['matter', 'Ines Okafor', null],
			'its writer is not told which matter'
		);
		assert.match(
			Object.values(
				bad(
					await openMatter(house.as('okafor'), {
						kind: 'agreement',
						title: 'again',
						unitId: 'unit_4',
						responsibleId: 'stf_okafor',
						requestId
					})
				)
			)[0]!,
			/a matter already/
		);
	});
	it('joins a matter that exists; of a restricted one its writer learns no name, and the department nothing', async () => {
		const item = await newMatter(house, { restricted: true });
		const { requestId } = await send();
		assert.match(
			bad(mergeRequest(house.as('abernathy'), { requestId, number: item.number })).number!,
			/no matter .* that you may see/
		);
		good(mergeRequest(house.as('okafor'), { requestId, number: item.number }));
		assert.deepEqual(
			[
				exists(house.db, 'SELECT 1 FROM mail_out WHERE matter_id IS NULL AND instr(text, @path)', {
					path: `/requests/${requestId}`
				}),
				exists(house.db, 'SELECT 1 FROM mail_out WHERE matter_id = @id AND instr(text, @path)', {
					id: item.matterId,
					path: `/requests/${requestId}`
				})
			],
			[false, true],
			'mail about it is in the Post room for those on the matter only'
		);
		assert.deepEqual(
			[findRequest(house, wes(), requestId)!.handler, findRequest(house, wes(), requestId)!.inWork],
			[null, true]
		);
		assert.deepEqual(
			[
				findRequest(house, house.staff('abernathy'), requestId),
				listRequestQueue(house, house.staff('abernathy'), 'done').length
			],
			[undefined, 0]
		);
		assert.equal(findRequest(house, house.staff('okafor'), requestId)!.matter?.number, item.number);
	});
	it('is its writer’s and the department’s: no other business partner, no role of a partner in the queue', async () => {
		const { requestId } = await send();
		run(
			house.db,
			`INSERT INTO staff (
				id, login, name, initials, email, role, level, password_hash, active, demo
			)
			SELECT 'stf_other', 'other', 'Other Partner', 'OP', 'o@larkhaven.example', role, level,
				password_hash, active, demo
			FROM staff
			WHERE id = 'stf_tarrant'`
		);
		const other = { ...wes(), id: 'stf_other' };
		assert.equal(findRequest(house, other, requestId), undefined);
		assert.equal(findRequestFile(house, other, requestId, 'x'), undefined);
		assert.equal(
			Object.values(
				bad(await answerRequest({ ...house, actor: { staff: other } }, { requestId, words: 'x' }))
			)[0],
			'There is no such request, or it is not yours to see.'
		);
		assert.equal(takeRequest(house.as('tarrant'), { requestId }).ok, false);
		assert.equal(search(house, wes(), 'supplier').length, 0);
	});
});
