import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, scalar } from '#server/db/sql.ts';
import { search } from '#server/search/queries.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { writeNote } from './commands.ts';
import { listLogbook, listLogTags, listMentionsOf, TAKEN_BACK } from './queries.ts';
import { takeBackNote } from './take-back.ts';

let house: TestHouse;
let matterId = '';
let noteId = '';
beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house, { title: 'Pier 9' }));
	noteId = good(
		writeNote(house.as('okafor'), { matterId, words: 'The barnacle memo @wardle #memo', asks: '1' })
	).logId;
});
const entry = (login = 'okafor') =>
	listLogbook(house, house.staff(login), matterId).rows.find(({ id }) => id === noteId)!;
const found = () =>
	search(house, house.staff('okafor'), 'barnacle').filter(({ kind }) => kind === 'note');
const takeBack = (login = 'okafor') => takeBackNote(house.as(login), { noteId });

describe('a note', () => {
	it('is taken back by its writer: the entry stays and says so, its words are gone', () => {
		assert.equal(found().length, 1);
		assert.equal(entry().mine, true);
		good(takeBack());
		assert.deepEqual(
			[entry().text, entry().takenBack, entry().mine, entry().asks],
			[TAKEN_BACK, true, false, false]
		);
		assert.deepEqual(found(), []);
		assert.deepEqual(listLogTags(house, matterId), []);
		assert.deepEqual(listMentionsOf(house, house.staff('wardle')), []);
		assert.equal(scalar(house.db, "SELECT count(*) FROM audit WHERE action = 'take back note'"), 1);
	});
	it('that named somebody tells them that it was taken back', () => {
		good(takeBack());
		const [, told] = all<{ subject: string; text: string }>(
			house.db,
			"SELECT subject, text FROM mail_out WHERE recipient LIKE 'Tamsin%' ORDER BY rowid"
		);
		assert.match(told!.subject, /took a note back/);
		assert.doesNotMatch(told!.text, /barnacle/);
	});
	it('is kept where another asks, where it was answered, and on a later day', () => {
		assert.equal(entry('wardle').mine, false);
		assert.match(bad(takeBack('wardle'))['']!, /Only who wrote a note/);
		good(writeNote(house.as('wardle'), { matterId, words: 'I have it', answers: noteId }));
		assert.equal(entry().mine, false);
		assert.match(bad(takeBack())['']!, /answered/);
		const other = good(writeNote(house.as('okafor'), { matterId, words: 'Another' })).logId;
		house.set('2026-11-24');
		assert.match(bad(takeBackNote(house.as('okafor'), { noteId: other }))['']!, /its own day/);
	});
	it('is taken back once', () => {
		good(takeBack());
		assert.match(bad(takeBack())['']!, /already/);
	});
});
