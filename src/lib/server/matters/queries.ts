import type { Staff, World } from '../command.ts';
import { findMatter, onMatter, visible, type MatterRow } from '../trust/scope.ts';

/** The next date of a matter: a hearing or trial ahead, or a docketed deadline. Derived, never stored. */
const NEXT_DEADLINE = `(SELECT d.id FROM deadline d WHERE d.matter_id = m.id AND d.state = 'docketed' ORDER BY d.date, d.id LIMIT 1)`;

export type MatterListRow = {
	id: string; number: string; title: string; kind: string; status: string; unit: string; units: number; responsible: string; responsibleName: string; restricted: number; openedOn: string;
	minutes: number; lastActivity: string; nextId: string | null; nextTitle: string | null; nextDate: string | null; nextChecked: number | null;
};
export type MatterFilter = { who: 'mine' | 'all'; kind?: string; unit?: string; q?: string; closed?: boolean; page?: number };
export const PAGE = 60;

/** Matters by kind and number, a page at a time, with their derived columns. */
export function matterList(w: World, me: Staff, f: MatterFilter): { rows: MatterListRow[]; total: number } {
	const where = [visible('m')];
	const p: Record<string, unknown> = { me: me.id, today: w.clock.today(), limit: PAGE, offset: PAGE * ((f.page ?? 1) - 1) };
	if (f.who === 'mine') where.push(`(m.responsible_id = @me OR EXISTS (SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @me))`);
	if (f.kind) { where.push('m.kind = @kind'); p.kind = f.kind; }
	if (f.unit) { where.push('m.unit_id = @unit'); p.unit = f.unit; }
	if (!f.closed) where.push("m.status <> 'closed'");
	if (f.q) { where.push("(m.title LIKE @q ESCAPE '\\' OR m.number LIKE @q ESCAPE '\\')"); p.q = `%${f.q.replace(/[\\%_]/g, '\\$&')}%`; }
	const cond = where.join(' AND ');
	const total = w.db.prepare<unknown[], { n: number }>(`SELECT count(*) AS n FROM matter m WHERE ${cond}`).get(p)!.n;
	const rows = w.db.prepare<unknown[], MatterListRow>(
		`WITH page AS (SELECT m.* FROM matter m WHERE ${cond} ORDER BY m.kind = 'litigation' DESC, m.kind, m.number DESC LIMIT @limit OFFSET @offset)
		 SELECT m.id, m.number, m.title, m.kind, m.status, u.name AS unit, s.initials AS responsible, s.name AS responsibleName, m.restricted, m.opened_on AS openedOn,
		 (SELECT count(*) FROM split_share x WHERE x.split_id = (SELECT id FROM split y WHERE y.matter_id = m.id AND y.from_day <= @today ORDER BY y.from_day DESC LIMIT 1)) AS units,
		 coalesce((SELECT sum(minutes) FROM time_entry t WHERE t.matter_id = m.id), 0) AS minutes,
		 coalesce((SELECT max(at) FROM logbook l WHERE l.matter_id = m.id), m.created_at) AS lastActivity,
		 nd.id AS nextId, nd.title AS nextTitle, nd.date AS nextDate, CASE WHEN nd.id IS NULL THEN NULL ELSE nd.checked_by IS NOT NULL END AS nextChecked
		 FROM page m JOIN business_unit u ON u.id = m.unit_id JOIN staff s ON s.id = m.responsible_id LEFT JOIN deadline nd ON nd.id = ${NEXT_DEADLINE}
		 ORDER BY m.kind = 'litigation' DESC, m.kind, m.number DESC`
	).all(p);
	return { rows, total };
}

export type Caption = {
	id: string; number: string; title: string; kind: string; status: string; restricted: boolean; rulebook: string | null; court: string; caseNumber: string; judge: string; caution: string; openedOn: string;
	responsibleId: string; responsible: string; responsibleName: string; unit: string;
	split: { unit: string; unitId: string; hue: number; costCenterId: string | null; share: number }[]; splitFrom: string | null;
	next: { title: string; date: string } | null; hearing: { text: string; date: string; time: string | null } | null; trial: string | null; minutes: number;
	counts: { docket: number; tasks: number; documents: number; logbook: number; people: number };
	members: { id: string; name: string; initials: string; email: string }[];
};

/** The caption strip and the counts beside the sections; undefined where the matter is not there for this person. */
export function caption(w: World, me: Staff, number: string): Caption | undefined {
	const m = findMatter(w.db, me, { number });
	return m && captionOf(w, m);
}

