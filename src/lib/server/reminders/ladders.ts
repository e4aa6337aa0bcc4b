/** The days on which dates remind: a date's own ladder, or its matter's, or its kind's. */
import { formatLadder, readLadder } from '#core/reminders/ladder.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, exists, maybeOne } from '#server/db/sql.ts';
import { findKind } from '#server/kinds/queries.ts';
import type { MatterRow } from '#server/matters/rows.ts';

const formatStored = (json: string | null): string => formatLadder(readLadder(json) ?? []);

export type MatterLadders = {
	/** As they are typed: the matter's own, its kind's, those of single dates by id. */
	own: string;
	kind: string;
	dates: Record<string, string>;
	/** One does not want to be reminded of this matter. */
	muted: boolean;
};

export function findLadders(
	app: Pick<Application, 'db'>,
	me: Staff,
	matter: Pick<MatterRow, 'id' | 'kind'>
): MatterLadders {
	const { id } = matter;
	const own = maybeOne<Pick<MatterRow, 'ladder'>>(
		app.db,
		'SELECT ladder FROM matter WHERE id = @id',
		{ id }
	);
	const dates = all<{ id: string; ladder: string }>(
		app.db,
		'SELECT id, ladder FROM deadline WHERE matter_id = @id AND ladder IS NOT NULL',
		{ id }
	);
	return {
		own: formatStored(own?.ladder ?? null),
		kind: formatLadder(findKind(app, matter.kind)?.ladder ?? []),
		dates: Object.fromEntries(dates.map((date) => [date.id, formatStored(date.ladder)])),
		muted: exists(app.db, 'SELECT 1 FROM mute WHERE staff_id = @me AND matter_id = @id', {
			me: me.id,
			id
		})
	};
}
