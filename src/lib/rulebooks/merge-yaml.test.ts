import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { parse, parseDocument } from 'yaml';
import { readBookForm, writeBookForm, type BookForm } from '#core/rulebooks/book-form.ts';
import { mergeYaml } from './merge-yaml.ts';

/** The text after a change made in the form. */
function changed(yaml: string, change: (form: BookForm) => void): string {
	const document = parseDocument(yaml);
	const form = readBookForm(document.toJS());
	const before = writeBookForm(form);
	change(form);
	mergeYaml(document, before, writeBookForm(form));
	return document.toString({ lineWidth: 0 });
}
const YAML = `# The department's own book.
book: own.example # never changes
title: An example
method:
  zone: America/New_York # of the port
events:
  # The first event.
  - event: signing
    deadlines:
      - title: send the letter
        authority: "Agreement, 4.2" # as amended
        act: serve
        count: -5cd
        examples:
          - { date: "2026-12-01", gives: "2026-11-23" } # by hand
          - { date: "2026-12-02", gives: "2026-11-24" }
      - title: file the report
        act: file
        count: { count: +30d, roll: none }
  # The second event.
  - event: closing
`;
const deadlines = (form: BookForm) => form.events[0]!.deadlines;

describe('a change made in the form', () => {
	it('is written at its place, and nothing else is touched', () => {
		const after = changed(YAML, (form) => (deadlines(form)[0]!.title = 'send the long letter'));
		assert.equal(after, YAML.replace('send the letter', 'send the long letter'));
	});
	it('keeps the comments of the rows around a row that is taken away or put in', () => {
		const without = changed(YAML, (form) => deadlines(form)[0]!.examples.shift());
		assert.doesNotMatch(without, /by hand/);
		assert.match(without, /2026-12-02.*\n {6}- title: file the report/);
		const event = changed(YAML, (form) =>
			form.events.splice(1, 0, { ...readBookForm({ events: [{ event: 'between' }] }).events[0]! })
		);
		assert.match(event, /# The first event\.[\s\S]*between[\s\S]*- event: closing/);
		assert.equal((parse(event) as { events: unknown[] }).events.length, 3);
	});
	it('takes a value away, and a list that became empty', () => {
		const after = changed(YAML, (form) => {
			deadlines(form)[0]!.authority = '';
			deadlines(form)[0]!.examples = [];
		});
		assert.doesNotMatch(after, /authority|examples/);
		assert.match(after, /send the letter/);
	});
	it('writes a count as one word, or with its parts', () => {
		const after = changed(YAML, (form) => {
			const [first, second] = deadlines(form);
			if (first?.count.kind === 'count') first.count.next = 'monday';
			if (second?.count.kind === 'count') second.count.roll = 'usual';
		});
		const [event] = (parse(after) as { events: { deadlines: { count: unknown }[] }[] }).events;
		assert.deepEqual(
			event!.deadlines.map(({ count }) => count),
			[{ count: '-5cd', next: 'monday' }, '+30d']
		);
	});
	it('leaves what the form cannot read as it is', () => {
		const odd = 'title: An example\nevents: none yet\nshort: [ 1, 2 ]\n';
		assert.equal(
			changed(odd, (form) => (form.title = 'Another')),
			odd.replace('An example', 'Another')
		);
	});
	it('begins a book where the text is empty', () => {
		assert.equal(
			changed('', (form) => (form.title = 'A book')),
			'title: A book\n'
		);
	});
	const folder = new URL('../../../rulebooks/', import.meta.url);
	for (const name of readdirSync(folder).filter((file) => file.endsWith('.yaml')))
		it(`gives the same book as ${name} with any one event taken away`, () => {
			const yaml = readFileSync(new URL(name, folder), 'utf8');
			const { events, ...book } = parse(yaml) as { events: unknown[] };
			const at = Math.floor(events.length / 2);
			const left = events.filter((_, index) => index !== at);
			assert.deepEqual(
				parse(changed(yaml, (form) => form.events.splice(at, 1))),
				left.length ? { ...book, events: left } : book
			);
		});
});
