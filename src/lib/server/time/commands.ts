import { z } from 'zod';
import { DAY_LIMIT, parseHours, roundUp, sayHours } from '#core/time/minutes.ts';
import { sayDate } from '#core/dates/plain.ts';
import { command, NotFound, Refused, staffOf, type Ctx } from '../command.ts';
import { day, id, maybeId, maybeText, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { theMatter } from '../trust/scope.ts';

const hours = z.string({ error: 'Write hours like 0.4.' }).transform((s, c) => {
	const h = parseHours(s);
	if ('error' in h) {
		c.addIssue({ code: 'custom', message: h.error });
		return z.NEVER;
	}
	return h.minutes;
});

/** The department's increment in minutes. */
const increment = (ctx: Ctx) =>
	Number(
		ctx.db
			.prepare<[], { value: string }>("SELECT value FROM setting WHERE name = 'time increment'")
			.get()?.value ?? 6
	);

function dayLimit(ctx: Ctx, staffId: string, onDay: string, minutes: number, but = ''): void {
	const before = ctx.db
		.prepare<[string, string, string], { n: number }>(
			'SELECT coalesce(sum(minutes), 0) AS n FROM time_entry WHERE staff_id = ? AND day = ? AND id <> ?'
		)
		.get(staffId, onDay, but)!.n;
	if (before + minutes > DAY_LIMIT)
		throw new Refused(
			`That would make ${sayHours(before + minutes)} hours on one day; a day has 24.`,
			'hours'
		);
}

function insertEntry(
	ctx: Ctx,
	e: {
		matterId: string | null;
		day: string;
		minutes: number;
		narrative: string;
		activity: string | null;
	}
): string {
	const me = staffOf(ctx);
	const minutes = roundUp(e.minutes, increment(ctx));
	dayLimit(ctx, me.id, e.day, minutes);
	if (e.activity) {
		const a = ctx.db
			.prepare<[string], { matter_work: number }>(
				'SELECT matter_work FROM activity_code WHERE code = ?'
			)
			.get(e.activity);
		if (!a) throw new Refused('Choose an activity code.', 'activity');
		if (!e.matterId && a.matter_work === 1)
			throw new Refused('Name a matter, or choose a code of the department.', 'matterId');
	} else if (!e.matterId)
		throw new Refused('Name a matter, or choose a code of the department.', 'matterId');
	const entryId = newId('tim');
	ctx.db
		.prepare(
			'INSERT INTO time_entry (id, staff_id, matter_id, day, minutes, narrative, activity, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)'
		)
		.run(entryId, me.id, e.matterId, e.day, minutes, e.narrative, e.activity, ctx.clock.now());
	return entryId;
}

/** Logs time on a matter, or on the department's own work. */
export const logTime = command({
	name: 'log time',
	action: 'time.own',
	input: z.object({
		matterId: maybeId,
		day: day('The day'),
		hours,
		narrative: text('What was done', 1000),
		activity: maybeId
	}),
	run(ctx, i, scribe) {
		if (i.day > ctx.clock.today()) throw new Refused(`${sayDate(i.day)} has not come yet.`, 'day');
		const m = i.matterId ? theMatter(ctx, i.matterId) : null;
		const entryId = insertEntry(ctx, { ...i, minutes: i.hours });
		scribe.note({ entry: entryId, minutes: i.hours });
		if (m) {
			scribe.matter(m.id);
			scribe.log(m.id, 'time', `${sayHours(roundUp(i.hours, increment(ctx)))} h: ${i.narrative}`);
		}
		return { entryId };
	}
});

type EntryRow = {
	id: string;
	staff_id: string;
	matter_id: string | null;
	day: string;
	minutes: number;
	released_at: string | null;
	held: number;
};
function ownEntry(ctx: Ctx, entryId: string): EntryRow {
	const e = ctx.db
		.prepare<[string], EntryRow>(
			'SELECT t.*, EXISTS (SELECT 1 FROM cost_line c WHERE c.entry_id = t.id AND c.holds = 1) AS held FROM time_entry t WHERE t.id = ?'
		)
		.get(entryId);
	if (!e || e.staff_id !== staffOf(ctx).id) throw new NotFound('time entry');
	if (e.held) throw new Refused('This time is allocated in a cost run and cannot change any more.');
	return e;
}

export const changeTime = command({
	name: 'change time',
	action: 'time.own',
	input: z.object({ entryId: id('an entry'), hours, narrative: text('What was done', 1000) }),
	run(ctx, i, scribe) {
		const e = ownEntry(ctx, i.entryId);
		if (e.released_at) throw new Refused('This time is released. Take it back first.');
		if (e.matter_id) theMatter(ctx, e.matter_id);
		const minutes = roundUp(i.hours, increment(ctx));
		dayLimit(ctx, e.staff_id, e.day, minutes, e.id);
		ctx.db
			.prepare(
				'UPDATE time_entry SET minutes = ?, narrative = ?, version = version + 1 WHERE id = ?'
			)
			.run(minutes, i.narrative, e.id);
		if (e.matter_id) scribe.matter(e.matter_id);
		scribe.note({ entry: e.id, minutes: [e.minutes, minutes] });
	}
});

export const deleteTime = command({
	name: 'delete time',
	action: 'time.own',
	input: z.object({ entryId: id('an entry') }),
	run(ctx, i, scribe) {
		const e = ownEntry(ctx, i.entryId);
		if (e.released_at) throw new Refused('This time is released. Take it back first.');
		if (ctx.db.prepare('SELECT 1 FROM cost_line WHERE entry_id = ?').get(e.id))
			throw new Refused('This time was in a cost run that was reversed: change it, but keep it.');
		ctx.db.prepare('DELETE FROM time_entry WHERE id = ?').run(e.id);
		if (e.matter_id) scribe.matter(e.matter_id);
		scribe.note({ entry: e.id, day: e.day, minutes: e.minutes });
	}
});

/** Releases drafts up to a day, so that a cost run may take them. */
export const releaseTime = command({
	name: 'release time',
	action: 'time.own',
	input: z.object({ upTo: day('The day') }),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		const done = ctx.db
			.prepare(
				'UPDATE time_entry SET released_at = ?, version = version + 1 WHERE staff_id = ? AND released_at IS NULL AND day <= ?'
			)
			.run(ctx.clock.now(), me.id, i.upTo);
		if (done.changes === 0) throw new Refused('There is nothing to release.');
		scribe.note({ upTo: i.upTo, entries: done.changes });
		return { released: done.changes };
	}
});

