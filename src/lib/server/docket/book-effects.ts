/**
 * A new version of a rulebook: previewed with the dates it would change, then saved; those wait for
 * a decision.
 */
import { z } from 'zod';
import type { Application, Context } from '#server/app/application.ts';
import { preparedCommand } from '#server/app/command.ts';
import { Conflict, Refused } from '#server/app/errors.ts';
import { text } from '#server/app/fields.ts';
import { preview } from '#server/app/preview.ts';
import {
	BOOK_LIMIT,
	type CheckedBook,
	type ExampleView,
	type Fault
} from '#server/rulebooks/check.ts';
import { findVersion } from '#server/rulebooks/queries.ts';
import { shelfOf, shippedShelf } from '#server/rulebooks/shelf.ts';
import { compareBooks } from '#server/rulebooks/two-writers.ts';
import {
	checkDraft,
	insertVersion,
	lastVersion,
	NAME_TAKEN,
	requireSound
} from '#server/rulebooks/versions.ts';
import { countSeen, recordChanges } from './changes.ts';
import { effectsNow, type Effects } from './effects-query.ts';
import { showEffects, type EffectView } from './effect-views.ts';
import { markCounted } from './new-readings.ts';
import { effectsTask } from './tasks.ts';

/**
 * What a version of a book would change of dates in open matters; nothing where there was no such
 * book.
 */
async function countDraft(app: Application, { file, faults }: CheckedBook): Promise<Effects> {
	const known = file !== null && faults.length === 0 && shelfOf(app).files.has(file.book);
	return known ? app.work.run(effectsTask, { of: 'book', file }) : { effects: [], asOf: null };
}

export type BookPreview = {
	faults: Fault[];
	examples: ExampleView[];
	/** The first of them, and how many there are. */
	effects: EffectView[];
	total: number;
};
/** A book as somebody writes it: its faults, its examples, the dates it would change. */
export const previewBook = preview({
	action: 'docket.closure',
	input: z.object({ yaml: z.string().max(BOOK_LIMIT + 1), expect: z.string().nullish() }),
	async run({ ctx, me, input }): Promise<BookPreview> {
		const checked = await checkDraft(ctx, input.yaml, input.expect ?? null);
		const { effects } = await countDraft(ctx, checked);
		const { faults, examples } = checked;
		return { faults, examples, ...showEffects(ctx, me, effects) };
	}
});

/** Somebody saved a version meanwhile: both changes, from the version one began with. */
function bookConflict(
	ctx: Context,
	book: string,
	{ yaml, base }: { yaml: string; base: number },
	last: number
): Conflict {
	const from = findVersion(ctx, book, base);
	const theirs = findVersion(ctx, book, last);
	const texts = { base: from?.yaml ?? '', theirs: theirs?.yaml ?? '', yours: yaml };
	return new Conflict(theirs?.by ?? 'Someone else', last, [compareBooks(texts)]);
}

/**
 * Saves a version of a book, new or in the place of a shipped one. It must hold together, with
 * every example right; the dates it affects wait for a decision.
 */
export const saveBook = preparedCommand({
	name: 'save rulebook',
	action: 'docket.closure',
	input: z.object({
		yaml: text('The book', BOOK_LIMIT),
		reason: text('What changed', 300),
		/** The version one began with; 0 where there was none. */
		base: z.coerce.number().int().default(0),
		/** The book of which this is a version; nothing where it is a new one. */
		expect: z.string().nullish()
	}),
	async prepare({ ctx, input }) {
		const checked = await checkDraft(ctx, input.yaml, input.expect ?? null);
		return { checked, counted: await countDraft(ctx, checked) };
	},
	run({ ctx, me, input, prepared: { checked, counted }, record }) {
		const file = requireSound(checked, 'yaml');
		const isNew = input.expect === null || input.expect === undefined;
		const last = lastVersion(ctx, file.book);
		if (isNew && (last > 0 || shippedShelf().files.has(file.book)))
			throw new Refused(NAME_TAKEN, 'yaml');
		if (last !== input.base) throw bookConflict(ctx, file.book, input, last);
		const now = shelfOf(ctx).files.get(file.book);
		if (now?.version === file.version)
			throw new Refused(
				`Give this version a name of its own: “version” still says ${file.version}.`,
				'yaml'
			);
		if (file.reviewed > ctx.clock.today())
			throw new Refused(
				`It cannot have been reviewed on ${file.reviewed}: that day has not come.`,
				'yaml'
			);
		const effects = now ? effectsNow(ctx, { of: 'book', file }, counted) : [];
		const n = last + 1;
		insertVersion(ctx, file, { n, yaml: input.yaml, reason: input.reason, by: me.id });
		const why = `${file.title}, version ${file.version}: ${input.reason}`;
		recordChanges(ctx, effects, { cause: 'book', why, version: file.version });
		markCounted(ctx, shelfOf(ctx).using(file.book));
		record.audit({
			book: file.book,
			n,
			version: file.version,
			reason: input.reason,
			affects: effects.length
		});
		return { book: file.book, n, ...countSeen(ctx, me, effects) };
	}
});
