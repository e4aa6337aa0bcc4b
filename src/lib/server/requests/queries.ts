/** Requests as those see them who wrote them, and as the department does. */
import type { PlainDate } from '#core/dates/plain.ts';
import { may } from '#core/access/table.ts';
import { findMatter, visible } from '#server/access/visibility.ts';
import type { Application, Reader, Staff } from '#server/app/application.ts';
import { all, maybeOne, scalar } from '#server/db/sql.ts';
import type { RequestFileRow, RequestRow, RequestWordRow } from './rows.ts';
import { isOpen } from './state.ts';

export type RequestListing = Pick<
	RequestRow,
	'id' | 'number' | 'about' | 'state' | 'urgency' | 'counterparty'
> & {
	unit: string | null;
	wantedBy: PlainDate | null;
	sentAt: string | null;
	createdAt: string;
	by: string;
	byId: string;
	takenBy: string | null;
	files: number;
	lastAt: string;
	/** Where it stands, in the department's words. */
	status: string | null;
};

const COLUMNS = `r.id, r.number, r.about, u.name AS unit, r.state, r.urgency,
		r.wanted_by AS wantedBy, r.sent_at AS sentAt, r.created_at AS createdAt, s.name AS "by",
		r.staff_id AS byId, t.name AS takenBy, r.counterparty, rs.label AS status,
		(SELECT count(*) FROM request_file f WHERE f.request_id = r.id) AS files,
		coalesce(
			(SELECT max(at) FROM request_word x WHERE x.request_id = r.id), r.created_at
		) AS lastAt`;
const FROM = `FROM request r
	JOIN staff s ON s.id = r.staff_id
	LEFT JOIN business_unit u ON u.id = r.unit_id
	LEFT JOIN staff t ON t.id = r.taken_by
	LEFT JOIN request_status rs ON rs.id = r.status_id`;

/** One's own requests, those that wait for an answer first. */
export const listMyRequests = (app: Reader, me: Staff): RequestListing[] =>
	all(
		app.db,
		`SELECT ${COLUMNS}
		${FROM}
		WHERE r.staff_id = @me
		ORDER BY CASE r.state
				WHEN 'asked' THEN 0
				WHEN 'draft' THEN 1
				WHEN 'sent' THEN 2
				WHEN 'taken' THEN 2
				WHEN 'matter' THEN 3
				ELSE 4
			END,
			lastAt DESC
		LIMIT 200`,
		{ me: me.id }
	);

/** The parts of the department's queue, as conditions. */
const QUEUES = {
	open: "r.state IN ('sent', 'taken', 'asked')",
	mine: "r.state IN ('sent', 'taken', 'asked') AND r.taken_by = @me",
	done: "r.state IN ('matter', 'turned down', 'withdrawn')"
} as const;
export type Queue = keyof typeof QUEUES;
export const isQueue = (name: string): name is Queue => name in QUEUES;

/** Urgent ones first, then the oldest. */
const WAITING_ORDER = `CASE r.urgency WHEN 'urgent' THEN 0 WHEN 'soon' THEN 1 ELSE 2 END,
		r.wanted_by IS NULL, r.wanted_by, r.sent_at`;

/** The department's queue. What became part of a restricted matter goes where the matter goes. */
export const listRequestQueue = (
	app: Reader,
	me: Staff,
	queue: Queue,
	{ unit, holder }: { unit?: string; holder?: string } = {}
): RequestListing[] =>
	all(
		app.db,
		`SELECT ${COLUMNS}
		${FROM}
		WHERE ${QUEUES[queue]}
			AND (@unit = '' OR r.unit_id = @unit)
			AND (@holder = '' OR r.taken_by = @holder)
			AND (
				r.matter_id IS NULL
				OR EXISTS (SELECT 1 FROM matter m WHERE m.id = r.matter_id AND ${visible('m')})
			)
		ORDER BY ${queue === 'done' ? 'r.ended_at DESC' : WAITING_ORDER}
		LIMIT 300`,
		{ me: me.id, unit: unit ?? '', holder: holder ?? '' }
	);

/** How many nobody has taken yet. */
export const countOpenRequests = (app: Pick<Application, 'db'>): number =>
	scalar(app.db, "SELECT count(*) FROM request WHERE state = 'sent'");

