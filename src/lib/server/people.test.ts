import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { parseVCards } from 'vcard4-ts';
import { writeNote } from './matters/commands.ts';
import { addTask } from './agenda/commands.ts';
import {
	checkInterest,
	decideInterest,
	interestCheck,
	matterChecks,
	myChecks,
	namesOf
} from './interest/commands.ts';
import { interestReport } from './interest/report.ts';
import { addPerson, addRole, changeRole, editPerson } from './people/commands.ts';
import { mergePeople, undoMerge } from './people/merge.ts';
import {
	categories,
	findPeople,
	nearNames,
	peopleList,
	personCard,
	type PersonCard
} from './people/queries.ts';
import { readVcards, toVcard } from './people/vcard.ts';
import { editMatter } from './matters/commands.ts';
import { logTime } from './time/commands.ts';
import { search } from './search/queries.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

let h: TestHouse;
beforeEach(async () => {
	h = await testHouse();
});
const io = () => h.staff('okafor');
const add = (name: string, kind: 'person' | 'organization' = 'person', more: object = {}) =>
	good(
		addPerson(h.as('okafor'), {
			kind,
			name,
			email: '',
			phone: '',
			note: '',
			formerNames: '',
			...more
		})
	).personId;
const card = (id: string, who = 'okafor') => personCard(h, h.staff(who), id) as PersonCard;
const edit = (
	id: string,
	change: object,
	who = 'okafor',
	at?: { version: number; base: Record<string, string> }
) => {
	const c = card(id, who);
	const f = { ...(at?.base ?? c.fields), ...change } as PersonCard['fields'];
	return editPerson(h.as(who), {
		personId: id,
		version: at?.version ?? c.version,
		base: at?.base ?? c.fields,
		...f,
		kind: f.kind as 'person',
		status: f.status as 'active'
	});
};

