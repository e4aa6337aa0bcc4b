import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { parseVCards } from 'vcard4-ts';
import { writeNote } from '#server/logbook/commands.ts';
import { checkInterest, decideInterest } from '#server/interest/commands.ts';
import { findCheck, listMatterChecks, listMyChecks } from '#server/interest/queries.ts';
import { parseNames } from '#server/interest/checks.ts';
import { addPerson } from './commands.ts';
import { editPerson } from './edit.ts';
import { addRole, changeRole, removeRole } from './roles.ts';
import { mergePeople } from './merge.ts';
import { undoMerge } from './unmerge.ts';
import { findPeople, findPersonCard, type PersonCard } from './queries.ts';
import { listCategories, listPeople } from './list.ts';
import { findNearNames } from './near.ts';
import { parseVcards } from './vcard-read.ts';
import { formatVcard } from './vcard-write.ts';
import { editMatter } from '#server/matters/edit.ts';
import { addTask } from '#server/tasks/commands.ts';

import { makeInterestReport } from '#server/interest/report.ts';

import { logTime } from '#server/time/commands.ts';
import { search } from '#server/search/queries.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { all, scalar } from '#server/db/sql.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});
const io = () => house.staff('okafor');
const add = async (name: string, kind: 'person' | 'organization' = 'person', more: object = {}) =>
	good(
		await addPerson(house.as('okafor'), {
			kind,
			name,
			email: '',
			phone: '',
			note: '',
			former: '',
			sure: true,
			...more
		})
	).personId;
const card = (id: string, who = 'okafor') =>
	findPersonCard(house, house.staff(who), id) as PersonCard;
const edit = (
	id: string,
	change: object,
	who = 'okafor',
	at?: { base: Record<string, string> }
) => {
	const item = card(id, who);
	const other = { ...(at?.base ?? item.fields), ...change } as PersonCard['fields'];
	return editPerson(house.as(who), {
		personId: id,
		base: at?.base ?? item.fields,
		...other,
		contacts: JSON.parse(other.contacts) as PersonCard['contacts'],
		functions: JSON.parse(other.functions) as { function: string; contact: string }[],
		units: JSON.parse(other.units) as { unit: string; relation: string; reference: string }[]
	});
};

