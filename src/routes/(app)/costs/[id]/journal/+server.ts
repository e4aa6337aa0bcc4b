import { journalCsv } from '#server/costs/files.ts';
import { mayRead, run } from '#server/costs/queries.ts';
import { fileResponse } from '#server/download.ts';
import { missing, staff, theWorld } from '#server/web.ts';

export function GET(event) {
	const me = staff(event);
	const w = theWorld();
	const r = mayRead(me) ? run(w, event.params.id) : undefined;
	if (!r) return missing('cost run');
	return fileResponse(
		Buffer.from(journalCsv(w, me, r), 'utf8'),
		'text/csv; charset=utf-8',
		`journal ${r.number ?? 'draft'}.csv`,
		true
	);
}
