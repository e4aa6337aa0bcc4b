/**
 * What every way of logging time shares: the department's increment, the limit of a day, the entry
 * itself.
 */
import { formatHours } from '#core/format/hours.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { DAY_LIMIT, roundUpMinutes } from '#core/time/minutes.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { findSetting } from '#server/app/department.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import { exists, insert, maybeOne, scalar } from '#server/db/sql.ts';
import type { ActivityCodeRow, TimeEntryRow } from './rows.ts';

/** Minutes rounded up to the department's increment. */
export const toIncrement = (ctx: Context, minutes: number): number =>
	roundUpMinutes(minutes, Number(findSetting(ctx, 'time increment', '6')));

/**
 * @throws Refused where a day would have more than its hours; `but` is the entry that is being
 * changed
 */
export function refuseLongDay(
	ctx: Context,
	entry: { staffId: string; day: PlainDate; minutes: number },
	but = ''
): void {
	const before = scalar(
		ctx.db,
		`SELECT coalesce(sum(minutes), 0)
		FROM time_entry
		WHERE staff_id = @staffId AND day = @day AND id <> @but`,
		{ ...entry, but }
	);
	const minutes = before + entry.minutes;
	if (minutes > DAY_LIMIT)
		throw new Refused(
			`That would make ${formatHours(minutes)} hours on one day; a day has 24.`,
			'hours'
		);
}

type NewEntry = {
	matterId: string | null;
	day: PlainDate;
	minutes: number;
	narrative: string;
	activity: string | null;
};

/** Adds an entry of the acting colleague, as a draft. */
export function insertEntry(ctx: Context, entry: NewEntry): { entryId: string; minutes: number } {
	const me = actingStaff(ctx);
	const minutes = toIncrement(ctx, entry.minutes);
	refuseLongDay(ctx, { staffId: me.id, day: entry.day, minutes });
	refuseWrongActivity(ctx, entry);
	const entryId = newId('tim');
	insert<TimeEntryRow>(ctx.db, 'time_entry', {
		id: entryId,
		staff_id: me.id,
		matter_id: entry.matterId,
		day: entry.day,
		minutes,
		narrative: entry.narrative,
		activity: entry.activity,
		created_at: ctx.clock.now()
	});
	return { entryId, minutes };
}

/** Without a matter it is the department's own work, which has its codes. */
function refuseWrongActivity(ctx: Context, { matterId, activity }: NewEntry): void {
	const code =
		activity === null
			? undefined
			: maybeOne<ActivityCodeRow>(ctx.db, 'SELECT * FROM activity_code WHERE code = @activity', {
					activity
				});
	if (activity !== null && !code) throw new Refused('Choose an activity code.', 'activity');
	if (matterId === null && code?.matter_work !== 0)
		throw new Refused('Name a matter, or choose a code of the department.', 'matterId');
}

/** One's own entry that no cost run holds. */
export function requireOwnEntry(ctx: Context, entryId: string): TimeEntryRow {
	const entry = maybeOne<TimeEntryRow>(ctx.db, 'SELECT * FROM time_entry WHERE id = @entryId', {
		entryId
	});
	if (!entry || entry.staff_id !== actingStaff(ctx).id) throw new NotFound('time entry');
	if (
		exists(ctx.db, 'SELECT 1 FROM cost_line WHERE entry_id = @entryId AND holds = 1', { entryId })
	)
		throw new Refused('This time is allocated in a cost run and cannot change any more.');
	return entry;
}
