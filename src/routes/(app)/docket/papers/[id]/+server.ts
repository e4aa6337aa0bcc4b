/** A paper that came in, as it came. */
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { findPaper } from '#server/papers/queries.ts';

export function GET(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const paper = findPaper(app, me, event.params.id);
	if (!paper) return notThere('paper');
	const download = event.url.searchParams.has('download');
	return fileResponse(app.files.get(paper.sha256), paper.media_type, paper.file_name, download);
}
