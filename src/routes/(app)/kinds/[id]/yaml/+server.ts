import { fileResponse } from '#server/download.ts';
import { findKind, kindYaml } from '#server/matters/kinds.ts';
import { missing, only, theWorld } from '#server/web.ts';

export function GET(event) {
	only(event, 'kind.edit');
	const k = findKind(theWorld(), event.params.id);
	return k
		? fileResponse(Buffer.from(kindYaml(k)), 'application/yaml', `${k.id}.yaml`, true)
		: missing('kind');
}
