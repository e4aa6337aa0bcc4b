import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import type { PlainDate } from '#core/dates/plain.ts';
import { all, one, scalar } from '#server/db/sql.ts';
import { checkInterest } from '#server/interest/commands.ts';
import { finishMemo, removeMemo, writeMemo } from '#server/memos/commands.ts';
import { listCardMemos, listDueMemos, listOwnMemos } from '#server/memos/queries.ts';
import { sendDigests } from '#server/reminders/digests.ts';
import { search } from '#server/search/queries.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import type { CardContact, CardFields } from './card.ts';
import { addPerson } from './commands.ts';
import { editPerson } from './edit.ts';
import { makePeopleCsv } from './export.ts';
import {
	addIdentityNumber,
	listIdentityNumbers,
	removeIdentityNumber,
	showIdentityNumber
} from './identity.ts';
import { saveOwnFields } from './keep-own-fields.ts';
import { mergePeople } from './merge.ts';
import { listOwnFields } from './own-fields.ts';
import { findPersonCard, type PersonCard } from './queries.ts';
import { addRole } from './roles.ts';
import { listUnitBackers, type FunctionField, type UnitField } from './ties.ts';
import { undoMerge } from './unmerge.ts';
import { formatVcard } from './vcard-write.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});
const io = () => house.as('okafor');
const add = async (name: string, kind: 'person' | 'organization' = 'person') =>
	good(await addPerson(io(), { kind, name, sure: true })).personId;
const card = (id: string) => findPersonCard(house, house.staff('okafor'), id) as PersonCard;
function edit(id: string, change: Partial<CardFields>, own: Record<string, string> = {}) {
	const fields = { ...card(id).fields, ...change };
	return editPerson(io(), {
		personId: id,
		...fields,
		contacts: JSON.parse(fields.contacts) as CardContact[],
		functions: JSON.parse(fields.functions) as FunctionField[],
		units: JSON.parse(fields.units) as UnitField[],
		own
	});
}

describe('what else a card holds', () => {
	it('is the name as printed, the industry, and who does what for it', async () => {
		const bank = await add('Harbor Trust Bank', 'organization');
		const ann = await add('Ann Quill');
		const functions = JSON.stringify([{ function: 'receives statements', contact: ann }]);
		good(edit(bank, { printed: 'Harbor Trust Bank, N.A.', industry: 'Banking', functions }));
		assert.deepEqual(
			[card(bank).fields.printed, card(bank).fields.industry],
			['Harbor Trust Bank, N.A.', 'Banking']
		);
		const [tie] = card(bank).ties.functions;
		assert.deepEqual([tie?.function, tie?.name], ['receives statements', 'Ann Quill']);
		assert.equal(card(ann).ties.serves[0]?.name, 'Harbor Trust Bank');
		assert.match(
			bad(edit(bank, { functions: JSON.stringify([{ function: 'signs', contact: '' }]) }))
				.functions!,
			/Say both/
		);
	});
	it('is which business units it is the insurer or bank of, by their number there', async () => {
		const bank = await add('Harbor Trust Bank', 'organization');
		const units = [{ unit: 'unit_0', relation: 'bank', reference: '0042-118' }];
		good(edit(bank, { units: JSON.stringify(units) }));
		assert.deepEqual(
			listUnitBackers(house, house.staff('okafor'), 'unit_0').map((one) => [
				one.name,
				one.relation,
				one.reference
			]),
			[['Harbor Trust Bank', 'bank', '0042-118']]
		);
		assert.equal(search(house, house.staff('okafor'), '0042-118')[0]?.title, 'Harbor Trust Bank');
		const half = JSON.stringify([{ unit: '', relation: 'bank', reference: '1' }]);
		assert.match(bad(edit(bank, { units: half })).units!, /Say both/);
	});
	it('is what the department asks for itself, each by its sort', async () => {
		good(
			saveOwnFields(house.as('haddad'), {
				fields: [
					{ key: 'bar', name: 'Bar number', type: 'text' },
					{ key: 'until', name: 'On our panel until', type: 'date' },
					{ key: 'limit', name: 'Limit', type: 'money' }
				]
			})
		);
		const ann = await add('Ann Quill');
		assert.match(bad(edit(ann, {}, { 'fact:until': '30 Feb' }))['fact:until']!, /until/);
		good(edit(ann, {}, { 'fact:bar': 'CA 1', 'fact:until': '5 Nov 2027', 'fact:limit': '1,000' }));
		assert.deepEqual(
			card(ann).own.map(({ name, text }) => [name, text]),
			[
				['Bar number', 'CA 1'],
				['On our panel until', '5 November 2027'],
				['Limit', '1,000.00']
			]
		);
		const kept = listOwnFields(house).filter(({ key }) => key !== 'bar');
		good(saveOwnFields(house.as('haddad'), { fields: kept }));
		assert.equal(card(ann).own.at(-1)?.text, 'CA 1', 'what was written stays readable');
		assert.match(
			bad(
				saveOwnFields(house.as('haddad'), {
					fields: kept.map((fact) => (fact.key === 'limit' ? { ...fact, type: 'text' } : fact))
				})
			).fields!,
			/filled on 1 cards/
		);
		assert.ok(bad(saveOwnFields(io(), { fields: [] }))['']);
	});
});

