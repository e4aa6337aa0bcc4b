/**
 * What the form of a book chooses from: the ways of service that hold in it, and the events, rules
 * and questions of the books below it.
 */
import { z } from 'zod';
import { OCCASIONS } from '#core/docket/occasion.ts';
import type { Question, Rulebook } from '#core/rulebooks/book.ts';
import { serviceKinds } from '#core/rulebooks/method.ts';
import type { Application } from '#server/app/application.ts';
import { preview } from '#server/app/preview.ts';
import { shelfOf } from './shelf.ts';

export type BookShape = {
	ways: { id: string; label: string }[];
	dayWord: string;
	/** The events of the books below. */
	events: {
		id: string;
		text: string;
		served: boolean;
		questions: Question[];
		rules: { id: string; title: string }[];
	}[];
	/** Every book of the house, to be laid over or counted by. */
	books: { id: string; title: string }[];
	occasions: readonly string[];
};

const known = (app: Application, id: string): Rulebook | undefined =>
	shelfOf(app).files.has(id) ? shelfOf(app).book(id) : undefined;

/** What a book of this name may choose from. A book that there is not gives nothing. */
export function bookShape(
	app: Application,
	{ book, below, counts }: { book: string; below: string; counts: string }
): BookShape {
	const under = known(app, below);
	const counting = known(app, book) ?? under ?? known(app, counts);
	return {
		ways: counting ? serviceKinds(counting.method).map(({ id, label }) => ({ id, label })) : [],
		dayWord: counting?.method.dayWord ?? 'court day',
		events: [...(under?.events.values() ?? [])].map(({ id, text, served, questions, rules }) => ({
			id,
			text,
			served,
			questions,
			rules: rules.map((rule) => ({ id: rule.id, title: rule.title }))
		})),
		books: shelfOf(app)
			.ids()
			.map((id) => ({ id, title: shelfOf(app).book(id).title })),
		occasions: OCCASIONS
	};
}

/** The same, asked by the form when the book is laid over another one. */
export const previewBookShape = preview({
	action: 'docket.closure',
	input: z.object({
		book: z.string().max(60).default(''),
		below: z.string().max(60).default(''),
		counts: z.string().max(60).default('')
	}),
	run: ({ ctx, input }) => bookShape(ctx, input)
});