describe('a card', () => {
	it('keeps any number of names, addresses and categories, and its old name by itself', async () => {
		const id = await add('Halina Brightwater');
		good(
			edit(id, {
				name: 'Halina Ironwood',
				aliases: 'Hal Ironwood\nHalina I.',
				contacts: JSON.stringify([
					{ kind: 'mail', label: 'work', value: 'h@mail.example' },
					{ kind: 'mail', label: 'home', value: 'h2@mail.example' },
					{ kind: 'address', label: '', value: '1 Pier\nHarborview' }
				]),
				categories: 'Expert, crew, expert',
				status: 'do not contact'
			})
		);
		const item = card(id);
		assert.deepEqual(
			[
				item.fields.former,
				item.fields.aliases,
				item.fields.categories,
				item.contacts.length,
				item.fields.status
			],
			['Halina Brightwater', 'Hal Ironwood\nHalina I.', 'crew, expert', 3, 'do not contact']
		);
		for (const query of ['brightwater', 'hal iron', 'h2@mail.example'])
			assert.equal((await findPeople(house.as('okafor'), query))[0]?.id, id, query);
		assert.equal(listPeople(house, io(), { category: 'expert' }).total, 1);
		assert.equal(listPeople(house, io(), { status: 'do not contact', kind: 'person' }).total, 1);
		assert.equal(listPeople(house, io(), { q: '***' }).total, 0);
	});
	it('refuses what cannot be, in plain words', async () => {
		const a = await add('Alpha Holding', 'organization'),
			b = await add('Beta Towage', 'organization'),
			text = await add('Gamma Fuel', 'organization'),
			value = await add('Anna Quill');
		good(edit(b, { parent: a }));
		good(edit(text, { parent: b }));
		assert.match(bad(edit(a, { parent: text })).parent!, /close a circle/);
		assert.match(bad(edit(a, { parent: a })).parent!, /their own parent/);
		assert.match(bad(edit(a, { parent: value })).parent!, /parent is an organization/);
		assert.match(
			bad(edit(a, { contacts: '[{"kind":"mail","value":"nonsense"}]' })).contacts!,
			/not a mail address/
		);
		assert.match(
			bad(edit(a, { contacts: '[{"kind":"web","value":"javascript:x"}]' })).contacts!,
			/not the address/
		);
		assert.match(bad(edit(a, { name: '!!' })).name!, /letters or digits/);
		assert.match(
			Object.values(
				bad(
					await addPerson(house.as('okafor'), {
						kind: 'organization',
						name: 'ALPHA holding',
						email: '',
						phone: '',
						note: '',
						former: ''
					})
				)
			)[0]!,
			/cards near to this name/
		);
		assert.deepEqual(
			card(a).affiliates.map((x) => x.name),
			['Beta Towage']
		);
		assert.deepEqual(
			[card(text).parent?.name, card(b).affiliates.map((x) => x.name)],
			['Beta Towage', ['Gamma Fuel']]
		);
	});
	it('shows two writers the difference', async () => {
		const id = await add('Anna Quill');
		const at = { base: card(id).fields as Record<string, string> };
		good(edit(id, { note: 'Likes mornings' }, 'wardle'));
		const result = edit(id, { note: 'Likes evenings', categories: 'witness' }, 'okafor', at);
		const sides = { theirs: 'Likes mornings', yours: 'Likes evenings' };
		assert.ok(!result.ok && result.status === 409 && result.conflict!.by === 'Tamsin Wardle');
		assert.deepEqual(!result.ok && result.conflict!.differences, [
			{ field: 'note', name: 'Note', ...sides, values: sides }
		]);
		good(edit(id, { categories: 'witness' }, 'okafor', at));
		assert.deepEqual(
			[card(id).fields.note, card(id).fields.categories],
			['Likes mornings', 'witness'],
			'put together'
		);
	});
	it('has roles with dates, which can end', async () => {
		const item = await newMatter(house),
			id = await add('Anna Quill');
		good(
			addRole(house.as('okafor'), {
				matterId: item.matterId,
				personId: id,
				role: 'Expert',
				from: '2026-01-01'
			})
		);
		const roleId = scalar<string>(house.db, 'SELECT id FROM matter_role');
		assert.match(
			bad(changeRole(house.as('okafor'), { roleId, from: '2026-05-01', to: '2026-04-01' })).to!,
			/before the first/
		);
		good(
			changeRole(house.as('okafor'), {
				roleId,
				from: '2026-01-01',
				to: '2026-06-30',
				note: 'replaced'
			})
		);
		assert.deepEqual(
			card(id).matters.map((x) => [x.role, x.from, x.to, x.note]),
			[['expert', '2026-01-01', '2026-06-30', 'replaced']]
		);
		assert.match(
			bad(addRole(house.as('okafor'), { matterId: item.matterId, personId: id, role: 'wizard' }))
				.role!,
			/Choose a role/
		);
		good(removeRole(house.as('okafor'), { roleId }));
		assert.equal(card(id).matters.length, 0);
	});
	it('made for a restricted matter is nobody else’s to see, until it has a role elsewhere', async () => {
		const item = await newMatter(house, { restricted: true, opponentName: 'Whisper Holdings' });
		const id = scalar<string>(house.db, 'SELECT id FROM person');
		const me = house.staff('wardle');
		assert.equal(findPersonCard(house, me, id), undefined);
		assert.deepEqual(
			[
				await findPeople(house.as('wardle'), 'whisper'),
				findNearNames(house.db, { me: me.id, name: 'Whisper Holdings', least: 60 }),
				search(house, me, 'whisper'),
				listPeople(house, me, {}).total
			],
			[[], [], [], 0]
		);
		assert.equal(card(id).fields.name, 'Whisper Holdings');
		good(edit(id, { categories: 'secret' }));
		assert.deepEqual(
			[listCategories(house, me), listCategories(house, io()).map((category) => category.category)],
			[[], ['secret']]
		);
		// A second card of the name is made without a word about the first.
		good(
			await addPerson(house.as('wardle'), {
				kind: 'organization',
				name: 'Whisper Holdings',
				email: '',
				phone: '',
				note: '',
				former: ''
			})
		);
		const open = await newMatter(house, { title: 'Open' });
		good(
			addRole(house.as('okafor'), { matterId: open.matterId, personId: id, role: 'counterparty' })
		);
		assert.deepEqual(
			(findPersonCard(house, me, id) as PersonCard).matters.map((x) => x.title),
			['Open']
		);
		void item;
	});
	it('shows near duplicates first', async () => {
		await add('Tidewrack Dredging LLC', 'organization');
		assert.deepEqual(
			(await findPeople(house.as('okafor'), 'Tidewreck Dredging')).map((person) => person.name),
			['Tidewrack Dredging LLC']
		);
	});
});

