/** A restricted matter of which nobody is left is given to a lawyer, and others are told. */
import assert from 'node:assert/strict';
import { before, it } from 'node:test';
import { findMatter } from '#server/access/visibility.ts';
import { all, one, run } from '#server/db/sql.ts';
import {
	bad,
	good,
	newMatter,
	testHouse,
	type NewMatter,
	type TestHouse
} from '#server/testing/house.ts';
import { endAccount } from './leave.ts';
import { listOrphans, takeOverMatter } from './take-over.ts';

let house: TestHouse;
let hidden: NewMatter;
before(async () => {
	house = await testHouse();
	hidden = await newMatter(house, { restricted: 'on', title: 'Inquiry' }, 'wardle');
	run(house.db, "UPDATE matter SET status = 'closed' WHERE id = @matterId", hidden);
});
const admin = () => house.as('harrowgate');
const given = {
	lawyerId: 'stf_okafor',
	witnessId: 'stf_castellan',
	reason: 'The regulator asks for the file.'
};

it('as long as somebody is on it there is nothing to take over', () => {
	assert.deepEqual(listOrphans(house), []);
	bad(takeOverMatter(admin(), { matterId: hidden.matterId, ...given }));
});
it('it is listed by its number alone once they left', () => {
	good(endAccount(admin(), { staffId: 'stf_wardle', toId: 'stf_okafor' }));
	assert.deepEqual(
		listOrphans(house).map(({ number, by }) => [number, by]),
		[[hidden.number, house.staff('wardle').name]]
	);
});
it('it needs a lawyer, a third colleague and a reason, of an administrator', () => {
	const input = { matterId: hidden.matterId, ...given };
	bad(takeOverMatter(house.as('okafor'), input));
	assert.ok(bad(takeOverMatter(admin(), { ...input, lawyerId: 'stf_haddad' })).lawyerId);
	for (const witnessId of ['stf_okafor', 'stf_harrowgate'])
		assert.ok(bad(takeOverMatter(admin(), { ...input, witnessId })).witnessId, witnessId);
	assert.ok(bad(takeOverMatter(admin(), { ...input, reason: ' ' })).reason);
});
it('the lawyer sees it, the administrator does not, and everybody is told', () => {
	good(takeOverMatter(admin(), { matterId: hidden.matterId, ...given }));
	const sees = (login: string) =>
		findMatter(house.db, house.staff(login), { id: hidden.matterId }) !== undefined;
	assert.deepEqual([sees('okafor'), sees('harrowgate'), sees('castellan')], [true, false, false]);
	const mails = all<{ recipient: string; text: string }>(
		house.db,
		'SELECT recipient, text FROM mail_out WHERE subject LIKE @subject',
		{ subject: `${hidden.number}: %` }
	);
	for (const login of ['wardle', 'okafor', 'castellan'])
		assert.ok(
			mails.some(({ recipient }) => recipient.includes(login)),
			login
		);
	assert.ok(mails.every(({ text }) => !text.includes('Inquiry')));
	const { text } = one<{ text: string }>(
		house.db,
		"SELECT text FROM logbook WHERE matter_id = @matterId AND text LIKE '%nobody was left%'",
		hidden
	);
	assert.match(text, /The regulator asks for the file\./);
	assert.deepEqual(listOrphans(house), []);
});
