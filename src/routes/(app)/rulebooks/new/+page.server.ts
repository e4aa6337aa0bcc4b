/** A book of the department's own: from a plain form, or as YAML. */
import { redirect } from '@sveltejs/kit';
import { saveBook } from '#server/docket/book-effects.ts';
import { writeTimeline } from '#server/rulebooks/versions.ts';
import { listCourts } from '#server/docket/calculator.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { begunBook, sampleBook } from '#server/rulebooks/sample.ts';
import { bookShape } from '#server/rulebooks/shape.ts';

/** A plain timeline; the rules of a court or an agency as a form; any book as text. */
const WAYS = ['timeline', 'rules', 'yaml'] as const;

export function load(event) {
	requireAction(event, 'docket.closure');
	const { app } = event.locals;
	return {
		courts: listCourts(app),
		as: WAYS.find((way) => way === event.url.searchParams.get('as')) ?? 'timeline',
		sample: sampleBook(app.clock.today()),
		begun: begunBook(app.clock.today()),
		shape: bookShape(app, { book: '', below: '', counts: '' })
	};
}

export const actions = {
	write: action(writeTimeline, { done: ({ book }) => redirect(303, `/rulebooks/${book}`) }),
	save: actionValue(saveBook, { input: () => ({ base: 0, expect: null }) })
};
