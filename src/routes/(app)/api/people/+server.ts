import { json } from '@sveltejs/kit';
import { findPeople } from '#server/people/queries.ts';
import { only, theWorld } from '#server/web.ts';

export const GET = (event) =>
	json(findPeople(theWorld(), only(event, 'person.read'), event.url.searchParams.get('q') ?? ''));
