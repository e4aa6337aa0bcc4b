import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { alike } from './alike.ts';
import { findInText, type Expansion } from './find-in-text.ts';
import { nameForm, wordsOf } from './name-form.ts';

describe('a name in a text', () => {
	const near = (name: string, words: string[]): Expansion => {
		const expansion: Expansion = new Map();
		for (const word of new Set(words)) {
			const meanings = nameForm(name).tokens.flatMap((part, token) => {
				const likeness = alike(part, word);
				return likeness ? [{ token, ...likeness }] : [];
			});
			if (meanings.length) expansion.set(word, meanings);
		}
		return expansion;
	};
	const find = (name: string, text: string) => {
		const words = wordsOf(text);
		const place = findInText(words, nameForm(name), near(name, words));
		return place && { ...place, words: words.slice(place.from, place.to + 1).join(' ') };
	};
	it('is found where its words stand together, in any order, with a slip', () => {
		assert.equal(find('Ines Okafor', 'We met Okafor, Ines on the pier.')?.words, 'okafor ines');
		const slip = find('Tidewrack Dredging LLC', 'The barge of Tidewreck Dredging was late.');
		assert.ok((slip?.strength ?? 0) >= 90);
		assert.ok(slip?.reasons.includes('misspelled'));
		assert.ok(find('Bremner Marine', 'Bremner will pay')?.reasons.includes('part of the name'));
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
