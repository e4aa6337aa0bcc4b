/** What of ours stands beside a court's list, and the comparisons that were made. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { OurEntry } from '#core/docket/court-list.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import type { ReconciliationEntryRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

/** Our entries of a matter; `open` is what still stands. Proposals and early warnings are not. */
export const listOurs = ({ db }: Has, matterId: string): (OurEntry & { open: boolean })[] =>
	all<OurEntry & { open: 0 | 1; isCourts: boolean | 0 | 1 }>(
		db,
		`SELECT
			d.id, d.title, d.date, coalesce(d.hand_time, d.time) AS time, d.state = 'docketed' AS open,
			d.sort <> 'deadline' OR e.event_key = 'schedule' AS isCourts
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		WHERE d.matter_id = @matterId AND d.state IN ('docketed', 'met') AND d.suggested = 0
		ORDER BY d.date, d.id`,
		{ matterId }
	).map(({ open, isCourts, ...entry }) => ({
		...entry,
		open: open === 1,
		isCourts: Boolean(isCourts)
	}));

export type ReconciliationLine = {
	state: ReconciliationEntryRow['state'];
	matterNumber: string | null;
	matterTitle: string | null;
	deadlineId: string | null;
	ourTitle: string;
	ourDate: PlainDate | null;
	ourTime: string | null;
	theirTitle: string;
	theirDate: PlainDate | null;
	theirTime: string | null;
	caseNumber: string;
	/** What was not as the court has it stands so now, or is off. */
	settled: boolean;
};
export type ReconciliationView = {
	id: string;
	at: string;
	by: string;
	source: string;
	unread: string[];
	lines: ReconciliationLine[];
};

/**
 * An entry of no matter is shown only to who gave the list: it may be of one that nobody else
 * should know of.
 */
const SEEN = `(
	(x.matter_id IS NULL AND r.staff_id = @me)
	OR EXISTS (SELECT 1 FROM matter m WHERE m.id = x.matter_id AND ${visible('m')})
)`;

/** A comparison as it was; undefined where it is not there. */
export function findReconciliation(
	{ db }: Has,
	me: Staff,
	id: string
): ReconciliationView | undefined {
	type Head = Omit<ReconciliationView, 'unread' | 'lines'> & { unread: string; staffId: string };
	const head = maybeOne<Head>(
		db,
		`SELECT r.id, r.at, s.initials AS by, r.source, r.unread, r.staff_id AS staffId
		FROM reconciliation r
		JOIN staff s ON s.id = r.staff_id
		WHERE r.id = @id`,
		{ id }
	);
	if (!head) return undefined;
	type Row = Omit<ReconciliationLine, 'settled'> & { settled: 0 | 1 };
	const lines = all<Row>(
		db,
		`SELECT
			x.state, y.number AS matterNumber, y.title AS matterTitle, x.deadline_id AS deadlineId,
			x.our_title AS ourTitle, x.our_date AS ourDate, x.our_time AS ourTime,
			x.their_title AS theirTitle, x.their_date AS theirDate, x.their_time AS theirTime,
			x.case_number AS caseNumber,
			coalesce(
				x.state = 'differs' AND d.date = x.their_date,
				0
			) OR coalesce(x.state = 'missing there' AND d.state <> 'docketed', 0)
			OR (x.state = 'missing here' AND EXISTS (
				SELECT 1
				FROM deadline n
				WHERE n.matter_id = x.matter_id
					AND n.date = x.their_date
					AND n.state = 'docketed'
					AND n.docketed_at > r.at
			)) AS settled
		FROM reconciliation_entry x
		JOIN reconciliation r ON r.id = x.reconciliation_id
		LEFT JOIN matter y ON y.id = x.matter_id
		LEFT JOIN deadline d ON d.id = x.deadline_id
		WHERE x.reconciliation_id = @id AND ${SEEN}
		ORDER BY x.place`,
		{ id, me: me.id }
	);
	const { staffId, unread, ...view } = head;
	return {
		...view,
		// What could not be read may speak of anything.
		unread: staffId === me.id ? unread.split('\n').filter(Boolean) : [],
		lines: lines.map((line) => ({ ...line, settled: line.settled === 1 }))
	};
}

export type PastReconciliation = {
	id: string;
	at: string;
	by: string;
	source: string;
	agrees: number;
	/** What was not as the court has it. */
	open: number;
};

/** The last comparisons, with what the viewer may see of each. */
export const listReconciliations = ({ db }: Has, me: Staff): PastReconciliation[] =>
	all(
		db,
		`SELECT
			r.id, r.at, s.initials AS by, r.source,
			sum(x.state = 'agrees') AS agrees, sum(x.state <> 'agrees') AS open
		FROM reconciliation r
		JOIN staff s ON s.id = r.staff_id
		JOIN reconciliation_entry x ON x.reconciliation_id = r.id
		WHERE ${SEEN}
		GROUP BY r.id
		ORDER BY r.at DESC
		LIMIT 30`,
		{ me: me.id }
	);
