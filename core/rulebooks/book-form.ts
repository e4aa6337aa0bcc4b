/**
 * A book as a form holds it: every part a plain value that a field can show. It is read from what
 * is written, however wrong that is, and written again; parts without a field are kept.
 */
import { filled } from './filled.ts';
import { readCount, writeCount, type WrittenCount } from './written-count.ts';

type Raw = Record<string, unknown>;
/** Parts for which the form has no field; they are kept. */
type Kept = { rest: Raw };
/** An answer to a question that something depends on. */
export type FormAnswer = { question: string; answer: string };
export type FormWhen = { answers: FormAnswer[]; before: string };
export type FormExample = Kept & {
	date: string;
	time: string;
	service: string;
	answers: FormAnswer[];
	/** Days on which the clerk's office is closed, parted by commas. */
	closures: string;
	/** The date out; nothing where it does not arise. */
	gives: string;
	arises: boolean;
};
export type FormVariant = Kept & { when: FormWhen; count: WrittenCount; note: string };
export type FormDeadline = Kept & {
	title: string;
	authority: string;
	text: string;
	link: string;
	tags: string;
	act: string;
	hasCount: boolean;
	count: WrittenCount;
	variants: FormVariant[];
	only: FormWhen;
	note: string;
	by: string;
	owner: string;
	examples: FormExample[];
};
type FormOption = { id: string; say: string };
export type FormQuestion = Kept & {
	id: string;
	ask: string;
	kind: string;
	options: FormOption[];
	if: FormAnswer[];
	must: string;
};
export type FormSuggestion = Kept & { title: string; of: string; count: string };
export type FormEvent = Kept & {
	event: string;
	served: boolean;
	ahead: string;
	hint: string;
	tags: string;
	questions: FormQuestion[];
	deadlines: FormDeadline[];
	suggestions: FormSuggestion[];
};
export type FormReplace = Kept & {
	rule: string;
	count: WrittenCount;
	authority: string;
	note: string;
};
export type BookForm = Kept & {
	book: string;
	title: string;
	short: string;
	version: string;
	reviewed: string;
	changed: string;
	sort: string;
	extends: string;
	counts: string;
	off: string[];
	replace: FormReplace[];
	events: FormEvent[];
};

const isRaw = (value: unknown): value is Raw =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
const rawOf = (value: unknown): Raw => (isRaw(value) ? value : {});
const text = (value: unknown): string =>
	typeof value === 'string' || typeof value === 'number' ? String(value) : '';
const rows = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);
const words = (value: unknown): string => rows(value).map(text).join(', ');
const wordList = (typed: string): string[] =>
	typed
		.split(',')
		.map((word) => word.trim())
		.filter(Boolean);
const answersOf = (value: unknown): FormAnswer[] =>
	Object.entries(rawOf(value)).map(([question, answer]) => ({ question, answer: text(answer) }));
const writeAnswers = (answers: readonly FormAnswer[]): Raw | undefined => {
	const said = answers.filter(({ question }) => question);
	if (said.length === 0) return undefined;
	return Object.fromEntries(said.map(({ question, answer }) => [question, answer]));
};

const readWhen = (written: unknown): FormWhen => ({
	answers: answersOf(rawOf(written)['answers']),
	before: text(rawOf(written)['before'])
});
function writeWhen({ answers, before }: FormWhen): Raw | undefined {
	const when = filled({ answers: writeAnswers(answers), before });
	return Object.keys(when).length ? when : undefined;
}

export function readExample(written: unknown): FormExample {
	const { date, time, service, answers, closures, gives, ...rest } = rawOf(written);
	return {
		date: text(date),
		time: text(time),
		service: text(service),
		answers: answersOf(answers),
		closures: words(closures),
		gives: text(gives),
		arises: gives !== null,
		rest
	};
}
const writeExample = (example: FormExample): Raw => ({
	...filled({
		date: example.date,
		time: example.time,
		service: example.service,
		answers: writeAnswers(example.answers),
		closures: wordList(example.closures)
	}),
	...(example.arises ? filled({ gives: example.gives }) : { gives: null }),
	...example.rest
});

export function readVariant(written: unknown): FormVariant {
	const { when, count, say, ...rest } = rawOf(written);
	return { when: readWhen(when), count: readCount(count), note: text(say), rest };
}
const writeVariant = ({ when, count, note, rest }: FormVariant): Raw => ({
	when: writeWhen(when) ?? {},
	count: writeCount(count),
	...filled({ say: note }),
	...rest
});

