/**
 * What must hold of every book, event and day, whatever it is: tried with many at random, from a
 * fixed seed.
 */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { addDays, plainDate, daysBetween, fromDay, toDay, type PlainDate } from '../dates/plain.ts';
import type { Rule } from '../rulebooks/book.ts';
import type { Expression } from '../rulebooks/expression.ts';
import { CountError, parseAmount, type Amount } from './amount.ts';
import { count } from './count.ts';
import { serviceKinds } from '../rulebooks/method.ts';
import { propose } from './propose.ts';
import { strip } from './strip.ts';
import { explainTrace } from './trace.ts';
import { shippedBook, listShippedBooks } from '../testing/books.ts';

const RUNS = { numRuns: 400, seed: 20261123 };
const books = listShippedBooks();
const events = books.flatMap((b) =>
	[...b.events.values()]
		.filter((event) => event.rules.length)
		.map((event) => ({ book: b, event: event }))
);
const anyDay = fc
	.integer({ min: toDay(plainDate('2023-01-01')), max: toDay(plainDate('2031-12-31')) })
	.map(fromDay);
/** Any event of any book with any way of service, time and choice of answers. */
const anyEvent = fc
	.record({
		at: fc.nat({ max: events.length - 1 }),
		day: anyDay,
		way: fc.nat(),
		minutes: fc.integer({ min: 0, max: 1439 }),
		picks: fc.array(fc.nat(), { minLength: 6, maxLength: 6 }),
		gap: fc.integer({ min: 0, max: 200 })
	})
	.map(({ at, ...drawn }) => {
		const x = { ...drawn, of: events[at]! };
		const ways = serviceKinds(x.of.book.method);
		const answers: Record<string, string> = {};
		x.of.event.questions.forEach((question, i) => {
			if (question.kind === 'choice' && question.options)
				answers[question.id] = question.options[x.picks[i % 6]! % question.options.length]!.id;
		});
		x.of.event.questions.forEach((question, i) => {
			const asked = Object.entries(question.if ?? {}).every(
				([key, a]) =>
					(answers[key] ?? x.of.event.questions.find((y) => y.id === key)!.options![0]!.id) === a
			);
			if (question.kind === 'date' && asked && x.picks[i % 6]! % 3 > 0)
				answers[question.id] = addDays(
					x.day,
					question.must === 'not-after-event'
						? -x.gap
						: question.must === 'not-before-event'
							? x.gap
							: (x.picks[i % 6]! % 2 ? 1 : -1) * x.gap
				);
		});
		// Named by their ids, so that a counterexample can be read.
		return {
			book: x.of.book.id,
			event: x.of.event.id,
			day: x.day,
			service: x.of.event.served && ways.length ? ways[x.way % ways.length]!.id : undefined,
			time: `${String(Math.floor(x.minutes / 60)).padStart(2, '0')}:${String(x.minutes % 60).padStart(2, '0')}`,
			answers
		};
	});
type Drawn = typeof anyEvent extends fc.Arbitrary<infer T> ? T : never;
const full = (x: Drawn) => {
	const of = events.find((event) => event.book.id === x.book && event.event.id === x.event)!;
	return { ...x, ...of };
};
type Any = ReturnType<typeof full>;
const run = (x: Any, day: PlainDate = x.day) =>
	propose(x.book, {
		event: x.event.id,
		date: day,
		time: x.time,
		service: x.service,
		answers: x.answers
	});

/**
 * Whether a rule's date may stand on a closed day: it is not rolled, is a day that was given, or is
 * an hour of an agency.
 */
const mayStay = (rule: Rule): boolean => {
	const of = (expression: Expression | undefined): boolean =>
		expression !== undefined &&
		(expression.kind === 'day' ||
			(expression.kind === 'choose'
				? expression.of.some(of)
				: expression.roll === 'none' || expression.amount.endsWith('h') || of(expression.of)));
	return [rule.count, ...rule.variants.map((variant) => variant.count)].some(of);
};

