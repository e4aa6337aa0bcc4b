/** Holding, closing and reopening: closing shows what is still open and settles each; reopening brings it back. */
import { z } from 'zod';
import { sayDate, addMonths, fromDay, toDay, date as plain } from '#core/dates/plain.ts';
import { sayHours } from '#core/time/minutes.ts';
import { command, Refused, staffOf, type Ctx, type World } from '../command.ts';
import { id, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { findMatter, queueMail, theMatter } from '../trust/scope.ts';
import { kindOf } from './kinds.ts';

export type StillOpen = {
	deadlines: { id: string; title: string; date: string; state: string; late: boolean }[];
	hearings: { text: string; date: string }[];
	tasks: { id: string; subject: string; due: string | null; who: string }[];
	rounds: { id: string; title: string }[];
	drafts: { staffId: string; name: string; email: string; minutes: number }[];
	unallocated: number;
	questions: number;
};
/** What a matter still has open. */
export function stillOpen(w: World, matterId: string): StillOpen {
	const today = w.clock.today();
	const all = <T>(sql: string, ...p: unknown[]) =>
		w.db.prepare<unknown[], T>(sql).all(matterId, ...p);
	return {
		deadlines: all<Omit<StillOpen['deadlines'][number], 'late'>>(
			"SELECT id, title, date, state FROM deadline WHERE matter_id = ? AND state IN ('docketed','proposed') ORDER BY state, date"
		).map((d) => ({ ...d, late: d.state === 'docketed' && d.date < today })),
		hearings: all(
			'SELECT text, date FROM event WHERE matter_id = ? AND ahead IS NOT NULL AND date >= ? ORDER BY date',
			today
		),
		tasks: all(
			"SELECT t.id, t.subject, t.due, s.name AS who FROM task t JOIN staff s ON s.id = t.assignee_id WHERE t.matter_id = ? AND t.state = 'open' ORDER BY t.due"
		),
		rounds: all(
			"SELECT r.id, r.title FROM signing_round r WHERE r.matter_id = ? AND r.withdrawn_at IS NULL AND r.finished_version IS NULL AND EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state = 'waiting') AND NOT EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state = 'declined')"
		),
		drafts: all(
			'SELECT s.id AS staffId, s.name, s.email, sum(t.minutes) AS minutes FROM time_entry t JOIN staff s ON s.id = t.staff_id WHERE t.matter_id = ? AND t.released_at IS NULL GROUP BY s.id ORDER BY s.name'
		),
		unallocated: w.db
			.prepare<[string], { n: number }>(
				'SELECT coalesce(sum(minutes), 0) AS n FROM time_entry t WHERE t.matter_id = ? AND t.released_at IS NOT NULL AND NOT EXISTS (SELECT 1 FROM cost_line l WHERE l.entry_id = t.id AND l.holds = 1)'
			)
			.get(matterId)!.n,
		questions: w.db
			.prepare<[string], { n: number }>(
				'SELECT count(*) AS n FROM logbook l WHERE l.matter_id = ? AND l.asks = 1 AND NOT EXISTS (SELECT 1 FROM logbook a WHERE a.answers = l.id)'
			)
			.get(matterId)!.n
	};
}

/** Puts a matter on hold, or proposed, or open again from there. */
export const setStatus = command({
	name: 'set status',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		status: z.enum(['proposed', 'open', 'on hold'], { error: 'Choose a status.' }),
		reason: text('The reason', 1000)
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (m.status === 'closed') throw new Refused('The matter is closed: reopen it.', 'status');
		if (m.status === i.status) throw new Refused(`The matter is ${i.status} already.`, 'status');
		ctx.db
			.prepare(
				'UPDATE matter SET status = ?, status_reason = ?, status_from = ?, version = version + 1 WHERE id = ?'
			)
			.run(i.status, i.reason, ctx.clock.today(), m.id);
		scribe.matter(m.id);
		scribe.note({ from: m.status, to: i.status, reason: i.reason });
		scribe.log(
			m.id,
			'matter',
			`${i.status === 'open' ? 'Open again' : i.status === 'on hold' ? 'On hold' : 'Proposed'}: ${i.reason}`
		);
	}
});

