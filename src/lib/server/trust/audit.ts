/** The audit trail: each entry's hash covers the one before it. */
import type { Db } from '../db/open.ts';
import { sha256 } from '../ids.ts';

export type AuditEntry = {
	at: string;
	actor: string;
	action: string;
	matterId: string | null;
	detail: Record<string, unknown>;
};
type Row = {
	seq: number;
	at: string;
	actor: string;
	action: string;
	matter_id: string | null;
	detail: string;
	prev_hash: string;
	hash: string;
};

const START = '0'.repeat(64);
const hashOf = (r: Omit<Row, 'hash'>) =>
	sha256(JSON.stringify([r.seq, r.at, r.actor, r.action, r.matter_id, r.detail, r.prev_hash]));

/** Appends inside the caller's transaction. */
export function appendAudit(db: Db, e: AuditEntry): void {
	const last = db
		.prepare<[], { seq: number; hash: string }>(
			'SELECT seq, hash FROM audit ORDER BY seq DESC LIMIT 1'
		)
		.get();
	const row = {
		seq: (last?.seq ?? 0) + 1,
		at: e.at,
		actor: e.actor,
		action: e.action,
		matter_id: e.matterId,
		detail: JSON.stringify(e.detail),
		prev_hash: last?.hash ?? START
	};
	db.prepare(
		'INSERT INTO audit (seq, at, actor, action, matter_id, detail, prev_hash, hash) VALUES (@seq, @at, @actor, @action, @matter_id, @detail, @prev_hash, @hash)'
	).run({ ...row, hash: hashOf(row) });
}

/** Walks the whole chain; the first broken link, or the number of entries. */
export function verifyAudit(
	db: Db
): { ok: true; entries: number; head: string } | { ok: false; seq: number; why: string } {
	let prev = START;
	let seq = 0;
	for (const r of db.prepare<[], Row>('SELECT * FROM audit ORDER BY seq').iterate()) {
		seq++;
		if (r.seq !== seq) return { ok: false, seq, why: 'an entry is missing' };
		if (r.prev_hash !== prev)
			return { ok: false, seq, why: 'it does not follow the entry before it' };
		if (r.hash !== hashOf(r)) return { ok: false, seq, why: 'its contents were changed' };
		prev = r.hash;
	}
	return { ok: true, entries: seq, head: prev };
}
