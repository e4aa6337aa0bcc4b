/** A file that came with a request. */
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireStaff } from '#server/http/request.ts';
import { findRequestFile } from '#server/requests/queries.ts';

export function GET(event) {
	const { id, file } = event.params;
	const found = findRequestFile(event.locals.app, requireStaff(event), id, file);
	if (!found) return notThere('file');
	const download = event.url.searchParams.get('download') === '1';
	return fileResponse(found.data, found.type, found.name, download);
}
