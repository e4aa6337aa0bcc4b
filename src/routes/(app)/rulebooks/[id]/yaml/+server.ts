import { bookYaml } from '#server/docket/bookshelf.ts';
import { fileResponse } from '#server/download.ts';
import { missing, only, theWorld } from '#server/web.ts';

export function GET(event) {
	only(event, 'docket.read');
	const n = event.url.searchParams.get('n');
	const found = bookYaml(theWorld(), event.params.id, n === null ? undefined : Number(n));
	if (!found) return missing('rulebook');
	return fileResponse(
		Buffer.from(found.yaml),
		'application/yaml; charset=utf-8',
		`${event.params.id}.yaml`,
		true
	);
}