export function readDeadline(written: unknown): FormDeadline {
	const { title, authority, text: law, link, tags, act, count, variants, ...more } = rawOf(written);
	const { only, note, by, owner, examples, ...rest } = more;
	return {
		title: text(title),
		authority: text(authority),
		text: text(law),
		link: text(link),
		tags: words(tags),
		act: text(act),
		hasCount: count !== undefined || rows(variants).length === 0,
		count: readCount(count),
		variants: rows(variants).map(readVariant),
		only: readWhen(only),
		note: text(note),
		by: text(by),
		owner: text(owner),
		examples: rows(examples).map(readExample),
		rest
	};
}
const writeDeadline = (deadline: FormDeadline): Raw => ({
	...filled({
		title: deadline.title,
		authority: deadline.authority,
		text: deadline.text,
		link: deadline.link,
		tags: wordList(deadline.tags),
		act: deadline.act
	}),
	...(deadline.hasCount ? { count: writeCount(deadline.count) } : {}),
	...filled({
		variants: deadline.variants.map(writeVariant),
		only: writeWhen(deadline.only),
		note: deadline.note,
		by: deadline.by,
		owner: deadline.owner,
		examples: deadline.examples.map(writeExample)
	}),
	...deadline.rest
});

export function readQuestion(written: unknown): FormQuestion {
	const { id, ask, kind, options, if: asked, must, ...rest } = rawOf(written);
	return {
		id: text(id),
		ask: text(ask),
		kind: text(kind),
		options: rows(options).map((option) => ({
			id: text(rawOf(option)['id']),
			say: text(rawOf(option)['say'])
		})),
		if: answersOf(asked),
		must: text(must),
		rest
	};
}
const writeQuestion = (question: FormQuestion): Raw => ({
	...filled({
		id: question.id,
		ask: question.ask,
		kind: question.kind,
		options: question.options.map(({ id, say }) => ({ id, say })),
		if: writeAnswers(question.if),
		must: question.must
	}),
	...question.rest
});

export function readSuggestion(written: unknown): FormSuggestion {
	const { title, of, count, ...rest } = rawOf(written);
	return { title: text(title), of: text(of), count: text(count), rest };
}
const writeSuggestion = ({ rest, ...suggestion }: FormSuggestion): Raw => ({
	...filled(suggestion),
	...rest
});

export function readEvent(written: unknown): FormEvent {
	const { event, served, ahead, hint, tags, questions, deadlines, suggestions, ...rest } =
		rawOf(written);
	return {
		event: text(event),
		served: served === true,
		ahead: text(ahead),
		hint: text(hint),
		tags: words(tags),
		questions: rows(questions).map(readQuestion),
		deadlines: rows(deadlines).map(readDeadline),
		suggestions: rows(suggestions).map(readSuggestion),
		rest
	};
}
const writeEvent = (event: FormEvent): Raw => ({
	...filled({
		event: event.event,
		served: event.served,
		ahead: event.ahead,
		hint: event.hint,
		tags: wordList(event.tags),
		questions: event.questions.map(writeQuestion),
		deadlines: event.deadlines.map(writeDeadline),
		suggestions: event.suggestions.map(writeSuggestion)
	}),
	...event.rest
});

export function readReplace(written: unknown): FormReplace {
	const { rule, count, authority, note, ...rest } = rawOf(written);
	return {
		rule: text(rule),
		count: readCount(count),
		authority: text(authority),
		note: text(note),
		rest
	};
}
const writeReplace = ({ rule, count, authority, note, rest }: FormReplace): Raw => ({
	...filled({ rule }),
	count: writeCount(count),
	...filled({ authority, note }),
	...rest
});

/** Reads a book from data (parsed YAML), whatever it is. */
export function readBookForm(data: unknown): BookForm {
	const { book, title, short, version, reviewed, changed, sort, ...more } = rawOf(data);
	const { extends: below, counts, off, replace, events, ...rest } = more;
	return {
		book: text(book),
		title: text(title),
		short: text(short),
		version: text(version),
		reviewed: text(reviewed),
		changed: text(changed),
		sort: text(sort),
		extends: text(below),
		counts: text(counts),
		off: rows(off).map(text),
		replace: rows(replace).map(readReplace),
		events: rows(events).map(readEvent),
		rest
	};
}

/** The data of a book, to be written as YAML: the same book where nothing was changed. */
export const writeBookForm = (form: BookForm): Raw => ({
	...filled({
		book: form.book,
		title: form.title,
		short: form.short,
		version: form.version,
		reviewed: form.reviewed,
		changed: form.changed,
		sort: form.sort,
		extends: form.extends,
		counts: form.counts,
		off: form.off,
		replace: form.replace.map(writeReplace),
		events: form.events.map(writeEvent)
	}),
	...form.rest
});
