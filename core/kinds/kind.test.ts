import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { parse } from 'yaml';
import type { Fact } from './fact.ts';
import { findFact, findKindFaults, keyFromName, kindSchema, proposeTitle } from './kind.ts';

const fact = (type: Fact['type'], more: Partial<Fact> = {}): Fact => ({
	key: 'f',
	name: 'Loss',
	type,
	...more
});

describe('kinds', () => {
	const shipped = readdirSync('kinds').map((entry) => ({
		file: entry,
		body: parse(readFileSync(`kinds/${entry}`, 'utf8')) as unknown
	}));
	it('that ship are nine, each without a fault, under its own name', () => {
		assert.equal(shipped.length, 9);
		for (const { file, body } of shipped) {
			assert.deepEqual(findKindFaults(body), [], file);
			const kind = kindSchema.parse(body);
			assert.equal(`${kind.id}.yaml`, file);
			assert.ok(
				kind.facts.length >= 6 &&
					kind.folders.length >= 4 &&
					kind.keyFacts.length > 0 &&
					kind.roles.length >= 4,
				file
			);
		}
	});
	const base = { id: 'x', name: 'X', plural: 'X', quietDays: 1, ageDays: 1, retentionYears: 1 };
	it('say their faults and where they are', () => {
		const faults = (more: object) =>
			findKindFaults({ ...base, ...more }).map(({ path, message }) => `${path}: ${message}`);
		assert.deepEqual(faults({}), []);
		assert.match(
			faults({ facts: [fact('text'), fact('text')] })[0]!,
			/^facts\.1\.key: Two facts have the key f/
		);
		assert.match(faults({ facts: [fact('choice')] })[0]!, /at least one option/);
		assert.match(faults({ keyFacts: ['nothing'] })[0]!, /names nothing, which is no fact/);
		assert.match(
			faults({ facts: [fact('text', { retired: true })], keyFacts: ['f'] })[0]!,
			/no fact of the kind/
		);
		assert.match(faults({ title: '{f} v. {g}', facts: [fact('text')] })[0]!, /names \{g\}/);
		assert.match(faults({ split: [{ unit: 'a', share: 1 }] })[0]!, /100 %/);
		assert.match(faults({ keyFacts: Array(7).fill('next-date') })[0]!, /At most six/);
		assert.match(faults({ name: ' ' })[0]!, /needs a name/);
	});
	it('propose a title only when all of it is known', () => {
		const kind = kindSchema.parse({
			...base,
			facts: [fact('text'), { ...fact('text'), key: 'g' }],
			title: '{f}, {g}'
		});
		assert.equal(
			proposeTitle(kind, (x) => ({ f: 'Berth 4', g: 'lease' })[x] ?? ''),
			'Berth 4, lease'
		);
		assert.equal(
			proposeTitle(kind, (x) => (x === 'f' ? 'Berth 4' : '')),
			''
		);
	});
	it('find facts of groups by their path and make keys from names', () => {
		const kind = kindSchema.parse(shipped.find((other) => other.file === 'claims.yaml')!.body);
		assert.equal(findFact(kind, 'policies.limit')?.type, 'money');
		assert.equal(findFact(kind, 'policies.nothing'), undefined);
		assert.equal(
			keyFromName('Date of löss (first)', ['date-of-loss-first']),
			'date-of-loss-first-2'
		);
		assert.equal(keyFromName('§ 12', []), 'fact');
	});
});