describe('merging', () => {
	it('loses nothing, and is taken apart again to the last row', async () => {
		const parent = await add('Halyard Group', 'organization'),
			keep = await add('Quoin Staffing LLC', 'organization'),
			gone = await add('Quoin Staffing', 'organization', {
				email: 'q@mail.example',
				former: 'Quoin Crew'
			});
		good(edit(gone, { parent, categories: 'supplier' }));
		const child = await add('Quoin Deckhands', 'organization');
		good(edit(child, { parent: gone }));
		const a = await newMatter(house),
			b = await newMatter(house);
		for (const [item, text] of [
			[a, keep],
			[a, gone],
			[b, gone]
		] as const)
			good(
				addRole(house.as('okafor'), {
					matterId: item.matterId,
					personId: text,
					role: 'counterparty'
				})
			);
		good(
			editMatter(house.as('okafor'), {
				matterId: a.matterId,
				fields: { 'group:injuries': JSON.stringify([{ injured: gone }]) }
			})
		);
		const rows = () =>
			JSON.stringify(
				['matter_role', 'person_contact', 'person_name', 'person_category', 'matter_fact']
					.map((text) => all(house.db, `SELECT * FROM ${text} ORDER BY 1, 2`))
					.concat([
						all(house.db, 'SELECT id, name, parent_id, merged_into FROM person ORDER BY id')
					])
			);
		const before = rows();
		const { mergeId } = good(mergePeople(house.as('okafor'), { keepId: keep, goneId: gone }));
		const other = card(keep);
		assert.deepEqual(
			[
				other.matters.length,
				other.contacts[0]!.value,
				other.fields.aliases,
				other.fields.former,
				other.parent?.name,
				other.affiliates.map((x) => x.name),
				other.fields.categories
			],
			[3, 'q@mail.example', '', 'Quoin Crew', 'Halyard Group', ['Quoin Deckhands'], 'supplier'].map(
				(x, i) => (i === 2 ? 'Quoin Staffing' : x)
			)
		);
		assert.deepEqual(
			findPersonCard(house, io(), gone),
			{ mergedInto: keep },
			'the old address leads to the card'
		);
		assert.equal(listPeople(house, io(), { q: 'quoin staffing' }).total, 1);
		good(undoMerge(house.as('okafor'), { mergeId }));
		assert.equal(rows(), before);
		assert.match(Object.values(bad(undoMerge(house.as('okafor'), { mergeId })))[0]!, /already/);
	});
	it('is refused with oneself, across kinds, with one’s own parent, or over a matter one cannot see', async () => {
		const a = await add('Alpha Fuel', 'organization'),
			b = await add('Alpha Fuels', 'organization'),
			text = await add('Anna Quill');
		assert.match(
			bad(mergePeople(house.as('okafor'), { keepId: a, goneId: a })).goneId!,
			/with itself/
		);
		assert.match(
			bad(mergePeople(house.as('okafor'), { keepId: a, goneId: text })).goneId!,
			/an organization and/
		);
		good(edit(b, { parent: a }));
		assert.match(
			bad(mergePeople(house.as('okafor'), { keepId: a, goneId: b })).goneId!,
			/take the parent off/
		);
		good(edit(b, { parent: '' }));
		const item = await newMatter(house, { restricted: true }, 'wardle');
		good(addRole(house.as('wardle'), { matterId: item.matterId, personId: b, role: 'witness' }));
		assert.match(
			bad(mergePeople(house.as('okafor'), { keepId: a, goneId: b })).goneId!,
			/Ask the docket clerk/
		);
	});
});

