/** Makes time that was worked and written down elsewhere. */
import { plainDate } from '#core/dates/plain.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import { insert } from '#server/db/sql.ts';
import type { TimeEntryRow } from '#server/time/rows.ts';
import { readTimeRow } from './judge-time.ts';
import type { Made } from './made.ts';
import type { Values } from './mapping.ts';

/** Time as it was worked, not rounded anew: a draft, unless it was released where it comes from. */
export function makeTime(ctx: Context, values: Values): Made[] {
	const asker = { me: actingStaff(ctx).id, today: ctx.clock.today() };
	const row = readTimeRow(ctx.db, asker, values);
	if (Array.isArray(row)) throw new Refused(row.map(({ text }) => text).join(' '));
	const id = newId('tim');
	const now = ctx.clock.now();
	insert<TimeEntryRow>(ctx.db, 'time_entry', {
		id,
		staff_id: row.staffId,
		matter_id: row.matterId,
		day: plainDate(row.day),
		minutes: row.minutes,
		narrative: row.narrative,
		activity: row.activity,
		released_at: row.isReleased ? now : null,
		created_at: now
	});
	return [{ place: 'time_entry', ref: id }];
}
