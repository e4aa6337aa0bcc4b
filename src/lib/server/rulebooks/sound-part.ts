/**
 * The part of a book that holds together, so that its examples are counted while the rest is still
 * being written.
 */
import { parseBookShape, type BookFile } from '#core/rulebooks/book.ts';
import type { BookFault } from '#core/rulebooks/faults.ts';

type Raw = Record<string, unknown>;
type Path = readonly (string | number)[];
/** Where a row of the sound part stands in the book as it is written. */
export type Origin = { event: number; deadlines: { at: number; examples: ExampleOrigin[] }[] };
type ExampleOrigin = { at: number; /** Whether it says what it gives. */ said: boolean };
export type SoundPart = { file: BookFile; origins: Origin[] };

const rows = (value: unknown): Raw[] => (Array.isArray(value) ? (value as Raw[]) : []);
/** Facts of a book that change no count. */
const ASIDE: Raw = { title: 'book', short: 'book', version: '0', reviewed: '2000-01-01' };
const begins = (path: Path, ...parts: Path) => parts.every((part, index) => path[index] === part);

/** Where the rows of a whole book stand: where they are. */
export const originsOf = ({ events }: BookFile): Origin[] =>
	events.map(({ deadlines }, event) => ({
		event,
		deadlines: deadlines.map(({ examples }, at) => ({
			at,
			examples: examples.map((_, number) => ({ at: number, said: true }))
		}))
	}));

/** The rows without a fault, and where they stood. */
function without<Row, Kept>(
	list: readonly Row[],
	keep: (row: Row, at: number) => [Row, Kept] | undefined
): { rows: Row[]; origins: Kept[] } {
	const kept = list.map(keep).filter((pair) => pair !== undefined);
	return { rows: kept.map(([row]) => row), origins: kept.map(([, origin]) => origin) };
}

function soundExample(faults: readonly Path[], row: Raw, at: number) {
	const wrong = faults.filter((path) => path[0] === 'examples' && path[1] === at);
	if (wrong.length === 0) return [row, { at, said: true }] as [Raw, ExampleOrigin];
	const onlyOpen = wrong.every((path) => path[2] === 'gives') && row['gives'] === undefined;
	return onlyOpen
		? ([
				{ ...row, gives: null },
				{ at, said: false }
			] as [Raw, ExampleOrigin])
		: undefined;
}

function soundDeadline(faults: readonly Path[], row: Raw, at: number) {
	const own = faults.filter((path) => begins(path, 'deadlines', at)).map((path) => path.slice(2));
	if (own.some((path) => path[0] !== 'examples' || path.length < 2)) return undefined;
	const examples = without(rows(row['examples']), (example, number) =>
		soundExample(own, example, number)
	);
	const sound = 'examples' in row ? { ...row, examples: examples.rows } : row;
	return [sound, { at, examples: examples.origins }] as [Raw, Origin['deadlines'][number]];
}

function soundEvent(faults: readonly Path[], row: Raw, at: number) {
	const own = faults.filter((path) => begins(path, 'events', at)).map((path) => path.slice(2));
	const inner = (path: Path) =>
		path.length > 1 && ['deadlines', 'suggestions'].includes(`${path[0]}`);
	if (!own.every(inner)) return undefined;
	const deadlines = without(rows(row['deadlines']), (one, index) => soundDeadline(own, one, index));
	const sound = {
		...row,
		deadlines: deadlines.rows,
		suggestions: rows(row['suggestions']).filter(
			(_, index) => !own.some((path) => begins(path, 'suggestions', index))
		)
	};
	return [sound, { event: at, deadlines: deadlines.origins }] as [Raw, Origin];
}

/** Leaves out the rows with faults; undefined where what is left is no book either. */
export function soundPart(written: unknown, faults: readonly BookFault[]): SoundPart | undefined {
	if (typeof written !== 'object' || written === null) return undefined;
	const book = { ...(written as Raw) };
	const paths = faults.map(({ path }) => path);
	for (const [key, value] of Object.entries(ASIDE))
		if (paths.some((path) => path[0] === key)) book[key] = value;
	const events = without(rows(book['events']), (row, at) => soundEvent(paths, row, at));
	const read = parseBookShape({ ...book, events: events.rows });
	return 'file' in read ? { file: read.file, origins: events.origins } : undefined;
}
