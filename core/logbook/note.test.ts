import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { listMentions, listStrayMentions, listTags, parseNote } from './note.ts';

describe('the words of a note', () => {
	const staff = [
		{ id: 'stf_1', login: 'okafor', name: 'Ines Okafor' },
		{ id: 'stf_2', login: 'ines', name: 'Ines' }
	];
	it('name colleagues, tags, matters and pages', () => {
		const parts = parseNote(
			'Hi @Ines Okafor and @ines, see LF-2026-0004 #Privilege, #privilege (https://court.example/a.b). Mail me@okafor.example',
			staff
		);
		assert.deepEqual(listMentions(parts), ['stf_1', 'stf_2']);
		assert.deepEqual(listTags(parts), ['privilege']);
		assert.deepEqual(
			parts.flatMap((part) => ('number' in part ? part.number : 'href' in part ? part.href : [])),
			['LF-2026-0004', 'https://court.example/a.b']
		);
		assert.deepEqual(listMentions(parseNote('@okaforish @nobody', staff)), []);
	});
	it('name a colleague by the first name where only one has it, and say who is nobody', () => {
		const others = [
			{ id: 'stf_3', login: 'fairweather', name: 'Lena Fairweather' },
			{ id: 'stf_4', login: 'wardle', name: 'Tamsin Wardle' },
			{ id: 'stf_5', login: 'reed', name: 'Tamsin Reed' }
		];
		const parts = parseNote('@Lena, please; @Tamsin too (@nobody.) me@court.example', others);
		assert.deepEqual(listMentions(parts), ['stf_3']);
		assert.deepEqual(listStrayMentions(parts), ['Tamsin', 'nobody']);
		assert.deepEqual(listStrayMentions(parseNote('@Tamsin Reed, #tag', others)), []);
	});
	it('lose nothing, whatever is written', () => {
		fc.assert(
			fc.property(
				fc.string({ maxLength: 120 }),
				fc.constantFrom('@okafor', '#a-b', 'LF-2026-0001', 'https://x.example', ''),
				(a, b) => {
					const text = `${a} ${b} ${a}`;
					assert.equal(
						parseNote(text, staff)
							.map((part) => part.text)
							.join(''),
						text
					);
				}
			)
		);
	});
});
