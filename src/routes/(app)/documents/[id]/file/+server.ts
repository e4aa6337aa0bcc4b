import { document, versions } from '#server/documents/queries.ts';
import { fileResponse } from '#server/download.ts';
import { missing, only, theWorld } from '#server/web.ts';

export function GET(event) {
	const me = only(event, 'document.read');
	const w = theWorld();
	const d = document(w, me, event.params.id);
	if (!d) return missing('document');
	const v = versions(w, d.id).find(
		(x) => x.n === (Number(event.url.searchParams.get('version')) || d.version)
	);
	if (!v) return missing('version');
	return fileResponse(
		w.files.get(v.sha256),
		v.mediaType,
		v.fileName,
		event.url.searchParams.has('download')
	);
}
