import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, scalar } from '#server/db/sql.ts';
import { listLogbook } from '#server/logbook/queries.ts';
import { addRole } from '#server/people/roles.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { answerBlind, askBlind, readHidden, setInterestReader } from './blind.ts';
import { checkInterest } from './commands.ts';
import { findCheck } from './queries.ts';
import { findBlindState, listAskedQuestions } from './questions.ts';

const NAME = 'Ospreyline Capital LLC';
let house: TestHouse;
let matterId: string;
let number: string;
beforeEach(async () => {
	house = await testHouse();
	({ matterId, number } = await newMatter(house, { title: 'Project Heron', restricted: true }));
	const role = { matterId, newName: NAME, newKind: 'organization', role: 'witness' } as const;
	good(addRole(house.as('okafor'), role));
});
const check = async (names = NAME) =>
	good(await checkInterest(house.as('reyes'), { names })).checkId;
const questions = (login = 'okafor') => listAskedQuestions(house, house.staff(login));
const state = (checkId: string) => findBlindState(house, checkId);

describe('a hit in a restricted matter', () => {
	it('is asked blind, and answered without the asker learning which matter it is', async () => {
		const checkId = await check('Ospreyline Capital');
		assert.deepEqual(state(checkId), { state: 'ask' });
		good(askBlind(house.as('reyes'), { checkId }));
		assert.deepEqual(state(checkId), { state: 'waits' });
		assert.match(bad(askBlind(house.as('reyes'), { checkId }))['']!, /asked already/);
		const [question] = questions();
		assert.deepEqual(
			[question?.number, question?.names, question?.by],
			[number, 'Ospreyline Capital', house.staff('reyes').name]
		);
		assert.deepEqual(questions('wardle'), []);
		const answer = { questionId: question!.id, answer: 'no conflict' } as const;
		assert.match(bad(answerBlind(house.as('reyes'), answer))['']!, /no such|not yours/);
		good(answerBlind(house.as('okafor'), answer));
		assert.deepEqual(state(checkId), { state: 'no conflict' });
		assert.match(bad(answerBlind(house.as('okafor'), answer))['']!, /answered already/);
		const mail = one<{ text: string; matter_id: string | null }>(
			house.db,
			"SELECT text, matter_id FROM mail_out WHERE subject = 'Interest check: an answer'"
		);
		assert.equal(mail.matter_id, null);
		for (const word of [number, 'Heron', house.staff('okafor').name])
			assert.ok(!mail.text.includes(word), word);
		assert.ok(
			listLogbook(house, house.staff('okafor'), matterId).rows.some(({ text }) =>
				text.startsWith('Asked blind about')
			)
		);
	});
	it('tells the asker once all have answered, not how many they are', async () => {
		const second = await newMatter(house, { title: 'Project Tern', restricted: true }, 'wardle');
		const role = { newName: NAME, newKind: 'organization', role: 'witness' } as const;
		good(addRole(house.as('wardle'), { matterId: second.matterId, ...role }));
		const checkId = await check();
		good(askBlind(house.as('reyes'), { checkId }));
		const mails = () =>
			scalar(house.db, "SELECT count(*) FROM mail_out WHERE subject LIKE 'Interest check:%'");
		for (const [login, told] of [
			['okafor', 0],
			['wardle', 1]
		] as const) {
			const questionId = questions(login)[0]!.id;
			good(answerBlind(house.as(login), { questionId, answer: 'no conflict' }));
			assert.equal(mails(), told, login);
		}
	});
	it('names who wants to be spoken to, because they say so', async () => {
		const checkId = await check();
		good(askBlind(house.as('reyes'), { checkId }));
		good(
			answerBlind(house.as('okafor'), { questionId: questions()[0]!.id, answer: 'speak to me' })
		);
		assert.deepEqual(state(checkId), { state: 'speak', to: [house.staff('okafor').name] });
	});
	it('leaves nothing of the matter in what the asker reads', async () => {
		const checkId = await check();
		good(askBlind(house.as('reyes'), { checkId }));
		const seen = JSON.stringify([findCheck(house, house.staff('reyes'), checkId), state(checkId)]);
		for (const word of [number, 'Heron', matterId]) assert.ok(!seen.includes(word), word);
		const report = scalar<string>(
			house.db,
			'SELECT report FROM interest_check WHERE id = @checkId',
			{ checkId }
		);
		assert.ok(!report.includes(matterId));
		const trail = all<{ detail: string }>(
			house.db,
			"SELECT detail FROM audit WHERE action = 'ask blind question'"
		);
		assert.ok(trail.every(({ detail }) => !detail.includes(matterId)));
	});
	it('is not there to ask about where nothing is hidden', async () => {
		const checkId = await check('Nobody Anywhere Ltd');
		assert.deepEqual(state(checkId), { state: 'none' });
		assert.match(bad(askBlind(house.as('reyes'), { checkId }))['']!, /nobody to ask/);
		const foreign = await check();
		assert.match(bad(askBlind(house.as('wardle'), { checkId: foreign }))['']!, /no such check/);
	});
});

describe('the person who sees all', () => {
	it('is named by an administrator, reads where a name lies, and each look is audited', async () => {
		const checkId = await check();
		assert.match(bad(readHidden(house.as('castellan'), { checkId }))['']!, /no such check/);
		assert.match(
			bad(setInterestReader(house.as('castellan'), { staffId: 'stf_castellan' }))['']!,
			/role does not/
		);
		good(setInterestReader(house.as('harrowgate'), { staffId: 'stf_castellan' }));
		const { hits } = good(readHidden(house.as('castellan'), { checkId }));
		assert.deepEqual(
			hits.map((hit) => [hit.name, hit.number]),
			[[NAME, number]]
		);
		const looked = one<{ actor: string }>(
			house.db,
			"SELECT actor FROM audit WHERE action = 'read hidden hits'"
		);
		assert.equal(looked.actor, 'castellan');
		good(askBlind(house.as('reyes'), { checkId }));
		const questionId = scalar<string>(house.db, 'SELECT id FROM interest_question');
		good(answerBlind(house.as('castellan'), { questionId, answer: 'no conflict' }));
		good(setInterestReader(house.as('harrowgate'), { staffId: '' }));
		assert.match(bad(readHidden(house.as('castellan'), { checkId }))['']!, /no such check/);
	});
});
