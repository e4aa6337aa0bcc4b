/** The rows of a scheduling order while they are typed. */
import type { ScheduleLine } from '#core/docket/schedule-text.ts';
import type { ScheduleDate } from '#server/docket/schedule-views.ts';

export type Choice = { id: string; text: string; bookShort: string; ahead: string | null };
export type TableRow = {
	deadlineId: string;
	/** "deadline", a sort of hearing, "count", or "event:" with the event of a book. */
	what: string;
	/** What days are counted from. */
	from: string;
	title: string;
	date: string;
	time: string;
	place: string;
	act: string;
	authority: string;
	count: string;
	gone: boolean;
	/** What stood before, where an order is amended. */
	was: { date: string; time: string; settled: string } | null;
	/** What the order counts from, in its words, while no event is chosen. */
	said: string;
};

export const blankRow = (): TableRow => ({
	deadlineId: '',
	what: 'deadline',
	from: '',
	title: '',
	date: '',
	time: '',
	place: '',
	act: 'file',
	authority: '',
	count: '',
	gone: false,
	was: null,
	said: ''
});

const SETTLED: Partial<Record<ScheduleDate['state'], string>> = { met: 'met' };

/** A row for each date of an order that is amended. */
export const rowsOf = (dates: readonly ScheduleDate[]): TableRow[] =>
	dates.map(({ deadlineId, what, eventKey, title, date, time, place, act, authority, state }) => ({
		...blankRow(),
		...{ deadlineId, title, date, place, act, authority },
		what: what === 'event' ? `event:${eventKey}` : what,
		time: time ?? '',
		was: { date, time: time ?? '', settled: SETTLED[state] ?? '' }
	}));

const words = (text: string) => new Set(text.toLowerCase().match(/[a-z]{4,}/g) ?? []);

/** The event of the books whose name has most of these words; none where none has any. */
function likeliest(said: string, choices: readonly Choice[]): string {
	const wanted = words(said);
	const scored = choices.map((choice) => {
		const own = words(choice.text);
		const shared = [...wanted].filter((word) => own.has(word)).length;
		return { id: choice.id, score: shared - own.size / 100 };
	});
	const [best] = scored.sort((one, other) => other.score - one.score);
	return best && best.score > 0.5 ? best.id : '';
}

/** What was read of the order's text, as rows that are still to be looked at. */
export const rowsFrom = (lines: readonly ScheduleLine[], choices: readonly Choice[]): TableRow[] =>
	lines.map((line) => {
		const { title, time, place, authority, count, act, doubtful } = line;
		// A day under another weekday stands as it is written: it is refused until somebody looks.
		const date = doubtful || (line.date ?? '');
		const row = { ...blankRow(), title, time, place, authority, count, act, date };
		if (count)
			return { ...row, what: 'count', from: likeliest(line.from, choices), said: line.from };
		const trial =
			line.what === 'trial' &&
			choices.find(({ ahead, text }) => ahead === 'trial' && text === 'Trial date');
		if (trial) return { ...row, what: `event:${trial.id}`, title: '' };
		return { ...row, what: line.what };
	});

export const isBlank = (row: TableRow): boolean =>
	!row.title && !row.date && !row.count && !row.deadlineId && !row.what.startsWith('event:');

/** A row as the command takes it. */
export const sentRow = (row: TableRow, asIso: (typed: string) => string) => {
	const isEvent = row.what.startsWith('event:');
	return {
		deadlineId: row.deadlineId,
		what: isEvent ? 'event' : row.what,
		eventKey: isEvent ? row.what.slice('event:'.length) : row.what === 'count' ? row.from : '',
		title: row.title,
		date: row.what === 'count' ? '' : asIso(row.date),
		time: row.what === 'count' ? '' : row.time,
		place: row.place,
		act: row.act,
		authority: row.authority,
		count: row.what === 'count' ? row.count : '',
		gone: row.gone
	};
};
