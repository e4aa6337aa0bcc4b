/**
 * Reads a book as somebody writes it: every fault at its line, every example counted anew.
 * Computation alone, without the database: it runs in a worker.
 */
import { isNode, LineCounter, parseDocument, visit, type Document } from 'yaml';
import { plainDate } from '#core/dates/plain.ts';
import { CountError } from '#core/docket/amount.ts';
import { propose } from '#core/docket/propose.ts';
import { explainTrace } from '#core/docket/trace.ts';
import {
	BookError,
	findUnexampled,
	parseBookShape,
	type BookFile,
	type Rulebook
} from '#core/rulebooks/book.ts';
import type { BookFault } from '#core/rulebooks/faults.ts';
import { slugOf } from '#core/rulebooks/slug.ts';
import { Shelf, shippedShelf, type Order } from './shelf.ts';
import { placeWords } from './place-words.ts';
import { originsOf, soundPart, type Origin, type SoundPart } from './sound-part.ts';
import { yamlFaultWords } from './yaml-faults.ts';

type Path = (string | number)[];
/**
 * What is wrong, its line in the text, where it lies in the book where that is known, and what to
 * say beside that place itself.
 */
export type Fault = { line: number; message: string; path?: Path; short?: string };
export type ExampleView = {
	line: number;
	path: Path;
	event: string;
	rule: string;
	date: string;
	service: string | null;
	answers: string;
	/** What the count gives now. */
	counted: string | null;
	/** What the book says it gives. */
	gives: string | null;
	/** Whether it says already what it gives. */
	said: boolean;
	agrees: boolean;
	sentences: string[];
};
export type CheckedBook = { faults: Fault[]; examples: ExampleView[]; file: BookFile | null };

export type BookDraft = {
	yaml: string;
	/** The book of which this is a version; null where it is a new one. */
	expect: string | null;
	/** The department's own books as they stand, in the place of shipped ones. */
	own: BookFile[];
	/** Orders of matters that lie over books and must go on holding together. */
	orders: (Order & { book: string })[];
};

/** More characters than this are not read. */
export const BOOK_LIMIT = 400_000;
/** More faults than this are not listed. */
const FAULTS_SHOWN = 30;

