/**
 * What a judge's order says, line by line, as rules in the schema of a book laid over the matter's
 * book.
 */
import { z } from 'zod';
import { parseBookOrFaults, type Rulebook } from '#core/rulebooks/book.ts';
import type { BookFault } from '#core/rulebooks/faults.ts';
import { Refused } from '#server/app/errors.ts';
import { day, id, maybeId, text } from '#server/app/fields.ts';
import type { MatterOrderRow } from './rows.ts';

const line = z.object({
	do: z.enum(['replace', 'off', 'add']),
	event: z.string().max(120).default(''),
	rule: z.string().max(160).default(''),
	count: z.string().trim().max(40).default(''),
	title: z.string().trim().max(200).default(''),
	act: z.enum(['file', 'serve']).default('file'),
	/** The paragraph of the order that says so, or empty. */
	authority: z.string().trim().max(100).default('')
});
type OrderLine = z.output<typeof line>;

export const orderInput = z.object({
	matterId: id('a matter'),
	book: id('a rulebook'),
	sort: z.enum(['standing order', 'scheduling order'], { error: 'Say what kind of order it is.' }),
	title: text('The order', 200),
	dated: day('The date of the order'),
	documentId: maybeId,
	lines: z
		.array(line)
		.min(1, 'An order says at least one thing: replace, add or switch off a date.')
		.max(60)
});
export type OrderInput = z.output<typeof orderInput>;

export type OrderRules = {
	book: string;
	off: string[];
	replace: { rule: string; count: string; authority: string }[];
	events: {
		event: string;
		deadlines: { title: string; authority: string; act: string; count: string }[];
	}[];
};

/** The order's rules. @throws Refused beside the line at fault (`lines.2`) */
export function makeOrderRules(below: Rulebook, order: OrderInput, orderId: string): OrderRules {
	order.lines.forEach((line, index) => {
		const fault = findLineFault(below, line);
		if (fault) throw new Refused(fault, `lines.${index}`);
	});
	const rules = {
		book: `order.${orderId.replaceAll('_', '-').toLowerCase()}`,
		title: order.title,
		short: order.sort,
		version: order.dated,
		reviewed: order.dated,
		sort: 'order',
		extends: order.book,
		off: order.lines.filter((line) => line.do === 'off').map(ruleKey),
		replace: order.lines
			.filter((line) => line.do === 'replace')
			.map((line) => ({ rule: ruleKey(line), count: line.count, authority: order.title })),
		events: addedEvents(below, order)
	};
	const read = parseBookOrFaults(rules);
	const [fault] = 'faults' in read ? read.faults : [];
	if (fault) throw new Refused(fault.message, `lines.${faultyLine(order, fault)}`);
	return rules;
}

const ruleKey = ({ event, rule }: OrderLine) => `${event}/${rule}`;

function findLineFault(below: Rulebook, line: OrderLine): string | undefined {
	const event = below.events.get(line.event);
	if (!event) return 'Choose the event.';
	if (line.do !== 'add' && !event.rules.some((rule) => rule.id === line.rule))
		return `Choose which date of “${event.text}”.`;
	if (line.do !== 'off' && line.count === '') return 'Give the days, like +21d, -14d or -5cd.';
	if (line.do === 'add' && line.title.length < 3) return 'Name the date that the order adds.';
	return undefined;
}

function addedEvents(below: Rulebook, { lines, title }: OrderInput): OrderRules['events'] {
	const added = new Map<string, OrderRules['events'][number]>();
	for (const line of lines) {
		const event = below.events.get(line.event);
		if (line.do !== 'add' || !event) continue;
		const known = added.get(line.event) ?? { event: event.text, deadlines: [] };
		const { act, count } = line;
		const authority = line.authority ? `${title}, ${line.authority}` : title;
		known.deadlines.push({ title: line.title, authority, act, count });
		added.set(line.event, known);
	}
	return [...added.values()];
}

/** Which line of the form a fault of the made book lies in. */
function faultyLine({ lines }: OrderInput, { path }: BookFault): number {
	if (path[0] !== 'replace')
		return Math.max(
			0,
			lines.findIndex((line) => line.do === 'add')
		);
	const replacing = lines.filter((line) => line.do === 'replace')[Number(path[1])];
	return replacing ? lines.indexOf(replacing) : 0;
}

/** What the lines of an order do, in words, for the logbook. */
export const describeLines = (lines: readonly OrderLine[]): string =>
	lines
		.map((line) => {
			const rule = line.rule.replaceAll('-', ' ');
			if (line.do === 'off') return `switches off ${rule}`;
			return line.do === 'replace'
				? `replaces ${rule} by ${line.count}`
				: `adds ${line.title} (${line.count})`;
		})
		.join('; ');

/** What a stored order says, in words. */
export function describeRules(base: Rulebook, row: Pick<MatterOrderRow, 'rules'>): string[] {
	const rules = JSON.parse(row.rules) as OrderRules;
	const name = (key: string) => {
		const [eventId = '', ruleId] = key.split('/');
		const event = base.events.get(eventId);
		const rule = event?.rules.find(({ id }) => id === ruleId);
		return `${rule?.title ?? ruleId} (${event?.text ?? eventId})`;
	};
	return [
		...rules.replace.map(({ rule, count }) => `${name(rule)}: ${count}`),
		...rules.off.map((rule) => `${name(rule)}: switched off`),
		...rules.events.flatMap(({ event, deadlines }) =>
			deadlines.map(({ title, count }) => `${title} (${event}): ${count}, added`)
		)
	];
}