describe('a card', () => {
	it('keeps any number of names, addresses and categories, and its old name by itself', () => {
		const id = add('Halina Brightwater');
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
		const c = card(id);
		assert.deepEqual(
			[c.fields.former, c.fields.aliases, c.fields.categories, c.contacts.length, c.fields.status],
			['Halina Brightwater', 'Hal Ironwood\nHalina I.', 'crew, expert', 3, 'do not contact']
		);
		for (const q of ['brightwater', 'hal iron', 'h2@mail.example'])
			assert.equal(findPeople(h, io(), q)[0]?.id, id, q);
		assert.equal(peopleList(h, io(), { category: 'expert' }).total, 1);
		assert.equal(peopleList(h, io(), { status: 'do not contact', kind: 'person' }).total, 1);
		assert.equal(peopleList(h, io(), { q: '***' }).total, 0);
	});
	it('refuses what cannot be, in plain words', () => {
		const a = add('Alpha Holding', 'organization'),
			b = add('Beta Towage', 'organization'),
			c = add('Gamma Fuel', 'organization'),
			p = add('Anna Quill');
		good(edit(b, { parent: a }));
		good(edit(c, { parent: b }));
		assert.match(bad(edit(a, { parent: c })).parent!, /close a circle/);
		assert.match(bad(edit(a, { parent: a })).parent!, /their own parent/);
		assert.match(bad(edit(a, { parent: p })).parent!, /parent is an organization/);
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
					addPerson(h.as('okafor'), {
						kind: 'organization',
						name: 'ALPHA holding',
						email: '',
						phone: '',
						note: '',
						formerNames: ''
					})
				)
			)[0]!,
			/card for Alpha Holding already/
		);
		assert.deepEqual(
			card(a).affiliates.map((x) => x.name),
			['Beta Towage']
		);
		assert.deepEqual(
			[card(c).parent?.name, card(b).affiliates.map((x) => x.name)],
			['Beta Towage', ['Gamma Fuel']]
		);
	});
	it('shows two writers the difference', () => {
		const id = add('Anna Quill');
		const at = {
			version: card(id).version,
			base: card(id).fields as unknown as Record<string, string>
		};
		good(edit(id, { note: 'Likes mornings' }, 'wardle'));
		const r = edit(id, { note: 'Likes evenings', categories: 'witness' }, 'okafor', at);
		assert.ok(!r.ok && r.status === 409 && r.conflict!.by === 'Tamsin Wardle');
		assert.deepEqual(!r.ok && r.conflict!.differences, [
			{ field: 'note', name: 'Note', theirs: 'Likes mornings', yours: 'Likes evenings' }
		]);
		good(edit(id, { categories: 'witness' }, 'okafor', at));
		assert.deepEqual(
			[card(id).fields.note, card(id).fields.categories],
			['Likes mornings', 'witness'],
			'put together'
		);
	});
	it('has roles with dates, which can end', () => {
		const m = newMatter(h),
			id = add('Anna Quill');
		good(
			addRole(h.as('okafor'), {
				matterId: m.matterId,
				personId: id,
				role: 'Expert',
				from: '2026-01-01'
			})
		);
		const roleId = h.db.prepare<[], { id: string }>('SELECT id FROM matter_role').get()!.id;
		assert.match(
			bad(changeRole(h.as('okafor'), { roleId, from: '2026-05-01', to: '2026-04-01' })).to!,
			/before the first/
		);
		good(
			changeRole(h.as('okafor'), { roleId, from: '2026-01-01', to: '2026-06-30', note: 'replaced' })
		);
		assert.deepEqual(
			card(id).matters.map((x) => [x.role, x.from, x.to, x.note]),
			[['expert', '2026-01-01', '2026-06-30', 'replaced']]
		);
		assert.match(
			bad(addRole(h.as('okafor'), { matterId: m.matterId, personId: id, role: 'wizard' })).role!,
			/Choose a role/
		);
		good(changeRole(h.as('okafor'), { roleId, remove: true }));
		assert.equal(card(id).matters.length, 0);
	});
	it('made for a restricted matter is nobody else’s to see, until it has a role elsewhere', () => {
		const m = newMatter(h, { restricted: true, opponentName: 'Whisper Holdings' });
		const id = h.db.prepare<[], { id: string }>('SELECT id FROM person').get()!.id;
		const me = h.staff('wardle');
		assert.equal(personCard(h, me, id), undefined);
		assert.deepEqual(
			[
				findPeople(h, me, 'whisper'),
				nearNames(h, me, 'Whisper Holdings'),
				search(h, me, 'whisper'),
				peopleList(h, me, {}).total
			],
			[[], [], [], 0]
		);
		assert.equal(card(id).fields.name, 'Whisper Holdings');
		good(edit(id, { categories: 'secret' }));
		assert.deepEqual(
			[categories(h, me), categories(h, io()).map((c) => c.category)],
			[[], ['secret']]
		);
		// A second card of the name is made without a word about the first.
		good(
			addPerson(h.as('wardle'), {
				kind: 'organization',
				name: 'Whisper Holdings',
				email: '',
				phone: '',
				note: '',
				formerNames: ''
			})
		);
		const open = newMatter(h, { title: 'Open' });
		good(addRole(h.as('okafor'), { matterId: open.matterId, personId: id, role: 'counterparty' }));
		assert.deepEqual(
			(personCard(h, me, id) as PersonCard).matters.map((x) => x.title),
			['Open']
		);
		void m;
	});
	it('shows near duplicates first', () => {
		add('Tidewrack Dredging LLC', 'organization');
		assert.deepEqual(
			findPeople(h, io(), 'Tidewreck Dredging').map((p) => p.name),
			['Tidewrack Dredging LLC']
		);
	});
});

