/** Cards that match what is typed into a field. */
import { json } from '@sveltejs/kit';
import { contextOf, requireAction } from '#server/http/request.ts';
import { findPeople } from '#server/people/queries.ts';

export async function GET(event) {
	requireAction(event, 'person.read');
	return json(await findPeople(contextOf(event), event.url.searchParams.get('q') ?? ''));
}