type RequestWords = Pick<RequestWordRow, 'at' | 'kind' | 'text'> & {
	who: string;
	mine: boolean;
};
type RequestPaper = { id: string; name: string; size: number; who: string };
export type RequestView = RequestListing & {
	words: string;
	unitId: string | null;
	reason: string;
	mine: boolean;
	/** For the department, where one may see it. */
	matter: { number: string; title: string } | null;
	inWork: boolean;
	/** For its writer: who works on it, unless that would tell of a restricted matter. */
	handler: string | null;
	/** It can be talked about. */
	live: boolean;
	/** When its writer last read it. */
	seenAt: string | null;
	statusId: string | null;
	talk: RequestWords[];
	papers: RequestPaper[];
};

/**
 * A request for its writer, or, once sent, for the department. Its writer is not told which matter
 * it went to.
 */
export function findRequest(app: Reader, me: Staff, id: string): RequestView | undefined {
	const found = maybeOne<
		RequestListing &
			Pick<RequestView, 'words' | 'unitId' | 'reason' | 'seenAt' | 'statusId'> & {
				matterId: string | null;
				matterOpen: 0 | 1 | null;
			}
	>(
		app.db,
		`SELECT
			r.words, r.unit_id AS unitId, r.reason, r.matter_id AS matterId, r.seen_at AS seenAt,
			r.status_id AS statusId,
			(SELECT m.status <> 'closed' FROM matter m WHERE m.id = r.matter_id) AS matterOpen,
			${COLUMNS}
		${FROM}
		WHERE r.id = @id`,
		{ id }
	);
	if (!found) return undefined;
	const { matterId, matterOpen, ...request } = found;
	const mine = request.byId === me.id;
	const triage = may(me.role, 'request.triage') && request.state !== 'draft';
	if (!mine && !triage) return undefined;
	const matter = matterId && triage ? findMatter(app.db, me, { id: matterId }) : undefined;
	if (matterId && !matter && !mine) return undefined;
	return {
		...request,
		mine,
		matter: matter ? { number: matter.number, title: matter.title } : null,
		inWork: matterId !== null,
		live: isOpen(request) || matterOpen === 1,
		handler: matterId && mine && !triage ? findHandler(app, matterId) : null,
		talk: listTalk(app, me, id),
		papers: listPapers(app, id)
	};
}

function findHandler({ db }: Reader, matterId: string): string | null {
	const handler = maybeOne<{ name: string }>(
		db,
		`SELECT s.name
		FROM matter m
		JOIN staff s ON s.id = m.responsible_id
		WHERE m.id = @matterId AND m.restricted = 0`,
		{ matterId }
	);
	return handler?.name ?? null;
}

const listTalk = ({ db }: Reader, me: Staff, id: string): RequestWords[] =>
	all<Omit<RequestWords, 'mine'> & { mine: 0 | 1 }>(
		db,
		`SELECT x.at, s.name AS who, x.staff_id = @me AS mine, x.kind, x.text
		FROM request_word x
		JOIN staff s ON s.id = x.staff_id
		WHERE x.request_id = @id
		ORDER BY x.at, x.id`,
		{ me: me.id, id }
	).map((words) => ({ ...words, mine: words.mine === 1 }));

const listPapers = ({ db }: Reader, id: string): RequestPaper[] =>
	all(
		db,
		`SELECT f.id, f.file_name AS name, f.size, s.name AS who
		FROM request_file f
		JOIN staff s ON s.id = f.staff_id
		WHERE f.request_id = @id
		ORDER BY f.id`,
		{ id }
	);

/** A file that came with a request one may see. */
export function findRequestFile(
	app: Application,
	me: Staff,
	id: string,
	fileId: string
): { data: Buffer; type: string; name: string } | undefined {
	if (!findRequest(app, me, id)) return undefined;
	const file = maybeOne<RequestFileRow>(
		app.db,
		'SELECT * FROM request_file WHERE id = @fileId AND request_id = @id',
		{ fileId, id }
	);
	return file && { data: app.files.get(file.sha256), type: file.media_type, name: file.file_name };
}
