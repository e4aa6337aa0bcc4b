/** Makes a date or a hearing that was kept elsewhere, as it stood there. */
import { formatDate } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import { requireMatter } from '#server/access/visibility.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import type { Recorder } from '#server/app/record.ts';
import { update } from '#server/db/sql.ts';
import { carrierOf, addHandDate, insertHandHearing } from '#server/docket/by-hand.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { isHearing, readDateRow, type DateImport } from './judge-dates.ts';
import type { Made } from './made.ts';
import type { Values } from './mapping.ts';

const AUTHORITY = 'taken over by an import';

/** An open date waits for its second check like any other; what was settled is so. */
export function makeDate(ctx: Context, values: Values, record: Recorder): Made[] {
	const asker = { me: actingStaff(ctx).id, today: ctx.clock.today() };
	const row = readDateRow(ctx.db, asker, values);
	if (Array.isArray(row)) throw new Refused(row.map(({ text }) => text).join(' '));
	const matter = requireMatter(ctx, row.matterId);
	const { made, deadlineId } = enter(ctx, matter, row);
	const { place, long, assigneeId } = row;
	const details = { place, long, assignee_id: assigneeId };
	update<DeadlineRow>(ctx.db, 'deadline', { id: deadlineId }, { ...details, ...settled(ctx, row) });
	const stands = row.state === 'open' ? '' : `, ${row.state}`;
	const words = `${capitalize(row.title)} ${formatDate(row.date)}${stands}`;
	record.logOn(matter.id, 'date', `Taken over by an import: ${words}.`);
	return made;
}

/** Under the event that carries dates by hand, or as an event of its own. */
function enter(
	ctx: Context,
	matter: MatterRow,
	row: DateImport
): { made: Made[]; deadlineId: string } {
	const { title, date, time, place } = row;
	const authority = row.authority || AUTHORITY;
	if (isHearing(row)) {
		const { eventId, deadlineId } = insertHandHearing(
			ctx,
			matter,
			{ text: capitalize(title), date, time, ahead: row.sort },
			{ place, link: '', authority }
		);
		return {
			deadlineId,
			made: [
				{ place: 'event', ref: eventId },
				{ place: 'deadline', ref: deadlineId }
			]
		};
	}
	const carrier = carrierOf(ctx, matter);
	const deadlineId = addHandDate(ctx, matter, { title, date, time, authority });
	const made: Made = { place: 'deadline', ref: deadlineId };
	return {
		deadlineId,
		made: carrier.isNew ? [{ place: 'event', ref: carrier.id }, made] : [made]
	};
}

/** How a settled date is kept. */
function settled(ctx: Context, row: DateImport): Partial<DeadlineRow> {
	const { state, reason, on, date } = row;
	if (state === 'open') return {};
	const by = { closed_by: actingStaff(ctx).id, closed_at: ctx.clock.now() };
	switch (state) {
		case 'met': {
			const isLate = on !== null && on > date;
			return {
				...by,
				state: 'met',
				closed_on: on,
				late_reason: isLate ? reason : '',
				reason: isLate ? '' : reason
			};
		}
		case 'held':
			return { ...by, state: 'met', result: 'held', outcome: reason, closed_on: date };
		case 'taken off':
			return { ...by, state: 'vacated', result: 'off', reason };
		case 'vacated':
			return { ...by, state: 'vacated', reason };
	}
}
