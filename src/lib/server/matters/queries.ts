import { daysBetween, date as plain, shortDate } from '#core/dates/plain.ts';
import { partsOf, type Part } from '#core/matters/words.ts';
import type { Staff, World } from '../command.ts';
import { contactOf, findMatter, onMatter, visible, type MatterRow } from '../trust/scope.ts';
import { factsOf, sayFacts, stillMissing } from './facts.ts';
import { kindOf } from './kinds.ts';

export { matterList, PAGE, type MatterListRow } from './list.ts';

export type Caption = {
	id: string;
	number: string;
	title: string;
	kind: string;
	kindName: string;
	status: string;
	statusReason: string;
	statusFrom: string | null;
	priority: string;
	restricted: boolean;
	rulebook: string | null;
	openedOn: string;
	closedOn: string | null;
	retainUntil: string | null;
	version: number;
	responsibleId: string;
	responsible: string;
	responsibleName: string;
	originating: string;
	unit: string;
	unitId: string;
	cautions: string[];
	strip: { key: string; name: string; said: string }[];
	pinned: boolean;
	split: {
		unit: string;
		unitId: string;
		hue: number;
		costCenterId: string | null;
		share: number;
	}[];
	splitFrom: string | null;
	next: { title: string; date: string } | null;
	hearing: { text: string; date: string; time: string | null } | null;
	trial: string | null;
	minutes: number;
	cents: number;
	lastActivity: string;
	counts: { docket: number; tasks: number; documents: number; logbook: number; people: number };
	members: { id: string; name: string; initials: string; email: string; owner: boolean }[];
	mayStaff: boolean;
	missing: string[];
	litigated: boolean;
};

/** The caption strip and the counts beside the sections; undefined where the matter is not there for this person. */
export function caption(w: World, me: Staff, number: string): Caption | undefined {
	const m = findMatter(w.db, me, { number });
	return m && captionOf(w, me, m);
}

