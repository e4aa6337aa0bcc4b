import { may } from '#core/access/table.ts';
import type { Staff, World } from '../command.ts';
import { findMatter, visible } from '../trust/scope.ts';

export type RequestRow = {
	id: string;
	number: string | null;
	about: string;
	unit: string | null;
	state: string;
	urgency: string;
	wantedBy: string | null;
	sentAt: string | null;
	createdAt: string;
	by: string;
	byId: string;
	takenBy: string | null;
	counterparty: string;
	files: number;
	lastAt: string;
};
const SELECT = `SELECT r.id, r.number, r.about, u.name AS unit, r.state, r.urgency, r.wanted_by AS wantedBy, r.sent_at AS sentAt, r.created_at AS createdAt, s.name AS "by", r.staff_id AS byId, t.name AS takenBy, r.counterparty,
 (SELECT count(*) FROM request_file f WHERE f.request_id = r.id) AS files, coalesce((SELECT max(at) FROM request_word x WHERE x.request_id = r.id), r.created_at) AS lastAt
 FROM request r JOIN staff s ON s.id = r.staff_id LEFT JOIN business_unit u ON u.id = r.unit_id LEFT JOIN staff t ON t.id = r.taken_by`;

/** One's own requests, those that wait for an answer first. */
export const myRequests = (w: World, me: Staff): RequestRow[] =>
	w.db
		.prepare<[string], RequestRow>(
			`${SELECT} WHERE r.staff_id = ? ORDER BY CASE r.state WHEN 'asked' THEN 0 WHEN 'draft' THEN 1 WHEN 'sent' THEN 2 WHEN 'taken' THEN 2 WHEN 'matter' THEN 3 ELSE 4 END, lastAt DESC LIMIT 200`
		)
		.all(me.id);

export const QUEUE = {
	open: "r.state IN ('sent','taken','asked')",
	mine: "r.state IN ('sent','taken','asked') AND r.taken_by = @me",
	done: "r.state IN ('matter','turned down','withdrawn')"
} as const;
/** The department's queue: urgent ones first, then the oldest. */
export function requestQueue(w: World, me: Staff, show: keyof typeof QUEUE): RequestRow[] {
	return w.db
		.prepare<unknown[], RequestRow>(
			`${SELECT} WHERE ${QUEUE[show]} AND (r.matter_id IS NULL OR EXISTS (SELECT 1 FROM matter m WHERE m.id = r.matter_id AND ${visible('m')})) ORDER BY ${show === 'done' ? 'r.ended_at DESC' : "CASE r.urgency WHEN 'urgent' THEN 0 WHEN 'soon' THEN 1 ELSE 2 END, r.wanted_by IS NULL, r.wanted_by, r.sent_at"} LIMIT 300`
		)
		.all({ me: me.id });
}
export const openRequests = (w: World): number =>
	w.db.prepare<[], { n: number }>("SELECT count(*) AS n FROM request WHERE state = 'sent'").get()!
		.n;

export type RequestView = RequestRow & {
	words: string;
	unitId: string | null;
	reason: string;
	mine: boolean;
	matter: { number: string; title: string } | null;
	inWork: boolean;
	handler: string | null;
	talk: { at: string; who: string; mine: boolean; kind: string; text: string }[];
	papers: { id: string; name: string; size: number; who: string }[];
};
/** A request for its writer, or, once sent, for the department. Its writer is not told which matter it went to. */
export function request(w: World, me: Staff, id: string): RequestView | undefined {
	const r = w.db
		.prepare<
			[string],
			RequestRow & {
				words: string;
				unitId: string | null;
				reason: string;
				matter_id: string | null;
			}
		>(
			`${SELECT.replace('SELECT r.id', 'SELECT r.words, r.unit_id AS unitId, r.reason, r.matter_id, r.id')} WHERE r.id = ?`
		)
		.get(id);
	if (!r) return undefined;
	const mine = r.byId === me.id,
		triage = may(me.role, 'request.triage') && r.state !== 'draft';
	if (!mine && !triage) return undefined;
	const { matter_id, ...rest } = r;
	const m = matter_id && triage ? findMatter(w.db, me, { id: matter_id }) : undefined;
	// What became part of a restricted matter goes where the matter goes.
	if (matter_id && !m && !mine) return undefined;
	return {
		...rest,
		mine,
		matter: m ? { number: m.number, title: m.title } : null,
		inWork: matter_id !== null,
		handler:
			matter_id && mine && !triage
				? (w.db
						.prepare<[string], { name: string; restricted: number }>(
							'SELECT s.name, m.restricted FROM matter m JOIN staff s ON s.id = m.responsible_id WHERE m.id = ?'
						)
						.all(matter_id)
						.filter((x) => !x.restricted)[0]?.name ?? null)
				: null,
		talk: w.db
			.prepare<
				[string, string],
				{ at: string; who: string; mine: number; kind: string; text: string }
			>(
				'SELECT x.at, s.name AS who, x.staff_id = ? AS mine, x.kind, x.text FROM request_word x JOIN staff s ON s.id = x.staff_id WHERE x.request_id = ? ORDER BY x.at, x.id'
			)
			.all(me.id, id)
			.map((x) => ({ ...x, mine: x.mine === 1 })),
		papers: w.db
			.prepare<[string], { id: string; name: string; size: number; who: string }>(
				'SELECT f.id, f.file_name AS name, f.size, s.name AS who FROM request_file f JOIN staff s ON s.id = f.staff_id WHERE f.request_id = ? ORDER BY f.id'
			)
			.all(id)
	};
}
export function requestFile(
	w: World,
	me: Staff,
	id: string,
	fileId: string
): { data: Buffer; type: string; name: string } | undefined {
	if (!request(w, me, id)) return undefined;
	const f = w.db
		.prepare<[string, string], { sha256: string; media_type: string; file_name: string }>(
			'SELECT sha256, media_type, file_name FROM request_file WHERE id = ? AND request_id = ?'
		)
		.get(fileId, id);
	return f && { data: w.files.get(f.sha256), type: f.media_type, name: f.file_name };
}
