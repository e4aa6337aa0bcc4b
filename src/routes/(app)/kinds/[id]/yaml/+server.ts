/** A kind of matter as YAML. */
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { findKind, formatKindYaml } from '#server/kinds/queries.ts';

export function GET(event) {
	requireAction(event, 'kind.edit');
	const kind = findKind(event.locals.app, event.params.id);
	if (!kind) return notThere('kind');
	return fileResponse(formatKindYaml(kind), 'yaml', `${kind.id}.yaml`, true);
}
