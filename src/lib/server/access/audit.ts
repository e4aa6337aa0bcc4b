/**
 * The audit trail: each entry has what was changed, row by row, and its hash covers that and the
 * entry before it.
 */
import { sha256 } from '../app/ids.ts';
import type { Db } from '../db/open.ts';
import { insert, iterate, maybeOne } from '../db/sql.ts';
import { hasRowChanges, takeRowChanges } from './row-watch.ts';
import type { AuditRow } from './rows.ts';

export type AuditEntry = {
	at: string;
	actor: string;
	action: string;
	matterId: string | null;
	detail: Record<string, unknown>;
};

const START = '0'.repeat(64);
/** Entries from before the trail kept values have the hash they always had. */
const hashOf = (row: Omit<AuditRow, 'hash'>) => {
	const { seq, at, actor, action, matter_id, detail, prev_hash, changes } = row;
	const parts = [seq, at, actor, action, matter_id, detail, prev_hash];
	return sha256(JSON.stringify(changes === null ? parts : [...parts, changes]));
};

/** The last entry, whose hash covers all before it; undefined in a trail without any. */
export const findHeadEntry = (db: Db): Pick<AuditRow, 'seq' | 'hash'> | undefined =>
	maybeOne(db, 'SELECT seq, hash FROM audit ORDER BY seq DESC LIMIT 1');

/**
 * Appends inside the caller's transaction.
 * @param changes the rows it changed, where that is not what was written since the last entry
 */
export function appendAudit(db: Db, entry: AuditEntry, changes = takeRowChanges(db)): void {
	const last = findHeadEntry(db);
	const row = {
		seq: (last?.seq ?? 0) + 1,
		at: entry.at,
		actor: entry.actor,
		action: entry.action,
		matter_id: entry.matterId,
		detail: JSON.stringify(entry.detail),
		prev_hash: last?.hash ?? START,
		changes
	};
	insert<AuditRow>(db, 'audit', { ...row, hash: hashOf(row) });
}

/**
 * What was written outside any command goes into the trail as the server's own act, so that it is
 * nobody else's and does not look as if nobody had written it.
 */
export function auditServer({ db, clock }: Has, action: string): void {
	if (!hasRowChanges(db)) return;
	db.transaction(() =>
		appendAudit(db, { at: clock.now(), actor: 'server', action, matterId: null, detail: {} })
	).immediate();
}
type Has = { db: Db; clock: { now(): string } };

/** Walks the whole chain; the first broken link, or the number of entries. */
export function verifyAudit(
	db: Db
): { ok: true; entries: number; head: string } | { ok: false; seq: number; why: string } {
	let head = START;
	let seq = 0;
	for (const row of iterate<AuditRow>(db, 'SELECT * FROM audit ORDER BY seq')) {
		seq++;
		if (row.seq !== seq) return { ok: false, seq, why: 'an entry is missing' };
		if (row.prev_hash !== head)
			return { ok: false, seq, why: 'it does not follow the entry before it' };
		if (row.hash !== hashOf(row)) return { ok: false, seq, why: 'its contents were changed' };
		head = row.hash;
	}
	return { ok: true, entries: seq, head };
}

const SHORTEST_HEAD = 16;

/**
 * The entry whose hash this is, or begins so; "short" where it is too short to tell, undefined
 * where there is none: the trail was cut off or written anew since the head was taken down.
 */
export function findHead(db: Db, head: string): Pick<AuditRow, 'seq' | 'at'> | 'short' | undefined {
	const typed = head.trim().toLowerCase();
	if (!/^[0-9a-f]*$/.test(typed)) return undefined;
	if (typed.length < SHORTEST_HEAD) return 'short';
	return maybeOne(db, 'SELECT seq, at FROM audit WHERE substr(hash, 1, @length) = @typed', {
		typed,
		length: typed.length
	});
}

/**
 * The name of the person whose change of a thing is the newest, for whoever meets that change.
 * @param matterId the matter it belongs to, null where it belongs to none
 * @param id the id or number under which the audit trail speaks of it
 */
export function lastChangeBy(db: Db, matterId: string | null, id: string): string {
	const person = maybeOne<{ name: string }>(
		db,
		`SELECT s.name
		FROM audit a
		LEFT JOIN staff s ON s.login = a.actor
		WHERE a.matter_id IS @matterId AND instr(a.detail, @id) > 0
		ORDER BY a.seq DESC
		LIMIT 1`,
		{ matterId, id }
	);
	return person?.name ?? 'Someone else';
}
