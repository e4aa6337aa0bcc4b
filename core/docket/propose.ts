/** From an event to its proposed deadlines, each with its authority and its count. */
import type { Closure, CourtCalendar } from '../dates/calendar.ts';
import { parseDate, parseTime, toDay, type PlainDate } from '../dates/plain.ts';
import type { BookEvent, Rule, Rulebook } from '../rulebooks/book.ts';
import type { Expression, Start } from '../rulebooks/expression.ts';
import { calendarOf } from '../rulebooks/book.ts';
import { CountError, parseAmount } from './amount.ts';
import { count, nextWeekday } from './count.ts';
import { checkAnswers } from './check-answers.ts';
import { deemedDay } from './deemed.ts';
import type { Method } from '../rulebooks/method.ts';
import { Proposed, type Proposal, type Value } from './proposal.ts';
import { formatAmount, type Step } from './trace.ts';

export type EventInput = {
	event: string;
	date: PlainDate;
	/** HH:MM */
	time?: string | undefined;
	service?: string | undefined;
	answers: Readonly<Record<string, string>>;
	closures?: readonly Closure[];
	/**
	 * Dates that an order or an agreement moved, by rule: an early warning counts from the day that
	 * stands.
	 */
	moved?: ReadonlyMap<string, PlainDate>;
};

export type Left = { rule: string; title: string; authority: string; reason: string };

type Outcome = { value: Value } | { missing: string };
type Begun = { date: PlainDate; trace: () => Step[]; label?: string } | { missing: string };
const nothing = (): Step[] => [];

/**
 * All deadlines of an event, in the book's order. Throws CountError where the event, a date, an
 * answer or a way of service is not one the book knows.
 */
export function propose(
	book: Rulebook,
	input: EventInput
): { deadlines: Proposal[]; left: Left[] } {
	const event = book.events.get(input.event);
	if (!event) throw new CountError(`"${input.event}" is not an event of ${book.id}`);
	const cal = calendarOf(book, input.closures ?? []);
	checkAnswers(event, input);
	const known = book.method.deemed?.kinds ?? book.method.services?.kinds ?? {};
	if (input.service !== undefined && !(input.service in known))
		throw new CountError(
			`"${input.service}" is not a way of service here: choose ${Object.keys(known).join(', ') || 'none'}`,
			'service'
		);
	if (input.time !== undefined && parseTime(input.time) === undefined)
		throw new CountError(`"${input.time}" is not a time: write HH:MM`);

	let base = input.date;
	const lead: Step[] = [];
	if (input.service !== undefined && book.method.deemed) {
		const item = deemedDay(
			book.method,
			cal,
			input.date,
			parseTime(input.time),
			input.service,
			event.deemedBy ?? undefined
		);
		base = item.date;
		lead.push(item.step);
	}
	const run = new Run(book, cal, event, input, base, lead);
	const deadlines: Proposal[] = [];
	const left: Left[] = [];
	for (const rule of event.rules) {
		const outcome = run.rule(rule);
		if (outcome === undefined) continue;
		if ('missing' in outcome)
			left.push({
				rule: rule.id,
				title: rule.title,
				authority: rule.authority,
				reason: outcome.missing
			});
		else
			deadlines.push(
				new Proposed(
					{
						rule: rule.id,
						title: rule.title,
						authority: rule.authority,
						act: rule.act,
						suggested: false,
						book: rule.book,
						owner: rule.owner ?? null
					},
					outcome.value
				)
			);
	}
	for (const suggestion of event.suggestions) {
		const of = deadlines.find((deadline) => deadline.rule === suggestion.of && !deadline.suggested);
		if (!of) continue;
		const moved = input.moved?.get(of.rule);
		const counted = count(book.method, cal, {
			from: moved ?? of.date,
			amount: parseAmount(suggestion.count),
			label: `the day "${of.title}" ${moved ? 'was moved to' : 'is due'}`,
			act: 'serve'
		});
		deadlines.push(
			new Proposed(
				{
					rule: `suggested-${suggestion.of}`,
					title: suggestion.title,
					authority: 'early warning of the department, not from law',
					act: 'serve',
					suggested: true,
					book: of.book,
					owner: null
				},
				{
					date: counted.date,
					time: null,
					trace: () => [
						{ step: 'note', text: 'An early warning of the department; no rule sets it.' },
						...counted.trace
					]
				}
			)
		);
	}
	return { deadlines, left };
}

