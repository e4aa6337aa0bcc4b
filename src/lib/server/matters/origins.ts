/** Where matters come from: a list that the department keeps, and reports by. */
import { z } from 'zod';
import type { Application, Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, maybeId, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { all, exists, insert, maybeOne, scalar, update } from '#server/db/sql.ts';
import type { OriginRow } from './rows.ts';

type Has = Pick<Application, 'db'>;
const MOST = 40;

export const findOrigin = ({ db }: Has, originId: string): OriginRow | undefined =>
	maybeOne(db, 'SELECT * FROM origin WHERE id = @originId', { originId });

export type OriginView = { id: string; label: string; retired: 0 | 1; matters: number };
/** All of them, with the number of matters that came so. */
export const listOrigins = ({ db }: Has): OriginView[] =>
	all(
		db,
		`SELECT
			o.id, o.label, o.retired,
			(SELECT count(*) FROM matter m WHERE m.origin_id = o.id AND m.restricted = 0) AS matters
		FROM origin o
		ORDER BY o.retired, o.position`
	);

/** All of them, as a filter offers them: counting their matters takes longer than the list. */
export const listOriginWords = ({ db }: Has): { id: string; label: string }[] =>
	all(db, 'SELECT id, label FROM origin ORDER BY retired, position');

/** Those that are offered. */
export const listOfferedOrigins = ({ db }: Has): { id: string; label: string }[] =>
	all(db, 'SELECT id, label FROM origin WHERE retired = 0 ORDER BY position');

/**
 * Adds an origin, gives one other words, or offers it no more; matters that have it keep it, under
 * its new words.
 */
export const saveOrigin = command({
	name: 'save origin',
	action: 'staff.edit',
	input: z.object({ originId: maybeId, label: text('The origin', 60), retired: flag }),
	run({ ctx, input: { originId, label, retired }, record }) {
		const before = originId === null ? undefined : findOrigin(ctx, originId);
		if (originId !== null && !before) throw new NotFound('origin');
		refuseTaken(ctx, label, originId);
		if (before) {
			update<OriginRow>(ctx.db, 'origin', { id: before.id }, { label, retired: retired ? 1 : 0 });
			record.audit({ origin: before.id, before, label, retired });
			return { originId: before.id };
		}
		const position = scalar<number>(ctx.db, 'SELECT coalesce(max(position), 0) + 1 FROM origin');
		if (position > MOST) throw new Refused(`At most ${MOST} origins.`, 'label');
		const added: OriginRow = { id: newId('org'), label, position, retired: 0 };
		insert<OriginRow>(ctx.db, 'origin', added);
		record.audit({ origin: added.id, label });
		return { originId: added.id };
	}
});

function refuseTaken(ctx: Context, label: string, originId: string | null): void {
	const taken = exists(
		ctx.db,
		'SELECT 1 FROM origin WHERE lower(label) = lower(@label) AND id IS NOT @originId',
		{ label, originId }
	);
	if (taken) throw new Refused(`“${label}” is in the list already.`, 'label');
}
