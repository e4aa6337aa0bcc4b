/** Time entries: logged, changed, released, taken back. */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import { formatHours, parseHours } from '#core/format/hours.ts';
import { requireMatter } from '#server/access/visibility.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { base, day, id, maybeId, text } from '#server/app/fields.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { exists, remove, run, update } from '#server/db/sql.ts';
import { insertEntry, refuseLongDay, requireOwnEntry, toIncrement } from './entries.ts';
import type { TimeEntryRow } from './rows.ts';

const hours = z.string({ error: 'Write hours like 0.4.' }).transform((value, ctx) => {
	const parsed = parseHours(value);
	if ('minutes' in parsed) return parsed.minutes;
	ctx.addIssue({ code: 'custom', message: parsed.error });
	return z.NEVER;
});

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
	run({ ctx, input, record }) {
		if (input.day > ctx.clock.today())
			throw new Refused(`${formatDate(input.day)} has not come yet.`, 'day');
		const matter = input.matterId ? requireMatter(ctx, input.matterId) : null;
		const { entryId, minutes } = insertEntry(ctx, { ...input, minutes: input.hours });
		record.audit({ entry: entryId, minutes: input.hours });
		if (matter) {
			record.onMatter(matter.id);
			record.logOn(matter.id, 'time', `${formatHours(minutes)} h: ${input.narrative}`);
		}
		return { entryId, day: input.day, minutes };
	}
});

const refuseReleased = ({ released_at }: TimeEntryRow): void => {
	if (released_at) throw new Refused('This time is released. Take it back first.');
};

export const changeTime = command({
	name: 'change time',
	action: 'time.own',
	input: z.object({ entryId: id('an entry'), hours, narrative: text('What was done', 1000), base }),
	run({ ctx, input, record }) {
		const entry = requireOwnEntry(ctx, input.entryId);
		refuseReleased(entry);
		if (entry.matter_id) requireMatter(ctx, entry.matter_id);
		// The other writer is oneself, in another window.
		const { narrative, ...told } = requireTogether(
			ctx,
			{ matterId: entry.matter_id, id: entry.id },
			{
				labels: { hours: 'Hours', narrative: 'What was done' },
				now: { hours: formatHours(entry.minutes), narrative: entry.narrative },
				base: input.base,
				yours: {
					hours: formatHours(toIncrement(ctx, input.hours)),
					narrative: input.narrative
				}
			}
		);
		const minutes = toIncrement(ctx, hours.parse(told.hours));
		refuseLongDay(ctx, { staffId: entry.staff_id, day: entry.day, minutes }, entry.id);
		update<TimeEntryRow>(
			ctx.db,
			'time_entry',
			{ id: entry.id },
			{ minutes, narrative, version: entry.version + 1 }
		);
		if (entry.matter_id) record.onMatter(entry.matter_id);
		record.audit({ entry: entry.id, minutes: [entry.minutes, minutes] });
	}
});

export const deleteTime = command({
	name: 'delete time',
	action: 'time.own',
	input: z.object({ entryId: id('an entry') }),
	run({ ctx, input, record }) {
		const entry = requireOwnEntry(ctx, input.entryId);
		refuseReleased(entry);
		if (exists(ctx.db, 'SELECT 1 FROM cost_line WHERE entry_id = @id', { id: entry.id }))
			throw new Refused('This time was in a cost run that was reversed: change it, but keep it.');
		remove<TimeEntryRow>(ctx.db, 'time_entry', { id: entry.id });
		if (entry.matter_id) record.onMatter(entry.matter_id);
		record.audit({ entry: entry.id, day: entry.day, minutes: entry.minutes });
	}
});

/** Releases drafts up to a day, so that a cost run may take them. */
export const releaseTime = command({
	name: 'release time',
	action: 'time.own',
	input: z.object({ upTo: day('The day') }),
	run({ ctx, me, input, record }) {
		const released = run(
			ctx.db,
			`UPDATE time_entry
			SET released_at = @now, version = version + 1
			WHERE staff_id = @me AND released_at IS NULL AND day <= @upTo`,
			{ now: ctx.clock.now(), me: me.id, upTo: input.upTo }
		);
		if (released === 0) throw new Refused('There is nothing to release.');
		record.audit({ upTo: input.upTo, entries: released });
		return { released };
	}
});

/** A released entry becomes a draft again. */
export const takeBackTime = command({
	name: 'take time back',
	action: 'time.own',
	input: z.object({ entryId: id('an entry') }),
	run({ ctx, input, record }) {
		const entry = requireOwnEntry(ctx, input.entryId);
		if (!entry.released_at) throw new Refused('This time is a draft already.');
		update<TimeEntryRow>(
			ctx.db,
			'time_entry',
			{ id: entry.id },
			{ released_at: null, version: entry.version + 1 }
		);
		record.audit({ entry: entry.id });
	}
});
