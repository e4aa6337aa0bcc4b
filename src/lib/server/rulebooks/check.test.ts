import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { stringify } from 'yaml';
import { checkBook, type CheckedBook } from './check.ts';

const check = (yaml: string): CheckedBook => checkBook({ yaml, expect: null, own: [], orders: [] });
const faultsOf = (yaml: string) =>
	check(yaml).faults.map(({ line, message }) => `${line}: ${message}`);

type Row = Record<string, unknown>;
const date = (more: Row = {}): Row => ({
	title: 'send the letter',
	authority: 'Agreement, 4.2',
	act: 'serve',
	count: '+3cd',
	...more
});
const book = (deadlines: Row[], more: Row = {}): string =>
	stringify({
		book: 'own.example',
		title: 'An example',
		short: 'Example',
		version: '1',
		reviewed: '2026-11-01',
		sort: 'court',
		counts: 'us-agency',
		events: [{ event: 'signing', deadlines }],
		...more
	});
const inOut = (day: string, gives?: string): Row => ({ date: day, ...(gives ? { gives } : {}) });

describe('a text that is no YAML', () => {
	const wrong: [string, number, RegExp][] = [
		['book: own.x\n\ttitle: x\n', 2, /tab/],
		['book: "own.x\ntitle: x\n', 3, /never closed|one line/],
		['book: {a: 1\ntitle: x\n', 2, /\}|same column|comma/],
		['book: [a, b\n', 2, /needs its \]/],
		['book: a\nbook: b\n', 2, /stands twice/],
		['book: a\ntitle: Motions: how\n', 2, /quotes/],
		['book: a\n  title: x\n', 2, /quotes|column/],
		['events:\n  - event: a\n - event: b\n', 3, /column/],
		['book: @x\n', 1, /quotes/],
		['book: "a\\q"\n', 1, /quotes/],
		['a: 1\n---\nb: 2\n', 2, /second/],
		['book: *x\n', 1, /alias/]
	];
	for (const [yaml, line, words] of wrong)
		it(`says so at its line in our words: ${JSON.stringify(yaml)}`, () => {
			const faults = faultsOf(yaml);
			assert.ok(faults.length > 0);
			assert.match(faults[0]!, words);
			assert.ok(Math.abs(Number.parseInt(faults[0]!) - line) <= 1, faults[0]);
			for (const fault of faults)
				assert.doesNotMatch(fault, /implicit|flow|collection|scalar|token|indicator|node/i);
		});
});

describe('a book that is still being written', () => {
	it('names the place of a fault by the event and the date it lies in', () => {
		const faults = faultsOf(
			book([date({ authority: undefined, examples: [inOut('2026-12-01', '2026-12-04')] })])
		);
		assert.match(faults.join(), /“signing”, “send the letter”, authority: is missing/);
		const tags = faultsOf(book([], { events: [{ event: '', tags: ['A'] }] }));
		assert.match(tags.join(), /event 1, event: must have at least 3 letters/);
		assert.match(tags.join(), /event 1, tag 1: a tag is/);
	});
	it('counts an example as soon as its day is given', () => {
		const { faults, examples } = check(book([date({ examples: [inOut('2026-12-01')] })]));
		assert.deepEqual(
			examples.map(({ counted, said, agrees, path }) => [counted, said, agrees, path.join(' ')]),
			[['2026-12-04', false, false, 'events 0 deadlines 0 examples 0']]
		);
		assert.match(faults[0]!.message, /gives: is missing/);
	});
	it('counts the examples of what is sound while other rows have faults', () => {
		const yaml = book(
			[
				date({ title: 'no count', count: 'soon', examples: [inOut('2026-12-01', '2026-12-04')] }),
				date({ examples: [inOut('never', 'ever'), inOut('2026-12-01', '2026-12-03')] })
			],
			{ title: '' }
		);
		const { faults, examples, file } = check(yaml);
		assert.equal(file, null, 'it cannot be saved');
		assert.deepEqual(
			examples.map(({ counted, agrees, path }) => [counted, agrees, path.join(' ')]),
			[['2026-12-04', false, 'events 0 deadlines 1 examples 1']]
		);
		assert.ok(faults.some(({ path }) => path?.join(' ') === 'events 0 deadlines 0 count'));
	});
	it('counts nothing where no book is left', () => {
		assert.deepEqual(check(book([date()], { sort: 'none' })).examples, []);
		assert.deepEqual(check('events: 7\n').examples, []);
	});
	it('wants two examples of a court’s rule, and counts the first meanwhile', () => {
		const { faults, examples } = check(
			book([date({ examples: [inOut('2026-12-01', '2026-12-04')] })])
		);
		assert.match(faults[0]!.message, /at least two examples/);
		assert.equal(examples[0]!.agrees, true);
	});
});
