/** Memos as they are shown: on a card, on the Day sheet, in one's own list. */
import type { PlainDate } from '#core/dates/plain.ts';
import { cardVisible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all, scalar } from '#server/db/sql.ts';

export type MemoView = {
	id: string;
	text: string;
	remindOn: PlainDate | null;
	at: string;
	done: 0 | 1;
	/** Whether the viewer wrote it. */
	own: 0 | 1;
	by: string;
	to: string;
	/** The card it is on, where the viewer may see that. */
	personId: string | null;
	personName: string | null;
};

const VIEW = `SELECT
		o.id, o.text, o.remind_on AS remindOn, o.at, o.done_at IS NOT NULL AS done,
		o.by_id = @me AS own, w.name AS "by", f.name AS "to", p.id AS personId, p.name AS personName
	FROM memo o
	JOIN staff w ON w.id = o.by_id
	JOIN staff f ON f.id = o.for_id
	LEFT JOIN person p ON p.id = o.person_id AND ${cardVisible('p')}`;

/** Those on a card that was found; the open ones first. */
export const listCardMemos = (
	{ db }: Pick<Reader, 'db'>,
	me: Staff,
	personId: string
): MemoView[] =>
	all(
		db,
		`${VIEW}
		WHERE o.person_id = @personId
		ORDER BY o.done_at IS NOT NULL, o.remind_on IS NULL, o.remind_on, o.at DESC
		LIMIT 200`,
		{ personId, me: me.id }
	);

/** Whom it reminds, and that is not done. */
const OPEN = 'o.for_id = @me AND o.done_at IS NULL';

/** What reminds today, or did before and is not done. */
export const listDueMemos = ({ db }: Reader, me: Staff): MemoView[] =>
	all(
		db,
		`${VIEW}
		WHERE ${OPEN} AND o.remind_on <= today()
		ORDER BY o.remind_on, o.at
		LIMIT 50`,
		{ me: me.id }
	);

/** How many remind somebody today. */
export const countDueMemos = ({ db }: Reader, staffId: string): number =>
	scalar(db, `SELECT count(*) FROM memo o WHERE ${OPEN} AND o.remind_on <= today()`, {
		me: staffId
	});

/** One's own, and those one is reminded by: the open ones by their day, then what is done. */
export const listOwnMemos = ({ db }: Reader, me: Staff): MemoView[] =>
	all(
		db,
		`${VIEW}
		WHERE o.by_id = @me OR o.for_id = @me
		ORDER BY o.done_at IS NOT NULL, o.remind_on IS NULL, o.remind_on, o.at DESC
		LIMIT 300`,
		{ me: me.id }
	);
