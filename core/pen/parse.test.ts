import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { parseLine } from './parse.ts';

describe('a line that begins with a hearing or its like', () => {
	const event = (line: string, current: string | null = 'LF-2026-0010') => {
		const understood = parseLine(line, current);
		return understood.kind === 'event' ? [understood.matter, understood.words] : understood.kind;
	};
	it('enters it, where it names a day and a matter is meant', () => {
		assert.deepEqual(event('hearing 2 dec 10:00 room 4'), [
			'LF-2026-0010',
			'hearing 2 dec 10:00 room 4'
		]);
		assert.deepEqual(event('Deposition LF-2026-0042 of Dr. Quill 12/4/26', null), [
			'LF-2026-0042',
			'Deposition of Dr. Quill 12/4/26'
		]);
		assert.deepEqual(event('trial next monday'), ['LF-2026-0010', 'trial next monday']);
	});
	it('finds, where no day or no matter is named', () => {
		assert.equal(event('hearing room'), 'find');
		assert.equal(event('trial 3'), 'find');
		assert.equal(event('hearing 2 dec', null), 'find');
	});
});

describe('a line that begins with a matter’s number', () => {
	it('is of that matter, whatever is on screen', () => {
		assert.deepEqual(parseLine('lf-2026-0010 event complaint filed yesterday', 'LF-2026-0001'), {
			kind: 'event',
			matter: 'LF-2026-0010',
			words: 'complaint filed yesterday',
			fault: null
		});
		const time = parseLine('LF-2026-0010 0.5 call');
		assert.deepEqual([time.kind, 'minutes' in time && time.minutes], ['time', 30]);
		const note = parseLine('LF-2026-0010 note spoke to the insurer');
		assert.equal(note.kind, 'note');
	});
	it('finds it, where nothing is to be done', () => {
		assert.deepEqual(parseLine('LF-2026-0010'), { kind: 'find', words: 'LF-2026-0010' });
		assert.deepEqual(parseLine('2026-0010 pier'), { kind: 'find', words: '2026-0010 pier' });
	});
});
