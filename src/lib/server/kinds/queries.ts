/** The kinds of matter as they stand. */
import { stringify } from 'yaml';
import type { Kind } from '#core/kinds/kind.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import type { KindRow } from './rows.ts';

type Has = Pick<Application, 'db'>;
/** A kind with how it stands: its version, and whether new matters may be of it. */
export type StoredKind = Kind & { version: number; active: boolean };

/** Kinds are read for most pages and seldom changed: a body is parsed once. */
const parsed = new Map<string, Kind>();
const PARSED_LIMIT = 200;

function parseBody(body: string): Kind {
	const known = parsed.get(body);
	if (known) return known;
	if (parsed.size >= PARSED_LIMIT) parsed.clear();
	const kind = deepFreeze(JSON.parse(body) as Kind);
	parsed.set(body, kind);
	return kind;
}
/** What many share, nobody changes. */
function deepFreeze<Value>(value: Value): Value {
	if (typeof value === 'object' && value !== null) Object.values(value).forEach(deepFreeze);
	return Object.freeze(value);
}

const readKind = ({ body, version, active }: KindRow): StoredKind => ({
	...parseBody(body),
	version,
	active: active === 1
});

/** All kinds, in the department's order. */
export const listKinds = ({ db }: Has): StoredKind[] =>
	all<KindRow>(db, 'SELECT * FROM kind ORDER BY position, id').map(readKind);

export function findKind({ db }: Has, id: string): StoredKind | undefined {
	const row = maybeOne<KindRow>(db, 'SELECT * FROM kind WHERE id = @id', { id });
	return row && readKind(row);
}

/** The kind of a matter. @throws where it is not there, which the database does not allow */
export function requireKind(app: Has, id: string): StoredKind {
	const kind = findKind(app, id);
	if (!kind) throw new Error(`there is no kind ${id}`);
	return kind;
}

/** How many matters of each kind one may see, by the kind's id. */
export function countKindUses({ db }: Has, me: Staff): Map<string, number> {
	const rows = all<{ kind: string; matters: number }>(
		db,
		`SELECT m.kind, count(*) AS matters
		FROM matter m
		WHERE ${visible('m')}
		GROUP BY m.kind`,
		{ me: me.id }
	);
	return new Map(rows.map(({ kind, matters }) => [kind, matters]));
}

/** A kind without how it stands. */
export function kindBody({ version: _version, active: _active, ...body }: StoredKind): Kind {
	return body;
}

/** A kind as the YAML that ships. */
export const formatKindYaml = (kind: StoredKind): string =>
	stringify(kindBody(kind), { lineWidth: 0 });
