/**
 * Calendars that ordinary calendar programs subscribe to, by a secret address of which only the
 * digest is kept.
 */
import { z } from 'zod';
import { addDays } from '#core/dates/plain.ts';
import { requireMatter, visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound } from '#server/app/errors.ts';
import { id, maybeId } from '#server/app/fields.ts';
import { newId, newToken, sha256 } from '#server/app/ids.ts';
import { listAppointmentItems } from '#server/appointments/calendar-items.ts';
import { writeCalendarTask } from '#server/calendar/tasks.ts';
import { all, insert, maybeOne, run, update } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { concerns } from './date-people.ts';
import { listDateItems } from './calendar-items.ts';
import type { FeedRow } from './rows.ts';

/** How far back a feed goes. */
const PAST_DAYS = 120;

/**
 * Makes a feed; its address is shown this once. Making one for the same thing again revokes the
 * old.
 */
export const makeFeed = command({
	name: 'make feed',
	action: 'docket.read',
	input: z.object({ sort: z.enum(['person', 'matter', 'department']), matterId: maybeId }),
	run({ ctx, me, input, record }) {
		const matter = input.sort === 'matter' ? requireMatter(ctx, input.matterId ?? '') : null;
		const feed = { staff_id: me.id, sort: input.sort, matter_id: matter?.id ?? null };
		run(
			ctx.db,
			`UPDATE feed
			SET revoked_at = @now
			WHERE staff_id = @staff_id
				AND sort = @sort
				AND matter_id IS @matter_id
				AND revoked_at IS NULL`,
			{ ...feed, now: ctx.clock.now() }
		);
		const token = newToken();
		const feedId = newId('fed');
		insert<FeedRow>(ctx.db, 'feed', {
			...feed,
			id: feedId,
			digest: sha256(token),
			made_at: ctx.clock.now()
		});
		if (matter) record.onMatter(matter.id);
		record.audit({ feed: feedId, sort: input.sort });
		return { feedId, address: `${ctx.origin}/feed/${token}` };
	}
});

/** Ends a feed: its address says so from now on. One's own; an administrator any. */
export const revokeFeed = command({
	name: 'revoke feed',
	action: 'docket.read',
	input: z.object({ feedId: id('a feed') }),
	run({ ctx, me, input, record }) {
		const feed = maybeOne<FeedRow>(
			ctx.db,
			'SELECT * FROM feed WHERE id = @feedId AND revoked_at IS NULL',
			{ feedId: input.feedId }
		);
		if (!feed || (feed.staff_id !== me.id && me.role !== 'administrator'))
			throw new NotFound('feed');
		update<FeedRow>(ctx.db, 'feed', { id: feed.id }, { revoked_at: ctx.clock.now() });
		record.audit({ feed: feed.id });
	}
});

export type FeedView = {
	id: string;
	sort: FeedRow['sort'];
	matterNumber: string | null;
	matterTitle: string | null;
	madeAt: string;
	readAt: string | null;
};
/** One's own feeds that are not revoked. */
export const listFeeds = (app: Application, me: Staff): FeedView[] =>
	all(
		app.db,
		`SELECT
			f.id, f.sort, m.number AS matterNumber, m.title AS matterTitle, f.made_at AS madeAt,
			f.read_at AS readAt
		FROM feed f
		LEFT JOIN matter m ON m.id = f.matter_id
		WHERE f.staff_id = @me AND f.revoked_at IS NULL AND (m.id IS NULL OR ${visible('m')})
		ORDER BY f.made_at`,
		{ me: me.id }
	);

type FeedOfStaff = FeedRow & Pick<StaffRow, 'active' | 'name'> & { number: string | null };

/**
 * What a feed's address answers: the calendar, or that it was revoked, or nothing. It reads with
 * its maker's rights.
 */
export async function readFeed(
	app: Application,
	token: string
): Promise<{ ics: string } | { revoked: true } | undefined> {
	const feed = maybeOne<FeedOfStaff>(
		app.db,
		`SELECT f.*, s.active, s.name, m.number
		FROM feed f
		JOIN staff s ON s.id = f.staff_id
		LEFT JOIN matter m ON m.id = f.matter_id
		WHERE f.digest = @digest`,
		{ digest: sha256(token) }
	);
	if (!feed) return undefined;
	if (feed.revoked_at !== null || feed.active !== 1) return { revoked: true };
	update<FeedRow>(app.db, 'feed', { id: feed.id }, { read_at: app.clock.now() });
	const scope = { person: concerns('d', 'm'), matter: 'm.id = @matter', department: '1' }[
		feed.sort
	];
	const where = `${visible('m')} AND ${scope}`;
	const from = addDays(app.clock.today(), -PAST_DAYS);
	const params = { me: feed.staff_id, matter: feed.matter_id, from };
	const own = { id: feed.staff_id };
	const items = [
		...listDateItems(app, where, params),
		// The department's calendar is that of its dates.
		...(feed.sort === 'department'
			? []
			: listAppointmentItems(app, own, { from, matterId: feed.matter_id }))
	];
	const head = { name: feedName(feed), now: app.clock.now() };
	return { ics: await app.work.run(writeCalendarTask, { items, head }) };
}

function feedName({ sort, name, number }: FeedOfStaff): string {
	if (sort === 'person') return `Docket and appointments of ${name}`;
	return sort === 'matter' ? `Docket of ${number ?? 'a matter'}` : 'Docket of the department';
}
