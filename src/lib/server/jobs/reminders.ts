/**
 * Reminders of dates: each rung of a date's ladder is told once to everyone on the matter, in the application and by mail, also
 * through a crash: the row that says it was told and the mail that tells it are written in one transaction.
 */
import { z } from 'zod';
import { addDays, daysBetween, date as plain, sayDate, shortDate } from '#core/dates/plain.ts';
import { clockAt, dayAt } from '#core/dates/zone.ts';
import type { Role } from '#core/access/table.ts';
import { isLast, readLadder, rungAt, sayLadder } from '#core/docket/ladder.ts';
import {
	command,
	Conflict,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Staff,
	type World
} from '../command.ts';
import { theDeadline } from '../docket/shared.ts';
import { id, maybeText } from '../fields.ts';
import { newId } from '../ids.ts';
import { kinds } from '../matters/kinds.ts';
import { onMatter, queueMail, theMatter, visible } from '../trust/scope.ts';

type Row = {
	id: string;
	title: string;
	date: string;
	time: string | null;
	matter_id: string;
	number: string;
	matterTitle: string;
	kind: string;
	checked: number;
	docketed_at: string;
	own: string | null;
	matters: string | null;
	responsible_id: string;
	restricted: number;
};
const when = (left: number) =>
	left === 0
		? 'today'
		: left === 1
			? 'tomorrow'
			: left < 0
				? `${-left} ${left === -1 ? 'day' : 'days'} ago`
				: `in ${left} days`;
const mailer = (w: World): Ctx => ({ ...w, actor: { guest: 'reminders' } });

/** Queues today's reminders that were not queued yet; how many mails. A rung passed while the server was down is told when it is back, the nearest one only. */
export function remind(w: World): number {
	const today = w.clock.today();
	const ladders = new Map(kinds(w).map((k) => [k.id, k.ladder]));
	let n = 0;
	const rows = w.db
		.prepare<unknown[], Row>(
			`SELECT d.id, d.title, d.date, coalesce(d.hand_time, d.time) AS time, d.matter_id, m.number, m.title AS matterTitle, m.kind, d.checked_by IS NOT NULL AS checked, d.docketed_at, d.ladder AS own, m.ladder AS matters, m.responsible_id, m.restricted
		 FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.state = 'docketed' AND m.status <> 'closed' AND d.date BETWEEN date(@today, '-31 days') AND date(@today, '+366 days')`
		)
		.all({ today });
	for (const d of rows) {
		const ladder = d.own
			? (JSON.parse(d.own) as number[])
			: d.matters
				? (JSON.parse(d.matters) as number[])
				: (ladders.get(d.kind) ?? []);
		if (ladder.length === 0) continue;
		const left = daysBetween(today, plain(d.date));
		const rung = rungAt(ladder, left);
		// A rung that lay behind already when the date was docketed is not told: docketing told everyone.
		if (rung !== undefined && daysBetween(dayAt(d.docketed_at, w.clock.zone), plain(d.date)) > rung)
			n += tellRung(w, d, ladder, rung, left);
		n += escalate(w, d, ladder, left);
	}
	return n;
}

function tellRung(w: World, d: Row, ladder: readonly number[], rung: number, left: number): number {
	return w.db
		.transaction(() => {
			if (
				w.db
					.prepare(
						'INSERT OR IGNORE INTO reminder (deadline_id, date, rung, at) VALUES (?, ?, ?, ?)'
					)
					.run(d.id, d.date, rung, w.clock.now()).changes === 0
			)
				return 0;
			let n = 0;
			for (const s of onMatter(w.db, d.matter_id)) {
				w.db
					.prepare(
						'INSERT OR IGNORE INTO reminder_to (deadline_id, date, rung, staff_id, at) VALUES (?, ?, ?, ?, ?)'
					)
					.run(d.id, d.date, rung, s.id, w.clock.now());
				// Muted, but for the last rungs: nobody can mute those.
				if (
					!isLast(ladder, rung) &&
					w.db
						.prepare('SELECT 1 FROM mute WHERE staff_id = ? AND matter_id = ?')
						.get(s.id, d.matter_id)
				)
					continue;
				queueMail(mailer(w), newId('mal'), {
					matterId: d.matter_id,
					to: `${s.name} <${s.email}>`,
					subject: `${d.number}: ${d.title} ${when(left)}`,
					text: `${d.title}\n${sayDate(plain(d.date))}${d.time ? ` at ${d.time}` : ''}, ${when(left)}\n${d.number} ${d.matterTitle}\n${d.checked ? '' : 'Not checked by a second person yet.\n'}${isLast(ladder, rung) ? 'Say on your Day sheet that you have seen this; otherwise it goes to your supervisor.\n' : ''}\n${w.origin}/matters/${d.number}/docket?count=${d.id}\n`
				});
				n++;
			}
			return n;
		})
		.immediate();
}

