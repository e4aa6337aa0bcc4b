/**
 * Reading that the audit trail keeps: every file that is taken away, and who looked into a
 * restricted matter.
 */
import type { Application, Staff } from '../app/application.ts';
import { maybeOne } from '../db/sql.ts';
import { appendAudit } from './audit.ts';

/** One request that was answered well. */
export type Reading = {
	/** Undefined of a guest with a link. */
	staff: Staff | undefined;
	/** The route, not the path: a link's secret is in no entry. */
	route: string;
	params: Readonly<Record<string, string | undefined>>;
	search: string;
	/** What the answer's Content-Disposition says; null of a page. */
	disposition: string | null;
};

type Matter = { id: string; restricted: 0 | 1 };
const SEARCH_LIMIT = 500;
const HOUR_MS = 3_600_000;
/** So many at once; then the oldest are forgotten, and told once more. */
const MOST = 5000;
/** When somebody's look into a restricted matter was noted last, by application. */
const noted = new WeakMap<Application['db'], Map<string, number>>();

/**
 * Notes a reading where it is one the trail keeps. A restricted matter is noted once an hour for
 * each person, each file each time.
 */
export function auditReading(app: Application, reading: Reading): void {
	const { staff, disposition } = reading;
	const matter = findMatterOf(app, reading);
	const isTaken = disposition?.startsWith('attachment') === true;
	const isSecret =
		matter?.restricted === 1 && (disposition !== null || isNew(app, reading, matter));
	if (!isTaken && !isSecret) return;
	const { token: _, ...params } = reading.params;
	const detail = {
		route: reading.route,
		...params,
		...(reading.search && { search: reading.search.slice(0, SEARCH_LIMIT) }),
		...(disposition && { file: nameIn(disposition) })
	};
	const action = isTaken ? 'take file away' : 'read restricted matter';
	app.db
		.transaction(() =>
			appendAudit(
				app.db,
				{
					at: app.clock.now(),
					actor: staff?.login ?? 'guest',
					action,
					matterId: matter?.id ?? null,
					detail
				},
				null
			)
		)
		.immediate();
}

function isNew(app: Application, { staff }: Reading, matter: Matter): boolean {
	let known = noted.get(app.db);
	if (!known) noted.set(app.db, (known = new Map()));
	const key = `${staff?.id ?? ''} ${matter.id}`;
	const now = Date.parse(app.clock.now());
	if (now - (known.get(key) ?? -HOUR_MS) < HOUR_MS) return false;
	known.delete(key);
	known.set(key, now);
	if (known.size > MOST) for (const oldest of known.keys()) if (known.delete(oldest)) break;
	return true;
}

const nameIn = (disposition: string): string => {
	const coded = /filename\*=UTF-8''(.*)$/.exec(disposition)?.[1];
	return coded === undefined ? '' : decodeURIComponent(coded);
};

/** By a part of the route, how its id leads to a matter. */
const WAYS: readonly (readonly [route: string, from: string])[] = [
	['/documents/[id]', 'document x'],
	['/docket/papers/[id]', 'paper x'],
	['/signing/[id]', 'signer x JOIN signing_round y ON y.id = x.round_id']
];

/** The matter a request is about, by what its address names. */
function findMatterOf({ db }: Application, { route, params }: Reading): Matter | undefined {
	// A number is found in small letters too.
	if (params.number !== undefined)
		return maybeOne(db, 'SELECT id, restricted FROM matter WHERE number = @number', {
			number: params.number.toUpperCase()
		});
	const way = WAYS.find(([part]) => route.includes(part));
	if (!way) return undefined;
	const [, from] = way;
	const alias = from.includes(' y ') ? 'y' : 'x';
	return maybeOne(
		db,
		`SELECT m.id, m.restricted
		FROM ${from}
		JOIN matter m ON m.id = ${alias}.matter_id
		WHERE x.id = @id`,
		params
	);
}