function captionOf(w: World, me: Staff, m: MatterRow): Caption {
	const today = w.clock.today();
	const one = <T>(sql: string, ...p: unknown[]) => w.db.prepare<unknown[], T>(sql).get(...p);
	const n = (sql: string) => one<{ n: number }>(sql, m.id)!.n;
	const responsible = one<{ initials: string; name: string }>(
		'SELECT initials, name FROM staff WHERE id = ?',
		m.responsible_id
	)!;
	const split = one<{ id: string; from_day: string }>(
		'SELECT id, from_day FROM split WHERE matter_id = ? AND from_day <= ? ORDER BY from_day DESC LIMIT 1',
		m.id,
		today
	);
	const kind = kindOf(w, m.kind);
	const facts = sayFacts(w, kind, factsOf(w, m.id)).facts;
	const closed = m.status === 'closed';
	const next = closed
		? null
		: (one<{ title: string; date: string }>(
				"SELECT title, date FROM deadline WHERE matter_id = ? AND state = 'docketed' ORDER BY date, id LIMIT 1",
				m.id
			) ?? null);
	const hearing = closed
		? null
		: (one<{ text: string; date: string; time: string | null }>(
				"SELECT text || CASE WHEN name = '' THEN '' ELSE ', ' || name END AS text, date, time FROM event WHERE matter_id = ? AND ahead IN ('hearing','trial') AND date >= ? ORDER BY date, time LIMIT 1",
				m.id,
				today
			) ?? null);
	const trial = closed
		? null
		: (one<{ date: string }>(
				"SELECT date FROM event WHERE matter_id = ? AND ahead = 'trial' AND date >= ? ORDER BY date LIMIT 1",
				m.id,
				today
			)?.date ?? null);
	const day = (d: string) => shortDate(plain(d), Number(today.slice(0, 4)));
	const derived: Record<string, { name: string; said: string }> = {
		'next-hearing': {
			name: 'Next hearing',
			said: hearing ? `${day(hearing.date)}${hearing.time ? `, ${hearing.time}` : ''}` : ''
		},
		'next-date': { name: 'Next date', said: next ? `${day(next.date)}, ${next.title}` : '' },
		'days-to-trial': {
			name: 'Trial',
			said: trial ? `in ${daysBetween(today, plain(trial))} days` : ''
		},
		'days-open': {
			name: 'Open',
			said: closed ? '' : `${daysBetween(plain(m.opened_on), today)} days`
		}
	};
	const roles = w.db
		.prepare<[string], { role: string }>(
			'SELECT DISTINCT role FROM matter_role WHERE matter_id = ?'
		)
		.all(m.id)
		.map((r) => r.role);
	const memberRole = new Map(
		w.db
			.prepare<[string], { staff_id: string; role: string }>(
				'SELECT staff_id, role FROM matter_member WHERE matter_id = ?'
			)
			.all(m.id)
			.map((r) => [r.staff_id, r.role])
	);
	return {
		id: m.id,
		number: m.number,
		title: m.title,
		kind: m.kind,
		kindName: kind.name,
		status: m.status,
		statusReason: m.status_reason,
		statusFrom: m.status_from,
		priority: m.priority,
		restricted: m.restricted === 1,
		rulebook: m.rulebook,
		openedOn: m.opened_on,
		closedOn: m.closed_on,
		retainUntil: m.retain_until,
		version: m.version,
		responsibleId: m.responsible_id,
		responsible: responsible.initials,
		responsibleName: responsible.name,
		originating: one<{ name: string }>('SELECT name FROM staff WHERE id = ?', m.originating_id)!
			.name,
		unit: one<{ name: string }>('SELECT name FROM business_unit WHERE id = ?', m.unit_id)!.name,
		unitId: m.unit_id,
		cautions: w.db
			.prepare<[string], { text: string }>(
				'SELECT text FROM matter_caution WHERE matter_id = ? ORDER BY id'
			)
			.all(m.id)
			.map((c) => c.text),
		strip: kind.keyFacts
			.map((key) => ({
				key,
				...(derived[key] ?? {
					name: facts.find((f) => f.key === key)?.name ?? key,
					said: facts.find((f) => f.key === key)?.said ?? ''
				})
			}))
			.filter((f) => f.said !== ''),
		pinned:
			one('SELECT 1 FROM pinned WHERE staff_id = ? AND matter_id = ?', me.id, m.id) !== undefined,
		split: split
			? w.db
					.prepare<[string], Caption['split'][number]>(
						'SELECT u.name AS unit, u.id AS unitId, u.hue, x.cost_center_id AS costCenterId, x.share FROM split_share x JOIN business_unit u ON u.id = x.unit_id WHERE x.split_id = ? ORDER BY x.position'
					)
					.all(split.id)
			: [],
		splitFrom: split?.from_day ?? null,
		next,
		hearing,
		trial,
		minutes: n('SELECT coalesce(sum(minutes), 0) AS n FROM time_entry WHERE matter_id = ?'),
		cents: n(
			'SELECT coalesce(sum(cents), 0) AS n FROM cost_line WHERE matter_id = ? AND holds = 1'
		),
		lastActivity:
			one<{ at: string | null }>('SELECT max(at) AS at FROM logbook WHERE matter_id = ?', m.id)
				?.at ?? `${m.opened_on}T00:00:00.000Z`,
		counts: {
			docket: n(
				"SELECT count(*) AS n FROM deadline WHERE matter_id = ? AND state IN ('proposed','docketed')"
			),
			tasks: n("SELECT count(*) AS n FROM task WHERE matter_id = ? AND state = 'open'"),
			documents: n('SELECT count(*) AS n FROM document WHERE matter_id = ?'),
			logbook: n('SELECT count(*) AS n FROM logbook WHERE matter_id = ?'),
			people: n('SELECT count(*) AS n FROM matter_role WHERE matter_id = ?')
		},
		members: onMatter(w.db, m.id).map((x) => ({ ...x, owner: memberRole.get(x.id) === 'owner' })),
		mayStaff:
			me.id === m.responsible_id ||
			me.role === 'administrator' ||
			memberRole.get(me.id) === 'owner',
		missing: closed ? [] : stillMissing(kind, facts, roles),
		litigated: kind.facts.some((f) => f.key === 'court' && !f.retired)
	};
}

