/** The logbook of a matter that was found, and what in logbooks waits for someone. */
import { dayAt } from '#core/dates/zone.ts';
import { parseNote, type Part } from '#core/logbook/note.ts';
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all, likeWithin, scalar } from '#server/db/sql.ts';
import type { LogbookRow } from './rows.ts';

/** In the place of a note that its writer took back. */
export const TAKEN_BACK = 'This note was taken back by its writer.';

export type LogEntry = Pick<LogbookRow, 'id' | 'at' | 'kind' | 'text' | 'link'> & {
	who: string | null;
	initials: string | null;
	parts: Part[];
	asks: boolean;
	/** Its writer can still take it back: a note of today, not answered. */
	mine: boolean;
	takenBack: boolean;
	/** How many answers there are. */
	answered: number;
	/** What it answers. */
	answers: { id: string; text: string; who: string | null } | null;
	/** The business partner who reads it too, as the writer of a request; when they last did. */
	shared: { name: string; seenAt: string | null } | null;
};
export type LogFilter = {
	kind?: string;
	q?: string;
	person?: string;
	tag?: string;
	/** Where the page begins: `next` of the one before. */
	before?: string;
	show?: string;
};
const LOG_PAGE = 100;

const FILTERS = ['kind', 'q', 'person', 'tag', 'before', 'show'] as const;
const FILTER_LIMIT = 200;
/** The filter that a query string means. */
export function parseLogFilter(params: URLSearchParams): LogFilter {
	const filter: LogFilter = {};
	for (const key of FILTERS) {
		const value = params.get(key)?.slice(0, FILTER_LIMIT);
		if (value) filter[key] = value;
	}
	return filter;
}

/**
 * What leads to another matter that is not the viewer's to see any more: where it was restricted
 * later, its number and title stand in entries of those that are tied to it.
 */
const LEADS_TO_HIDDEN = `(
	l.link GLOB '/matters/*'
	AND EXISTS (
		SELECT 1
		FROM matter hm
		WHERE hm.number = substr(l.link, 10, instr(substr(l.link, 10) || '/', '/') - 1)
			AND hm.id <> l.matter_id
			AND NOT ${visible('hm')}
	)
)`;

/** Conditions on the entry l. */
function conditionsOf({ kind, person, tag, show, q }: LogFilter): string {
	const conditions = ['l.matter_id = @matterId', `coalesce(NOT ${LEADS_TO_HIDDEN}, 1)`];
	if (kind) conditions.push('l.kind = @kind');
	if (person) conditions.push('l.staff_id = @person');
	if (tag)
		conditions.push(
			'EXISTS (SELECT 1 FROM logbook_tag t WHERE t.log_id = l.id AND t.tag = lower(@tag))'
		);
	if (show === 'questions')
		conditions.push('l.asks = 1 AND NOT EXISTS (SELECT 1 FROM logbook a WHERE a.answers = l.id)');
	if (show === 'me')
		conditions.push(
			`EXISTS (
				SELECT 1 FROM logbook_mention x WHERE x.log_id = l.id AND x.staff_id = @me
			)`
		);
	if (q) conditions.push("l.text LIKE @like ESCAPE '\\'");
	return conditions.join(' AND ');
}

type Row = Omit<LogEntry, 'parts' | 'asks' | 'answers' | 'mine' | 'takenBack' | 'shared'> & {
	sharedName: string | null;
	sharedSeenAt: string | null;
	staffId: string | null;
	takenBackAt: string | null;
	asks: 0 | 1;
	answers: string | null;
	answeredText: string | null;
	answeredWho: string | null;
};

