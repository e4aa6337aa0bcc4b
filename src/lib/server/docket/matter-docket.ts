/** A matter's docket: its events with their dates beneath, and what lies beside the dates. */
import { parseDate, type PlainDate } from '#core/dates/plain.ts';
import { parseAnswers, type Answers } from '#core/docket/answers.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Question } from '#core/rulebooks/book.ts';
import { serviceKinds } from '#core/rulebooks/method.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { bookOnMatter } from '#server/rulebooks/shelf.ts';
import { recount } from './counting.ts';
import { findCount, findMoveCount, listUnanswered, parseTrace, type CountView } from './counts.ts';
import {
	SELECT_DEADLINES,
	viewDeadlines,
	type DeadlineListRow,
	type DeadlineView
} from './list.ts';
import { countMove } from './move-count.ts';
import type { DeadlineRow, EventRow } from './rows.ts';

type AnswerInWords = { ask: string; answer: string };
export type EventView = {
	id: string;
	key: string;
	text: string;
	name: string;
	book: string;
	bookShort: string;
	date: PlainDate;
	time: string | null;
	/** The id of the way of service, how it reads, and what it adds to a count. */
	service: string | null;
	serviceLabel: string | null;
	serviceAdd: string | null;
	answers: AnswerInWords[];
	given: Answers;
	source: { id: string; name: string } | null;
	place: string;
	link: string;
	version: number;
	ahead: string | null;
	enteredBy: string;
	/** Who withdrew it as entered by mistake, and why. */
	withdrawn: { by: string; reason: string } | null;
	deadlines: DeadlineView[];
};

type EventListRow = EventRow & {
	enteredBy: string;
	sourceName: string | null;
	withdrawnBy: string | null;
};
const SELECT_EVENTS = `SELECT
		e.*, s.initials AS enteredBy, x.name AS sourceName, w.initials AS withdrawnBy
	FROM event e
	JOIN staff s ON s.id = e.entered_by
	LEFT JOIN document x ON x.id = e.source_id
	LEFT JOIN staff w ON w.id = e.withdrawn_by`;

function viewEvent(
	app: Application,
	row: EventListRow,
	deadlines: readonly DeadlineView[]
): EventView {
	const book = row.book ? bookOnMatter(app, row.matter_id, row.book) : null;
	const given = parseAnswers(row.answers);
	const service = book
		? serviceKinds(book.method).find((kind) => kind.id === row.service)
		: undefined;
	return {
		id: row.id,
		key: row.event_key,
		text: row.text,
		name: row.name,
		book: row.book,
		bookShort: book?.short ?? 'by hand',
		date: row.date,
		time: row.time,
		service: row.service,
		serviceLabel: service?.label ?? null,
		serviceAdd: service?.add ?? null,
		answers: answersInWords(book?.events.get(row.event_key)?.questions ?? [], given),
		given,
		source: row.source_id && row.sourceName ? { id: row.source_id, name: row.sourceName } : null,
		place: row.place,
		link: row.link,
		version: row.version,
		ahead: row.ahead,
		enteredBy: row.enteredBy,
		withdrawn: row.withdrawnBy ? { by: row.withdrawnBy, reason: row.withdrawn_reason } : null,
		deadlines: deadlines.filter((deadline) => deadline.eventId === row.id)
	};
}

function answersInWords(questions: readonly Question[], given: Answers): AnswerInWords[] {
	return Object.entries(given).flatMap(([id, answer]) => {
		const question = questions.find((other) => other.id === id);
		if (!question) return [];
		const option = question.options?.find((other) => other.id === answer);
		const date = question.kind === 'date' ? parseDate(answer) : undefined;
		return [{ ask: question.ask, answer: option?.label ?? (date ? formatDate(date) : answer) }];
	});
}

/** A matter's docket by event, in the order of the events. The caller has found the matter. */
export function listMatterEvents(app: Application, me: Staff, matterId: string): EventView[] {
	const events = all<EventListRow>(
		app.db,
		`${SELECT_EVENTS} WHERE e.matter_id = @matterId ORDER BY e.date, e.id`,
		{ matterId }
	);
	const rows = all<DeadlineListRow>(
		app.db,
		`${SELECT_DEADLINES} WHERE d.matter_id = @matterId AND ${visible('m')} ORDER BY d.date, d.id`,
		{ matterId, me: me.id }
	);
	const deadlines = viewDeadlines(app, rows);
	return events.map((event) => viewEvent(app, event, deadlines));
}

