import { personCard } from '#server/people/queries.ts';
import { missing, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'person.read');
	return { person: personCard(theWorld(), me, event.params.id) ?? missing('person') };
}