/** What stands beside the sheet: numbers of others, quick links, related matters, addresses by role. */
export function besides(w: World, me: Staff, matterId: string) {
	return {
		references: w.db
			.prepare<[string], { whose: string; number: string }>(
				'SELECT whose, number FROM matter_reference WHERE matter_id = ? ORDER BY whose, number'
			)
			.all(matterId),
		links: w.db
			.prepare<[string], { name: string; url: string }>(
				'SELECT name, url FROM matter_link WHERE matter_id = ? ORDER BY name'
			)
			.all(matterId),
		related: w.db
			.prepare<
				unknown[],
				{ number: string; title: string; how: string; first: number; status: string }
			>(
				`SELECT m.number, m.title, r.how, r.a_id = @id AS first, m.status FROM matter_relation r JOIN matter m ON m.id = CASE WHEN r.a_id = @id THEN r.b_id ELSE r.a_id END WHERE (r.a_id = @id OR r.b_id = @id) AND ${visible('m')} ORDER BY m.number`
			)
			.all({ id: matterId, me: me.id }),
		addresses: w.db
			.prepare<[string], { role: string; name: string; email: string; status: string }>(
				`SELECT r.role, p.name, ${contactOf('p', 'mail')} AS email, p.status FROM matter_role r JOIN person p ON p.id = r.person_id WHERE r.matter_id = ? ORDER BY r.role, p.name`
			)
			.all(matterId)
			.filter((a) => a.email !== ''),
		requests: w.db
			.prepare<[string], { id: string; number: string; about: string }>(
				'SELECT id, number, about FROM request WHERE matter_id = ? ORDER BY number'
			)
			.all(matterId)
	};
}

export type LogEntry = {
	id: string;
	at: string;
	who: string | null;
	initials: string | null;
	kind: string;
	text: string;
	parts: Part[];
	link: string | null;
	asks: boolean;
	answered: number;
	answers: { id: string; text: string; who: string | null } | null;
};
export type LogFilter = {
	kind?: string;
	q?: string;
	person?: string;
	tag?: string;
	before?: string;
	show?: string;
};
export const LOG_PAGE = 100;
/** The logbook, newest first, a page after an entry: by kind, person, tag and words. `next` is where the next page begins. */
export function logbook(
	w: World,
	me: Staff,
	matterId: string,
	f: LogFilter = {}
): { rows: LogEntry[]; total: number; next: string | null } {
	const cond = ['l.matter_id = @id'];
	const p: Record<string, unknown> = { id: matterId, limit: LOG_PAGE + 1, me: me.id };
	if (f.kind) {
		cond.push('l.kind = @kind');
		p.kind = f.kind;
	}
	if (f.person) {
		cond.push('l.staff_id = @person');
		p.person = f.person;
	}
	if (f.tag) {
		cond.push('EXISTS (SELECT 1 FROM logbook_tag t WHERE t.log_id = l.id AND t.tag = @tag)');
		p.tag = f.tag.toLowerCase();
	}
	if (f.show === 'questions')
		cond.push('l.asks = 1 AND NOT EXISTS (SELECT 1 FROM logbook a WHERE a.answers = l.id)');
	if (f.show === 'me')
		cond.push(
			'EXISTS (SELECT 1 FROM logbook_mention x WHERE x.log_id = l.id AND x.staff_id = @me)'
		);
	if (f.q) {
		cond.push("l.text LIKE @q ESCAPE '\\'");
		p.q = `%${f.q.replace(/[\\%_]/g, '\\$&')}%`;
	}
	const where = cond.join(' AND ');
	const total = w.db
		.prepare<unknown[], { n: number }>(`SELECT count(*) AS n FROM logbook l WHERE ${where}`)
		.get(p)!.n;
	const after = /^(\d{4}-[\dT:.-]+Z)~(\w+)$/.exec(f.before ?? '');
	if (after) {
		p.at = after[1];
		p.last = after[2];
	}
	const rows = w.db
		.prepare<
			unknown[],
			{
				id: string;
				at: string;
				who: string | null;
				initials: string | null;
				kind: string;
				text: string;
				link: string | null;
				asks: number;
				answered: number;
				answers: string | null;
				toText: string | null;
				toWho: string | null;
			}
		>(
			`SELECT l.id, l.at, s.name AS who, s.initials, l.kind, l.text, l.link, l.asks, (SELECT count(*) FROM logbook a WHERE a.answers = l.id) AS answered, l.answers, q.text AS toText, qs.name AS toWho
		 FROM logbook l LEFT JOIN staff s ON s.id = l.staff_id LEFT JOIN logbook q ON q.id = l.answers LEFT JOIN staff qs ON qs.id = q.staff_id WHERE ${where}${after ? ' AND (l.at, l.id) < (@at, @last)' : ''} ORDER BY l.at DESC, l.id DESC LIMIT @limit`
		)
		.all(p);
	const more = rows.length > LOG_PAGE;
	const shown = rows.slice(0, LOG_PAGE);
	const staff = w.db
		.prepare<[], { id: string; login: string; name: string }>('SELECT id, login, name FROM staff')
		.all();
	return {
		total,
		next: more ? `${shown.at(-1)!.at}~${shown.at(-1)!.id}` : null,
		rows: shown.map(({ toText, toWho, ...r }) => ({
			...r,
			asks: r.asks === 1,
			parts: r.kind === 'note' ? partsOf(r.text, staff) : [{ text: r.text }],
			answers: r.answers ? { id: r.answers, text: toText ?? '', who: toWho } : null
		}))
	};
}
export const logTags = (w: World, matterId: string) =>
	w.db
		.prepare<[string], { tag: string; n: number }>(
			'SELECT t.tag, count(*) AS n FROM logbook_tag t JOIN logbook l ON l.id = t.log_id WHERE l.matter_id = ? GROUP BY t.tag ORDER BY n DESC, t.tag LIMIT 20'
		)
		.all(matterId);
