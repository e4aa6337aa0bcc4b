/**
 * What a command leaves behind: its entry in the audit trail, and entries in the logbooks of
 * matters.
 */
import { appendAudit } from '../access/audit.ts';
import { insert } from '../db/sql.ts';
import type { LogbookRow } from '../logbook/rows.ts';
import type { Context } from './application.ts';
import { newId } from './ids.ts';

export type LogKind = LogbookRow['kind'];

export type Recorder = {
	/** Adds to what the audit trail keeps of this command. */
	audit(detail: Record<string, unknown>): void;
	/** The matter the audit entry belongs to. */
	onMatter(matterId: string): void;
	/** An entry in a matter's logbook, in words a lawyer would use; gives its id. */
	logOn(matterId: string, kind: LogKind, text: string, link?: string | null): string;
	/** An entry beside the matter's own course: it counts as no activity on it. */
	logBeside(matterId: string, kind: LogKind, text: string, link?: string | null): string;
};

/** On one matter: the entries are its own. */
export type MatterRecorder = Recorder & {
	log(kind: LogKind, text: string, link?: string | null): string;
};

const actorName = (ctx: Context): string =>
	'staff' in ctx.actor ? ctx.actor.staff.login : `guest ${ctx.actor.guest}`;

/**
 * Opens the record of one command. `close` writes the audit entry, in the command's transaction.
 */
export function openRecord(ctx: Context, action: string): { record: Recorder; close(): void } {
	let matterId: string | null = null;
	const detail: Record<string, unknown> = {};
	const record: Recorder = {
		audit: (more) => void Object.assign(detail, more),
		onMatter: (id) => void (matterId = id),
		logOn: (id, kind, text, link) => writeLog(ctx, id, kind, text, link),
		logBeside: (id, kind, text, link) => writeLog(ctx, id, kind, text, link, 1)
	};
	return {
		record,
		close: () =>
			appendAudit(ctx.db, { at: ctx.clock.now(), actor: actorName(ctx), action, matterId, detail })
	};
}

/** Writes an entry into a matter's logbook; gives its id. */
export function writeLog(
	ctx: Context,
	matterId: string,
	kind: LogKind,
	text: string,
	link?: string | null,
	aside: 0 | 1 = 0
): string {
	const id = newId('log');
	insert<LogbookRow>(ctx.db, 'logbook', {
		id,
		matter_id: matterId,
		at: ctx.clock.now(),
		staff_id: 'staff' in ctx.actor ? ctx.actor.staff.id : null,
		kind,
		text,
		link: link ?? null,
		aside
	});
	return id;
}
