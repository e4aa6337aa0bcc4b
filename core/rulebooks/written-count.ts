/**
 * A count as a form holds it: every part a plain value that a field can show, between the count as
 * it is written in a book and the screen. Nothing is judged here; what cannot be read stays as it
 * is written.
 */
import type { Unit } from '../docket/trace.ts';
import type { Expression, Start } from './expression.ts';
import { filled } from './filled.ts';
import { describeExpression } from './words.ts';
import { WEEKDAYS } from '../dates/plain.ts';

export type CountOf = {
	kind: 'count';
	n: string;
	unit: Unit;
	way: 'after' | 'before';
	/** `event`; `answer:id`; `answer-or-event:id`; `deadline:id`; `count`, which is `of`. */
	from: string;
	of?: WrittenCount;
	ext: boolean;
	roll: 'usual' | 'towards' | 'none';
	everyDay: boolean;
	/** A weekday's name, or nothing. */
	next: string;
	time: string;
	label: string;
	cautious: string;
	/** Parts for which the form has no field; they are kept. */
	rest: Record<string, unknown>;
};
export type WrittenCount =
	| CountOf
	| { kind: 'earlier'; of: WrittenCount[] }
	| { kind: 'later'; of: WrittenCount[] }
	| { kind: 'day'; from: string; label: string }
	/** What cannot be read as a count, as it is written. */
	| { kind: 'unread'; written: unknown };

const SHORT = /^([+-])(\d+)(cd|d|w|m|y|h)( ext)?( no roll| towards)?$/;
const AMOUNT = /^([+-])(.*?)(cd|d|w|m|y|h)$/;
type Raw = Record<string, unknown>;
const isRaw = (value: unknown): value is Raw =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
const text = (value: unknown): string =>
	typeof value === 'string' || typeof value === 'number' ? String(value) : '';

/** A count that a form begins with. */
export const emptyCount = (): CountOf => ({
	kind: 'count',
	n: '',
	unit: 'd',
	way: 'after',
	from: 'event',
	ext: false,
	roll: 'usual',
	everyDay: false,
	next: '',
	time: '',
	label: '',
	cautious: '',
	rest: {}
});

function readStart(written: unknown): string | undefined {
	if (written === undefined || written === 'event') return 'event';
	if (!isRaw(written)) return undefined;
	if (typeof written['deadline'] === 'string') return `deadline:${written['deadline']}`;
	if (typeof written['answer'] !== 'string') return undefined;
	return `${written['else'] === 'event' ? 'answer-or-event' : 'answer'}:${written['answer']}`;
}

function writeStart(from: string): unknown {
	const [kind = '', id = ''] = from.split(':');
	if (kind === 'deadline') return { deadline: id };
	if (kind === 'answer') return { answer: id };
	if (kind === 'answer-or-event') return { answer: id, else: 'event' };
	return 'event';
}

function readAmount(written: unknown): Pick<CountOf, 'n' | 'unit' | 'way'> | undefined {
	const match = AMOUNT.exec(text(written));
	if (!match) return undefined;
	return { way: match[1] === '-' ? 'before' : 'after', n: match[2]!, unit: match[3] as Unit };
}

/** Reads a count as it is written in a book. */
export function readCount(written: unknown): WrittenCount {
	if (written === undefined || written === null) return emptyCount();
	if (typeof written === 'string') {
		const match = SHORT.exec(written);
		if (!match) return { kind: 'unread', written };
		return {
			...emptyCount(),
			way: match[1] === '-' ? 'before' : 'after',
			n: match[2]!,
			unit: match[3] as Unit,
			ext: match[4] !== undefined,
			roll: match[5] === ' no roll' ? 'none' : match[5] === ' towards' ? 'towards' : 'usual'
		};
	}
	if (!isRaw(written)) return { kind: 'unread', written };
	for (const kind of ['earlier', 'later'] as const)
		if (Array.isArray(written[kind])) return { kind, of: written[kind].map(readCount) };
	if ('day' in written) {
		const from = readStart(written['day']);
		return from
			? { kind: 'day', from, label: text(written['label']) }
			: { kind: 'unread', written };
	}
	return readLong(written);
}

function readLong(written: Raw): WrittenCount {
	const { count, from, of, ext, roll, everyDay, next, time, label, cautious, ...rest } = written;
	const amount = readAmount(count);
	const start = readStart(from);
	if (!amount || !start) return { kind: 'unread', written };
	return {
		...emptyCount(),
		...amount,
		from: of === undefined ? start : 'count',
		...(of === undefined ? {} : { of: readCount(of) }),
		ext: ext === true,
		roll: roll === 'towards' || roll === 'none' ? roll : 'usual',
		everyDay: everyDay === true,
		next: text(next),
		time: text(time),
		label: text(label),
		cautious: text(cautious),
		rest
	};
}

const ROLL_WORDS = { usual: '', towards: ' towards', none: ' no roll' } as const;

/** Writes a count as a book has it: in one word where that says all. */
export function writeCount(count: WrittenCount): unknown {
	if (count.kind === 'unread') return count.written;
	if (count.kind === 'day')
		return { day: writeStart(count.from), ...(count.label ? { label: count.label } : {}) };
	if (count.kind !== 'count') return { [count.kind]: count.of.map(writeCount) };
	const amount = `${count.way === 'before' ? '-' : '+'}${count.n.trim()}${count.unit}`;
	const { from, of, ext, roll, everyDay, next, time, label, cautious, rest } = count;
	const further = { ...filled({ everyDay, next, time, label, cautious }), ...rest };
	if (from === 'event' && Object.keys(further).length === 0)
		return `${amount}${ext ? ' ext' : ''}${ROLL_WORDS[roll]}`;
	return filled({
		count: amount,
		of: from === 'count' && of ? writeCount(of) : undefined,
		from: from === 'count' || from === 'event' ? undefined : writeStart(from),
		ext,
		roll: roll === 'usual' ? '' : roll,
		...further
	});
}

const startOf = (from: string): Start => (from === 'count' ? 'event' : (writeStart(from) as Start));

/** The count as the engine has it; undefined where it is not whole yet. */
function expressionOf(count: WrittenCount): Expression | undefined {
	if (count.kind === 'unread') return undefined;
	if (count.kind === 'day') return { kind: 'day', from: startOf(count.from) };
	if (count.kind !== 'count') {
		const of = count.of.map(expressionOf).filter((part) => part !== undefined);
		return of.length < 2 ? undefined : { kind: 'choose', which: count.kind, of };
	}
	const { n, unit, way, from, ext, roll, everyDay, next, time } = count;
	const of = from === 'count' && count.of ? expressionOf(count.of) : undefined;
	if (!/^\d{1,5}$/.test(n.trim()) || (from === 'count' && !of)) return undefined;
	const weekday = WEEKDAYS.findIndex((name) => name.toLowerCase() === next);
	return {
		kind: 'count',
		amount: `${way === 'before' ? '-' : '+'}${n.trim()}${unit}`,
		from: startOf(from),
		...(of ? { of } : {}),
		ext,
		roll,
		everyDay,
		...(weekday < 0 ? {} : { next: weekday }),
		...(time ? { time } : {})
	};
}

/** How the count reads: "21 days after"; empty until it is whole. */
export function describeWritten(count: WrittenCount, dayWord: string): string {
	const expression = expressionOf(count);
	if (!expression) return '';
	try {
		return describeExpression(expression, dayWord);
	} catch {
		return '';
	}
}