describe('vCards', () => {
	it('go out as RFC 6350 says, read by another parser, and come back the same', async () => {
		const parent = await add('Halyard; Group, Inc.', 'organization'),
			id = await add('Zoë Müllersen', 'person', {
				email: 'zoe@mail.example',
				phone: '+1 415 555 0100',
				note: 'Line one\nline; two, and \\ three',
				former: 'Zoë Abelard'
			});
		good(edit(id, { parent, categories: 'expert, crew', aliases: 'Zoe M.' }));
		const text = formatVcard(house, id)!;
		assert.ok(
			text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75),
			'lines are folded'
		);
		const { vCards } = parseVCards(text, true);
		const flatten = vCards![0]!;
		assert.deepEqual(
			[
				flatten.FN[0]!.value,
				flatten.EMAIL![0]!.value,
				flatten.TEL![0]!.value,
				flatten.NOTE![0]!.value,
				flatten.N!.value,
				flatten.ORG![0]!.value,
				flatten.KIND!.value,
				flatten.VERSION.value
			],
			[
				'Zoë Müllersen',
				'zoe@mail.example',
				'+1 415 555 0100',
				'Line one\nline; two, and \\ three',
				{
					familyNames: ['Müllersen'],
					givenNames: ['Zoë'],
					additionalNames: [''],
					honorificPrefixes: [''],
					honorificSuffixes: ['']
				},
				['Halyard; Group, Inc.'],
				'individual',
				'4.0'
			].map((x) => x)
		);
		assert.ok(!flatten.hasErrors, JSON.stringify(flatten.nags));
		const item = parseVcards(text);
		assert.deepEqual(item[0], {
			name: 'Zoë Müllersen',
			kind: 'person',
			organization: 'Halyard; Group, Inc.',
			aliases: ['Zoe M.'],
			former: ['Zoë Abelard'],
			contacts: [
				{ kind: 'mail', label: '', value: 'zoe@mail.example' },
				{ kind: 'phone', label: '', value: '+1 415 555 0100' }
			],
			categories: ['crew', 'expert'],
			note: 'Line one\nline; two, and \\ three'
		});
		const org = parseVCards(formatVcard(house, parent)!, true).vCards![0]!;
		assert.deepEqual([org.KIND!.value, org.ORG![0]!.value], ['org', ['Halyard; Group, Inc.']]);
	});
	it('of version 3 come in too, and what is none is refused', () => {
		const three =
			'BEGIN:VCARD\r\nVERSION:3.0\r\nN:Quill;Anna;;;\r\nFN:Anna Quill\r\nORG:Quill & Co.;Legal\r\nTEL;TYPE=WORK,VOICE:+44 20 7946 0000\r\nADR;TYPE=WORK:;;1 Wharf;Solent;;SO1;UK\r\nEND:VCARD\r\n';
		const item = parseVcards(three);
		assert.deepEqual(
			[item[0]!.name, item[0]!.organization, item[0]!.contacts],
			[
				'Anna Quill',
				'Quill & Co.',
				[
					{ kind: 'phone', label: 'work', value: '+44 20 7946 0000' },
					{ kind: 'address', label: 'work', value: '1 Wharf\nSolent\nSO1\nUK' }
				]
			]
		);
		assert.throws(() => parseVcards('name,mail\n'), /no BEGIN:VCARD/);
		assert.throws(() => parseVcards('BEGIN:VCARD\nVERSION:4.0\nNOTE:x\nEND:VCARD'), /no name/);
	});
});

