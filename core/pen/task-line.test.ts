import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate } from '../dates/plain.ts';
import { parseTaskLine } from './task-line.ts';

/** A Monday. */
const TODAY = plainDate('2026-11-23');
const COLLEAGUES = [
	{ id: 'lena', words: 'Lena Fairweather' },
	{ id: 'joss', words: 'Joss Abernathy' },
	{ id: 'jo', words: 'Jo Quiroga' }
];
const read = (line: string) => {
	const { subject, assignee, due, fault } = parseTaskLine(
		line.split(' '),
		COLLEAGUES,
		TODAY,
		'month'
	);
	return fault ?? [subject, assignee, due].map(String).join(' | ');
};

describe('a line that sets a task', () => {
	it('has what is to be done, by whom, and until when', () => {
		for (const [line, wanted] of [
			['draft the reply by friday @lena', 'draft the reply | lena | 2026-11-27'],
			['@lena draft the reply by 4 dec', 'draft the reply | lena | 2026-12-04'],
			['draft the reply @Lena Fairweather due 12/4', 'draft the reply | lena | 2026-12-04'],
			['draft the reply tomorrow', 'draft the reply | null | 2026-11-24'],
			['draft the reply', 'draft the reply | null | null'],
			['ask @joss, for the file', 'ask for the file | joss | null']
		])
			assert.equal(read(line!), wanted, line);
	});
	it('refuses a day under the weekday of another', () => {
		assert.equal(
			read('draft the reply by mon 1 dec 2026'),
			'1 December 2026 is a Tuesday, not a Monday.'
		);
		assert.equal(read('draft the reply tue 1 dec 2026'), 'draft the reply | null | 2026-12-01');
	});
	it('leaves days and figures within the words to them', () => {
		assert.equal(
			read('read the order of 5 nov and write to counsel by friday'),
			'read the order of 5 nov and write to counsel | null | 2026-11-27'
		);
		assert.equal(read('review section 12'), 'review section 12 | null | null');
	});
	it('says who is not known, who may be meant, and which day is none', () => {
		assert.match(read('call @nobody'), /Nobody here is called nobody\./);
		assert.match(read('call @jo'), /Which is meant: J\w+ \w+ or J/);
		assert.match(read('draft the reply by 30/2/2027'), /date/);
		assert.match(read('draft the reply by 20 nov 2026'), /is over/);
		assert.match(read('@lena'), /what is to be done/);
	});
});
