/** A rulebook: its schema, its layers, and the errors that name the line to mend. */
import { z } from 'zod';
import { CourtCalendar, type Closure } from '../dates/calendar.ts';
import { Holidays, type HolidayRule } from '../dates/holidays.ts';
import { parseDate } from '../dates/plain.ts';
import { amount, expression, type Expression } from './expression.ts';
import { OCCASIONS, type Occasion } from '../docket/occasion.ts';
import { faultsOf, faultWords, type BookFault } from './faults.ts';
import { methodSchema, type Method } from './method.ts';
import { slugOf } from './slug.ts';

const plainDate = z.string().refine((text) => parseDate(text) !== undefined, {
	message: 'is not a date that exists: write it like "2026-11-30"'
});
/** Conditions: a question's answer, or the event's date before a day. All must hold. */
const when = z.strictObject({
	answers: z.record(z.string(), z.string()).optional(),
	before: plainDate.optional()
});

const example = z.strictObject({
	date: plainDate,
	time: z.string().optional(),
	service: z.string().optional(),
	answers: z.record(z.string(), z.string()).optional(),
	closures: z.array(plainDate).optional(),
	/** The date out; or null where the deadline does not arise. */
	gives: plainDate.nullable(),
	at: z.string().optional()
});

/** A word by which dates are found together: motion, trial, discovery. */
const tags = z
	.array(z.string().regex(/^[a-z][a-z -]{1,30}$/, 'a tag is a word or two in small letters'))
	.default([]);

const deadline = z.strictObject({
	title: z.string().min(3),
	authority: z.string().min(3, 'a rule needs its authority'),
	/** The words of the authority, or where they can be read. */
	text: z.string().max(6000).optional(),
	link: z
		.string()
		.regex(/^https?:\/\/\S+$/, 'a link begins with https://')
		.optional(),
	tags,
	act: z.enum(['file', 'serve']),
	count: expression.optional(),
	/** The first that holds replaces `count`. */
	variants: z
		.array(
			z
				.strictObject({ when, count: expression, say: z.string().optional() })
				.transform(({ say, ...variant }) => ({ ...variant, note: say }))
		)
		.default([]),
	/** The deadline arises only where this holds. */
	only: when.optional(),
	note: z.string().optional(),
	/** Counted as another book counts: a paper of a state case that is due in a federal court. */
	by: z.string().optional(),
	/** Who does it, in a timeline or a calendar of the department's own. */
	owner: z.string().max(60).optional(),
	examples: z.array(example).default([])
});

const question = z.strictObject({
	id: z.string().regex(/^[a-z0-9-]+$/, 'has small letters, digits and hyphens only'),
	ask: z.string(),
	kind: z.enum(['choice', 'date']),
	options: z
		.array(
			z
				.strictObject({ id: z.string(), say: z.string() })
				.transform(({ id, say }) => ({ id, label: say }))
		)
		.optional(),
	/** Asked only where another question has this answer. */
	if: z.record(z.string(), z.string()).optional(),
	/** A date that cannot lie before or after the event itself. */
	must: z.enum(['not-after-event', 'not-before-event']).optional()
});

const suggestion = z.strictObject({ title: z.string(), of: z.string(), count: amount });

const eventSchema = z.strictObject({
	event: z.string().min(3),
	/** Asks how it was served. */
	served: z.boolean().default(false),
	/** It lies ahead when it is entered: a hearing or a trial. */
	ahead: z.enum([...OCCASIONS, 'date']).optional(),
	/** Whatever the way of service, its day is deemed as for this one (a claim form: CPR 6.14). */
	deemedBy: z.string().optional(),
	/** What its date is, where that is not plain. */
	hint: z.string().optional(),
	questions: z.array(question).default([]),
	/** Of every deadline of the event. */
	tags,
	deadlines: z.array(deadline).default([]),
	/** Early warnings the department suggests; not from law. */
	suggestions: z.array(suggestion).default([])
});

