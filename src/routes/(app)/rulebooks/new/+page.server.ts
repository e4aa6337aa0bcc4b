/** A book of the department's own: from a plain form, or as YAML. */
import { redirect } from '@sveltejs/kit';
import { saveBook } from '#server/docket/book-effects.ts';
import { writeTimeline } from '#server/rulebooks/versions.ts';
import { listCourts } from '#server/docket/calculator.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { sampleBook } from '#server/rulebooks/sample.ts';

export function load(event) {
	requireAction(event, 'docket.closure');
	const { app } = event.locals;
	return {
		courts: listCourts(app),
		as: event.url.searchParams.get('as') === 'yaml' ? 'yaml' : 'form',
		sample: sampleBook(app.clock.today())
	};
}

export const actions = {
	write: action(writeTimeline, { done: ({ book }) => redirect(303, `/rulebooks/${book}`) }),
	save: actionValue(saveBook, { input: () => ({ base: 0, expect: null }) })
};
