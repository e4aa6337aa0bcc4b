import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { firstTitleWord, takeTitle } from './matter-words.ts';

const MATTERS = [
	{ id: 'bremner', words: 'Bremner v. Larkhaven Ferries' },
	{ id: 'lease', words: 'Berth 11 lease' },
	{ id: 'sublease', words: 'Dock 4 lease of the sheds' },
	{ id: 'dredging', words: 'Berth 6 dredging claim' }
];
const read = (line: string) => {
	const taken = takeTitle(line, MATTERS);
	return taken && `${taken.fits.join(' ')} | ${taken.rest}`;
};

describe('a matter that a line names by its title', () => {
	it('is taken by as many words as fit, and the rest is what is said', () => {
		assert.equal(read('bremner call with the mediator'), 'bremner | call with the mediator');
		assert.equal(read('Bremner v Larkhaven draft'), 'bremner | draft');
		assert.equal(read('berth 6 dredging survey'), 'dredging | survey');
		assert.equal(read('bremner'), 'bremner | ');
	});
	it('is asked about where several fit, the nearest title first', () => {
		assert.equal(read('lease survey'), 'lease sublease | survey');
		assert.equal(read('berth letter'), 'lease dredging | letter');
	});
	it('is not found in small words, nor where no title has the first', () => {
		assert.equal(read('the call'), null);
		assert.equal(read('of bremner'), null);
		assert.equal(read('call bremner'), null);
		assert.equal(firstTitleWord('the call'), undefined);
		assert.equal(firstTitleWord('Brémner call'), 'bremner');
	});
});