describe('an identity number', () => {
	const number = '512-44-9087';
	const keep = (personId: string) =>
		good(addIdentityNumber(io(), { personId, sort: 'social security', number }));

	it('is masked, shown on demand, and each showing is written down', async () => {
		const ann = await add('Ann Quill');
		const { numberId } = keep(ann);
		assert.deepEqual(
			listIdentityNumbers(house, ann).map(({ tail }) => tail),
			['9087']
		);
		assert.equal(good(showIdentityNumber(io(), { numberId })).number, number);
		const shown = one<{ actor: string; detail: string }>(
			house.db,
			"SELECT actor, detail FROM audit WHERE action = 'show identity number'"
		);
		assert.equal(shown.actor, 'okafor');
		assert.ok(!shown.detail.includes('9087'), 'the trail does not hold it');
	});
	it('is nowhere else: not in the database as text, search, exports, vCards or reports', async () => {
		const ann = await add('Ann Quill');
		keep(ann);
		const dump = house.db.serialize().toString('latin1');
		assert.ok(!dump.includes(number) && !dump.includes('512449087'));
		assert.equal(search(house, house.staff('okafor'), number).length, 0);
		assert.ok(!formatVcard(house, ann)!.includes('9087'));
		assert.ok(!makePeopleCsv(house, house.staff('okafor'), {}).includes('9087'));
		const { checkId } = good(await checkInterest(io(), { names: 'Ann Quill' }));
		const report = scalar<string>(
			house.db,
			'SELECT report FROM interest_check WHERE id = @checkId',
			{ checkId }
		);
		assert.ok(report.includes('Ann Quill') && !report.includes('9087'));
	});
	it('is for roles that need it, and refused in words', async () => {
		const ann = await add('Ann Quill');
		const { numberId } = keep(ann);
		assert.match(bad(showIdentityNumber(house.as('haddad'), { numberId }))['']!, /role/);
		const { matterId } = await newMatter(house, { restricted: true });
		const made = good(
			addRole(io(), { matterId, newName: 'Bo Hidden', newKind: 'person', role: 'witness' })
		);
		assert.ok(made);
		const bo = scalar<string>(house.db, "SELECT id FROM person WHERE name = 'Bo Hidden'");
		const hidden = keep(bo).numberId;
		assert.match(
			bad(showIdentityNumber(house.as('reyes'), { numberId: hidden }))['']!,
			/no such number/
		);
		const wrong = { personId: ann, sort: 'social security', number: '000-44-9087' } as const;
		assert.match(bad(addIdentityNumber(io(), wrong)).number!, /look at it again/);
		good(removeIdentityNumber(io(), { numberId }));
		assert.match(bad(showIdentityNumber(io(), { numberId }))['']!, /no such number/);
	});
});

