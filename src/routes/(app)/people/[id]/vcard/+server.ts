/** One card as a vCard. */
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { findPersonCard } from '#server/people/queries.ts';
import { formatVcard } from '#server/people/vcard-write.ts';

export function GET(event) {
	const me = requireAction(event, 'person.read');
	const { app } = event.locals;
	const person = findPersonCard(app, me, event.params.id);
	if (!person || 'mergedInto' in person) return notThere('person');
	const vcard = formatVcard(app, person.id) ?? '';
	return fileResponse(vcard, 'vcf', `${person.fields.name}.vcf`, true);
}