describe('an interest check', () => {
	const report = (names: string, who = 'okafor') =>
		makeInterestReport(house.db, { me: house.staff(who).id, names: parseNames(names) });
	it('finds a name in every place, says why and how strong, the strongest first', async () => {
		const item = await newMatter(house, { title: 'Tidewrack Dredging claim' });
		const org = await add('Tidewrack Dredging LLC', 'organization'),
			child = await add('Harbor Sand Ltd.', 'organization');
		good(edit(child, { parent: org }));
		good(
			addRole(house.as('okafor'), {
				matterId: item.matterId,
				personId: org,
				role: 'opponent',
				note: 'Their yard is run by Tidewrack Dredging'
			})
		);
		good(
			writeNote(house.as('okafor'), {
				matterId: item.matterId,
				words: 'A man of Tidewreck Dredging called about the barge.'
			})
		);
		good(
			addTask(house.as('okafor'), {
				matterId: item.matterId,
				subject: 'Letter to Tidewrack-Dredging',
				assigneeId: 'stf_okafor',
				due: null,
				deadlineId: null
			})
		);
		good(
			logTime(house.as('okafor'), {
				matterId: item.matterId,
				day: '2026-11-20',
				hours: '1',
				narrative: 'call with TIDEWRACK dredging'
			})
		);
		const other = report('Tidewrack Dredging').names[0]!;
		assert.deepEqual([...new Set(other.hits.map((x) => x.what))].sort(), [
			'matter',
			'note',
			'person',
			'role',
			'task',
			'time'
		]);
		const person = other.hits.find((x) => x.title === 'Tidewrack Dredging LLC')!;
		assert.match(person.excerpt, /opponent on LF-2026-0001 Tidewrack Dredging claim/);
		assert.deepEqual([person.strength, person.band], [100, 'strong']);
		assert.ok(
			other.hits
				.find((x) => x.title === 'Harbor Sand Ltd.')!
				.why.includes('affiliate of Tidewrack Dredging LLC')
		);
		const slip = other.hits.find((x) => x.what === 'note' && /Tidewreck/.test(x.excerpt))!;
		assert.ok(slip.why.includes('misspelled'));
		assert.deepEqual(
			other.hits.map((x) => x.strength),
			other.hits.map((x) => x.strength).sort((a, b) => b - a)
		);
		good(
			editMatter(house.as('okafor'), {
				matterId: item.matterId,
				fields: { 'group:injuries': JSON.stringify([{ injured: await add('Fenna Thistledown') }]) }
			})
		);
		assert.match(
			report('Thistledown, Fenna').names[0]!.hits[0]!.excerpt,
			/injured on LF-2026-0001/
		);
		assert.equal(report('Somebody Unheard').names[0]!.hits.length, 0);
	});
	it('finds initials, short forms, former names and words written together', async () => {
		const item = await newMatter(house);
		await add('Katherine Brightwater', 'person', { former: 'Katherine Eastlake' });
		good(
			writeNote(house.as('okafor'), {
				matterId: item.matterId,
				words: 'Mr. W. Kestrelby and Bob Fenwright of North Quay were there.'
			})
		);
		const why = (n: string) => report(n).names[0]!.hits.flatMap((x) => x.why);
		assert.ok(why('Kate Brightwater').includes('short form'));
		assert.ok(why('Catherine Eastlake').some((word) => word.startsWith('former name')));
		assert.ok(why('William Kestrelby').includes('initial'));
		assert.ok(why('Robert Fenwright').includes('short form'));
		assert.ok(
			report('Northquay').names[0]!.hits.length + report('North Quay').names[0]!.hits.length > 0
		);
	});
	it('gives of a restricted matter one neutral line: no name, no count, no words', async () => {
		const hidden = await newMatter(
			house,
			{ title: 'Project Plover', restricted: true, opponentName: 'Plover Holdings' },
			'wardle'
		);
		good(
			writeNote(house.as('wardle'), {
				matterId: hidden.matterId,
				words: 'Plover Holdings wants to sell.'
			})
		);
		const mine = report('Plover Holdings'),
			theirs = report('Plover Holdings', 'wardle');
		assert.deepEqual([mine.names[0]!.hits, mine.names[0]!.more, mine.restricted], [[], 0, true]);
		assert.doesNotMatch(
			JSON.stringify(mine.names).replace('"name":"Plover Holdings"', ''),
			/Plover|LF-2026/
		);
		assert.ok(theirs.names[0]!.hits.length >= 3 && !theirs.restricted);
		good(writeNote(house.as('wardle'), { matterId: hidden.matterId, words: 'Plover again' }));
		assert.equal(
			JSON.stringify(report('Plover Holdings')),
			JSON.stringify(mine),
			'more of it inside changes nothing outside'
		);
	});
	it('keeps its report as it was, and is decided once, with a reason', async () => {
		const item = await newMatter(house, { opponentName: 'Gannet Fuel Co.' });
		const { checkId } = good(
			await checkInterest(house.as('okafor'), {
				names: 'Gannett Fuel; gannett fuel\nAnna Quill',
				matterId: item.matterId
			})
		);
		const was = JSON.stringify(findCheck(house, io(), checkId)!.report);
		await add('Anna Quill');
		assert.equal(JSON.stringify(findCheck(house, io(), checkId)!.report), was);
		assert.deepEqual(findCheck(house, io(), checkId)!.names, ['Gannett Fuel', 'Anna Quill']);
		assert.throws(
			() => house.db.exec("UPDATE interest_check SET report = '{}'"),
			/stays as it was/
		);
		assert.throws(() => house.db.exec('DELETE FROM interest_check'), /stays as it was/);
		assert.match(
			bad(decideInterest(house.as('okafor'), { checkId, decision: 'waived', reason: '' })).reason!,
			/missing/
		);
		good(
			decideInterest(house.as('okafor'), {
				checkId,
				decision: 'waived',
				reason: 'Known, and agreed by both.'
			})
		);
		assert.match(
			Object.values(
				bad(decideInterest(house.as('wardle'), { checkId, decision: 'clear', reason: 'x' }))
			)[0]!,
			/decided this already/
		);
		assert.equal(
			listMatterChecks(house, io(), item.matterId).length,
			2,
			'the one of the opening too'
		);
		assert.equal(listMyChecks(house, io()).length, 2);
		assert.match(bad(await checkInterest(house.as('okafor'), { names: 'x' })).names!, /too short/);
		assert.match(
			bad(
				await checkInterest(house.as('okafor'), {
					names: Array.from({ length: 41 }, (_, i) => `Name ${i}`).join('\n')
				})
			).names!,
			/At most 40/
		);
	});
	it('is not read by a colleague where it names what they may not see', async () => {
		const hidden = await newMatter(house, {
			title: 'Project Plover',
			restricted: true,
			opponentName: 'Plover Holdings'
		});
		const open = await newMatter(house);
		const { checkId } = good(
			await checkInterest(house.as('okafor'), { names: 'Plover Holdings', matterId: open.matterId })
		);
		assert.ok(findCheck(house, io(), checkId));
		assert.equal(findCheck(house, house.staff('wardle'), checkId), undefined);
		assert.equal(listMatterChecks(house, house.staff('wardle'), open.matterId).length, 0);
		void hidden;
	});
});