const settle = (what: string) => z.record(z.string(), z.string()).default({}).describe(what);
/** Closes a matter. Every open date, task and signing round must be settled by a choice; nothing is closed halfway. */
export const closeMatter = command({
	name: 'close matter',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		reason: text('The reason', 1000),
		deadlines: settle('vacate, or met'),
		tasks: settle('done, drop, or the number of another matter'),
		rounds: settle('withdraw')
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const me = staffOf(ctx);
		const today = ctx.clock.today();
		if (m.status === 'closed') throw new Refused('The matter is closed already.');
		const open = stillOpen(ctx, m.id);
		const left: string[] = [];
		const count = (n: number, one: string, many: string) => {
			if (n) left.push(`${n} ${n === 1 ? one : many}`);
		};
		count(
			open.deadlines.filter(
				(d) => d.state === 'docketed' && !['vacate', 'met'].includes(i.deadlines[d.id] ?? '')
			).length,
			'date',
			'dates'
		);
		count(open.tasks.filter((t) => !i.tasks[t.id]).length, 'task', 'tasks');
		count(
			open.rounds.filter((r) => i.rounds[r.id] !== 'withdraw').length,
			'signing round',
			'signing rounds'
		);
		if (left.length)
			throw new Refused(`Not settled yet: ${left.join(', ')}. Choose what becomes of each.`);
		ctx.db.prepare('DELETE FROM closing_item WHERE matter_id = ?').run(m.id);
		const keep = ctx.db.prepare(
			'INSERT INTO closing_item (matter_id, what, ref, was, did) VALUES (?, ?, ?, ?, ?)'
		);
		const said: string[] = [];
		for (const d of open.deadlines) {
			const how = d.state === 'proposed' ? 'vacate' : i.deadlines[d.id]!;
			if (how === 'met') {
				if (d.date > today)
					throw new Refused(
						`${d.title} is due ${sayDate(plain(d.date))}: it cannot have been met before the matter closes. Record it on the docket, or vacate it.`,
						d.id
					);
				ctx.db
					.prepare(
						"UPDATE deadline SET state = 'met', closed_by = ?, closed_at = ?, closed_on = ?, version = version + 1 WHERE id = ?"
					)
					.run(me.id, ctx.clock.now(), today, d.id);
			} else {
				// A proposal that is vacated is docketed by nobody: the table asks who, so the closer stands for it.
				ctx.db
					.prepare(
						"UPDATE deadline SET state = 'vacated', reason = ?, closed_by = ?, closed_at = ?, closed_on = ?, docketed_by = coalesce(docketed_by, ?), version = version + 1 WHERE id = ?"
					)
					.run(`Matter closed: ${i.reason}`, me.id, ctx.clock.now(), today, me.id, d.id);
				keep.run(m.id, 'deadline', d.id, d.state, 'vacated');
			}
			if (d.state === 'docketed')
				said.push(`${d.title} (${d.date}) ${how === 'met' ? 'met' : 'vacated'}`);
		}
		for (const t of open.tasks) {
			const how = i.tasks[t.id]!;
			if (how === 'done' || how === 'drop') {
				ctx.db
					.prepare('UPDATE task SET state = ?, done_at = ?, version = version + 1 WHERE id = ?')
					.run(how === 'done' ? 'done' : 'dropped', ctx.clock.now(), t.id);
				keep.run(m.id, 'task', t.id, 'open', how);
				said.push(`task ${how === 'done' ? 'done' : 'dropped'}: ${t.subject}`);
			} else {
				const to = findMatter(ctx.db, me, { number: how });
				if (!to || to.status === 'closed')
					throw new Refused(`There is no open matter ${how} to hand “${t.subject}” to.`, t.id);
				if (to.id === m.id)
					throw new Refused('A task cannot be handed to the matter that is closed.', t.id);
				ctx.db
					.prepare(
						'UPDATE task SET matter_id = ?, deadline_id = NULL, offset_days = NULL, offset_unit = NULL, version = version + 1 WHERE id = ?'
					)
					.run(to.id, t.id);
				if (!to.restricted) said.push(`task handed to ${to.number}: ${t.subject}`);
				else said.push(`task handed over: ${t.subject}`);
				scribe.log(
					to.id,
					'task',
					`Task taken over${m.restricted ? '' : ` from ${m.number}`}: ${t.subject}.`,
					`/matters/${to.number}/tasks`
				);
			}
		}
		for (const r of open.rounds) {
			ctx.db
				.prepare('UPDATE signing_round SET withdrawn_at = ? WHERE id = ?')
				.run(ctx.clock.now(), r.id);
			keep.run(m.id, 'round', r.id, 'waiting', 'withdrawn');
			said.push(`signing withdrawn: ${r.title}`);
			for (const s of ctx.db
				.prepare<[string], { name: string; email: string }>(
					"SELECT name, email FROM signer WHERE round_id = ? AND state = 'waiting' AND told_at IS NOT NULL"
				)
				.all(r.id))
				queueMail(ctx, newId('mal'), {
					matterId: m.id,
					to: `${s.name} <${s.email}>`,
					subject: `No longer needed: ${r.title}`,
					text: `${me.name} withdrew this document. There is nothing left to sign.\n`
				});
		}
		for (const d of open.drafts)
			if (d.staffId !== me.id)
				queueMail(ctx, newId('mal'), {
					matterId: m.id,
					to: `${d.name} <${d.email}>`,
					subject: `${m.number} is closed: release your time`,
					text: `${sayHours(d.minutes)} hours on ${m.number} ${m.title} are still drafts. The matter is closed; release them so that they are allocated.\n\n${ctx.origin}/time\n`
				});
		const years = kindOf(ctx, m.kind).retentionYears;
		const until = fromDay(addMonths(toDay(today), years * 12));
		ctx.db
			.prepare(
				"UPDATE matter SET status = 'closed', status_reason = ?, status_from = ?, closed_on = ?, retain_until = ?, version = version + 1 WHERE id = ?"
			)
			.run(i.reason, today, today, until, m.id);
		scribe.matter(m.id);
		scribe.note({ reason: i.reason, settled: said, retainUntil: until });
		scribe.log(
			m.id,
			'matter',
			`Closed: ${i.reason}${said.length ? `\nSettled: ${said.join('; ')}.` : ''}${open.hearings.length ? `\nOff the calendars: ${open.hearings.map((h) => `${h.text} on ${h.date}`).join('; ')}.` : ''}\nTo be kept until ${sayDate(until)} (${years} years).`
		);
	}
});

