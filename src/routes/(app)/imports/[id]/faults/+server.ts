/** The rows with a fault, as a file to be mended and chosen again. */
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { findWork, makeFaultsCsv } from '#server/imports/works.ts';

export function GET(event) {
	const work = findWork(requireAction(event, 'import.run'), event.params.id);
	if (!work?.plan) return notThere('import');
	const name = work.fileName.replace(/\.\w+$/, '');
	return fileResponse(makeFaultsCsv(work), 'csv', `${name}-faults.csv`, true);
}
