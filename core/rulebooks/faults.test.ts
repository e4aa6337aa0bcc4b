import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { parseBookOrFaults } from './book.ts';

const sound = () => ({
	book: 'own.example',
	title: 'An example',
	short: 'Example',
	version: '1',
	reviewed: '2026-11-01',
	sort: 'transaction',
	events: [
		{
			event: 'signing',
			questions: [
				{ id: 'public', ask: 'Is it public?', kind: 'choice', options: [{ id: 'yes', say: 'yes' }] }
			],
			deadlines: [
				{
					title: 'send the letter',
					authority: 'Agreement, 4.2',
					act: 'serve',
					count: '-5cd',
					examples: [{ date: '2026-12-01', gives: '2026-11-23' }]
				}
			]
		}
	]
});
type Book = ReturnType<typeof sound> & Record<string, unknown>;

/** The faults of the sound book after a change. */
function faultsAfter(change: (book: Book) => void) {
	const book = sound() as Book;
	change(book);
	const read = parseBookOrFaults(book);
	return 'faults' in read
		? read.faults.map(({ path, message }) => `${path.join(' ')}: ${message}`)
		: [];
}
const set = (target: object, values: object) => void Object.assign(target, values);
const deadline = (book: Book) => book.events[0]!.deadlines[0]!;
const afterCount = (count: unknown) => faultsAfter((book) => set(deadline(book), { count }));

describe('the faults of a book', () => {
	it('are none where it is sound', () => {
		assert.deepEqual(
			faultsAfter(() => undefined),
			[]
		);
	});
	it('say what is missing, and where', () => {
		assert.deepEqual(
			faultsAfter((book) => {
				delete (book as Partial<Book>).title;
				delete (deadline(book) as Partial<ReturnType<typeof deadline>>).act;
			}),
			['title: is missing', 'events 0 deadlines 0 act: is missing; it is one of “file”, “serve”']
		);
	});
	it('say what kind of value belongs there', () => {
		assert.deepEqual(
			faultsAfter((book) => {
				set(book, { version: 2026.11, tags: 'x' });
				set(book.events[0]!, { served: 'perhaps', questions: {} });
				set(deadline(book), { title: 'x', act: 'do' });
			}),
			[
				'version: must be text; put it in quotes',
				'events 0 served: must be true or false',
				'events 0 questions: must be a list',
				'events 0 deadlines 0 title: must have at least 3 letters',
				'events 0 deadlines 0 act: must be one of “file”, “serve”',
				': “tags” is not known here'
			]
		);
		assert.deepEqual(
			faultsAfter((book) => set(deadline(book).examples[0]!, { date: '2026-02-30' })),
			[
				'events 0 deadlines 0 examples 0 date: is not a date that exists: write it like "2026-11-30"'
			]
		);
		assert.deepEqual(
			faultsAfter((book) => set(book, { book: 'My Book' })),
			['book: has small letters, digits, points and hyphens only']
		);
	});
	it('of a count are those of the shape that was nearly met', () => {
		const at = 'events 0 deadlines 0 count';
		assert.deepEqual(afterCount('someday'), [
			`${at}: "someday" is not a count: write +21d, +21d ext, -30d towards or +4m no roll`
		]);
		assert.deepEqual(afterCount({ count: 'soon', ext: true }), [
			`${at} count: a count is a sign, a number and d, cd, w, m, y or h, like +21d`
		]);
		assert.deepEqual(afterCount({ earlier: ['+3d'] }), [`${at} earlier: must name at least 2`]);
		assert.match(afterCount(7).join(), /must be a count like/);
		assert.match(afterCount({ count: '+3d', from: 'evnt' }).join(), /from: .*“event”/);
	});
	it('never leave the validator’s own words', () => {
		const wrong: unknown[] = [null, 7, true, 'x', [], {}, [1], { a: 1 }, '', -1, 2.5];
		const leaves: [object, string | number][] = [];
		const walk = (value: unknown, into: (root: Book) => unknown): void => {
			if (typeof value !== 'object' || value === null) return;
			for (const key of Object.keys(value)) {
				const reach = (root: Book) => (into(root) as Record<string, unknown>)[key];
				for (const other of wrong) {
					const book = sound() as Book;
					const parent = into(book) as Record<string, unknown>;
					parent[key] = other;
					const read = parseBookOrFaults(book);
					leaves.push([parent, key]);
					for (const { message } of 'faults' in read ? read.faults : [])
						assert.doesNotMatch(message, /invalid|expected|received|too (small|big)/i);
				}
				walk((value as Record<string, unknown>)[key], reach);
			}
		};
		walk(sound(), (root) => root);
		assert.ok(leaves.length > 200, 'every place was made wrong in every way');
	});
});
