import { fileResponse } from '#server/download.ts';
import { requestFile } from '#server/requests/queries.ts';
import { missing, staff, theWorld } from '#server/web.ts';

export function GET(event) {
	const f = requestFile(theWorld(), staff(event), event.params.id, event.params.file);
	return f
		? fileResponse(f.data, f.type, f.name, event.url.searchParams.get('download') === '1')
		: missing('file');
}
