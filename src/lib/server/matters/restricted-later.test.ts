/** A matter that is restricted later leaves nothing of itself where it was told of before. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { checkInterest } from '#server/interest/commands.ts';
import { findCheck, listMyChecks } from '#server/interest/queries.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { listLogbook } from '#server/logbook/queries.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { restrictMatter } from './members.ts';
import { relateMatters } from './relations.ts';

let house: TestHouse;
let open: { matterId: string; number: string };
let secret: { matterId: string; number: string };
beforeEach(async () => {
	house = await testHouse();
	open = await newMatter(house, { title: 'Berth lease' });
	secret = await newMatter(house, { title: 'Heron inquiry', responsibleId: 'stf_okafor' });
	good(
		relateMatters(house.as('okafor'), {
			...{ matterId: open.matterId, number: secret.number, how: 'same facts as' }
		})
	);
});

const restrict = (restricted: boolean) =>
	good(restrictMatter(house.as('okafor'), { matterId: secret.matterId, restricted }));
const logbook = (login: string) => {
	const { rows, total } = listLogbook(house, house.staff(login), open.matterId);
	return { words: rows.map(({ text }) => text).join('\n'), total, shown: rows.length };
};

describe('a matter that is restricted later', () => {
	it('disappears from the logbook of one it is related to, and from its count', () => {
		assert.match(logbook('reyes').words, /Heron inquiry/);
		const before = logbook('reyes').total;
		restrict(true);
		const { words, total, shown } = logbook('reyes');
		assert.doesNotMatch(words, /Heron|LF-2026-0002/);
		assert.deepEqual([total, shown], [before - 1, before - 1]);
		assert.match(logbook('okafor').words, /Heron inquiry/, 'who is on it reads it still');
		restrict(false);
		assert.equal(logbook('reyes').total, before);
	});
	it('is closed in an earlier report of interests, also to who made it', async () => {
		good(
			writeNote(house.as('okafor'), {
				matterId: secret.matterId,
				words: 'Call with Heron Holdings'
			})
		);
		const { checkId } = good(
			await checkInterest(house.as('reyes'), { names: 'Heron Holdings' } as never)
		);
		const report = () => findCheck(house, house.staff('reyes'), checkId)!.report;
		assert.match(JSON.stringify(report()), new RegExp(secret.number));
		assert.equal(report().restricted, false);
		restrict(true);
		assert.doesNotMatch(JSON.stringify(report()), new RegExp(secret.number));
		assert.equal(report().restricted, true, 'ask the docket clerk');
		assert.doesNotMatch(
			JSON.stringify(listMyChecks(house, house.staff('reyes'))),
			new RegExp(secret.number)
		);
	});
});
