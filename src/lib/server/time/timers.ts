/** Timers: several of one colleague, one of them running. */
import { z } from 'zod';
import { formatHours } from '#core/format/hours.ts';
import { DAY_LIMIT } from '#core/time/minutes.ts';
import { requireMatter } from '#server/access/visibility.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, id, maybeText } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { all, insert, maybeOne, remove, update } from '#server/db/sql.ts';
import { insertEntry } from './entries.ts';
import type { TimerRow } from './rows.ts';

/** Milliseconds a timer has gathered by an instant. */
const gatheredBy = (timer: TimerRow, now: string): number =>
	timer.gathered_ms + (timer.started_at ? Date.parse(now) - Date.parse(timer.started_at) : 0);

function pauseRunning(ctx: Context, staffId: string): void {
	const running = all<TimerRow>(
		ctx.db,
		'SELECT * FROM timer WHERE staff_id = @staffId AND started_at IS NOT NULL',
		{ staffId }
	);
	for (const timer of running)
		update<TimerRow>(
			ctx.db,
			'timer',
			{ id: timer.id },
			{ gathered_ms: gatheredBy(timer, ctx.clock.now()), started_at: null }
		);
}

/** Starts a timer on a matter; one that runs is paused. */
export const startTimer = matterCommand({
	name: 'start timer',
	action: 'time.own',
	input: z.object({ matterId: id('a matter'), words: maybeText('What it is', 300) }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input, record }) {
		pauseRunning(ctx, me.id);
		const timerId = newId('tmr');
		const now = ctx.clock.now();
		insert<TimerRow>(ctx.db, 'timer', {
			id: timerId,
			staff_id: me.id,
			matter_id: matter.id,
			words: input.words,
			started_at: now,
			created_at: now
		});
		record.audit({ timer: timerId });
		return { timerId };
	}
});

function requireOwnTimer(ctx: Context, timerId: string): TimerRow {
	const timer = maybeOne<TimerRow>(ctx.db, 'SELECT * FROM timer WHERE id = @timerId', { timerId });
	if (timer?.staff_id !== actingStaff(ctx).id) throw new NotFound('timer');
	return timer;
}

export const pauseTimer = command({
	name: 'pause timer',
	action: 'time.own',
	input: z.object({ timerId: id('a timer') }),
	run({ ctx, input, record }) {
		const timer = requireOwnTimer(ctx, input.timerId);
		if (!timer.started_at) throw new Refused('This timer is paused already.');
		pauseRunning(ctx, timer.staff_id);
		record.audit({ timer: timer.id });
	}
});

export const resumeTimer = command({
	name: 'resume timer',
	action: 'time.own',
	input: z.object({ timerId: id('a timer') }),
	run({ ctx, input, record }) {
		const timer = requireOwnTimer(ctx, input.timerId);
		if (timer.started_at) throw new Refused('This timer runs already.');
		pauseRunning(ctx, timer.staff_id);
		update<TimerRow>(ctx.db, 'timer', { id: timer.id }, { started_at: ctx.clock.now() });
		record.audit({ timer: timer.id });
	}
});

/**
 * Stops a timer: its time becomes a draft entry of today, rounded up to the increment; or nothing,
 * where it is dropped.
 */
export const stopTimer = command({
	name: 'stop timer',
	action: 'time.own',
	input: z.object({
		timerId: id('a timer'),
		words: maybeText('What was done', 1000),
		drop: flag
	}),
	run({ ctx, input, record }) {
		const timer = requireOwnTimer(ctx, input.timerId);
		const ms = gatheredBy(timer, ctx.clock.now());
		const narrative = input.words || timer.words;
		if (!input.drop && narrative === '') throw new Refused('Say what was done.', 'words');
		const logged = input.drop ? null : logTimer(ctx, timer, ms, narrative);
		remove<TimerRow>(ctx.db, 'timer', { id: timer.id });
		record.audit({ timer: timer.id, ms, entry: logged?.entryId ?? null });
		if (logged) {
			record.onMatter(timer.matter_id);
			record.logOn(timer.matter_id, 'time', `${formatHours(logged.minutes)} h: ${narrative}`);
		}
		return { entryId: logged?.entryId ?? null };
	}
});

function logTimer(
	ctx: Context,
	timer: TimerRow,
	ms: number,
	narrative: string
): { entryId: string; minutes: number } {
	const matter = requireMatter(ctx, timer.matter_id);
	const minutes = Math.max(1, Math.ceil(ms / 60_000));
	if (minutes > DAY_LIMIT)
		throw new Refused('The timer ran longer than a day. Drop it and log the hours by hand.');
	const day = ctx.clock.today();
	return insertEntry(ctx, { matterId: matter.id, day, minutes, narrative, activity: null });
}