const bookSchema = z.strictObject({
	book: z.string().regex(/^[a-z0-9.-]+$/, 'has small letters, digits, points and hyphens only'),
	title: z.string(),
	short: z.string(),
	version: z.string(),
	reviewed: plainDate,
	/** What is otherwise than in the version before: why dates docketed by that may change. */
	changed: z.string().max(600).optional(),
	extends: z.string().optional(),
	/** Whose rules they are. Rules of a court or an agency need two worked examples each. */
	sort: z.enum(['court', 'agency', 'transaction', 'compliance', 'order']).default('court'),
	/**
	 * Counts as another book does, without its events: for timelines and calendars of the
	 * department's own.
	 */
	counts: z.string().optional(),
	method: z.unknown().optional(),
	/** Rules of the book below that do not apply here: `event-id/rule-id`. */
	off: z.array(z.string()).default([]),
	/** Rules of the book below that count differently here, each with its own authority. */
	replace: z
		.array(
			z.strictObject({
				rule: z.string(),
				count: expression,
				authority: z.string().min(3, 'a rule needs its authority'),
				note: z.string().optional()
			})
		)
		.default([]),
	events: z.array(eventSchema).default([])
});

export type BookFile = z.infer<typeof bookSchema>;
export type Rule = z.infer<typeof deadline> & { id: string; book: string };
export type Question = z.infer<typeof question>;
type Suggestion = z.infer<typeof suggestion>;
export type BookEvent = {
	id: string;
	text: string;
	served: boolean;
	ahead: Occasion | 'date' | null;
	deemedBy: string | null;
	hint: string | null;
	questions: Question[];
	tags: string[];
	rules: Rule[];
	suggestions: Suggestion[];
};

export type Rulebook = {
	id: string;
	title: string;
	short: string;
	version: string;
	/** The oldest review among the layers. */
	reviewed: string;
	/** What is otherwise than in the versions before, layer by layer. */
	changes: { version: string; text: string }[];
	layers: string[];
	method: Method;
	calendar: CourtCalendar;
	events: Map<string, BookEvent>;
	sort: BookFile['sort'];
	/** How the books count that some rule here is counted by. */
	others: Map<string, { method: Method; calendar: CourtCalendar; layers: string[] }>;
};

/** A book that does not hold together, in words that say where. */
export class BookError extends Error {}

/** Reads the schema of a book alone; whether its rules have examples is asked apart. */
export function parseBookShape(data: unknown): { file: BookFile } | { faults: BookFault[] } {
	const parsed = bookSchema.safeParse(data, { error: faultWords });
	if (parsed.success) return { file: parsed.data };
	return { faults: parsed.error.issues.flatMap((issue) => faultsOf(issue)) };
}

/** The rules of a court or an agency that have fewer than two worked examples. */
export function findUnexampled({ sort, events }: BookFile): BookFault[] {
	if (sort !== 'court' && sort !== 'agency') return [];
	return events.flatMap(({ deadlines }, at) =>
		deadlines.flatMap(({ title, examples }, index) =>
			examples.length < 2
				? {
						path: ['events', at, 'deadlines', index],
						message: `"${title}": a rule needs at least two examples`
					}
				: []
		)
	);
}

/** Reads one book from data (parsed YAML), or says every fault with its place. */
export function parseBookOrFaults(data: unknown): { file: BookFile } | { faults: BookFault[] } {
	const read = parseBookShape(data);
	if ('faults' in read) return read;
	const faults = findUnexampled(read.file);
	return faults.length ? { faults } : read;
}

/** Reads one book from data (parsed YAML). Throws BookError naming the place. */
export function parseBook(data: unknown): BookFile {
	const read = parseBookOrFaults(data);
	if ('file' in read) return read.file;
	const name =
		typeof data === 'object' && data !== null && 'book' in data
			? String((data as { book: unknown }).book)
			: 'the book';
	throw new BookError(
		`${name}: at ${read.faults[0]!.path.join(' / ') || 'the top'}: ${read.faults[0]!.message}`
	);
}

/**
 * The method of a chain of books: what a book above says replaces what one below says, part by
 * part.
 */
function methodOf(
	id: string,
	chain: readonly BookFile[]
): { method: Method; calendar: CourtCalendar } {
	const written: unknown = Object.assign({}, ...chain.map((item) => item.method ?? {}));
	if (Object.keys(written as object).length === 0)
		throw new BookError(
			`${id} does not say how its court counts: let it lie over another book, or count as one does`
		);
	const read = methodSchema.safeParse(written, { error: faultWords });
	if (!read.success) {
		const [fault] = read.error.issues.flatMap((issue) => faultsOf(issue));
		throw new BookError(`${id}: method / ${fault?.path.join(' / ')}: ${fault?.message}`);
	}
	const other = read.data;
	return {
		method: other,
		calendar: new CourtCalendar(
			new Holidays(other.holidays as HolidayRule[]),
			new Holidays(other.forwardHolidays as HolidayRule[]),
			new Holidays(other.backwardHolidays as HolidayRule[])
		)
	};
}

