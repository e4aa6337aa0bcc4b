/**
 * Versions of rulebooks: checked in a worker, kept as they were written, never changed afterwards.
 */
import { plainDate } from '#core/dates/plain.ts';
import type { BookFile } from '#core/rulebooks/book.ts';
import type { Application, Context } from '#server/app/application.ts';
import { preparedCommand } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { all, insert, scalar } from '#server/db/sql.ts';
import type { BookDraft, CheckedBook } from './check.ts';
import type { BookVersionRow } from './rows.ts';
import { shelfOf, shippedShelf } from './shelf.ts';
import { checkBookTask } from './tasks.ts';
import { makeTimeline, timelineInput } from './timeline.ts';

/** Checks a book beside the ones of the house, in a worker. */
export function checkDraft(
	app: Application,
	yaml: string,
	expect: string | null
): Promise<CheckedBook> {
	const shipped = shippedShelf().files;
	const draft: BookDraft = {
		yaml,
		expect,
		own: [...shelfOf(app).files.values()].filter((file) => shipped.get(file.book) !== file),
		orders: all<BookDraft['orders'][number]>(
			app.db,
			'SELECT id, rules, book FROM matter_order WHERE ended_at IS NULL'
		)
	};
	return app.work.run(checkBookTask, draft);
}

/** The book of a draft that has no fault. @throws Refused with its first fault, at a field */
export const requireSound = ({ faults, file }: CheckedBook, field: string): BookFile => {
	const [fault] = faults;
	if (fault) throw new Refused(`Line ${fault.line}: ${fault.message}`, field);
	if (!file) throw new Refused('The book cannot be read.', field);
	return file;
};

/** The number of a book's last version in this house; 0 where there is none. */
export const lastVersion = (ctx: Context, book: string): number =>
	scalar(ctx.db, 'SELECT coalesce(max(n), 0) FROM book_version WHERE book = @book', { book });

export const NAME_TAKEN =
	'There is a book of this name already: give it another name under “book”.';

/** Keeps a version of a book as it was written. */
export function insertVersion(
	ctx: Context,
	file: BookFile,
	saved: { n: number; yaml: string; reason: string; by: string }
): void {
	insert<BookVersionRow>(ctx.db, 'book_version', {
		book: file.book,
		n: saved.n,
		yaml: saved.yaml,
		title: file.title,
		reviewed: plainDate(file.reviewed),
		reason: saved.reason,
		saved_by: saved.by,
		saved_at: ctx.clock.now()
	});
}

/** Writes a timeline from the plain form as a first version of a book. */
export const writeTimeline = preparedCommand({
	name: 'write timeline',
	action: 'docket.closure',
	input: timelineInput,
	async prepare({ ctx, input }) {
		const taken = new Set(shelfOf(ctx).ids());
		const { yaml } = makeTimeline(input, taken, ctx.clock.today());
		return { yaml, checked: await checkDraft(ctx, yaml, null) };
	},
	run({ ctx, me, input, prepared, record }) {
		const file = requireSound(prepared.checked, 'name');
		if (lastVersion(ctx, file.book) > 0) throw new Refused(NAME_TAKEN, 'name');
		const { yaml } = prepared;
		insertVersion(ctx, file, { n: 1, yaml, reason: 'First version', by: me.id });
		record.audit({ book: file.book, rows: input.rows.length });
		return { book: file.book };
	}
});
