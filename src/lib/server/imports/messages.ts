/** What people are told of what an import put on their matters, or in their name. */
import { plural } from '#core/format/words.ts';
import type { Message } from '#server/mail/queue.ts';

export type Imported = {
	what: 'dates' | 'documents' | 'time';
	/** How many came in for this person, on so many matters. */
	count: number;
	matters: number;
	fileName: string;
	by: string;
};

const WORDS: Readonly<
	Record<Imported['what'], { one: string; many: string; path: string; next: string }>
> = {
	dates: {
		one: 'date',
		many: 'dates',
		path: '/docket',
		next: 'Open ones wait for a second check; those whose day is past stand as missed.'
	},
	documents: {
		one: 'document',
		many: 'documents',
		path: '/documents',
		next: 'Each is filed in its matter.'
	},
	time: {
		one: 'time entry',
		many: 'time entries',
		path: '/time',
		next: 'They stand under your name: look whether they are right.'
	}
};

/** No matter is named: a person may have left one by the time this is read. */
export function tellImported({ what, count, matters, fileName, by }: Imported): Message {
	const { one, many, path, next } = WORDS[what];
	const things = plural(count, one, many);
	const where = what === 'time' ? 'of yours' : `on ${plural(matters, 'matter')} of yours`;
	return {
		subject: `Taken over: ${things} ${where}`,
		text: `${by} took over ${things} ${where} from ${fileName}. ${next}`,
		path
	};
}
