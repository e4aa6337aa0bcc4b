/**
 * Kept reports, for those who may read them: who made one, and where it belongs to a matter, who
 * may see all that it names.
 */
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, exists, maybeOne } from '#server/db/sql.ts';
import type { InterestReport } from './report.ts';
import type { InterestCheckRow } from './rows.ts';

export type CheckView = {
	id: string;
	names: string[];
	report: InterestReport;
	madeBy: string;
	madeById: string;
	madeAt: string;
	decision: InterestCheckRow['decision'];
	reason: string;
	decidedBy: string | null;
	decidedAt: string | null;
	matter: { id: string; number: string; title: string } | null;
	request: { id: string; number: string } | null;
};

type Row = Omit<InterestCheckRow, 'made_by' | 'made_at' | 'decided_by' | 'decided_at'> & {
	madeBy: string;
	madeById: string;
	madeAt: string;
	decidedBy: string | null;
	decidedAt: string | null;
	number: string | null;
	title: string | null;
	requestNumber: string | null;
};

const SELECT = `SELECT
		c.id, c.names, c.report, c.made_by AS madeById, a.name AS madeBy, c.made_at AS madeAt,
		c.decision, c.reason, b.name AS decidedBy, c.decided_at AS decidedAt, c.matter_id, m.number,
		m.title, c.request_id, q.number AS requestNumber
	FROM interest_check c
	JOIN staff a ON a.id = c.made_by
	LEFT JOIN staff b ON b.id = c.decided_by
	LEFT JOIN matter m ON m.id = c.matter_id
	LEFT JOIN request q ON q.id = c.request_id`;

const readCheck = (row: Row): CheckView => ({
	id: row.id,
	names: JSON.parse(row.names) as string[],
	report: JSON.parse(row.report) as InterestReport,
	madeBy: row.madeBy,
	madeById: row.madeById,
	madeAt: row.madeAt,
	decision: row.decision,
	reason: row.reason,
	decidedBy: row.decidedBy,
	decidedAt: row.decidedAt,
	matter: row.matter_id
		? { id: row.matter_id, number: row.number ?? '', title: row.title ?? '' }
		: null,
	request: row.request_id ? { id: row.request_id, number: row.requestNumber ?? '' } : null
});

/** A check; undefined where it is not there for this person. */
export function findCheck(app: Application, me: Staff, checkId: string): CheckView | undefined {
	const row = maybeOne<Row>(app.db, `${SELECT} WHERE c.id = @checkId`, { checkId });
	return row && mayRead(app, me, row) ? closeHidden(app, me, readCheck(row)) : undefined;
}

const CHECKS_SHOWN = 40;
/** One's own latest checks. */
export const listMyChecks = (app: Application, me: Staff): CheckView[] =>
	all<Row>(
		app.db,
		`${SELECT}
		WHERE c.made_by = @me AND (c.matter_id IS NULL OR ${visible('m')})
		ORDER BY c.made_at DESC
		LIMIT ${CHECKS_SHOWN}`,
		{ me: me.id }
	).map((row) => closeHidden(app, me, readCheck(row)));

export const listMatterChecks = (app: Application, me: Staff, matterId: string): CheckView[] =>
	all<Row>(
		app.db,
		`${SELECT}
		WHERE c.matter_id = @matterId
		ORDER BY c.made_at DESC`,
		{ matterId }
	)
		.filter((row) => mayRead(app, me, row))
		.map((row) => closeHidden(app, me, readCheck(row)));

/**
 * A report without what was restricted after it was made: it is kept as it was, and read as one
 * made now would be.
 */
function closeHidden(app: Application, me: Staff, check: CheckView): CheckView {
	if (seesAllIn(app, me, JSON.stringify(check.report))) return check;
	const names = check.report.names.map((found) => ({
		...found,
		hits: found.hits.filter((hit) => seesAllIn(app, me, JSON.stringify(hit)))
	}));
	return { ...check, report: { names, restricted: true } };
}

function mayRead(app: Application, me: Staff, row: Row): boolean {
	if (row.matter_id && !seesMatter(app, me, row.matter_id)) return false;
	if (row.madeById === me.id) return true;
	const ofSomething = row.matter_id !== null || row.request_id !== null;
	return (ofSomething || me.role === 'docket-clerk') && seesAllIn(app, me, row.report);
}

const seesMatter = ({ db }: Application, me: Staff, matterId: string): boolean =>
	exists(db, `SELECT 1 FROM matter m WHERE m.id = @matterId AND ${visible('m')}`, {
		matterId,
		me: me.id
	});

const MATTER_NUMBER = /\b[A-Z]{1,6}-\d{4}-\d{3,6}\b/g;
const CARD_LINK = /\/people\/(per_\w+)/g;

/**
 * A report says what its maker could see: others read it only where every matter and card it names
 * is theirs to see too.
 */
function seesAllIn({ db }: Application, me: Staff, report: string): boolean {
	const numbers = JSON.stringify(report.match(MATTER_NUMBER) ?? []);
	const cards = JSON.stringify([...report.matchAll(CARD_LINK)].map(([, id]) => id));
	return !exists(
		db,
		`SELECT 1
		FROM matter m
		WHERE m.number IN (SELECT value FROM json_each(@numbers)) AND NOT ${visible('m')}
		UNION ALL
		SELECT 1
		FROM person p
		JOIN matter m ON m.id = p.made_for
		WHERE p.id IN (SELECT value FROM json_each(@cards))
			AND m.restricted = 1
			AND NOT ${visible('m')}`,
		{ numbers, cards, me: me.id }
	);
}