/** The entries, newest first, a page at a time. `next` is where the next page begins. */
export function listLogbook(
	{ db, clock }: Reader,
	me: Staff,
	matterId: string,
	filter: LogFilter = {},
	per = LOG_PAGE
): { rows: LogEntry[]; total: number; next: string | null } {
	const where = conditionsOf(filter);
	const after = /^(?<at>\d{4}-[\dT:.-]+Z)~(?<last>\w+)$/.exec(filter.before ?? '')?.groups;
	const params = {
		...filter,
		matterId,
		me: me.id,
		like: likeWithin(filter.q ?? ''),
		limit: per + 1,
		...after
	};
	const total = scalar(db, `SELECT count(*) FROM logbook l WHERE ${where}`, params);
	const rows = all<Row>(
		db,
		`SELECT
			l.id, l.at, s.name AS who, s.initials, l.kind, l.text, l.link, l.asks,
			(SELECT count(*) FROM logbook a WHERE a.answers = l.id) AS answered, l.answers,
			q.text AS answeredText, qs.name AS answeredWho, l.staff_id AS staffId,
			l.taken_back_at AS takenBackAt, rs.name AS sharedName,
			CASE WHEN r.seen_at >= l.at THEN r.seen_at END AS sharedSeenAt
		FROM logbook l
		LEFT JOIN staff s ON s.id = l.staff_id
		LEFT JOIN logbook q ON q.id = l.answers
		LEFT JOIN staff qs ON qs.id = q.staff_id
		LEFT JOIN request r ON r.id = l.request_id
		LEFT JOIN staff rs ON rs.id = r.staff_id
		WHERE ${where}${after ? ' AND (l.at, l.id) < (@at, @last)' : ''}
		ORDER BY l.at DESC, l.id DESC
		LIMIT @limit`,
		params
	);
	const shown = rows.slice(0, per);
	const last = rows.length > per ? shown.at(-1) : undefined;
	const staff = all<{ id: string; login: string; name: string }>(
		db,
		'SELECT id, login, name FROM staff'
	);
	return {
		total,
		next: last ? `${last.at}~${last.id}` : null,
		rows: shown.map((entry) => {
			const { answeredText, answeredWho, staffId, takenBackAt, sharedName, sharedSeenAt, ...row } =
				entry;
			return {
				...row,
				shared: sharedName === null ? null : { name: sharedName, seenAt: sharedSeenAt },
				asks: row.asks === 1,
				takenBack: takenBackAt !== null,
				mine:
					row.kind === 'note' &&
					staffId === me.id &&
					takenBackAt === null &&
					row.answered === 0 &&
					dayAt(row.at, clock.zone) === clock.today(),
				parts: row.kind === 'note' ? parseNote(row.text, staff) : [{ text: row.text }],
				answers: row.answers
					? { id: row.answers, text: answeredText ?? '', who: answeredWho }
					: null
			};
		})
	};
}

const TAGS_SHOWN = 20;
export const listLogTags = ({ db }: Reader, matterId: string): { tag: string; n: number }[] =>
	all(
		db,
		`SELECT t.tag, count(*) AS n
		FROM logbook_tag t
		JOIN logbook l ON l.id = t.log_id
		WHERE l.matter_id = @matterId
		GROUP BY t.tag
		ORDER BY n DESC, t.tag
		LIMIT ${TAGS_SHOWN}`,
		{ matterId }
	);

export const listLogPeople = ({ db }: Reader, matterId: string): { id: string; name: string }[] =>
	all(
		db,
		`SELECT DISTINCT s.id, s.name
		FROM logbook l
		JOIN staff s ON s.id = l.staff_id
		WHERE l.matter_id = @matterId
		ORDER BY s.name`,
		{ matterId }
	);

export type Mention = {
	id: string;
	text: string;
	at: string;
	who: string;
	number: string;
	title: string;
	asks: 0 | 1;
};
const FORTNIGHT_MS = 14 * 86_400_000;
const MENTIONS_SHOWN = 6;

/** Notes of the last fortnight that mention someone, and that they have not answered. */
export const listMentionsOf = (app: Reader, me: Staff): Mention[] =>
	all(
		app.db,
		`SELECT l.id, l.text, l.at, s.name AS who, m.number, m.title, l.asks
		FROM logbook l
		JOIN matter m ON m.id = l.matter_id
		JOIN staff s ON s.id = l.staff_id
		JOIN logbook_mention x ON x.log_id = l.id AND x.staff_id = @me
		WHERE l.staff_id <> @me
			AND NOT EXISTS (SELECT 1 FROM logbook a WHERE a.answers = l.id AND a.staff_id = @me)
			AND l.at >= @since
			AND ${visible('m')}
		ORDER BY l.at DESC
		LIMIT ${MENTIONS_SHOWN}`,
		{
			me: me.id,
			since: new Date(Date.parse(app.clock.now()) - FORTNIGHT_MS).toISOString()
		}
	);
