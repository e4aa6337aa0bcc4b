/**
 * Reads a list of days from a calendar file, a table or plain lines, by its contents and not by its
 * name: a court's list of entries, the days on which it is closed. Runs in a worker.
 */
import { findUnclearDate, type DateOrder } from '#core/dates/in-text.ts';
import { readCourtRows, type CourtEntry } from '#core/docket/court-list.ts';
import { Refused } from '#server/app/errors.ts';
import { parseCalendar } from '#server/calendar/read.ts';

export const DATED_LIST_LIMIT = 1024 * 1024;
const ENTRY_LIMIT = 2_000;
const LINE_LIMIT = 2_000;

export type DatedList = { entries: CourtEntry[]; unread: string[] };
/** `order` is null where the department has not said how it writes dates. */
type Source = { data: Uint8Array; zone: string; order: DateOrder | null };

/** The entries of a list. @throws Refused where there is none */
export async function parseDatedList({ data, zone, order }: Source): Promise<DatedList> {
	const text = Buffer.from(data)
		.toString('utf8')
		.replace(/^\uFEFF/, '');
	if (text.includes('\u0000'))
		throw new Refused('This is no text. Give a calendar file, a CSV file, or paste the list.');
	if (/^\s*BEGIN:VCALENDAR/i.test(text)) return readCalendar(data, zone);
	const unclear = order === null ? findUnclearDate(text) : undefined;
	if (unclear)
		throw new Refused(
			`“${unclear}”: does the day or the month come first? The department says so under Staff.`
		);
	const lines = text
		.split(/\r?\n/)
		.slice(0, ENTRY_LIMIT)
		.map((line) => line.slice(0, LINE_LIMIT));
	const ways = [
		await parseDelimited(text, ','),
		await parseDelimited(text, ';'),
		lines.map((line) => line.split('\t')),
		lines.map((line) => [line])
	];
	// However it is divided, the reading that finds most is the right one.
	const [best] = ways
		.map((rows) => readCourtRows(rows, order ?? 'month'))
		.sort((one, other) => other.entries.length - one.entries.length);
	if (!best || best.entries.length === 0)
		throw new Refused('No day was found in this list. Each entry needs its day.');
	return best;
}

function readCalendar(data: Uint8Array, zone: string): DatedList {
	const read = parseCalendar({ data, zone });
	if ('error' in read) throw new Refused(read.error);
	const entries = read.events.map(({ title, date, time, place }) => ({
		...{ title, date, time },
		// A court puts the number of the case into the title or the place.
		caseNumber: readCourtRows([[`${title} ${place} ${date}`]]).entries[0]?.caseNumber ?? ''
	}));
	return { entries, unread: read.left ? [`${read.left} more, which recur or are cancelled`] : [] };
}

async function parseDelimited(text: string, delimiter: string): Promise<string[][]> {
	const { parse } = await import('csv-parse/sync');
	try {
		return parse(text, {
			delimiter,
			relax_column_count: true,
			skip_empty_lines: true,
			max_record_size: LINE_LIMIT,
			to: ENTRY_LIMIT
		});
	} catch {
		return [];
	}
}