function chainOf(files: ReadonlyMap<string, BookFile>, id: string): BookFile[] {
	const chain: BookFile[] = [];
	for (let at: string | undefined = id; at !== undefined;) {
		const file: BookFile | undefined = files.get(at);
		if (!file)
			throw new BookError(
				chain.length
					? `${chain[0]!.book} extends ${at}, which does not exist`
					: `there is no rulebook "${at}"; choose ${[...files.keys()].sort().join(', ')}`
			);
		if (chain.includes(file))
			throw new BookError(`${id}: the books extend one another in a circle`);
		chain.unshift(file);
		at = file.extends;
	}
	return chain;
}

/** Lays the books over one another and checks that everything named exists. Throws BookError. */
export function layerBooks(files: ReadonlyMap<string, BookFile>, id: string): Rulebook {
	const chain = chainOf(files, id);
	const { method, calendar } = methodOf(id, [
		...chain.flatMap((item) => (item.counts ? chainOf(files, item.counts) : [])),
		...chain
	]);
	const others: Rulebook['others'] = new Map();

	const events = new Map<string, BookEvent>();
	for (const file of chain) {
		for (const off of file.off) {
			const [eventId, ruleId] = off.split('/');
			const event = events.get(eventId ?? '');
			if (!event?.rules.some((rule) => rule.id === ruleId))
				throw new BookError(`${file.book}: switches off ${off}, which is not in the book below`);
			event.rules = event.rules.filter((rule) => rule.id !== ruleId);
			event.suggestions = event.suggestions.filter((x) => x.of !== ruleId);
		}
		for (const item of file.replace) {
			const [eventId, ruleId] = item.rule.split('/');
			const rules = events.get(eventId ?? '')?.rules;
			const at = rules?.findIndex((x) => x.id === ruleId) ?? -1;
			if (at === -1)
				throw new BookError(`${file.book}: replaces ${item.rule}, which is not in the book below`);
			// Another count: the variants and the counting by another book of the rule below are gone
			// with its old one.
			const { by: _, ...below } = rules![at]!;
			rules![at] = {
				...below,
				count: item.count,
				variants: [],
				authority: item.authority,
				book: file.book,
				examples: [],
				...(item.note ? { note: item.note } : {})
			};
		}
		for (const item of file.events) {
			const eventId = slugOf(item.event);
			let event = events.get(eventId);
			if (!event)
				events.set(
					eventId,
					(event = {
						id: eventId,
						text: item.event.replace(/\s*\(.*$/, ''),
						served: item.served,
						ahead: item.ahead ?? null,
						deemedBy: item.deemedBy ?? null,
						hint: item.hint ?? null,
						questions: [],
						tags: item.tags,
						rules: [],
						suggestions: []
					})
				);
			event.served ||= item.served;
			for (const other of item.questions)
				if (!event.questions.some((x) => x.id === other.id)) event.questions.push(other);
			for (const other of item.deadlines) {
				let ruleId = slugOf(other.title);
				while (event.rules.some((rule) => rule.id === ruleId)) ruleId += '-2';
				const all = [...new Set([...event.tags, ...item.tags, ...other.tags])];
				event.rules.push({ ...other, tags: all, id: ruleId, book: file.book });
				if (other.by && !others.has(other.by)) {
					const chain = chainOf(files, other.by);
					others.set(other.by, {
						...methodOf(other.by, chain),
						layers: chain.map((each) => each.book)
					});
				}
			}
			event.suggestions.push(...item.suggestions);
		}
	}
	for (const event of events.values()) checkEvent(id, event, method);
	return {
		id,
		title: chain.at(-1)!.title,
		short: chain.map((item) => item.short).join(' + '),
		version: chain.map((item) => item.version).join('+'),
		reviewed: chain.map((item) => item.reviewed).sort()[0]!,
		changes: chain.flatMap(({ version, changed }) =>
			changed === undefined ? [] : [{ version, text: changed }]
		),
		layers: [
			...new Set(
				chain.flatMap((item) => [
					...(item.counts ? chainOf(files, item.counts).map((x) => x.book) : []),
					item.book
				])
			)
		],
		method,
		calendar,
		events,
		sort: chain.at(-1)!.sort,
		others
	};
}

function checkEvent(book: string, event: BookEvent, method: Method): void {
	const questions = new Map(event.questions.map((item) => [item.id, item]));
	const where = (rule: string) => `${book}: ${event.text} / ${rule}`;
	for (const item of event.questions)
		if (item.kind === 'choice' && (item.options?.length ?? 0) < 2)
			throw new BookError(`${where(item.ask)}: a choice needs two options`);
	const uses = new Map<string, string[]>();
	const visit = (rule: Rule, item: Expression): void => {
		if (item.kind === 'choose') return item.of.forEach((x) => visit(rule, x));
		if (item.kind === 'count' && item.of) visit(rule, item.of);
		if (item.kind === 'count')
			for (const way of Object.keys(item.adds ?? {}))
				if (!(way in (method.services?.kinds ?? {})))
					throw new BookError(
						`${where(rule.title)}: "${way}" is not a way of service of this book`
					);
		if (item.from === 'event') return;
		if ('answer' in item.from) {
			if (questions.get(item.from.answer)?.kind !== 'date')
				throw new BookError(
					`${where(rule.title)}: there is no question for a date "${item.from.answer}"`
				);
		} else {
			if (!event.rules.some((other) => other.id === (item.from as { deadline: string }).deadline))
				throw new BookError(
					`${where(rule.title)}: there is no deadline "${item.from.deadline}" on this event`
				);
			uses.set(rule.id, [...(uses.get(rule.id) ?? []), item.from.deadline]);
		}
	};
	for (const rule of event.rules) {
		if (!rule.count && rule.variants.length === 0)
			throw new BookError(`${where(rule.title)}: it has no count`);
		for (const item of [rule.count, ...rule.variants.map((variant) => variant.count)])
			if (item) visit(rule, item);
		for (const item of [rule.only, ...rule.variants.map((variant) => variant.when)])
			for (const [query, a] of Object.entries(item?.answers ?? {}))
				if (!questions.get(query)?.options?.some((option) => option.id === a))
					throw new BookError(`${where(rule.title)}: "${query}" has no answer "${a}"`);
	}
	for (const item of event.questions)
		for (const [other, a] of Object.entries(item.if ?? {}))
			if (!questions.get(other)?.options?.some((option) => option.id === a))
				throw new BookError(`${where(item.ask)}: "${other}" has no answer "${a}"`);
	if (event.deemedBy !== null && !method.deemed?.kinds[event.deemedBy])
		throw new BookError(`${where(event.deemedBy)}: this book knows no such way of service`);
	const visiting = new Set<string>();
	const walk = (id: string): void => {
		if (visiting.has(id))
			throw new BookError(`${where(id)}: deadlines hang on one another in a circle`);
		visiting.add(id);
		uses.get(id)?.forEach(walk);
		visiting.delete(id);
	};
	for (const id of uses.keys()) walk(id);
	for (const item of event.suggestions)
		if (!event.rules.some((rule) => rule.id === item.of))
			throw new BookError(`${where(item.title)}: there is no deadline "${item.of}" to warn of`);
}

/** Whether something of the event is counted in hours, so that its time of day must be known. */
export function needsTime(event: BookEvent): boolean {
	const inHours = (item: Expression | undefined): boolean =>
		!item
			? false
			: item.kind === 'choose'
				? item.of.some(inHours)
				: item.kind === 'count'
					? item.amount.endsWith('h') || inHours(item.of)
					: false;
	return event.rules.some((rule) =>
		[rule.count, ...rule.variants.map((variant) => variant.count)].some(inHours)
	);
}

/**
 * The calendar of a book with the department's closures: those of the book itself, and those
 * entered for one under it.
 */
export function calendarOf(book: Rulebook, closures: readonly Closure[]): CourtCalendar {
	return book.calendar.with(
		closures.filter((closure) => closure.book === undefined || book.layers.includes(closure.book))
	);
}
