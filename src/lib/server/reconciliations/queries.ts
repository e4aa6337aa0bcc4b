/** What of ours stands beside a court's list, and the comparisons that were made. */
import type { PlainDate } from '#core/dates/plain.ts';
import { compareEntries, type OurEntry } from '#core/docket/court-list.ts';
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

/** Ours of a line as it stands now. */
type Now = { dateNow: PlainDate | null; timeNow: string | null; stateNow: string | null };

/** What was docketed after a comparison in the matters where it missed something, by matter. */
function listEnteredSince(db: Has['db'], id: string): Map<string | null, OurEntry[]> {
	const rows = all<OurEntry & { matterId: string }>(
		db,
		`SELECT DISTINCT
			n.id, n.matter_id AS matterId, n.title, n.date, coalesce(n.hand_time, n.time) AS time,
			1 AS isCourts
		FROM reconciliation r
		JOIN reconciliation_entry x ON x.reconciliation_id = r.id AND x.state = 'missing here'
		JOIN deadline n ON n.matter_id = x.matter_id AND n.date = x.their_date
		WHERE r.id = @id AND n.state = 'docketed' AND n.docketed_at > r.at`,
		{ id }
	);
	const byMatter = new Map<string | null, OurEntry[]>();
	for (const { matterId, ...entry } of rows)
		byMatter.set(matterId, [...(byMatter.get(matterId) ?? []), entry]);
	return byMatter;
}

/** Whether a line that was not as the court has it is so now, by its day, its time and its name. */
function isSettled(
	line: Omit<ReconciliationLine, 'settled'>,
	{ dateNow, timeNow, stateNow }: Now,
	entered: readonly OurEntry[]
): boolean {
	if (line.state === 'missing there') return stateNow !== null && stateNow !== 'docketed';
	if (line.theirDate === null) return false;
	if (line.state === 'differs')
		return dateNow === line.theirDate && (line.theirTime ?? timeNow) === timeNow;
	if (line.state !== 'missing here') return false;
	const { theirTitle: title, theirDate: date, theirTime: time, caseNumber } = line;
	return compareEntries([{ title, date, time, caseNumber }], entered).agrees.length > 0;
}

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
	type Row = Omit<ReconciliationLine, 'settled'> & Now & { matterId: string | null };
	const lines = all<Row>(
		db,
		`SELECT
			x.state, y.id AS matterId, y.number AS matterNumber, y.title AS matterTitle,
			x.deadline_id AS deadlineId,
			x.our_title AS ourTitle, x.our_date AS ourDate, x.our_time AS ourTime,
			x.their_title AS theirTitle, x.their_date AS theirDate, x.their_time AS theirTime,
			x.case_number AS caseNumber,
			d.date AS dateNow, coalesce(d.hand_time, d.time) AS timeNow, d.state AS stateNow
		FROM reconciliation_entry x
		JOIN reconciliation r ON r.id = x.reconciliation_id
		LEFT JOIN matter y ON y.id = x.matter_id
		LEFT JOIN deadline d ON d.id = x.deadline_id
		WHERE x.reconciliation_id = @id AND ${SEEN}
		ORDER BY x.place`,
		{ id, me: me.id }
	);
	const entered = listEnteredSince(db, id);
	const { staffId, unread, ...view } = head;
	return {
		...view,
		// What could not be read may speak of anything.
		unread: staffId === me.id ? unread.split('\n').filter(Boolean) : [],
		lines: lines.map(({ dateNow, timeNow, stateNow, matterId, ...line }) => ({
			...line,
			settled: isSettled(line, { dateNow, timeNow, stateNow }, entered.get(matterId) ?? [])
		}))
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
