/**
 * The interest check: names in; out comes every place they occur, as the viewer may see it. What
 * lies in a restricted matter that is not the viewer's leaves one neutral line: no name, no count,
 * no words. Runs in a worker.
 */
import type { Db } from '#server/db/open.ts';
import { maybeOne } from '#server/db/sql.ts';
import { findCardHits } from './card-hits.ts';
import type { InterestHit, Scope } from './hit.ts';
import { findTextHits, showTextHit } from './text-hits.ts';

export type NameReport = {
	name: string;
	hits: InterestHit[];
	/** Hits beyond those shown. */
	more: number;
};
export type InterestReport = { names: NameReport[]; restricted: boolean };
/** Where a name lies that the viewer may not see: kept apart from the report, and never shown. */
export type HiddenHit = { name: string; matterId: string };
export type InterestFinding = InterestReport & { hidden: HiddenHit[] };

export type InterestQuery = {
	/** The id of who checks. */
	me: string;
	names: string[];
	/** The check is made for this matter or request: what belongs to it is not told. */
	matterId?: string | null;
	requestId?: string | null;
	/** Cards that are about to be on the matter: known only by that, they tell nothing new. */
	personIds?: string[];
};

/** Hits shown for a name; beyond them the report says how many more there are. */
const SHOWN = 60;

/** Checks names against everything the department holds. */
export function makeInterestReport(db: Db, query: InterestQuery): InterestFinding {
	const matter = maybeOne<{ number: string }>(
		db,
		'SELECT number FROM matter WHERE id = @matterId',
		{ matterId: query.matterId ?? null }
	);
	const scope: Scope = {
		me: query.me,
		matterNumber: matter?.number ?? null,
		requestId: query.requestId ?? null,
		personIds: query.personIds ?? []
	};
	const reports = query.names.map((name) => reportName(db, name, scope));
	return {
		names: reports.map(({ report }) => report),
		restricted: reports.some(({ restricted }) => restricted),
		hidden: reports.flatMap(({ report: { name }, hidden }) =>
			[...new Set(hidden)].map((matterId) => ({ name, matterId }))
		)
	};
}

function reportName(
	db: Db,
	name: string,
	scope: Scope
): { report: NameReport; restricted: boolean; hidden: string[] } {
	const cards = findCardHits(db, name, scope);
	const texts = findTextHits(db, name, scope);
	// A card comes before a text of the same strength. What is shown of a text is made only for those
	// shown.
	const found = [
		...cards.hits.map((hit) => ({ ...hit, rank: 0, show: () => hit })),
		...texts.found.map((text) => ({
			strength: text.place.strength,
			title: text.row.title,
			rank: 1,
			show: () => showTextHit(text)
		}))
	];
	found.sort((a, b) => b.strength - a.strength || a.rank - b.rank || compareText(a.title, b.title));
	return {
		report: {
			name,
			hits: found.slice(0, SHOWN).map(({ show }) => show()),
			more: Math.max(0, found.length - SHOWN)
		},
		restricted: cards.hidden.length + texts.hidden.length > 0,
		hidden: [...cards.hidden, ...texts.hidden]
	};
}

function compareText(a: string, b: string): number {
	if (a === b) return 0;
	return a < b ? -1 : 1;
}

export const countHits = ({ names }: InterestReport): number =>
	names.reduce((sum, { hits, more }) => sum + hits.length + more, 0);