/** Opens a closed matter again: dates and tasks that closing took away come back as they were. */
export const reopenMatter = command({
	name: 'reopen matter',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), reason: text('The reason', 1000) }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (m.status !== 'closed') throw new Refused('The matter is not closed.');
		const said = restore(ctx, m.id);
		ctx.db
			.prepare(
				"UPDATE matter SET status = 'open', status_reason = ?, status_from = ?, closed_on = NULL, retain_until = NULL, version = version + 1 WHERE id = ?"
			)
			.run(i.reason, ctx.clock.today(), m.id);
		scribe.matter(m.id);
		scribe.note({ reason: i.reason, back: said });
		scribe.log(
			m.id,
			'matter',
			`Reopened: ${i.reason}${said.length ? `\nBack: ${said.join('; ')}.` : ''}`
		);
	}
});
function restore(ctx: Ctx, matterId: string): string[] {
	const said: string[] = [];
	for (const c of ctx.db
		.prepare<[string], { what: string; ref: string; was: string }>(
			'SELECT what, ref, was FROM closing_item WHERE matter_id = ?'
		)
		.all(matterId)) {
		if (c.what === 'deadline') {
			const d = ctx.db
				.prepare<[string], { title: string; date: string }>(
					"SELECT title, date FROM deadline WHERE id = ? AND state = 'vacated'"
				)
				.get(c.ref);
			if (!d) continue;
			ctx.db
				.prepare(
					`UPDATE deadline SET state = ?, reason = '', closed_by = NULL, closed_at = NULL, closed_on = NULL, docketed_by = CASE WHEN ? = 'proposed' THEN NULL ELSE docketed_by END, version = version + 1 WHERE id = ?`
				)
				.run(c.was, c.was, c.ref);
			if (c.was === 'docketed') said.push(`${d.title} (${d.date})`);
		} else if (c.what === 'task') {
			const t = ctx.db
				.prepare<[string, string], { subject: string }>(
					"SELECT subject FROM task WHERE id = ? AND matter_id = ? AND state = 'dropped'"
				)
				.get(c.ref, matterId);
			if (!t) continue;
			ctx.db
				.prepare(
					"UPDATE task SET state = 'open', done_at = NULL, version = version + 1 WHERE id = ?"
				)
				.run(c.ref);
			said.push(`task: ${t.subject}`);
		} else {
			const r = ctx.db
				.prepare<[string], { title: string }>('SELECT title FROM signing_round WHERE id = ?')
				.get(c.ref);
			if (r) said.push(`to be sent for signing anew: ${r.title}`);
		}
	}
	ctx.db.prepare('DELETE FROM closing_item WHERE matter_id = ?').run(matterId);
	return said;
}
