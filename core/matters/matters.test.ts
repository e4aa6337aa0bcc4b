import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { parse } from 'yaml';
import { date } from '../dates/plain.ts';
import { parseCents, sayCents } from '../money/cents.ts';
import {
	factAt,
	keyFrom,
	kindFaults,
	kindSchema,
	proposeTitle,
	readFact,
	sayFact,
	type Fact,
	type Kind
} from './kind.ts';
import { mentionsOf, partsOf, tagsOf } from './words.ts';

const today = date('2026-11-23');
const fact = (type: Fact['type'], more: Partial<Fact> = {}): Fact => ({
	key: 'f',
	name: 'Loss',
	type,
	...more
});
const read = (f: Fact, typed: string, more = '') => {
	const r = readFact(f, typed, more, today);
	return 'error' in r
		? r.error
		: r.value && (r.value.more ? [r.value.value, r.value.more] : r.value.value);
};

describe('facts', () => {
	it('are read as people type them and kept plain', () => {
		assert.equal(read(fact('money'), '$1,250.5'), '125050');
		assert.equal(read(fact('number'), '12,500.25'), '12500.25');
		assert.equal(read(fact('number'), '-007'), '-7');
		assert.equal(read(fact('date'), '30 Oct 2026'), '2026-10-30');
		assert.equal(read(fact('yesno'), 'Y'), 'yes');
		assert.equal(read(fact('choice', { options: ['Ours', 'Theirs'] }), 'ours'), 'Ours');
		assert.equal(read(fact('web'), 'court.example/case?id=1'), 'https://court.example/case?id=1');
		assert.deepEqual(
			read(fact('coded', { codes: [{ code: 'IN', label: 'Injury' }] }), 'injury', 'left knee'),
			['IN', 'left knee']
		);
		assert.deepEqual(
			read(fact('coded', { codes: [{ code: 'IN', label: 'Injury' }] }), '', 'something new'),
			['', 'something new']
		);
		assert.equal(read(fact('text'), '  a   b '), 'a b');
		assert.equal(read(fact('long'), 'a\n\n  b'), 'a\n\n  b');
		assert.equal(read(fact('person'), 'per_0abc'), 'per_0abc');
		for (const t of ['text', 'money', 'date', 'person'] as const)
			assert.equal(read(fact(t), '  '), null);
	});
	it('are refused in plain words', () => {
		assert.match(String(read(fact('money'), 'a lot')), /Loss: “a lot” is not an amount/);
		assert.match(String(read(fact('money'), '1.234.5')), /not an amount/);
		assert.match(String(read(fact('money'), '99999999999999999')), /not an amount/);
		assert.match(String(read(fact('number'), 'seven')), /not a number/);
		assert.match(
			String(read(fact('date'), '30 Feb 2026')),
			/Loss: 30 Feb 2026 is not a date that exists/
		);
		assert.match(String(read(fact('yesno'), 'maybe')), /yes or no/);
		assert.match(String(read(fact('choice', { options: ['A', 'B'] }), 'C')), /not one of A, B/);
		assert.match(
			String(read(fact('coded', { codes: [{ code: 'X', label: 'Y' }] }), 'Q')),
			/no code of the list/
		);
		assert.match(String(read(fact('web'), 'javascript:alert(1)')), /not the address/);
		assert.match(String(read(fact('person'), 'Bob')), /choose a person/);
		assert.match(String(read(fact('text'), 'x'.repeat(301))), /longer than 300/);
	});
	it('are said as people write them', () => {
		const say = (f: Fact, value: string, more = '') =>
			sayFact(f, { value, more }, (id) => (id === 'per_1' ? 'Halina Ironwood' : undefined));
		assert.deepEqual(
			[
				say(fact('money'), '125050'),
				say(fact('number'), '1234567.5'),
				say(fact('date'), '2026-10-30'),
				say(fact('person'), 'per_1'),
				say(fact('person'), 'per_2')
			],
			[
				'1,250.50',
				'1,234,567.5',
				'30 October 2026',
				'Halina Ironwood',
				'someone whose card is gone'
			]
		);
		assert.equal(
			say(fact('coded', { codes: [{ code: 'IN', label: 'Injury' }] }), 'IN', 'left knee'),
			'Injury, left knee'
		);
	});
	it('of money come back from what was said, any amount', () => {
		fc.assert(
			fc.property(fc.integer({ min: -1e12, max: 1e12 }), (c) =>
				assert.equal(parseCents(sayCents(c)), c)
			)
		);
	});
});

