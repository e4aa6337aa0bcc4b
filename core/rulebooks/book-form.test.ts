import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { parse } from 'yaml';
import { parseBook } from './book.ts';
import { readBookForm, writeBookForm } from './book-form.ts';
import { deadlineIds, emptyDeadline, renameDeadline } from './form-rows.ts';
import { expression } from './expression.ts';
import { describeWritten, readCount, writeCount } from './written-count.ts';

const folder = new URL('../../rulebooks/', import.meta.url);
const shipped = readdirSync(folder)
	.filter((name) => name.endsWith('.yaml'))
	.map((name) => parse(readFileSync(new URL(name, folder), 'utf8')) as Record<string, unknown>);

describe('a book as a form holds it', () => {
	for (const written of shipped)
		it(`${String(written['book'])} is the same book when it is written again`, () => {
			assert.deepEqual(parseBook(writeBookForm(readBookForm(written))), parseBook(written));
		});
	it('keeps parts for which it has no field', () => {
		const form = readBookForm({ method: { zone: 'x' }, events: [{ deemedBy: 'claim-form' }] });
		assert.deepEqual(writeBookForm(form), {
			events: [{ deemedBy: 'claim-form' }],
			method: { zone: 'x' }
		});
	});
	it('is read from anything, and never throws', () => {
		for (const written of [null, 7, 'text', [], { events: 'none' }, { events: [null, 3, []] }])
			assert.doesNotThrow(() => writeBookForm(readBookForm(written)));
	});
	it('says that a date does not arise apart from saying nothing yet', () => {
		const examples = [{ date: '2026-01-05', gives: null }, { date: '2026-01-05' }];
		const written = { events: [{ event: 'signing', deadlines: [{ examples }] }] };
		const form = readBookForm(written);
		assert.deepEqual(
			form.events[0]!.deadlines[0]!.examples.map(({ gives, arises }) => [gives, arises]),
			[
				['', false],
				['', true]
			]
		);
		const [deadline] = (writeBookForm(form)['events'] as { deadlines: object[] }[])[0]!.deadlines;
		assert.deepEqual((deadline as { examples: unknown }).examples, examples);
	});
	it('lets what hangs on a date follow its new name', () => {
		const count = { later: ['+3d', { count: '+7d', from: { deadline: 'answer' } }] };
		const written = {
			events: [
				{
					deadlines: [{ title: 'Answer' }, { title: 'Reply', count }, { title: 'Reply (again)' }],
					suggestions: [{ title: 'look', of: 'answer', count: '-7d' }]
				}
			]
		};
		const form = readBookForm(written);
		const [event] = form.events;
		assert.deepEqual(deadlineIds(event!), ['answer', 'reply', 'reply-2']);
		renameDeadline(event!, 'answer', 'response');
		const text = JSON.stringify(writeBookForm(form));
		assert.match(text, /"from":\{"deadline":"response"\}/);
		assert.match(text, /"of":"response"/);
		assert.doesNotMatch(text, /"answer"/);
	});
	it('begins a date as something to file, with its count still to be given', () => {
		const { act, count, examples } = emptyDeadline();
		assert.deepEqual([act, count.kind, examples], ['file', 'count', []]);
	});
});

describe('a count as a form holds it', () => {
	const same = (written: unknown) =>
		assert.deepEqual(
			expression.parse(writeCount(readCount(written))),
			expression.parse(written),
			JSON.stringify(written)
		);
	it('says the same when it is written again, in every shape', () => {
		for (const written of [
			'+21d',
			'-16cd ext',
			'+4m no roll',
			'-30d towards',
			{ count: '+21d', from: 'event' },
			{ count: '+30d', from: { answer: 'amended' } },
			{ count: '+30d', from: { answer: 'received', else: 'event' } },
			{ count: '+7d', from: { deadline: 'answer' }, roll: 'none', ext: true, cautious: 'so' },
			{ count: '-1w', of: { earlier: ['+3d', { count: '+1m', next: 'monday' }] } },
			{ count: '+2h', time: '12:00', label: 'twice', everyDay: true },
			{ count: '-16cd', ext: true, adds: { fax: '2d', mail: null }, serviceAnswer: 'how' },
			{ later: ['+3d', { day: { deadline: 'reply' }, label: 'the reply' }] },
			{ day: 'event' }
		])
			same(written);
	});
	it('is one word where that says all', () => {
		assert.equal(writeCount(readCount({ count: '+21d', from: 'event', ext: true })), '+21d ext');
	});
	it('reads in words as soon as it is whole', () => {
		const words = (written: unknown) => describeWritten(readCount(written), 'court day');
		assert.equal(words('-16cd ext'), '16 court days before (and what the way of service adds)');
		assert.equal(
			words({ earlier: ['+3d', { count: '+1m', next: 'monday' }] }),
			'the earlier of 3 days after and 1 month after, then the next Monday'
		);
		assert.equal(
			words({ count: '+7d', from: { deadline: 'answer' } }),
			'7 days after the day “answer” is due'
		);
		for (const open of [undefined, 'someday', { earlier: ['+3d'] }, { count: '+999999d' }])
			assert.equal(words(open), '');
	});
	it('stays as it is written where it cannot be read', () => {
		for (const written of ['someday', 7, [], { count: 'soon' }, { count: '+3d', from: 'then' }])
			assert.deepEqual(writeCount(readCount(written)), written);
	});
});