describe('every event of every book, on any day, served in any way', () => {
	it('gives dates on which the court sits, except where the book says a date stays', () => {
		fc.assert(
			fc.property(anyEvent, (drawn) => {
				const x = full(drawn);
				for (const deadline of run(x).deadlines.filter((proposal) => !proposal.suggested)) {
					const rule = x.event.rules.find((item) => item.id === deadline.rule)!;
					if (mayStay(rule)) continue;
					const by = rule.by ? x.book.others.get(rule.by)!.calendar : x.book.calendar;
					// A count backwards does not know a state's holidays in a federal court.
					const backwards = deadline.trace.some(
						(step) => step.step === 'counted' && step.direction === -1 && step.to <= x.day
					);
					assert.equal(
						by.closed(toDay(deadline.date), backwards ? -1 : 1),
						undefined,
						`${x.book.id} ${x.event.id} ${deadline.rule} ${x.day} -> ${deadline.date}`
					);
				}
			}),
			RUNS
		);
	});
	it('gives the same docket after moving the event away and back', () => {
		fc.assert(
			fc.property(anyEvent, fc.integer({ min: -400, max: 400 }), (drawn, n) => {
				const x = full(drawn);
				const say = (item: ReturnType<typeof run>) =>
					JSON.stringify(
						item.deadlines.map((deadline) => [
							deadline.rule,
							deadline.date,
							deadline.time,
							explainTrace(deadline.trace)
						])
					);
				const before = say(run(x));
				try {
					run(x, addDays(x.day, n));
				} catch (error) {
					if (!(error instanceof CountError)) throw error;
				}
				assert.equal(say(run(x, addDays(addDays(x.day, n), -n))), before);
			}),
			RUNS
		);
	});
	it('explains every date in sentences that name it, and shows it on its strip', () => {
		fc.assert(
			fc.property(anyEvent, (drawn) => {
				const x = full(drawn);
				for (const deadline of run(x).deadlines) {
					const said = explainTrace(deadline.trace);
					assert.ok(
						said.length > 0 &&
							said.every((text) => text.length > 5 && !/undefined|NaN|\[object/.test(text)),
						said.join(' ')
					);
					const cells = strip(deadline.trace, deadline.date, x.book.calendar);
					if (
						deadline.trace.filter((step) => step.step === 'zero').length === 1 &&
						!deadline.trace.some((step) => step.step === 'taken')
					)
						assert.ok(cells.length > 0);
					if (cells.length > 0)
						assert.ok(
							cells.some((cell) => !('fold' in cell) && cell.date === deadline.date),
							`${x.event.id} ${deadline.rule}: ${said.join(' ')}`
						);
					assert.ok(cells.length <= 60, 'a long span folds its middle');
				}
			}),
			RUNS
		);
	});
	it('never goes back when the event goes on: a later day gives a date as late or later', () => {
		fc.assert(
			fc.property(anyEvent, fc.integer({ min: 1, max: 30 }), (drawn, n) => {
				const x = full(drawn);
				let later: ReturnType<typeof run>;
				try {
					later = run(
						{
							...x,
							answers: Object.fromEntries(
								Object.entries(x.answers).map(([query, a]) => [
									query,
									/^\d{4}-/.test(a) ? addDays(a as PlainDate, n) : a
								])
							)
						},
						addDays(x.day, n)
					);
				} catch (error) {
					if (error instanceof CountError) return;
					throw error;
				}
				for (const deadline of run(x).deadlines) {
					const rule = x.event.rules.find((item) => item.id === deadline.rule);
					// Another rule holds from a day on.
					if (!rule || rule.variants.some((variant) => variant.when.before)) continue;
					const then = later.deadlines.find(
						(proposal) =>
							proposal.rule === deadline.rule && proposal.suggested === deadline.suggested
					);
					if (then)
						assert.ok(
							then.date >= deadline.date,
							`${x.book.id} ${deadline.rule}: ${x.day} ${deadline.date}, ${addDays(x.day, n)} ${then.date}`
						);
				}
			}),
			RUNS
		);
	});
});

describe('counts', () => {
	const anyBook = fc.constantFrom(...books);
	const amount = (sign: 1 | -1, n: number, unit: Amount['unit']): Amount => ({ sign, n, unit });
	it('of court days forwards and backwards agree: from a court day, n on and n back is the same day', () => {
		fc.assert(
			fc.property(anyBook, anyDay, fc.integer({ min: 1, max: 120 }), (b, day, n) => {
				// Clear days are counted otherwise by law; a state's holidays do not count backwards.
				if (b.method.clearDays || b.method.forwardHolidays.length) return;
				if (b.method.backwardHolidays.length) return;
				const from = count(b.method, b.calendar, { from: day, amount: amount(1, 1, 'cd') }).date;
				const on = count(b.method, b.calendar, { from, amount: amount(1, n, 'cd') }).date;
				assert.equal(
					count(b.method, b.calendar, { from: on, amount: amount(-1, n, 'cd') }).date,
					from
				);
			}),
			RUNS
		);
	});
	it('of days: n days on, not rolled, is exactly n days; rolled it is later by less than a fortnight', () => {
		fc.assert(
			fc.property(anyBook, anyDay, fc.integer({ min: 6, max: 400 }), (b, day, n) => {
				assert.equal(
					daysBetween(
						day,
						count(b.method, b.calendar, { from: day, amount: amount(1, n, 'd'), roll: 'none' }).date
					),
					n
				);
				const over =
					daysBetween(
						day,
						count(b.method, b.calendar, { from: day, amount: amount(1, n, 'd') }).date
					) - n;
				assert.ok(over >= 0 && over < 14);
			}),
			RUNS
		);
	});
	it('are the same however they are asked: weeks are seven days, and a closure elsewhere changes nothing', () => {
		fc.assert(
			fc.property(anyBook, anyDay, fc.integer({ min: 1, max: 50 }), (b, day, n) => {
				const weeks = count(b.method, b.calendar, { from: day, amount: amount(1, n, 'w') }).date;
				assert.equal(
					count(b.method, b.calendar, { from: day, amount: parseAmount(`+${7 * n}d`) }).date,
					weeks
				);
				const closed = b.calendar.with([{ date: addDays(weeks, 20), kind: 'holiday' }]);
				assert.equal(count(b.method, closed, { from: day, amount: amount(1, n, 'w') }).date, weeks);
			}),
			RUNS
		);
	});
	it('move by a closure on their last day, and only by the kind that the act allows', () => {
		fc.assert(
			fc.property(anyBook, anyDay, fc.integer({ min: 6, max: 90 }), (b, day, n) => {
				const plain = count(b.method, b.calendar, {
					from: day,
					amount: amount(1, n, 'd'),
					act: 'file'
				}).date;
				const at = (kind: 'holiday' | 'office', act: 'file' | 'serve') =>
					count(b.method, b.calendar.with([{ date: plain, kind }]), {
						from: day,
						amount: amount(1, n, 'd'),
						act
					}).date;
				assert.ok(
					at('holiday', 'file') > plain &&
						at('holiday', 'serve') > plain &&
						at('office', 'file') > plain
				);
				assert.equal(at('office', 'serve'), plain);
			}),
			RUNS
		);
	});
	it('know every book: a shipped book is found by its name', () =>
		assert.equal(shippedBook('us-federal').id, 'us-federal'));
});