function captionOf(w: World, m: MatterRow): Caption {
	const today = w.clock.today();
	const one = <T>(sql: string, ...p: unknown[]) => w.db.prepare<unknown[], T>(sql).get(...p);
	const n = (sql: string) => one<{ n: number }>(sql, m.id)!.n;
	const responsible = one<{ initials: string; name: string }>('SELECT initials, name FROM staff WHERE id = ?', m.responsible_id)!;
	const split = one<{ id: string; from_day: string }>('SELECT id, from_day FROM split WHERE matter_id = ? AND from_day <= ? ORDER BY from_day DESC LIMIT 1', m.id, today);
	return {
		id: m.id, number: m.number, title: m.title, kind: m.kind, status: m.status, restricted: m.restricted === 1, rulebook: m.rulebook, court: m.court, caseNumber: m.case_number, judge: m.judge, caution: m.caution, openedOn: m.opened_on,
		responsibleId: m.responsible_id, responsible: responsible.initials, responsibleName: responsible.name, unit: one<{ name: string }>('SELECT name FROM business_unit WHERE id = ?', m.unit_id)!.name,
		split: split ? w.db.prepare<[string], Caption['split'][number]>('SELECT u.name AS unit, u.id AS unitId, u.hue, x.cost_center_id AS costCenterId, x.share FROM split_share x JOIN business_unit u ON u.id = x.unit_id WHERE x.split_id = ? ORDER BY x.position').all(split.id) : [],
		splitFrom: split?.from_day ?? null,
		next: one<{ title: string; date: string }>("SELECT title, date FROM deadline WHERE matter_id = ? AND state = 'docketed' ORDER BY date, id LIMIT 1", m.id) ?? null,
		hearing: one<{ text: string; date: string; time: string | null }>("SELECT text, date, time FROM event WHERE matter_id = ? AND ahead = 'hearing' AND date >= ? ORDER BY date LIMIT 1", m.id, today) ?? null,
		trial: one<{ date: string }>("SELECT date FROM event WHERE matter_id = ? AND ahead = 'trial' AND date >= ? ORDER BY date LIMIT 1", m.id, today)?.date ?? null,
		minutes: n('SELECT coalesce(sum(minutes), 0) AS n FROM time_entry WHERE matter_id = ?'),
		counts: {
			docket: n("SELECT count(*) AS n FROM deadline WHERE matter_id = ? AND state IN ('proposed','docketed')"), tasks: n("SELECT count(*) AS n FROM task WHERE matter_id = ? AND state = 'open'"),
			documents: n('SELECT count(*) AS n FROM document WHERE matter_id = ?'), logbook: n('SELECT count(*) AS n FROM logbook WHERE matter_id = ?'), people: n('SELECT count(*) AS n FROM matter_role WHERE matter_id = ?')
		},
		members: onMatter(w.db, m.id)
	};
}

export type LogEntry = { id: string; at: string; who: string | null; initials: string | null; kind: string; text: string; link: string | null };
export const LOG_PAGE = 100;
/** The logbook, newest first; a page, by kind and words. */
export function logbook(w: World, matterId: string, f: { kind?: string; q?: string; page?: number } = {}): { rows: LogEntry[]; total: number } {
	const cond = ['l.matter_id = @id'];
	const p: Record<string, unknown> = { id: matterId, limit: LOG_PAGE, offset: LOG_PAGE * ((f.page ?? 1) - 1) };
	if (f.kind) { cond.push('l.kind = @kind'); p.kind = f.kind; }
	if (f.q) { cond.push("l.text LIKE @q ESCAPE '\\'"); p.q = `%${f.q.replace(/[\\%_]/g, '\\$&')}%`; }
	const where = cond.join(' AND ');
	return {
		total: w.db.prepare<unknown[], { n: number }>(`SELECT count(*) AS n FROM logbook l WHERE ${where}`).get(p)!.n,
		rows: w.db.prepare<unknown[], LogEntry>(`SELECT l.id, l.at, s.name AS who, s.initials, l.kind, l.text, l.link FROM logbook l LEFT JOIN staff s ON s.id = l.staff_id WHERE ${where} ORDER BY l.at DESC, l.id DESC LIMIT @limit OFFSET @offset`).all(p)
	};
}

export const units = (w: World) => w.db.prepare<[], { id: string; name: string; hue: number }>('SELECT id, name, hue FROM business_unit ORDER BY position').all();
export const costCenters = (w: World) => w.db.prepare<[], { id: string; unitId: string; code: string; name: string }>('SELECT id, unit_id AS unitId, code, name FROM cost_center ORDER BY code').all();
export const department = (w: World) => w.db.prepare<[], { id: string; name: string; initials: string; role: string }>("SELECT id, name, initials, role FROM staff WHERE active = 1 AND role <> 'business-partner' ORDER BY name").all();