/** A last rung that was told on a day before today and that nobody has seen goes to the supervisor of the responsible lawyer, once for each date. */
function escalate(w: World, d: Row, ladder: readonly number[], left: number): number {
	// Before its last rungs nothing can have been passed over.
	if (left > Math.max(...ladder.filter((r) => isLast(ladder, r)))) return 0;
	const told = w.db
		.prepare<unknown[], { rung: number; at: string }>(
			'SELECT rung, min(at) AS at FROM reminder_to WHERE deadline_id = @id AND date = @date GROUP BY rung'
		)
		.all({ id: d.id, date: d.date })
		.filter((r) => isLast(ladder, r.rung));
	if (told.length === 0 || !told.some((r) => dayAt(r.at, w.clock.zone) < w.clock.today())) return 0;
	const seen = w.db
		.prepare<unknown[], { rung: number }>(
			'SELECT rung FROM reminder_to WHERE deadline_id = @id AND date = @date AND seen_at IS NOT NULL'
		)
		.all({ id: d.id, date: d.date });
	if (seen.some((r) => isLast(ladder, r.rung))) return 0;
	return w.db
		.transaction(() => {
			let n = 0;
			for (const s of supervisors(w, d)) {
				if (
					w.db
						.prepare(
							'INSERT OR IGNORE INTO escalation (deadline_id, date, staff_id, at) VALUES (?, ?, ?, ?)'
						)
						.run(d.id, d.date, s.id, w.clock.now()).changes === 0
				)
					continue;
				queueMail(mailer(w), newId('mal'), {
					matterId: d.matter_id,
					to: `${s.name} <${s.email}>`,
					subject: `Nobody has seen: ${d.number}, ${d.title} ${when(left)}`,
					text: `${d.title}\n${sayDate(plain(d.date))}${d.time ? ` at ${d.time}` : ''}, ${when(left)}\n${d.number} ${d.matterTitle}\n\nEveryone on the matter was reminded; nobody has said that they saw it.\n\n${w.origin}/matters/${d.number}/docket?count=${d.id}\n`
				});
				n++;
			}
			if (n > 0)
				w.db
					.prepare(
						"INSERT INTO logbook (id, matter_id, at, staff_id, kind, text, link) VALUES (?, ?, ?, NULL, 'date', ?, NULL)"
					)
					.run(
						newId('log'),
						d.matter_id,
						w.clock.now(),
						`Nobody has seen the reminders of ${d.title}, ${sayDate(plain(d.date))}: passed on to the supervisor.`
					);
			return n;
		})
		.immediate();
}
/** Whom it is passed on to: the supervisor, or the docket clerks; of a restricted matter only those who are on it. */
function supervisors(w: World, d: Row): { id: string; name: string; email: string }[] {
	const all = w.db
		.prepare<unknown[], { id: string; name: string; email: string }>(
			'SELECT id, name, email FROM staff WHERE active = 1 AND id = (SELECT supervisor_id FROM staff WHERE id = @id)'
		)
		.all({ id: d.responsible_id });
	const whom = all.length
		? all
		: w.db
				.prepare<[], { id: string; name: string; email: string }>(
					"SELECT id, name, email FROM staff WHERE active = 1 AND role = 'docket-clerk'"
				)
				.all();
	if (!d.restricted) return whom;
	const on = onMatter(w.db, d.matter_id);
	const inside = whom.filter((s) => on.some((x) => x.id === s.id));
	return inside.length ? inside : on;
}