class Run {
	readonly book: Rulebook;
	readonly cal: CourtCalendar;
	readonly event: BookEvent;
	readonly input: EventInput;
	readonly base: PlainDate;
	readonly lead: Step[];
	readonly done = new Map<string, Outcome | undefined>();
	constructor(
		book: Rulebook,
		cal: CourtCalendar,
		event: BookEvent,
		input: EventInput,
		base: PlainDate,
		lead: Step[]
	) {
		this.book = book;
		this.cal = cal;
		this.event = event;
		this.input = input;
		this.base = base;
		this.lead = lead;
	}

	/** undefined where the rule does not arise. */
	rule(rule: Rule): Outcome | undefined {
		if (this.done.has(rule.id)) return this.done.get(rule.id);
		const notes: Step[] = [];
		let outcome: Outcome | undefined;
		if (rule.only && !this.holds(rule.only, notes)) outcome = undefined;
		else {
			let expression = rule.count;
			for (const variant of rule.variants)
				if (this.holds(variant.when, notes)) {
					expression = variant.count;
					if (variant.note) notes.push({ step: 'note', text: variant.note });
					break;
				}
			outcome = expression ? this.eval(expression, rule) : undefined;
			if (outcome && 'value' in outcome) {
				if (rule.note) notes.push({ step: 'note', text: rule.note });
				if (rule.by)
					notes.push({
						step: 'note',
						text: `Counted as ${rule.by} counts, not as ${this.book.id} does.`
					});
				const { date, time, trace } = outcome.value;
				if (notes.length)
					outcome = { value: { date, time, trace: () => [...trace(), ...dedupe(notes)] } };
			}
		}
		this.done.set(rule.id, outcome);
		return outcome;
	}

	holds(
		when: { answers?: Record<string, string> | undefined; before?: string | undefined },
		notes: Step[]
	): boolean {
		if (when.before !== undefined && !(this.base < when.before)) return false;
		for (const [id, wanted] of Object.entries(when.answers ?? {})) {
			const item = this.event.questions.find((x) => x.id === id)!;
			const given = this.input.answers[id] || undefined;
			const first = item.options![0]!;
			if (given === undefined)
				notes.push({
					step: 'missing',
					text: `Not answered: "${item.ask}" It was taken as "${first.label}".`
				});
			if ((given ?? first.id) !== wanted) return false;
		}
		return true;
	}

	start(from: Start): Begun {
		if (from === 'event') return { date: this.base, trace: () => this.lead };
		if ('answer' in from) {
			const item = this.event.questions.find((x) => x.id === from.answer)!;
			const given = parseDate(this.input.answers[from.answer]);
			if (given) return { date: given, trace: nothing, label: asLabel(item.ask) };
			const missing = `Not given: "${item.ask}"`;
			if (from.else === 'event')
				return {
					date: this.base,
					trace: () => [
						...this.lead,
						{ step: 'missing', text: `${missing} The event's own date was taken.` }
					]
				};
			return { missing };
		}
		const rule = this.event.rules.find((item) => item.id === from.deadline)!;
		const outcome = this.rule(rule);
		if (!outcome) return { missing: `"${rule.title}" does not arise here` };
		if ('missing' in outcome) return outcome;
		return {
			date: outcome.value.date,
			trace: outcome.value.trace,
			label: `the day "${rule.title}" is due`
		};
	}

	/** How a rule counts: as its own book, or as the one it names. */
	by(rule: Rule): { method: Method; cal: CourtCalendar } {
		if (!rule.by) return { method: this.book.method, cal: this.cal };
		const other = this.book.others.get(rule.by)!;
		return {
			method: other.method,
			cal: other.calendar.with(
				(this.input.closures ?? []).filter(
					(closure) => closure.book !== undefined && other.layers.includes(closure.book)
				)
			)
		};
	}

