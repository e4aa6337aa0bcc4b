/** A rulebook, or an earlier version of it, as YAML. */
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { findBookText } from '#server/rulebooks/queries.ts';

export function GET(event) {
	requireAction(event, 'docket.read');
	const { id } = event.params;
	const version = event.url.searchParams.get('n');
	const text = findBookText(event.locals.app, id, version === null ? undefined : Number(version));
	if (!text) return notThere('rulebook');
	return fileResponse(text.yaml, 'yaml', `${id}.yaml`, true);
}