/** From six on, where the department is. */
export const isMorning = (w: World): boolean =>
	clockAt(Date.parse(w.clock.now()), w.clock.zone).minutes >= 6 * 60;
/** The morning digest: one mail a day to each colleague for whom something stands; how many. */
export function digest(w: World): number {
	const today = w.clock.today();
	if (!isMorning(w)) return 0;
	let n = 0;
	for (const s of w.db
		.prepare<[], { id: string; name: string; email: string }>(
			"SELECT id, name, email FROM staff WHERE active = 1 AND role <> 'business-partner'"
		)
		.all()) {
		w.db
			.transaction(() => {
				if (
					w.db
						.prepare('INSERT OR IGNORE INTO digest (staff_id, day) VALUES (?, ?)')
						.run(s.id, today).changes === 0
				)
					return;
				const p = { me: s.id, today, week: addDays(today, 7) };
				const dates = w.db
					.prepare<
						unknown[],
						{
							title: string;
							date: string;
							number: string;
							matterTitle: string;
							matter_id: string;
							restricted: number;
							checked: number;
						}
					>(
						`SELECT d.title, d.date, m.number, m.title AS matterTitle, m.id AS matter_id, m.restricted, d.checked_by IS NOT NULL AS checked FROM deadline d JOIN matter m ON m.id = d.matter_id
				 WHERE d.state = 'docketed' AND m.status <> 'closed' AND d.date <= @week AND (m.responsible_id = @me OR EXISTS (SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @me)) ORDER BY d.date, d.id LIMIT 200`
					)
					.all(p);
				const tasks = w.db
					.prepare<
						unknown[],
						{ subject: string; due: string; number: string; matter_id: string; restricted: number }
					>(
						`SELECT t.subject, t.due, m.number, m.id AS matter_id, m.restricted FROM task t JOIN matter m ON m.id = t.matter_id WHERE t.state = 'open' AND t.assignee_id = @me AND t.due <= @today AND ${visible('m')} ORDER BY t.due, t.id LIMIT 100`
					)
					.all(p);
				// A restricted matter's dates go in a mail of their own: whoever may read mail may not know of it.
				const parts: (string | null)[] = [
					null,
					...new Set([...dates, ...tasks].filter((x) => x.restricted).map((x) => x.matter_id))
				];
				for (const part of parts) {
					const ds = dates.filter((x) => (part === null ? !x.restricted : x.matter_id === part)),
						ts = tasks.filter((x) => (part === null ? !x.restricted : x.matter_id === part));
					if (ds.length + ts.length === 0) continue;
					const line = (d: (typeof ds)[number]) =>
						`  ${shortDate(plain(d.date))}  ${d.title}, ${d.number} ${d.matterTitle}${d.checked ? '' : ' (not checked)'}`;
					const sections = [
						['Missed', ds.filter((d) => d.date < today)],
						['Today', ds.filter((d) => d.date === today)],
						['The next seven days', ds.filter((d) => d.date > today)]
					] as const;
					const body = [
						...sections
							.filter((x) => x[1].length)
							.map(([name, list]) => `${name}\n${list.map(line).join('\n')}`),
						...(ts.length
							? [
									`Tasks due\n${ts.map((t) => `  ${shortDate(plain(t.due))}  ${t.subject}, ${t.number}`).join('\n')}`
								]
							: [])
					].join('\n\n');
					queueMail(mailer(w), newId('mal'), {
						matterId: part,
						to: `${s.name} <${s.email}>`,
						subject: `Your day, ${sayDate(today)}: ${ds.length} ${ds.length === 1 ? 'date' : 'dates'}${ts.length ? `, ${ts.length} ${ts.length === 1 ? 'task' : 'tasks'}` : ''}`,
						text: `${body}\n\n${w.origin}/\n`
					});
					n++;
				}
			})
			.immediate();
	}
	return n;
}

