/** Tells people once what an import put on their matters, or in their name. */
import { actingStaff, type Context } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { What } from './fields.ts';
import { tellImported, type Imported } from './messages.ts';
import type { ImportBatchRow } from './rows.ts';

type Told = { name: string; email: string; count: number; matters: number };

const onMatters = (table: 'deadline' | 'document') =>
	`SELECT
		s.name, s.email,
		count(*) AS count,
		count(DISTINCT made.matter_id) AS matters
	FROM import_made i
	JOIN ${table} made ON made.id = i.ref
	JOIN matter_team t ON t.matter_id = made.matter_id
	JOIN staff s ON s.id = t.staff_id
	WHERE i.batch_id = @batchId AND i.place = '${table}' AND s.active = 1 AND s.id <> @me
	GROUP BY s.id
	ORDER BY s.name`;

const TOLD: Readonly<Record<Imported['what'], string>> = {
	dates: onMatters('deadline'),
	documents: onMatters('document'),
	time: `SELECT
			s.name, s.email,
			count(*) AS count,
			count(DISTINCT made.matter_id) AS matters
		FROM import_made i
		JOIN time_entry made ON made.id = i.ref
		JOIN staff s ON s.id = made.staff_id
		WHERE i.batch_id = @batchId AND i.place = 'time_entry' AND s.active = 1 AND s.id <> @me
		GROUP BY s.id
		ORDER BY s.name`
};

const isTold = (what: What): what is Imported['what'] => what in TOLD;

/** @returns how many were told */
export function tellOfImport(ctx: Context, batch: ImportBatchRow): number {
	const { what, id: batchId, file_name: fileName } = batch;
	if (!isTold(what)) return 0;
	const me = actingStaff(ctx);
	const told = all<Told>(ctx.db, TOLD[what], { batchId, me: me.id });
	for (const { name, email, count, matters } of told)
		queueMail(ctx, {
			matterId: null,
			to: { name, email },
			message: tellImported({ what, count, matters, fileName, by: me.name })
		});
	return told.length;
}