export const takeBackTime = command({
	name: 'take time back',
	action: 'time.own',
	input: z.object({ entryId: id('an entry') }),
	run(ctx, i, scribe) {
		const e = ownEntry(ctx, i.entryId);
		if (!e.released_at) throw new Refused('This time is a draft already.');
		ctx.db
			.prepare('UPDATE time_entry SET released_at = NULL, version = version + 1 WHERE id = ?')
			.run(e.id);
		scribe.note({ entry: e.id });
	}
});

type TimerRow = {
	id: string;
	staff_id: string;
	matter_id: string;
	words: string;
	started_at: string | null;
	gathered_ms: number;
};
const gathered = (t: TimerRow, now: string) =>
	t.gathered_ms + (t.started_at ? Date.parse(now) - Date.parse(t.started_at) : 0);

function pauseRunning(ctx: Ctx, staffId: string): void {
	const now = ctx.clock.now();
	for (const t of ctx.db
		.prepare<[string], TimerRow>(
			'SELECT * FROM timer WHERE staff_id = ? AND started_at IS NOT NULL'
		)
		.all(staffId))
		ctx.db
			.prepare('UPDATE timer SET gathered_ms = ?, started_at = NULL WHERE id = ?')
			.run(gathered(t, now), t.id);
}

/** Starts a timer on a matter; one that runs is paused. */
export const startTimer = command({
	name: 'start timer',
	action: 'time.own',
	input: z.object({ matterId: id('a matter'), words: maybeText('What it is', 300) }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const me = staffOf(ctx);
		pauseRunning(ctx, me.id);
		const timerId = newId('tmr');
		ctx.db
			.prepare(
				'INSERT INTO timer (id, staff_id, matter_id, words, started_at, created_at) VALUES (?, ?, ?, ?, ?, ?)'
			)
			.run(timerId, me.id, m.id, i.words, ctx.clock.now(), ctx.clock.now());
		scribe.matter(m.id);
		scribe.note({ timer: timerId });
		return { timerId };
	}
});

function ownTimer(ctx: Ctx, timerId: string): TimerRow {
	const t = ctx.db.prepare<[string], TimerRow>('SELECT * FROM timer WHERE id = ?').get(timerId);
	if (!t || t.staff_id !== staffOf(ctx).id) throw new NotFound('timer');
	return t;
}

export const pauseTimer = command({
	name: 'pause timer',
	action: 'time.own',
	input: z.object({ timerId: id('a timer') }),
	run(ctx, i, scribe) {
		const t = ownTimer(ctx, i.timerId);
		if (!t.started_at) throw new Refused('This timer is paused already.');
		pauseRunning(ctx, t.staff_id);
		scribe.note({ timer: t.id });
	}
});

export const resumeTimer = command({
	name: 'resume timer',
	action: 'time.own',
	input: z.object({ timerId: id('a timer') }),
	run(ctx, i, scribe) {
		const t = ownTimer(ctx, i.timerId);
		if (t.started_at) throw new Refused('This timer runs already.');
		pauseRunning(ctx, t.staff_id);
		ctx.db.prepare('UPDATE timer SET started_at = ? WHERE id = ?').run(ctx.clock.now(), t.id);
		scribe.note({ timer: t.id });
	}
});

/** Stops a timer: its time becomes a draft entry of today, rounded up to the increment; or nothing, where it is dropped. */
export const stopTimer = command({
	name: 'stop timer',
	action: 'time.own',
	input: z.object({
		timerId: id('a timer'),
		words: maybeText('What was done', 1000),
		drop: z.boolean().default(false)
	}),
	run(ctx, i, scribe) {
		const t = ownTimer(ctx, i.timerId);
		const ms = gathered(t, ctx.clock.now());
		const words = i.words || t.words;
		if (!i.drop && words === '') throw new Refused('Say what was done.', 'words');
		let entryId: string | null = null;
		if (!i.drop) {
			const m = theMatter(ctx, t.matter_id);
			const minutes = Math.max(1, Math.ceil(ms / 60_000));
			if (minutes > DAY_LIMIT)
				throw new Refused('The timer ran longer than a day. Drop it and log the hours by hand.');
			entryId = insertEntry(ctx, {
				matterId: m.id,
				day: ctx.clock.today(),
				minutes,
				narrative: words,
				activity: null
			});
			scribe.matter(m.id);
			scribe.log(m.id, 'time', `${sayHours(roundUp(minutes, increment(ctx)))} h: ${words}`);
		}
		ctx.db.prepare('DELETE FROM timer WHERE id = ?').run(t.id);
		scribe.note({ timer: t.id, ms, entry: entryId });
		return { entryId };
	}
});
