import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import {
	alike,
	bandOf,
	compareNames,
	editDistance,
	findIn,
	nameForm,
	telling,
	wordsOf,
	type Expansion
} from './match.ts';

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
			const m = match(a, b);
			assert.ok(m.strength >= 70, `${m.strength}`);
			assert.ok(
				m.why.includes(why) || (why === 'sounds alike' && m.why.includes('misspelled')),
				m.why.join()
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
		const name = fc.array(word, { minLength: 1, maxLength: 4 }).map((w) => w.join(' '));
		fc.assert(
			fc.property(name, name, (a, b) => {
				assert.equal(match(a, b).strength, match(b, a).strength);
				assert.ok(match(a, b).strength >= 0 && match(a, b).strength <= 100);
			})
		);
		for (const n of ['Bremner Marine Inc.', 'LLC', 'Ø', 'Marine Services', 'of'])
			assert.equal(match(n, n).strength, 100, n);
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
		const said = rows.map((r) => ({
			yes: r.same === 'yes',
			says: match(r.one, r.other).strength >= 70
		}));
		const tp = said.filter((x) => x.yes && x.says).length;
		assert.ok(tp / said.filter((x) => x.yes).length >= 0.98);
		assert.ok(tp / said.filter((x) => x.says).length >= 0.9);
	});
});

describe('words of names', () => {
	it('know a slip from another word', () => {
		assert.equal(editDistance('okafor', 'okafro'), 1);
		assert.equal(editDistance('abc', 'xyz', 1), 2);
		assert.equal(alike('okafor', 'okafur')!.why, 'misspelled');
		assert.equal(alike('holt', 'colt'), null);
		assert.equal(alike('2026', '2025'), null);
		assert.equal(alike('i', 'ines')!.why, 'initial');
	});
	it('tell names apart by the words that are not everyone’s', () => {
		assert.deepEqual(telling(nameForm('Bremner Marine Services Inc.')), ['bremner']);
		assert.deepEqual(telling(nameForm('Marine Services')), ['marine', 'services']);
		assert.deepEqual([bandOf(95), bandOf(75), bandOf(62)], ['strong', 'likely', 'possible']);
	});
});

describe('a name in a text', () => {
	it('has the same words read the quick way and the careful way', () => {
		for (const t of [
			"Bremner & Sons, Pier 9 (O'Dunmore) a_b",
			'',
			'  -- ',
			'UPPER lower 3:26-cv-1'
		])
			assert.deepEqual(wordsOf(t), wordsOf(`${t} ü`).slice(0, -1), t);
	});
	const near = (name: string, words: string[]): Expansion => {
		const out: Expansion = new Map();
		for (const w of new Set(words)) {
			const ms = nameForm(name).tokens.flatMap((t, token) => {
				const m = alike(t, w);
				return m ? [{ token, ...m }] : [];
			});
			if (ms.length) out.set(w, ms);
		}
		return out;
	};
	const find = (name: string, text: string) => {
		const w = wordsOf(text);
		const m = findIn(w, nameForm(name), near(name, w));
		return m && { ...m, words: w.slice(m.from, m.to + 1).join(' ') };
	};
	it('is found where its words stand together, in any order, with a slip', () => {
		assert.equal(find('Ines Okafor', 'We met Okafor, Ines on the pier.')!.words, 'okafor ines');
		const slip = find('Tidewrack Dredging LLC', 'The barge of Tidewreck Dredging was late.')!;
		assert.ok(slip.strength >= 90);
		assert.ok(slip.why.includes('misspelled'));
		assert.ok(find('Bremner Marine', 'Bremner will pay')!.why.includes('part of the name'));
	});
	it('is not found where only its common words are, or they stand far apart', () => {
		assert.equal(find('Bremner Marine', 'Marine insurance is dear'), null);
		assert.ok(
			(find(
				'Ines Okafor',
				'Ines wrote a long letter to the board of the port, and much later there came an Okafor'
			)?.strength ?? 0) < 60
		);
	});
});