describe('two cards side by side', () => {
	it('keep of each field the chosen value, and take back what they had', async () => {
		const { matterId } = await newMatter(house);
		const [ann, anne] = [await add('Ann Quill'), await add('Anne Quill')];
		good(edit(ann, { industry: 'Towage', note: 'Mornings' }));
		good(edit(anne, { industry: 'Dredging', note: 'Evenings', printed: 'Dr. Anne Quill' }));
		good(addRole(io(), { matterId, personId: anne, role: 'expert' }));
		good(addIdentityNumber(io(), { personId: anne, sort: 'passport', number: 'X1234567' }));
		good(writeMemo(io(), { personId: anne, text: 'Call her' }));
		const last = () =>
			scalar<string>(
				house.db,
				'SELECT last_activity FROM matter_derived WHERE matter_id = @matterId',
				{ matterId }
			);
		const before = last();
		const take = ['name', 'industry', 'printed'];
		const { mergeId } = good(mergePeople(io(), { keepId: ann, goneId: anne, take }));
		const { name, industry, note, printed, aliases } = card(ann).fields;
		assert.deepEqual(
			[name, industry, note, printed, aliases],
			['Anne Quill', 'Dredging', 'Mornings', 'Dr. Anne Quill', 'Ann Quill']
		);
		assert.equal(listIdentityNumbers(house, ann).length, 1);
		assert.equal(listCardMemos(house, house.staff('okafor'), ann).length, 1);
		assert.equal(last(), before, 'a merge is no activity on the matter');
		good(undoMerge(io(), { mergeId }));
		const back = card(ann).fields;
		assert.deepEqual(
			[back.name, back.industry, back.printed, back.aliases],
			['Ann Quill', 'Towage', '', '']
		);
		assert.equal(listIdentityNumbers(house, anne).length, 1);
		assert.equal(last(), before);
		const told = all<{ text: string }>(
			house.db,
			'SELECT text FROM logbook WHERE matter_id = @matterId AND aside = 1 ORDER BY at',
			{ matterId }
		);
		assert.deepEqual(
			told.map(({ text }) => text.replace(/.*: /, '')),
			['their cards were merged.', 'their cards were taken apart again.']
		);
	});
});

describe('notes and reminders without a matter', () => {
	it('come up on the Day sheet of whom they are for, from their day on, until done', async () => {
		house.set('2026-10-30');
		const ann = await add('Ann Quill');
		const remindOn = '2026-11-02' as PlainDate;
		const { memoId } = good(
			writeMemo(io(), { personId: ann, text: 'Ask Ann', remindOn, forId: 'stf_reyes' })
		);
		const due = () => listDueMemos(house, house.staff('reyes')).map(({ text }) => text);
		assert.deepEqual(due(), []);
		house.set('2026-11-03');
		assert.deepEqual(due(), ['Ask Ann']);
		good(finishMemo(house.as('reyes'), { memoId, done: true }));
		assert.deepEqual(due(), []);
		assert.match(
			bad(writeMemo(io(), { text: 'Late', remindOn: '2026-11-02' })).remindOn!,
			/That day is over/
		);
	});
	it('on nothing are read by who wrote them and whom they remind, by nobody else', () => {
		const { memoId } = good(writeMemo(io(), { text: 'Buy a hat' }));
		assert.equal(listOwnMemos(house, house.staff('okafor')).length, 1);
		assert.equal(listOwnMemos(house, house.staff('reyes')).length, 0);
		assert.match(bad(finishMemo(house.as('reyes'), { memoId, done: true }))['']!, /no such note/);
		good(removeMemo(io(), { memoId }));
		assert.equal(listOwnMemos(house, house.staff('okafor')).length, 0);
	});
	it('are counted in the digest, without their words', async () => {
		good(writeMemo(io(), { text: 'Buy a hat', remindOn: house.clock.today() }));
		await sendDigests(house);
		const mail = one<{ subject: string; text: string }>(
			house.db,
			"SELECT subject, text FROM mail_out WHERE subject LIKE 'Your day%1 reminder'"
		);
		assert.match(mail.text, /1 note on your Day sheet/);
		assert.ok(!mail.text.includes('hat'));
	});
});