/** Finds the line of a place in the document, or of the nearest place around it. */
class Places {
	readonly #document: Document;
	readonly #lines: LineCounter;
	constructor(document: Document, lines: LineCounter) {
		this.#document = document;
		this.#lines = lines;
	}
	lineAt(offset: number | undefined): number {
		return offset === undefined ? 1 : Math.max(1, this.#lines.linePos(offset).line);
	}
	lineOf(path: readonly (string | number)[]): number {
		for (let length = path.length; length > 0; length--) {
			const node = this.#document.getIn(path.slice(0, length), true);
			if (isNode(node) && node.range) return this.lineAt(node.range[0]);
		}
		return 1;
	}
}

/** Checks a draft. Nothing is thrown for what somebody can write. */
export function checkBook(draft: BookDraft): CheckedBook {
	const faulty = (...faults: Fault[]): CheckedBook => ({ faults, examples: [], file: null });
	if (draft.yaml.length > BOOK_LIMIT)
		return faulty({ line: 1, message: 'The book is larger than 400 KB.' });
	const lines = new LineCounter();
	const document = parseDocument(draft.yaml, { lineCounter: lines, prettyErrors: false });
	const places = new Places(document, lines);
	const syntax = findSyntaxFaults(document, places);
	if (syntax.length) return faulty(...syntax);
	const written: unknown = document.toJS();
	const read = parseBookShape(written);
	if ('faults' in read) return checkPart(draft, { written, places, faults: read.faults });
	const { file } = read;
	const identity = findIdentityFault(draft, file, places);
	if (identity) return faulty(identity);
	const shelf = shelfWith(draft, file);
	const faults = findLayerFaults(file, shelf, places);
	if (faults.length) return { faults, examples: [], file };
	const examples = checkExamples(shelf.book(file.book), { file, origins: originsOf(file) }, places);
	return {
		faults: [
			...findUnexampled(file).map((fault) => ({ ...fault, line: places.lineOf(fault.path) })),
			...findOrderFaults(draft, file, shelf),
			...examples.filter(({ agrees }) => !agrees).map(exampleFault)
		],
		examples,
		file
	};
}

/** The books of the house with the draft among them. */
const shelfWith = ({ own }: BookDraft, file: BookFile): Shelf =>
	new Shelf(
		new Map([...shippedShelf().files, ...own.map((other) => [other.book, other] as const)])
	).with(file);

/** A book with faults in its shape: those, and the examples of what is sound already. */
function checkPart(
	draft: BookDraft,
	{ written, places, faults }: { written: unknown; places: Places; faults: readonly BookFault[] }
): CheckedBook {
	const sound = soundPart(written, faults);
	const examples = sound ? checkSound(draft, sound, places) : [];
	const inShape = faults.map(({ path, message }) => ({
		line: places.lineOf(path),
		path,
		short: message,
		message: path.length ? `${placeWords(path, written)}: ${message}` : message
	}));
	const wrong = examples.filter(({ said, agrees }) => said && !agrees).map(exampleFault);
	return { faults: [...inShape, ...wrong].slice(0, FAULTS_SHOWN), examples, file: null };
}

function checkSound(draft: BookDraft, sound: SoundPart, places: Places): ExampleView[] {
	try {
		const book = shelfWith(draft, sound.file).book(sound.file.book);
		return checkExamples(book, sound, places);
	} catch (error) {
		// What is left of it does not lie over the book below yet: nothing can be counted.
		if (error instanceof BookError) return [];
		throw error;
	}
}

function findSyntaxFaults(document: Document.Parsed, places: Places): Fault[] {
	if (document.errors.length)
		return document.errors.slice(0, 20).map((error) => ({
			line: places.lineAt(error.pos[0]),
			message: yamlFaultWords(error)
		}));
	let alias: number | undefined;
	visit(document, {
		Alias(_key, node) {
			alias ??= node.range?.[0] ?? 0;
			return visit.BREAK;
		}
	});
	if (alias === undefined) return [];
	const message = 'A book does not refer to its own parts by an alias (*name): write the part out.';
	return [{ line: places.lineAt(alias), message }];
}

function findIdentityFault(
	{ expect }: BookDraft,
	file: BookFile,
	places: Places
): Fault | undefined {
	if (expect !== null && file.book !== expect) {
		const message = `This book is “${expect}”: a version keeps its name.`;
		return { line: places.lineOf(['book']), path: ['book'], message };
	}
	if (file.sort === 'order') {
		const message = 'An order is laid over the rules on its matter, not kept as a book.';
		return { line: places.lineOf(['sort']), path: ['sort'], message };
	}
	return undefined;
}

/** The book must lie over the ones below it, and the ones above must go on lying over it. */
function findLayerFaults(file: BookFile, shelf: Shelf, places: Places): Fault[] {
	try {
		shelf.book(file.book);
		shelf.using(file.book);
		return [];
	} catch (error) {
		if (!(error instanceof BookError)) throw error;
		const path = placeNamed(file, error.message);
		return [{ line: places.lineOf(path), path, message: error.message }];
	}
}

/** Where a message names an event, and a date of it: `…: event / date: …`. */
function placeNamed({ events }: BookFile, message: string): Path {
	const index = events.findIndex(({ event }) =>
		message.includes(`: ${event.replace(/\s*\(.*$/, '')} / `)
	);
	if (index < 0) return [];
	const deadlines = events[index]?.deadlines ?? [];
	const at = deadlines.findIndex(({ title }) => message.includes(`/ ${title}:`));
	return at < 0 ? ['events', index] : ['events', index, 'deadlines', at];
}

/** A book under others must go on carrying the orders of matters over it. */
function findOrderFaults({ orders }: BookDraft, file: BookFile, shelf: Shelf): Fault[] {
	const using = new Set(shelf.using(file.book));
	const broken = orders.some((order) => using.has(order.book) && !carries(shelf, order));
	if (!broken) return [];
	const message =
		'An order on a matter is laid over a rule that this version leaves out. Keep the rule, or end the order first.';
	return [{ line: 1, message }];
}

function carries(shelf: Shelf, order: Order & { book: string }): boolean {
	try {
		shelf.laid(order.book, [order]);
		return true;
	} catch (error) {
		if (error instanceof BookError) return false;
		throw error;
	}
}

type FileEvent = BookFile['events'][number];
type FileDeadline = FileEvent['deadlines'][number];
type Example = FileDeadline['examples'][number];

function checkExamples(
	book: Rulebook,
	{ file, origins }: SoundPart,
	places: Places
): ExampleView[] {
	return file.events.flatMap((event, at) => {
		const rules = ruleIds(event);
		return event.deadlines.flatMap((deadline, index) =>
			deadline.examples.map((example, number): ExampleView => {
				const { counted, sentences } = countExample(book, event, rules[index] ?? '', example);
				const answers = Object.entries(example.answers ?? {});
				const { path, said } = placeOfExample(origins, [at, index, number]);
				return {
					line: places.lineOf(path),
					path,
					event: event.event,
					rule: deadline.title,
					date: example.date,
					service: example.service ?? null,
					answers: answers.map(([question, answer]) => `${question} ${answer}`).join(', '),
					counted,
					gives: example.gives,
					said,
					agrees: said && counted === example.gives,
					sentences
				};
			})
		);
	});
}

/** Where an example stands in the book as it is written, and whether it says what it gives. */
function placeOfExample(
	origins: readonly Origin[],
	[at, index, number]: [number, number, number]
): { path: Path; said: boolean } {
	const event = origins[at];
	const deadline = event?.deadlines[index];
	const example = deadline?.examples[number];
	if (!event || !deadline || !example) throw new Error('an example that stands nowhere');
	return {
		path: ['events', event.event, 'deadlines', deadline.at, 'examples', example.at],
		said: example.said
	};
}

/** The ids that layering gives: the same title twice on an event gets -2. */
function ruleIds({ deadlines }: FileEvent): string[] {
	const seen = new Map<string, number>();
	return deadlines.map(({ title }) => {
		const slug = slugOf(title);
		const times = (seen.get(slug) ?? 0) + 1;
		seen.set(slug, times);
		return slug + '-2'.repeat(times - 1);
	});
}

function countExample(
	book: Rulebook,
	event: FileEvent,
	rule: string,
	example: Example
): { counted: string | null; sentences: string[] } {
	try {
		const { deadlines, left } = propose(book, {
			event: slugOf(event.event),
			date: plainDate(example.date),
			time: example.time,
			service: example.service,
			answers: example.answers ?? {},
			closures: (example.closures ?? []).map((date) => ({
				date: plainDate(date),
				kind: 'office' as const
			}))
		});
		const found = deadlines.find((proposal) => proposal.rule === rule && !proposal.suggested);
		if (found) return { counted: found.date, sentences: explainTrace(found.trace) };
		const reason = left.find((other) => other.rule === rule)?.reason ?? 'It does not arise.';
		return { counted: null, sentences: [reason] };
	} catch (error) {
		if (!(error instanceof CountError)) throw error;
		return { counted: null, sentences: [error.message] };
	}
}

const exampleFault = ({ line, path, rule, gives, counted }: ExampleView): Fault => ({
	line,
	path,
	message: `“${rule}”: the example says ${gives ?? 'no date'}, the count gives ${counted ?? 'none'}.`
});