export type ReminderView = {
	deadlineId: string;
	date: string;
	rung: number;
	title: string;
	matterNumber: string;
	matterTitle: string;
	last: boolean;
	others: string;
};
/** Reminders that one has not said one saw: the nearest rung of each date that is still docketed. */
export function myReminders(w: World, me: Staff): ReminderView[] {
	return w.db
		.prepare<unknown[], Omit<ReminderView, 'last'> & { last: number }>(
			`SELECT r.deadline_id AS deadlineId, r.date, min(r.rung) AS rung, d.title, m.number AS matterNumber, m.title AS matterTitle, min(r.rung) <= 1 AS last,
		 coalesce((SELECT group_concat(s.initials, ', ') FROM reminder_to o JOIN staff s ON s.id = o.staff_id WHERE o.deadline_id = r.deadline_id AND o.date = r.date AND o.rung = (SELECT min(rung) FROM reminder_to x WHERE x.deadline_id = r.deadline_id AND x.date = r.date) AND o.seen_at IS NOT NULL), '') AS others
		 FROM reminder_to r JOIN deadline d ON d.id = r.deadline_id AND d.date = r.date AND d.state = 'docketed' JOIN matter m ON m.id = d.matter_id
		 WHERE r.staff_id = @me AND r.seen_at IS NULL AND m.status <> 'closed' AND ${visible('m')} AND (d.date <= date(@today, '+1 day') OR NOT EXISTS (SELECT 1 FROM mute u WHERE u.staff_id = @me AND u.matter_id = m.id)) GROUP BY r.deadline_id, r.date ORDER BY r.date, r.deadline_id LIMIT 60`
		)
		.all({ me: me.id, today: w.clock.today() })
		.map((r) => ({ ...r, last: Boolean(r.last) }));
}