export type CheckItem = DeadlineView & {
	eventTime: string | null;
	service: string | null;
	answers: AnswerInWords[];
	source: { id: string; name: string } | null;
	enteredBy: string;
	count: CountView;
	/** The same count made now; null where no rule sets the date. */
	fresh: { date: PlainDate; same: boolean; count: CountView } | null;
	byHand: boolean;
	/** What the rule asks and nobody answered: its count is of a part only, or of an assumption. */
	unanswered: string[];
	/** How an order or agreement moved it by so many days, and the same count made now. */
	move: { by: string; from: PlainDate; count: CountView; fresh: PlainDate; same: boolean } | null;
};

/**
 * One date as the second person sees it: the event, its source, the count that was docketed, and
 * the same made anew.
 */
export function findCheckItem(
	app: Application,
	me: Staff,
	deadlineId: string
): CheckItem | undefined {
	const row = maybeOne<DeadlineListRow>(
		app.db,
		`${SELECT_DEADLINES} WHERE d.id = @deadlineId AND ${visible('m')}`,
		{ deadlineId, me: me.id }
	);
	if (!row) return undefined;
	const [deadline] = viewDeadlines(app, [row]);
	const event = maybeOne<EventListRow>(app.db, `${SELECT_EVENTS} WHERE e.id = @eventId`, {
		eventId: row.eventId
	});
	const stored = maybeOne<DeadlineRow>(app.db, 'SELECT * FROM deadline WHERE id = @deadlineId', {
		deadlineId
	});
	if (!deadline || !event || !stored) return undefined;
	const stands = deadline.computed ?? deadline.date;
	const anew = recount(app, event, stored.rule);
	const trace = parseTrace(stored.trace);
	const { time, serviceLabel, answers, source, enteredBy } = viewEvent(app, event, []);
	return {
		...deadline,
		eventTime: time,
		service: serviceLabel,
		answers,
		source,
		enteredBy,
		count: findCount(app, row.book, trace, stands),
		fresh: anew
			? {
					date: anew.date,
					same: anew.date === stands,
					count: findCount(app, row.book, anew.trace, anew.date)
				}
			: null,
		byHand: row.book === '',
		unanswered: listUnanswered(trace),
		move: findMove(app, stored)
	};
}

function findMove(app: Application, deadline: DeadlineRow): CheckItem['move'] {
	const { move_from: from, move_count: by, date } = deadline;
	const count = findMoveCount(app, deadline);
	if (!count || from === null || by === null) return null;
	const fresh = countMove(app, deadline, from, by).date;
	return { by, from, count, fresh, same: fresh === date };
}

export type DateDocument = { id: string; name: string; role: 'proof' | 'linked' | 'order' };
/**
 * The documents beside a matter's dates, by date: proofs, orders that moved them, what is linked.
 */
export function listDateDocuments(
	app: Application,
	matterId: string
): Record<string, DateDocument[]> {
	const byDate: Record<string, DateDocument[]> = {};
	const rows = all<DateDocument & { deadlineId: string }>(
		app.db,
		`SELECT x.deadline_id AS deadlineId, o.id, o.name, x.role
		FROM date_document x
		JOIN document o ON o.id = x.document_id
		WHERE o.matter_id = @matterId
		UNION ALL
		SELECT d.id, o.id, o.name, 'order'
		FROM deadline d
		JOIN document o ON o.id = d.moved_document
		WHERE d.matter_id = @matterId
		ORDER BY 3`,
		{ matterId }
	);
	for (const { deadlineId, ...document } of rows) (byDate[deadlineId] ??= []).push(document);
	return byDate;
}

export type DateExhibit = { id: string; number: string; title: string; dates: string[] };
/** The exhibits of a matter, and which of its dates they are linked to. */
export function listDateExhibits(app: Application, matterId: string): DateExhibit[] {
	const links = all<{ deadlineId: string; exhibitId: string }>(
		app.db,
		`SELECT x.deadline_id AS deadlineId, x.exhibit_id AS exhibitId
		FROM date_exhibit x
		JOIN exhibit e ON e.id = x.exhibit_id
		WHERE e.matter_id = @matterId`,
		{ matterId }
	);
	const exhibits = all<Omit<DateExhibit, 'dates'>>(
		app.db,
		'SELECT id, number, title FROM exhibit WHERE matter_id = @matterId ORDER BY position',
		{ matterId }
	);
	return exhibits.map((exhibit) => ({
		...exhibit,
		dates: links.filter((link) => link.exhibitId === exhibit.id).map(({ deadlineId }) => deadlineId)
	}));
}