describe('merging', () => {
	it('loses nothing, and is taken apart again to the last row', () => {
		const parent = add('Halyard Group', 'organization'),
			keep = add('Quoin Staffing LLC', 'organization'),
			gone = add('Quoin Staffing', 'organization', {
				email: 'q@mail.example',
				formerNames: 'Quoin Crew'
			});
		good(edit(gone, { parent, categories: 'supplier' }));
		const child = add('Quoin Deckhands', 'organization');
		good(edit(child, { parent: gone }));
		const a = newMatter(h),
			b = newMatter(h);
		for (const [m, p] of [
			[a, keep],
			[a, gone],
			[b, gone]
		] as const)
			good(addRole(h.as('okafor'), { matterId: m.matterId, personId: p, role: 'counterparty' }));
		good(
			editMatter(h.as('okafor'), {
				matterId: a.matterId,
				fields: { 'group:injuries': JSON.stringify([{ injured: gone }]) }
			})
		);
		const rows = () =>
			JSON.stringify(
				['matter_role', 'person_contact', 'person_name', 'person_category', 'matter_fact']
					.map((t) => h.db.prepare(`SELECT * FROM ${t} ORDER BY 1, 2`).all())
					.concat([
						h.db.prepare('SELECT id, name, parent_id, merged_into FROM person ORDER BY id').all()
					])
			);
		const before = rows();
		const { mergeId } = good(mergePeople(h.as('okafor'), { keepId: keep, goneId: gone }));
		const c = card(keep);
		assert.deepEqual(
			[
				c.matters.length,
				c.contacts[0]!.value,
				c.fields.aliases,
				c.fields.former,
				c.parent?.name,
				c.affiliates.map((x) => x.name),
				c.fields.categories
			],
			[3, 'q@mail.example', '', 'Quoin Crew', 'Halyard Group', ['Quoin Deckhands'], 'supplier'].map(
				(x, i) => (i === 2 ? 'Quoin Staffing' : x)
			)
		);
		assert.deepEqual(
			personCard(h, io(), gone),
			{ mergedInto: keep },
			'the old address leads to the card'
		);
		assert.equal(peopleList(h, io(), { q: 'quoin staffing' }).total, 1);
		good(undoMerge(h.as('okafor'), { mergeId }));
		assert.equal(rows(), before);
		assert.match(Object.values(bad(undoMerge(h.as('okafor'), { mergeId })))[0]!, /already/);
	});
	it('is refused with oneself, across kinds, with one’s own parent, or over a matter one cannot see', () => {
		const a = add('Alpha Fuel', 'organization'),
			b = add('Alpha Fuels', 'organization'),
			p = add('Anna Quill');
		assert.match(bad(mergePeople(h.as('okafor'), { keepId: a, goneId: a })).goneId!, /with itself/);
		assert.match(
			bad(mergePeople(h.as('okafor'), { keepId: a, goneId: p })).goneId!,
			/an organization and/
		);
		good(edit(b, { parent: a }));
		assert.match(
			bad(mergePeople(h.as('okafor'), { keepId: a, goneId: b })).goneId!,
			/take the parent off/
		);
		good(edit(b, { parent: '' }));
		const m = newMatter(h, { restricted: true }, 'wardle');
		good(addRole(h.as('wardle'), { matterId: m.matterId, personId: b, role: 'witness' }));
		assert.match(
			bad(mergePeople(h.as('okafor'), { keepId: a, goneId: b })).goneId!,
			/Ask the docket clerk/
		);
	});
});