describe('kinds', () => {
	const shipped = readdirSync('kinds').map((f) => ({
		f,
		body: parse(readFileSync(`kinds/${f}`, 'utf8')) as unknown
	}));
	it('that ship are nine, each without a fault, under its own name', () => {
		assert.equal(shipped.length, 9);
		for (const { f, body } of shipped) {
			assert.deepEqual(kindFaults(body), [], f);
			const k = kindSchema.parse(body);
			assert.equal(`${k.id}.yaml`, f);
			assert.ok(
				k.facts.length >= 6 &&
					k.folders.length >= 4 &&
					k.keyFacts.length > 0 &&
					k.roles.length >= 4,
				f
			);
		}
	});
	const base = { id: 'x', name: 'X', plural: 'X', quietDays: 1, ageDays: 1, retentionYears: 1 };
	it('say their faults and where they are', () => {
		const f = (more: object) => kindFaults({ ...base, ...more }).map((x) => `${x.path}: ${x.say}`);
		assert.deepEqual(f({}), []);
		assert.match(
			f({ facts: [fact('text'), fact('text')] })[0]!,
			/^facts\.1\.key: Two facts have the key f/
		);
		assert.match(f({ facts: [fact('choice')] })[0]!, /at least one option/);
		assert.match(f({ keyFacts: ['nothing'] })[0]!, /names nothing, which is no fact/);
		assert.match(
			f({ facts: [fact('text', { retired: true })], keyFacts: ['f'] })[0]!,
			/no fact of the kind/
		);
		assert.match(f({ title: '{f} v. {g}', facts: [fact('text')] })[0]!, /names \{g\}/);
		assert.match(f({ split: [{ unit: 'a', share: 1 }] })[0]!, /100 %/);
		assert.match(f({ keyFacts: Array(7).fill('next-date') })[0]!, /At most six/);
		assert.match(f({ name: ' ' })[0]!, /needs a name/);
	});
	it('propose a title only when all of it is known', () => {
		const k = kindSchema.parse({
			...base,
			facts: [fact('text'), { ...fact('text'), key: 'g' }],
			title: '{f}, {g}'
		}) as Kind;
		assert.equal(
			proposeTitle(k, (x) => ({ f: 'Berth 4', g: 'lease' })[x] ?? ''),
			'Berth 4, lease'
		);
		assert.equal(
			proposeTitle(k, (x) => (x === 'f' ? 'Berth 4' : '')),
			''
		);
	});
	it('find facts of groups by their path and make keys from names', () => {
		const k = kindSchema.parse(shipped.find((s) => s.f === 'claims.yaml')!.body);
		assert.equal(factAt(k, 'policies.limit')!.type, 'money');
		assert.equal(factAt(k, 'policies.nothing'), undefined);
		assert.equal(keyFrom('Date of löss (first)', ['date-of-loss-first']), 'date-of-loss-first-2');
		assert.equal(keyFrom('§ 12', []), 'fact');
	});
});

describe('the words of a note', () => {
	const staff = [
		{ id: 'stf_1', login: 'okafor', name: 'Ines Okafor' },
		{ id: 'stf_2', login: 'ines', name: 'Ines' }
	];
	it('name colleagues, tags, matters and pages', () => {
		const p = partsOf(
			'Hi @Ines Okafor and @ines, see LF-2026-0004 #Privilege, #privilege (https://court.example/a.b). Mail me@okafor.example',
			staff
		);
		assert.deepEqual(mentionsOf(p), ['stf_1', 'stf_2']);
		assert.deepEqual(tagsOf(p), ['privilege']);
		assert.deepEqual(
			p.flatMap((x) => ('number' in x ? [x.number] : 'href' in x ? [x.href] : [])),
			['LF-2026-0004', 'https://court.example/a.b']
		);
		assert.deepEqual(mentionsOf(partsOf('@okaforish @nobody', staff)), []);
	});
	it('lose nothing, whatever is written', () => {
		fc.assert(
			fc.property(
				fc.string({ maxLength: 120 }),
				fc.constantFrom('@okafor', '#a-b', 'LF-2026-0001', 'https://x.example', ''),
				(a, b) => {
					const t = `${a} ${b} ${a}`;
					assert.equal(
						partsOf(t, staff)
							.map((x) => x.text)
							.join(''),
						t
					);
				}
			)
		);
	});
});