/** Says that one has seen the reminders of a date; on its last rungs that keeps it from going to the supervisor. */
export const seeReminder = command({
	name: 'see reminder',
	action: 'docket.read',
	input: z.object({ deadlineId: id('a date') }),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		const { d, m } = theDeadline(ctx, i.deadlineId);
		const n = ctx.db
			.prepare(
				'UPDATE reminder_to SET seen_at = ? WHERE deadline_id = ? AND date = ? AND staff_id = ? AND seen_at IS NULL'
			)
			.run(ctx.clock.now(), d.id, d.date, me.id).changes;
		if (n === 0) throw new NotFound('reminder');
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, date: d.date });
	}
});
/** Mutes a matter's reminders for oneself, or lets them speak again. The last rungs of a docketed date are told all the same. */
export const muteMatter = command({
	name: 'mute matter',
	action: 'docket.read',
	input: z.object({ matterId: id('a matter'), mute: z.boolean() }),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		const m = theMatter(ctx, i.matterId);
		if (i.mute)
			ctx.db
				.prepare('INSERT OR IGNORE INTO mute (staff_id, matter_id) VALUES (?, ?)')
				.run(me.id, m.id);
		else ctx.db.prepare('DELETE FROM mute WHERE staff_id = ? AND matter_id = ?').run(me.id, m.id);
		scribe.matter(m.id);
		scribe.note({ mute: i.mute });
	}
});
/** Gives a matter, or one date, a ladder of its own; empty goes back to the one above it. */
export const setLadder = command({
	name: 'set ladder',
	action: 'docket.change',
	input: z.object({
		matterId: id('a matter'),
		deadlineId: z.string().max(60).nullish(),
		ladder: maybeText('The ladder', 200),
		was: z.string().nullish()
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const read = readLadder(i.ladder);
		if ('error' in read) throw new Refused(read.error, 'ladder');
		const json = read.ladder ? JSON.stringify(read.ladder) : null;
		const d = i.deadlineId ? theDeadline(ctx, i.deadlineId).d : null;
		if (d && d.matter_id !== m.id) throw new NotFound('date');
		const now = d
			? ctx.db
					.prepare<[string], { ladder: string | null }>('SELECT ladder FROM deadline WHERE id = ?')
					.get(d.id)!.ladder
			: ctx.db
					.prepare<[string], { ladder: string | null }>('SELECT ladder FROM matter WHERE id = ?')
					.get(m.id)!.ladder;
		if (i.was != null && i.was !== (now ?? ''))
			throw new Conflict('Someone else', 0, [
				{ field: 'ladder', name: 'Reminder days', theirs: now ?? '', yours: json ?? '' }
			]);
		if (d) ctx.db.prepare('UPDATE deadline SET ladder = ? WHERE id = ?').run(json, d.id);
		else ctx.db.prepare('UPDATE matter SET ladder = ? WHERE id = ?').run(json, m.id);
		scribe.matter(m.id);
		scribe.note({ deadline: d?.id ?? null, ladder: read.ladder });
		scribe.log(
			m.id,
			'date',
			`Reminders of ${d ? d.title : 'the matter'}: ${read.ladder ? read.ladder.map((r) => (r < 0 ? `${-r} after` : r)).join(', ') + ' days' : 'as before'}.`
		);
	}
});
/** Says to whom a colleague's dates go that nobody has seen. Nobody supervises themselves, not even by a round-about way. */
export const setSupervisor = command({
	name: 'set supervisor',
	action: 'docket.closure',
	input: z.object({ staffId: id('a colleague'), supervisorId: z.string().max(60).nullish() }),
	run(ctx, i, scribe) {
		const above = ctx.db.prepare<[string], { supervisor_id: string | null; active: number }>(
			'SELECT supervisor_id, active FROM staff WHERE id = ?'
		);
		if (!above.get(i.staffId)) throw new NotFound('colleague');
		for (let at = i.supervisorId ?? null; at; at = above.get(at)?.supervisor_id ?? null)
			if (at === i.staffId)
				throw new Refused('They would supervise each other in a circle.', 'supervisorId');
		if (i.supervisorId && above.get(i.supervisorId)?.active !== 1)
			throw new Refused('Choose a colleague.', 'supervisorId');
		ctx.db
			.prepare('UPDATE staff SET supervisor_id = ? WHERE id = ?')
			.run(i.supervisorId ?? null, i.staffId);
		scribe.note({ staff: i.staffId, supervisor: i.supervisorId ?? null });
	}
});

/** A matter's reminder days as they are typed: its own, its kind's, those of single dates; and whether one muted them. */
export function ladderView(
	w: World,
	me: Staff,
	matterId: string,
	kind: string
): { own: string; kind: string; dates: Record<string, string>; muted: boolean } {
	const say = (json: string | null | undefined) =>
		json ? sayLadder(JSON.parse(json) as number[]) : '';
	return {
		own: say(
			w.db
				.prepare<[string], { ladder: string | null }>('SELECT ladder FROM matter WHERE id = ?')
				.get(matterId)?.ladder
		),
		kind: sayLadder(kinds(w).find((k) => k.id === kind)?.ladder ?? []),
		dates: Object.fromEntries(
			w.db
				.prepare<[string], { id: string; ladder: string }>(
					'SELECT id, ladder FROM deadline WHERE matter_id = ? AND ladder IS NOT NULL'
				)
				.all(matterId)
				.map((d) => [d.id, say(d.ladder)])
		),
		muted:
			w.db
				.prepare('SELECT 1 FROM mute WHERE staff_id = ? AND matter_id = ?')
				.get(me.id, matterId) !== undefined
	};
}
/** The colleagues of the department and who supervises them. */
export const supervised = (
	w: World
): { id: string; name: string; role: Role; supervisor: string | null }[] =>
	w.db
		.prepare<[], { id: string; name: string; role: Role; supervisor: string | null }>(
			"SELECT id, name, role, supervisor_id AS supervisor FROM staff WHERE active = 1 AND role <> 'business-partner' ORDER BY name"
		)
		.all();
