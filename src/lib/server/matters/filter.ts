/** What a matter list is narrowed to. */
import { addDays } from '#core/dates/plain.ts';
import { startOfDay } from '#core/dates/zone.ts';
import { onTeam, visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import type { Params } from '#server/db/sql.ts';
import type { StoredKind } from '#server/kinds/queries.ts';
import { matchWords } from '#server/search/match.ts';
import { ACTIVITY_SQL, AGE_SQL } from './columns.ts';

export type MatterFilter = {
	who?: 'mine' | 'all';
	kind?: string;
	unit?: string;
	lawyer?: string;
	status?: string;
	priority?: string;
	stage?: string;
	ending?: string;
	origin?: string;
	q?: string;
	closed?: boolean;
	quiet?: boolean;
	old?: boolean;
	/** A month, YYYY-MM. */
	opened?: string;
	closedIn?: string;
	/** Closed, and kept long enough. */
	retained?: boolean;
	/** The lower end of a band of ages. */
	age?: string;
	cols?: string[];
	sort?: string;
	group?: string;
	page?: number;
};

const TEXT_FIELDS = [
	'kind',
	'unit',
	'lawyer',
	'status',
	'priority',
	'stage',
	'ending',
	'origin',
	'q',
	'opened',
	'closedIn',
	'age',
	'sort',
	'group'
] as const;
const TEXT_LIMIT = 200;
const COLUMN_LIMIT = 16;
const PAGE_LIMIT = 100_000;

/** The filter a query string means; what is not known is left out. */
export function parseMatterFilter(params: URLSearchParams): MatterFilter {
	const ticked = (name: string) => params.get(name) === '1';
	const page = Math.floor(Number(params.get('page'))) || 1;
	const filter: MatterFilter = {
		who: params.get('who') === 'all' ? 'all' : 'mine',
		closed: ticked('closed'),
		quiet: ticked('quiet'),
		old: ticked('old'),
		retained: ticked('retained'),
		page: Math.max(1, Math.min(PAGE_LIMIT, page))
	};
	for (const field of TEXT_FIELDS) {
		const value = params.get(field)?.slice(0, TEXT_LIMIT);
		if (value) filter[field] = value;
	}
	// As it comes, the list stands by kind.
	if (!filter.group && !filter.sort) filter.group = 'kind';
	const columns = params.get('cols')?.split(',').filter(Boolean).slice(0, COLUMN_LIMIT);
	if (columns?.length) filter.cols = columns;
	return filter;
}

/** Bands of age in days: their lower ends. */
export const AGES = [0, 90, 180, 365, 730] as const;

/** A number of days by the kind of the matter m. */
const byKind = (kinds: readonly StoredKind[], value: (kind: StoredKind) => string | number) =>
	`CASE m.kind ${kinds.map((kind) => `WHEN '${kind.id}' THEN ${value(kind)}`).join(' ')} END`;

/**
 * Open, and nothing in the logbook since the day its kind calls quiet began: a condition on the
 * matter m.
 */
export function quietSql(
	{ clock }: Pick<Application, 'clock'>,
	kinds: readonly StoredKind[]
): string {
	const since = ({ quietDays }: StoredKind) =>
		`'${startOfDay(addDays(clock.today(), -quietDays), clock.zone)}'`;
	return `m.status = 'open' AND ${ACTIVITY_SQL} < ${byKind(kinds, since)}`;
}

const COLUMNS = {
	kind: 'm.kind',
	unit: 'm.unit_id',
	lawyer: 'm.responsible_id',
	status: 'm.status',
	priority: 'm.priority',
	stage: 'm.stage',
	ending: 'm.ending',
	origin: 'm.origin_id'
} as const;
const MONTH = /^\d{4}-\d\d$/;

/** The conditions of a filter on the matter m, with their parameters. */
export function filterSql(
	app: Pick<Application, 'clock'>,
	me: Staff,
	filter: MatterFilter,
	kinds: readonly StoredKind[]
): { where: string; params: Params } {
	const age = AGES.find((from) => String(from) === filter.age);
	const match = matchWords(filter.q ?? '');
	const conditions = [
		visible('m'),
		filter.who !== 'all' && onTeam('m'),
		...Object.entries(COLUMNS).map(
			([field, column]) => filter[field as keyof typeof COLUMNS] && `${column} = @${field}`
		),
		!showsClosed(filter) && "m.status <> 'closed'",
		MONTH.test(filter.opened ?? '') && "m.opened_on BETWEEN @opened || '-01' AND @opened || '-31'",
		MONTH.test(filter.closedIn ?? '') &&
			"m.closed_on BETWEEN @closedIn || '-01' AND @closedIn || '-31'",
		filter.retained && "m.status = 'closed' AND m.retain_until < today()",
		age !== undefined && ageSql(age),
		filter.quiet && quietSql(app, kinds),
		filter.old && `m.status <> 'closed' AND ${AGE_SQL} > ${byKind(kinds, (kind) => kind.ageDays)}`,
		filter.q && wordsSql(match)
	];
	return {
		where: conditions.filter(Boolean).join(' AND '),
		params: { ...filter, match, me: me.id }
	};
}

/** Closed matters are shown where the filter asks for something that closed ones have too. */
const showsClosed = ({
	closed,
	status,
	closedIn,
	retained,
	opened,
	ending
}: MatterFilter): boolean =>
	Boolean(closed || status === 'closed' || closedIn || retained || opened || ending);

function ageSql(from: number): string {
	const to = AGES.find((end) => end > from);
	const over = `${AGE_SQL} >= ${from}`;
	return to === undefined ? over : `${over} AND ${AGE_SQL} < ${to}`;
}

const wordsSql = (match: string): string =>
	match === ''
		? '0'
		: `m.id IN (
			SELECT s.ref
			FROM search x
			JOIN search_text s ON s.id = x.rowid
			WHERE search MATCH @match AND s.kind = 'matter'
		)`;
