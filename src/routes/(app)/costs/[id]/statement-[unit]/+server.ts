import { statementPdf } from '#server/costs/files.ts';
import { mayRead, run, runTitle } from '#server/costs/queries.ts';
import { businessUnit } from '#server/house.ts';
import { fileResponse } from '#server/download.ts';
import { missing, staff, theWorld } from '#server/web.ts';

export async function GET(event) {
	const me = staff(event);
	const w = theWorld();
	const r = mayRead(me) ? run(w, event.params.id) : undefined;
	const unit = businessUnit(w, event.params.unit);
	if (!r || !unit) return missing('statement');
	return fileResponse(
		await statementPdf(w, me, r, unit),
		'application/pdf',
		`Statement ${runTitle(r)} ${unit.name}.pdf`,
		false
	);
}