	eval(expression: Expression, rule: Rule): Outcome {
		if (expression.kind === 'choose') return this.choose(expression, rule);
		let start: Begun;
		if (expression.kind === 'count' && expression.of) {
			const inner = this.eval(expression.of, rule);
			start =
				'missing' in inner
					? inner
					: { date: inner.value.date, trace: inner.value.trace, label: 'that day' };
		} else start = this.start(expression.from);
		if ('missing' in start) return start;
		const { date: from, trace: before } = start;
		const { method, cal } = this.by(rule);
		if (expression.kind === 'day') {
			const label = expression.label ?? start.label ?? 'That day';
			// A date by hand is never rolled silently: it gets a warning.
			const closed =
				expression.from !== 'event' && 'answer' in expression.from
					? cal.closed(toDay(from), 1)
					: undefined;
			return {
				value: {
					date: from,
					time: null,
					trace: () => [
						...before(),
						{ step: 'taken', date: from, label },
						...(closed ? [{ step: 'stays' as const, date: from, name: closed.name }] : [])
					]
				}
			};
		}

		const amount = parseAmount(expression.amount);
		const own = expression.from === 'event' && !expression.of;
		const service = (own || expression.serviceAnswer) && !rule.by ? this.input.service : undefined;
		const time = parseTime(this.input.time);
		if (amount.unit === 'h' && time === undefined)
			return { missing: 'A count in hours needs the time of the event (HH:MM).' };
		const label = expression.label ?? start.label;
		const counted = count(method, cal, {
			from,
			amount,
			act: rule.act,
			roll: expression.next === undefined ? expression.roll : 'none',
			everyDay: expression.everyDay,
			deemed: true,
			...(time === undefined ? {} : { time }),
			...(service === undefined ? {} : { service, extends: expression.ext }),
			...(expression.adds ? { adds: { kinds: expression.adds, authority: rule.authority } } : {}),
			...(label === undefined ? {} : { label })
		});
		const cautious: Step[] = expression.cautious
			? [{ step: 'cautious', text: expression.cautious }]
			: [];
		if (expression.next === undefined)
			return {
				value: {
					date: counted.date,
					time: expression.time ?? counted.time,
					trace: () => [...before(), ...counted.trace, ...cautious]
				}
			};
		const next = nextWeekday(method, cal, counted.date, expression.next, rule.authority);
		return {
			value: {
				date: next.date,
				time: expression.time ?? null,
				trace: () => [...before(), ...counted.trace, ...cautious, ...next.trace]
			}
		};
	}

	choose(item: Extract<Expression, { kind: 'choose' }>, rule: Rule): Outcome {
		const options: { label: string; value: Value }[] = [];
		const missing: string[] = [];
		for (const part of item.of) {
			const outcome = this.eval(part, rule);
			if ('missing' in outcome) missing.push(outcome.missing);
			else options.push({ label: describe(part, this.event), value: outcome.value });
		}
		if (options.length === 0) return { missing: missing.join(' ') };
		const notes: Step[] = missing.map((text) => ({
			step: 'missing',
			text: `${text} Only the part that could be counted was counted.`
		}));
		if (options.length === 1) {
			const { date, time, trace } = options[0]!.value;
			return { value: { date, time, trace: () => [...trace(), ...notes] } };
		}
		const best = options.reduce((a, b) =>
			(item.which === 'earlier' ? b.value.date < a.value.date : b.value.date > a.value.date) ? b : a
		);
		return {
			value: {
				date: best.value.date,
				time: best.value.time,
				trace: () => [
					...options.flatMap((option) => option.value.trace()),
					{
						step: 'chosen',
						which: item.which,
						options: options.map((option) => ({ label: option.label, date: option.value.date })),
						date: best.value.date
					},
					...notes
				]
			}
		};
	}
}

function describe(expression: Expression, event: BookEvent): string {
	if (expression.kind === 'choose') return `the ${expression.which} of its parts`;
	const from = (start: Start): string =>
		start === 'event'
			? 'the event'
			: 'answer' in start
				? asLabel(
						event.questions.find((question) => question.id === start.answer)?.ask ?? start.answer
					)
				: `"${start.deadline}"`;
	if (expression.kind === 'day') return expression.label ?? from(expression.from);
	const a = parseAmount(expression.amount);
	return `${formatAmount(a.n, a.unit)} ${a.sign === 1 ? 'after' : 'before'} ${expression.of ? 'that' : (expression.label ?? from(expression.from))}`;
}

const asLabel = (ask: string) => ask.replace(/\?$/, '').replace(/^./, (text) => text.toLowerCase());

function dedupe(notes: Step[]): Step[] {
	const seen = new Set<string>();
	return notes.filter((n) => {
		const key = JSON.stringify(n);
		return seen.has(key) ? false : (seen.add(key), true);
	});
}
