import { fileResponse } from '#server/download.ts';
import { personCard } from '#server/people/queries.ts';
import { toVcard } from '#server/people/vcard.ts';
import { missing, only, theWorld } from '#server/web.ts';

export function GET(event) {
	const me = only(event, 'person.read');
	const p = personCard(theWorld(), me, event.params.id);
	if (!p || 'mergedInto' in p) return missing('person');
	return fileResponse(
		Buffer.from(toVcard(theWorld(), p.id)!),
		'text/vcard; charset=utf-8',
		`${p.fields.name}.vcf`,
		true
	);
}
