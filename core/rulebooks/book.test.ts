import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { parse } from 'yaml';
import { plainDate } from '../dates/plain.ts';
import { BookError, layerBooks, parseBook, type BookFile } from './book.ts';
import { propose } from '../docket/propose.ts';
import { slugOf } from './slug.ts';
import { explainTrace } from '../docket/trace.ts';
import { shippedBook, listShippedBooks } from '../testing/books.ts';

describe('the rulebooks', () => {
	for (const book of listShippedBooks())
		for (const event of book.events.values())
			for (const rule of event.rules.filter((item) => item.book === book.id))
				it(`${book.id}: ${event.text} / ${rule.title} gives its worked examples`, () => {
					assert.ok(rule.examples.length >= 2);
					for (const ex of rule.examples) {
						const out = propose(book, {
							event: event.id,
							date: plainDate(ex.date),
							time: ex.time,
							service: ex.service,
							answers: ex.answers ?? {},
							closures: (ex.closures ?? []).map((closure) => ({
								date: plainDate(closure),
								kind: 'office' as const
							}))
						});
						const got = out.deadlines.find((deadline) => deadline.rule === rule.id);
						assert.equal(
							got?.date ?? null,
							ex.gives,
							`${ex.date}: ${got ? explainTrace(got.trace).join(' ') : 'not raised'}`
						);
						assert.equal(got?.authority ?? rule.authority, rule.authority);
					}
				});
	it('hold every row of the federal table, and the overlay switches two off', () => {
		const rows = [...shippedBook('us-federal').events.values()].reduce(
			(n, event) => n + event.rules.length,
			0
		);
		assert.equal(rows, 63, '52 of civil procedure, 10 of admiralty, one of arbitration');
		const hearing = (id: string) =>
			shippedBook(id)
				.events.get('hearing-of-a-motion')!
				.rules.map((rule) => rule.authority);
		assert.deepEqual(hearing('us-federal'), ['Fed. R. Civ. P. 6(c)(1)', 'Fed. R. Civ. P. 6(c)(2)']);
		assert.deepEqual(hearing('us-federal.ca-nd'), ['Civ. L.R. 7-2(a)']);
	});
});

describe('an event', () => {
	const fed = shippedBook('us-federal');
	const go = (
		event: string,
		answers: Record<string, string> = {},
		service?: string,
		day = '2026-10-30'
	) => propose(fed, { event, date: plainDate(day), service, answers });
	it('takes the first variant of an unanswered question and says so', () => {
		const proposal = go('judgment-entered').deadlines.find((x) => x.title === 'notice of appeal')!;
		assert.equal(proposal.date, '2026-11-30');
		assert.match(explainTrace(proposal.trace).join(' '), /Not answered: .*It was taken as "no"/);
		assert.doesNotMatch(
			explainTrace(
				go('judgment-entered', { 'us-party': 'yes' }).deadlines.find(
					(x) => x.title === 'notice of appeal'
				)!.trace
			).join(' '),
			/Not answered/
		);
	});
	it('counts the part it can where a second date is missing', () => {
		const proposal = go('first-notice-of-appeal-filed').deadlines[0]!;
		assert.equal(proposal.date, '2026-11-13');
		assert.match(explainTrace(proposal.trace).join(' '), /Only the part that could be counted/);
	});
	it('chains one deadline on another', () => {
		const [opposition, reply] = propose(shippedBook('us-federal.ca-nd'), {
			event: 'motion-filed',
			date: plainDate('2026-10-30'),
			answers: {}
		}).deadlines;
		assert.deepEqual([opposition!.date, reply!.date], ['2026-11-13', '2026-11-20']);
	});
	it('says that a row is not extended by service', () => {
		const proposal = propose(shippedBook('us-federal.ca-nd'), {
			event: 'summons-and-complaint-served-on-a-defendant',
			date: plainDate('2026-10-30'),
			service: 'clerk',
			answers: {}
		}).deadlines;
		assert.equal(proposal[0]!.date, '2026-11-20');
		assert.match(explainTrace(proposal[0]!.trace).join(' '), /adds nothing to this date/);
		assert.equal(proposal[1]!.suggested, true);
		assert.equal(proposal[1]!.date, '2026-11-13');
	});
	it('refuses answers, events and service it does not know', () => {
		assert.throws(() => go('nothing'), /not an event/);
		assert.throws(() => go('judgment-entered', { 'us-party': 'perhaps' }), /not an answer/);
		assert.throws(() => go('answer-served', { 'motion-served': '2026-02-30' }), /not a date/);
		assert.throws(() => go('answer-served', { other: 'x' }), /not a question/);
		assert.throws(() => go('answer-served', {}, 'pigeon'), /not a way of service/);
	});
});