describe('vCards', () => {
	it('go out as RFC 6350 says, read by another parser, and come back the same', () => {
		const parent = add('Halyard; Group, Inc.', 'organization'),
			id = add('Zoë Müllersen', 'person', {
				email: 'zoe@mail.example',
				phone: '+1 415 555 0100',
				note: 'Line one\nline; two, and \\ three',
				formerNames: 'Zoë Abelard'
			});
		good(edit(id, { parent, categories: 'expert, crew', aliases: 'Zoe M.' }));
		const text = toVcard(h, id)!;
		assert.ok(
			text.split('\r\n').every((l) => Buffer.byteLength(l) <= 75),
			'lines are folded'
		);
		const { vCards } = parseVCards(text, true);
		const v = vCards![0]!;
		assert.deepEqual(
			[
				v.FN[0]!.value,
				v.EMAIL![0]!.value,
				v.TEL![0]!.value,
				v.NOTE![0]!.value,
				v.N!.value,
				v.ORG![0]!.value,
				v.KIND!.value,
				v.VERSION.value
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
		assert.ok(!v.hasErrors, JSON.stringify(v.nags));
		const r = readVcards(text);
		assert.ok('cards' in r);
		assert.deepEqual('cards' in r && r.cards[0], {
			name: 'Zoë Müllersen',
			kind: 'person',
			org: 'Halyard; Group, Inc.',
			aliases: ['Zoe M.'],
			former: ['Zoë Abelard'],
			contacts: [
				{ kind: 'mail', label: '', value: 'zoe@mail.example' },
				{ kind: 'phone', label: '', value: '+1 415 555 0100' }
			],
			categories: ['crew', 'expert'],
			note: 'Line one\nline; two, and \\ three'
		});
		const org = parseVCards(toVcard(h, parent)!, true).vCards![0]!;
		assert.deepEqual([org.KIND!.value, org.ORG![0]!.value], ['org', ['Halyard; Group, Inc.']]);
	});
	it('of version 3 come in too, and what is none is refused', () => {
		const three =
			'BEGIN:VCARD\r\nVERSION:3.0\r\nN:Quill;Anna;;;\r\nFN:Anna Quill\r\nORG:Quill & Co.;Legal\r\nTEL;TYPE=WORK,VOICE:+44 20 7946 0000\r\nADR;TYPE=WORK:;;1 Wharf;Solent;;SO1;UK\r\nEND:VCARD\r\n';
		const r = readVcards(three);
		assert.deepEqual('cards' in r && [r.cards[0]!.name, r.cards[0]!.org, r.cards[0]!.contacts], [
			'Anna Quill',
			'Quill & Co.',
			[
				{ kind: 'phone', label: 'work', value: '+44 20 7946 0000' },
				{ kind: 'address', label: 'work', value: '1 Wharf\nSolent\nSO1\nUK' }
			]
		]);
		assert.match((readVcards('name,mail\n') as { error: string }).error, /no BEGIN:VCARD/);
		assert.match(
			(readVcards('BEGIN:VCARD\nVERSION:4.0\nNOTE:x\nEND:VCARD') as { error: string }).error,
			/no name/
		);
	});
});

describe('an interest check', () => {
	const report = (names: string, who = 'okafor') => interestReport(h, h.staff(who), namesOf(names));
	it('finds a name in every place, says why and how strong, the strongest first', () => {
		const m = newMatter(h, { title: 'Tidewrack Dredging claim' });
		const org = add('Tidewrack Dredging LLC', 'organization'),
			child = add('Harbor Sand Ltd.', 'organization');
		good(edit(child, { parent: org }));
		good(
			addRole(h.as('okafor'), {
				matterId: m.matterId,
				personId: org,
				role: 'opponent',
				note: 'Their yard is run by Tidewrack Dredging'
			})
		);
		good(
			writeNote(h.as('okafor'), {
				matterId: m.matterId,
				words: 'A man of Tidewreck Dredging called about the barge.'
			})
		);
		good(
			addTask(h.as('okafor'), {
				matterId: m.matterId,
				subject: 'Letter to Tidewrack-Dredging',
				assigneeId: 'stf_okafor',
				due: null,
				deadlineId: null
			})
		);
		good(
			logTime(h.as('okafor'), {
				matterId: m.matterId,
				day: '2026-11-20',
				hours: '1',
				narrative: 'call with TIDEWRACK dredging'
			})
		);
		const r = report('Tidewrack Dredging').names[0]!;
		assert.deepEqual([...new Set(r.hits.map((x) => x.what))].sort(), [
			'matter',
			'note',
			'person',
			'role',
			'task',
			'time'
		]);
		const person = r.hits.find((x) => x.title === 'Tidewrack Dredging LLC')!;
		assert.match(person.excerpt, /opponent on LF-2026-0001 Tidewrack Dredging claim/);
		assert.deepEqual([person.strength, person.band], [100, 'strong']);
		assert.ok(
			r.hits
				.find((x) => x.title === 'Harbor Sand Ltd.')!
				.why.includes('affiliate of Tidewrack Dredging LLC')
		);
		const slip = r.hits.find((x) => x.what === 'note' && /Tidewreck/.test(x.excerpt))!;
		assert.ok(slip.why.includes('misspelled'));
		assert.deepEqual(
			r.hits.map((x) => x.strength),
			r.hits.map((x) => x.strength).sort((a, b) => b - a)
		);
		good(
			editMatter(h.as('okafor'), {
				matterId: m.matterId,
				fields: { 'group:injuries': JSON.stringify([{ injured: add('Fenna Thistledown') }]) }
			})
		);
		assert.match(
			report('Thistledown, Fenna').names[0]!.hits[0]!.excerpt,
			/injured on LF-2026-0001/
		);
		assert.equal(report('Somebody Unheard').names[0]!.hits.length, 0);
	});
	it('finds initials, short forms, former names and words written together', () => {
		const m = newMatter(h);
		add('Katherine Brightwater', 'person', { formerNames: 'Katherine Eastlake' });
		good(
			writeNote(h.as('okafor'), {
				matterId: m.matterId,
				words: 'Mr. W. Kestrelby and Bob Fenwright of North Quay were there.'
			})
		);
		const why = (n: string) => report(n).names[0]!.hits.flatMap((x) => x.why);
		assert.ok(why('Kate Brightwater').includes('short form'));
		assert.ok(why('Catherine Eastlake').some((w) => w.startsWith('former name')));
		assert.ok(why('William Kestrelby').includes('initial'));
		assert.ok(why('Robert Fenwright').includes('short form'));
		assert.ok(
			report('Northquay').names[0]!.hits.length + report('North Quay').names[0]!.hits.length > 0
		);
	});
	it('gives of a restricted matter one neutral line: no name, no count, no words', () => {
		const hidden = newMatter(
			h,
			{ title: 'Project Plover', restricted: true, opponentName: 'Plover Holdings' },
			'wardle'
		);
		good(
			writeNote(h.as('wardle'), {
				matterId: hidden.matterId,
				words: 'Plover Holdings wants to sell.'
			})
		);
		const mine = report('Plover Holdings'),
			theirs = report('Plover Holdings', 'wardle');
		assert.deepEqual([mine.names[0]!.hits, mine.names[0]!.more, mine.restricted], [[], 0, true]);
		assert.doesNotMatch(
			JSON.stringify(mine).replace('"name":"Plover Holdings"', ''),
			/Plover|LF-2026/
		);
		assert.ok(theirs.names[0]!.hits.length >= 3 && !theirs.restricted);
		good(writeNote(h.as('wardle'), { matterId: hidden.matterId, words: 'Plover again' }));
		assert.equal(
			JSON.stringify(report('Plover Holdings')),
			JSON.stringify(mine),
			'more of it inside changes nothing outside'
		);
	});
	it('keeps its report as it was, and is decided once, with a reason', () => {
		const m = newMatter(h, { opponentName: 'Gannet Fuel Co.' });
		const { checkId } = good(
			checkInterest(h.as('okafor'), {
				names: 'Gannett Fuel; gannett fuel\nAnna Quill',
				matterId: m.matterId
			})
		);
		const was = JSON.stringify(interestCheck(h, io(), checkId)!.report);
		add('Anna Quill');
		assert.equal(JSON.stringify(interestCheck(h, io(), checkId)!.report), was);
		assert.deepEqual(interestCheck(h, io(), checkId)!.names, ['Gannett Fuel', 'Anna Quill']);
		assert.throws(() => h.db.exec("UPDATE interest_check SET report = '{}'"), /stays as it was/);
		assert.throws(() => h.db.exec('DELETE FROM interest_check'), /stays as it was/);
		assert.match(
			bad(decideInterest(h.as('okafor'), { checkId, decision: 'waived', reason: '' })).reason!,
			/missing/
		);
		good(
			decideInterest(h.as('okafor'), {
				checkId,
				decision: 'waived',
				reason: 'Known, and agreed by both.'
			})
		);
		assert.match(
			Object.values(
				bad(decideInterest(h.as('wardle'), { checkId, decision: 'clear', reason: 'x' }))
			)[0]!,
			/decided this already/
		);
		assert.equal(matterChecks(h, io(), m.matterId).length, 2, 'the one of the opening too');
		assert.equal(myChecks(h, io()).length, 2);
		assert.match(bad(checkInterest(h.as('okafor'), { names: 'x' })).names!, /too short/);
		assert.match(
			bad(
				checkInterest(h.as('okafor'), {
					names: Array.from({ length: 41 }, (_, i) => `Name ${i}`).join('\n')
				})
			).names!,
			/At most 40/
		);
	});
	it('is not read by a colleague where it names what they may not see', () => {
		const hidden = newMatter(h, {
			title: 'Project Plover',
			restricted: true,
			opponentName: 'Plover Holdings'
		});
		const open = newMatter(h);
		const { checkId } = good(
			checkInterest(h.as('okafor'), { names: 'Plover Holdings', matterId: open.matterId })
		);
		assert.ok(interestCheck(h, io(), checkId));
		assert.equal(interestCheck(h, h.staff('wardle'), checkId), undefined);
		assert.equal(matterChecks(h, h.staff('wardle'), open.matterId).length, 0);
		void hidden;
	});
});