export const logPeople = (w: World, matterId: string) =>
	w.db
		.prepare<[string], { id: string; name: string }>(
			'SELECT DISTINCT s.id, s.name FROM logbook l JOIN staff s ON s.id = l.staff_id WHERE l.matter_id = ? ORDER BY s.name'
		)
		.all(matterId);
/** Notes of the last fortnight in which the viewer is mentioned, and questions on their matters that nobody has answered. */
export const askedOf = (w: World, me: Staff) =>
	w.db
		.prepare<
			unknown[],
			{
				id: string;
				text: string;
				at: string;
				who: string;
				number: string;
				title: string;
				asks: number;
			}
		>(
			`SELECT l.id, l.text, l.at, s.name AS who, m.number, m.title, l.asks FROM logbook l JOIN matter m ON m.id = l.matter_id JOIN staff s ON s.id = l.staff_id JOIN logbook_mention x ON x.log_id = l.id AND x.staff_id = @me
	 WHERE l.staff_id <> @me AND NOT EXISTS (SELECT 1 FROM logbook a WHERE a.answers = l.id AND a.staff_id = @me) AND l.at >= @since AND ${visible('m')} ORDER BY l.at DESC LIMIT 6`
		)
		.all({ me: me.id, since: new Date(Date.parse(w.clock.now()) - 14 * 86_400_000).toISOString() });

/** Matters pinned, and those opened last: what one keystroke brings. */
export function near(w: World, me: Staff): { number: string; title: string; pinned: boolean }[] {
	const pinned = w.db
		.prepare<unknown[], { number: string; title: string }>(
			`SELECT m.number, m.title FROM pinned p JOIN matter m ON m.id = p.matter_id WHERE p.staff_id = @me AND ${visible('m')} ORDER BY m.number DESC LIMIT 12`
		)
		.all({ me: me.id });
	const recent = w.db
		.prepare<unknown[], { number: string; title: string }>(
			`SELECT m.number, m.title FROM recent r JOIN matter m ON m.id = r.matter_id WHERE r.staff_id = @me AND ${visible('m')} ORDER BY r.at DESC LIMIT 12`
		)
		.all({ me: me.id });
	return [
		...pinned.map((m) => ({ ...m, pinned: true })),
		...recent
			.filter((r) => !pinned.some((p) => p.number === r.number))
			.map((m) => ({ ...m, pinned: false }))
	].slice(0, 15);
}

export const units = (w: World) =>
	w.db
		.prepare<[], { id: string; name: string; hue: number }>(
			'SELECT id, name, hue FROM business_unit ORDER BY position'
		)
		.all();
export const costCenters = (w: World) =>
	w.db
		.prepare<[], { id: string; unitId: string; code: string; name: string }>(
			'SELECT id, unit_id AS unitId, code, name FROM cost_center ORDER BY code'
		)
		.all();
export const department = (w: World) =>
	w.db
		.prepare<[], { id: string; name: string; initials: string; role: string }>(
			"SELECT id, name, initials, role FROM staff WHERE active = 1 AND role <> 'business-partner' ORDER BY name"
		)
		.all();