describe('a book', () => {
	const base = parse(readFileSync('rulebooks/us-federal.yaml', 'utf8')) as Record<string, unknown>;
	const rule = (over: Record<string, unknown>, event: Record<string, unknown> = {}) => ({
		...base,
		events: [
			{
				event: 'thing done',
				...event,
				deadlines: [
					{
						title: 'do it',
						authority: 'Rule 1',
						act: 'file',
						count: '+5d',
						examples: [
							{ date: '2026-11-20', gives: '2026-11-25' },
							{ date: '2026-11-23', gives: '2026-11-30' }
						],
						...over
					}
				]
			}
		]
	});
	const lay = (data: unknown) => {
		const item = parseBook(data);
		return layerBooks(new Map<string, BookFile>([[item.book, item]]), item.book);
	};
	it('is refused without an authority, without examples, with a bad count or an unknown word', () => {
		assert.ok(lay(rule({})));
		assert.throws(() => lay(rule({ authority: undefined })), BookError);
		assert.throws(() => lay(rule({ examples: [] })), /at least two examples/);
		assert.throws(() => lay(rule({ count: '5 days' })), /not a count/);
		assert.throws(() => lay(rule({ surprise: 1 })), BookError);
	});
	it('is refused where deadlines hang on one another in a circle', () => {
		assert.throws(
			() => lay(rule({ count: { count: '+1d', from: { deadline: 'do-it' } } })),
			/circle/
		);
		assert.throws(
			() => lay(rule({ count: { count: '+1d', from: { deadline: 'other' } } })),
			/no deadline/
		);
		assert.throws(
			() => lay(rule({ count: { count: '+1d', from: { answer: 'when' } } })),
			/no question/
		);
	});
	it('is refused where books extend one another in a circle', () => {
		const a = parseBook({ ...base, book: 'a', extends: 'b' }),
			b = parseBook({ ...base, book: 'b', extends: 'a' });
		assert.throws(
			() =>
				layerBooks(
					new Map([
						['a', a],
						['b', b]
					]),
					'a'
				),
			/circle/
		);
		assert.throws(() => shippedBook('mars'), /no rulebook "mars"/);
	});
	it('makes ids from the text before any parenthesis', () => {
		assert.equal(
			slugOf("magistrate judge's nondispositive order served"),
			'magistrate-judge-s-nondispositive-order-served'
		);
		assert.equal(
			slugOf('request for waiver of service sent (and waived)'),
			'request-for-waiver-of-service-sent'
		);
	});
	it('knows compound shapes: Monday next after, and rules by the event’s date', () => {
		const tx = lay({
			...rule({
				count: { count: '+20d', next: 'monday', time: '10:00' },
				examples: [
					{ date: '2026-11-02', gives: '2026-11-23' },
					{ date: '2026-11-03', gives: '2026-11-30' }
				]
			})
		});
		const due = (day: string) =>
			propose(tx, { event: 'thing-done', date: plainDate(day), answers: {} }).deadlines[0]!;
		assert.deepEqual([due('2026-11-03').date, due('2026-11-03').time], ['2026-11-30', '10:00']);
		assert.equal(due('2026-11-10').date, '2026-12-07'); // the twentieth day is a Monday: the Monday after
		assert.equal(due('2026-12-28').date, '2027-01-19'); // Monday 18 January 2027 is a holiday
		const sj = lay(
			rule({ count: '-81d', variants: [{ when: { before: '2025-01-01' }, count: '-75d' }] })
		);
		assert.equal(
			propose(sj, { event: 'thing-done', date: plainDate('2024-12-16'), answers: {} }).deadlines[0]!
				.date,
			'2024-10-02'
		);
		assert.equal(
			propose(sj, { event: 'thing-done', date: plainDate('2025-01-06'), answers: {} }).deadlines[0]!
				.date,
			'2024-10-17'
		);
	});
});
