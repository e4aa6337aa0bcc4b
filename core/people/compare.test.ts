import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { bandOf, compareNames } from './compare.ts';
import { nameForm } from './name-form.ts';

const match = (a: string, b: string) => compareNames(nameForm(a), nameForm(b));

describe('names', () => {
	for (const [a, b, why] of [
		['Bremner Marine Inc.', 'BREMNER MARINE, L.L.C.', 'same'],
		['Zoë Müllersen', 'zoe mullersen', 'same'],
		['Okafor, Ines', 'Ines Okafor', 'word order'],
		['Ines Okafor', 'Inez Okafor', 'misspelled'],
		['I. Okafor', 'Ines Okafor', 'initial'],
		['Katherine Brightwater', 'Catherine Brightwater', 'sounds alike'],
		['Bill Eastlake', 'William Eastlake', 'short form'],
		['North Quay Ltd', 'Northquay', 'written together'],
		['TDP', 'Tidewrack Dredging Partners LLP', 'initials'],
		['Bremner', 'Bremner Marine', 'part of the name']
	] as const)
		it(`${a} may be ${b}: ${why}`, () => {
			const found = match(a, b);
			assert.ok(found.strength >= 70, `${found.strength}`);
			assert.ok(
				found.reasons.includes(why) ||
					(why === 'sounds alike' && found.reasons.includes('misspelled')),
				found.reasons.join()
			);
		});
	for (const [a, b] of [
		['Bremner Marine', 'Sablewood Marine'],
		['Bremner Marine', 'Bremner Logistics'],
		['Ines Okafor', 'Jorun Okafor'],
		['Pier 9 Holdings', 'Pier 7 Holdings'],
		['A. Brightwater', 'B. Brightwater'],
		['Harbor Services', 'Bay Services'],
		['J. Smith', 'J. Moor']
	] as const)
		it(`${a} is not ${b}`, () =>
			assert.ok(match(a, b).strength < 70, String(match(a, b).strength)));
	it('are the same both ways round, and to themselves', () => {
		const word = fc.constantFrom(
			'bremner',
			'marine',
			'van',
			'j',
			'ines',
			'okafor',
			'okafro',
			'inc',
			'9',
			'müller',
			'the'
		);
		const name = fc.array(word, { minLength: 1, maxLength: 4 }).map((words) => words.join(' '));
		fc.assert(
			fc.property(name, name, (a, b) => {
				assert.equal(match(a, b).strength, match(b, a).strength);
				assert.ok(match(a, b).strength >= 0 && match(a, b).strength <= 100);
			})
		);
		for (const name of ['Bremner Marine Inc.', 'LLC', 'Ø', 'Marine Services', 'of'])
			assert.equal(match(name, name).strength, 100, name);
	});
	it('of nothing match nothing', () => {
		assert.equal(match('', 'Bremner').strength, 0);
		assert.equal(match('!!!', '???').strength, 0);
	});
	it('agree with the labelled pairs: recall at least 0.98 at precision at least 0.9', () => {
		const rows = parse(readFileSync('bench/names.csv'), { columns: true }) as {
			one: string;
			other: string;
			same: string;
		}[];
		assert.ok(rows.length >= 300);
		const judged = rows.map(({ one, other, same }) => ({
			same: same === 'yes',
			taken: match(one, other).strength >= 70
		}));
		const right = judged.filter(({ same, taken }) => same && taken).length;
		assert.ok(right / judged.filter(({ same }) => same).length >= 0.98);
		assert.ok(right / judged.filter(({ taken }) => taken).length >= 0.9);
	});
	it('of hundreds of words are compared by their first, in no time', () => {
		const long = Array.from({ length: 5000 }, (_, number) => `brem${number}ner`).join(' ');
		assert.ok(nameForm(long).tokens.length < 30);
		assert.equal(match(long, long).strength, 100);
	});
	it('are spoken of by bands', () => {
		assert.deepEqual([bandOf(95), bandOf(75), bandOf(62)], ['strong', 'likely', 'possible']);
	});
});
