/** The papers that wait, with their age and who has them; and what one of them says of itself. */
import { daysBetween } from '#core/dates/plain.ts';
import { findDates, type DateInText } from '#core/dates/in-text.ts';
import { dayAt } from '#core/dates/zone.ts';
import { findCaseNumbers } from '#core/papers/read-paper.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Reader, Staff } from '#server/app/application.ts';
import { all, maybeOne, scalar } from '#server/db/sql.ts';
import type { PaperRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

/** A paper of a matter is there for those who may see it; one of none yet, for everyone. */
const seen = (alias: string): string =>
	`(
		${alias}.matter_id IS NULL
		OR EXISTS (SELECT 1 FROM matter m WHERE m.id = ${alias}.matter_id AND ${visible('m')})
	)`;

export type WaitingPaper = {
	id: string;
	fileName: string;
	receivedAt: string;
	/** Days it has waited. */
	age: number;
	holderId: string;
	/** Initials. */
	holder: string;
	matterNumber: string | null;
	matterTitle: string | null;
};
const QUEUE_LIMIT = 300;

/** What waits, the oldest first. */
export function listWaitingPapers(app: Reader, me: Staff): WaitingPaper[] {
	const today = app.clock.today();
	return all<Omit<WaitingPaper, 'age'>>(
		app.db,
		`SELECT
			x.id, x.file_name AS fileName, x.received_at AS receivedAt, x.holder_id AS holderId,
			s.initials AS holder, y.number AS matterNumber, y.title AS matterTitle
		FROM paper x
		JOIN staff s ON s.id = x.holder_id
		LEFT JOIN matter y ON y.id = x.matter_id
		WHERE x.state = 'waits' AND ${seen('x')}
		ORDER BY x.received_at, x.id
		LIMIT ${QUEUE_LIMIT}`,
		{ me: me.id }
	).map((paper) => ({
		...paper,
		age: daysBetween(dayAt(paper.receivedAt, app.clock.zone), today)
	}));
}

export const countWaitingPapers = ({ db }: Has, me: Staff): number =>
	scalar(db, `SELECT count(*) FROM paper x WHERE x.state = 'waits' AND ${seen('x')}`, {
		me: me.id
	});

/** A paper that this person may see. */
export const findPaper = ({ db }: Has, me: Staff, id: string): PaperRow | undefined =>
	maybeOne(db, `SELECT x.* FROM paper x WHERE x.id = @id AND ${seen('x')}`, { id, me: me.id });

export type PaperView = {
	id: string;
	fileName: string;
	mediaType: string;
	receivedAt: string;
	receivedBy: string;
	holderId: string;
	holder: string;
	unread: string;
	/** The first of its words, where it cannot be shown as it is. */
	text: string;
	documentId: string | null;
	/** Days that stand in it, each once. */
	dates: Pick<DateInText, 'date' | 'written'>[];
	matterNumber: string | null;
};
const TEXT_SHOWN = 20_000;
const DATES_SHOWN = 8;

/** A paper as it is opened; undefined where it does not wait, or is not there for this person. */
export function viewPaper(app: Reader, me: Staff, id: string): PaperView | undefined {
	const paper = findPaper(app, me, id);
	if (!paper || paper.state !== 'waits') return undefined;
	const nameOf = (staffId: string) =>
		scalar<string>(app.db, 'SELECT name FROM staff WHERE id = @staffId', { staffId });
	const dates = findDates(paper.text.slice(0, TEXT_SHOWN));
	return {
		id: paper.id,
		fileName: paper.file_name,
		mediaType: paper.media_type,
		receivedAt: paper.received_at,
		receivedBy: nameOf(paper.received_by),
		holderId: paper.holder_id,
		holder: nameOf(paper.holder_id),
		unread: paper.unread,
		text: paper.text.slice(0, TEXT_SHOWN),
		documentId: paper.document_id,
		dates: [...new Map(dates.map((found) => [found.date, found])).values()].slice(0, DATES_SHOWN),
		matterNumber:
			paper.matter_id === null
				? null
				: scalar(app.db, 'SELECT number FROM matter WHERE id = @id', { id: paper.matter_id })
	};
}

/** The numbers of open matters that one may see: the court's, others', our own. */
export const listKnownNumbers = ({ db }: Has, me: Staff): { matterId: string; number: string }[] =>
	all(
		db,
		`SELECT m.id AS matterId, f.value AS number
		FROM matter_fact f
		JOIN matter m ON m.id = f.matter_id
		WHERE f.fact = 'case-number' AND f.value <> '' AND m.status <> 'closed' AND ${visible('m')}
		UNION
		SELECT m.id, r.number
		FROM matter_reference r
		JOIN matter m ON m.id = r.matter_id
		WHERE m.status <> 'closed' AND ${visible('m')}
		UNION
		SELECT m.id, m.number FROM matter m WHERE m.status <> 'closed' AND ${visible('m')}`,
		{ me: me.id }
	);

/** The open matter whose number of the court, or of others, stands in a text; one or none. */
export function findMatterOfText(
	app: Has,
	me: Staff,
	text: string
): { matterId: string; number: string } | undefined {
	const found = findCaseNumbers(text, listKnownNumbers(app, me));
	// Two matters may share one court's number: then somebody must say which.
	const longest = found.filter(({ number }) => number.length === found[0]?.number.length);
	const matters = new Set(longest.map(({ matterId }) => matterId));
	return matters.size === 1 ? longest[0] : undefined;
}

/** The earlier papers of the same bytes: a paper that came twice is docketed once. */
export const findTwin = (
	{ db }: Has,
	me: Staff,
	sha256: string
): { id: string; state: PaperRow['state'] } | undefined =>
	maybeOne(
		db,
		`SELECT x.id, x.state
		FROM paper x
		WHERE x.sha256 = @sha256 AND x.state <> 'aside' AND ${seen('x')}
		ORDER BY x.received_at
		LIMIT 1`,
		{ sha256, me: me.id }
	);
