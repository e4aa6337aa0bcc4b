/**
 * Days on which a court does not sit or its office is shut, as the department enters them: a day, a
 * span, or a list of days, of one court or several. The dates they affect wait for a decision.
 */
import { z } from 'zod';
import { addDays, daysBetween, toDay, weekday, type PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { plural } from '#core/format/words.ts';
import type { Application, Context } from '#server/app/application.ts';
import { preparedCommand } from '#server/app/command.ts';
import { findDateOrder } from '#server/app/department.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, maybeDay, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { preview } from '#server/app/preview.ts';
import { all, exists, insert, maybeOne, remove } from '#server/db/sql.ts';
import { requireBook, shelfOf } from '#server/rulebooks/shelf.ts';
import { countSeen, recordChanges } from './changes.ts';
import { DATED_LIST_LIMIT } from './dated-list.ts';
import { effectsNow } from './effects-query.ts';
import { showEffects } from './effect-views.ts';
import type { ClosureRow } from './rows.ts';
import { datedListTask, effectsTask } from './tasks.ts';

const closureFields = z.object({
	book: id('a court'),
	/** Further courts that are closed on the same days. */
	also: z.array(z.string().max(80)).max(40).default([]),
	date: maybeDay('The day'),
	/** The last day of a span. */
	until: maybeDay('The last day'),
	kind: z.enum(['holiday', 'office'], { error: 'Say what kind of closure it is.' }),
	name: maybeText('The reason', 120),
	/** A list of days, each with its reason. */
	file: z.file().nullish()
});
type ClosureInput = z.output<typeof closureFields>;
type NewClosure = Omit<ClosureRow, 'id'>;
const MOST_DAYS = 60;

/** The days of a span, or of a list, each with its reason. @throws Refused beside the field */
async function listDays(
	ctx: Context,
	input: ClosureInput
): Promise<{ date: PlainDate; name: string }[]> {
	const file = input.file && input.file.size > 0 ? input.file : null;
	if (file) return readDays(ctx, file, input.name);
	if (!input.date) throw new Refused('The day is missing.', 'date');
	if (!input.name) throw new Refused('The reason is missing.', 'name');
	const last = input.until ?? input.date;
	const length = daysBetween(input.date, last) + 1;
	if (length < 1) throw new Refused('The last day lies before the first.', 'until');
	if (length > MOST_DAYS) throw new Refused(`A closure lasts ${MOST_DAYS} days at most.`, 'until');
	const { date: first, name } = input;
	const days = Array.from({ length }, (_, at) => ({ date: addDays(first, at), name }));
	const working = days.filter(({ date }) => weekday(toDay(date)) % 6 !== 0);
	// A closure of one day is taken at its word; in a span the weekends are closed anyway.
	return length === 1 || working.length === 0 ? days : working;
}

async function readDays(ctx: Context, file: File, name: string) {
	if (file.size > DATED_LIST_LIMIT) throw new Refused('A list has at most 1 MB.', 'file');
	const data = new Uint8Array(await file.arrayBuffer());
	try {
		const order = findDateOrder(ctx);
		const list = { data, zone: ctx.clock.zone, order };
		const { entries, unread } = await ctx.work.run(datedListTask, list);
		if (unread.length)
			throw new Refused(`Not read: ${unread.slice(0, 3).join('; ')}. Nothing was entered.`);
		if (entries.length > MOST_DAYS) throw new Refused(`At most ${MOST_DAYS} days at once.`);
		return entries.map(({ date, title }) => ({ date, name: (title || name).slice(0, 120) }));
	} catch (error) {
		throw error instanceof Refused ? new Refused(error.message, 'file') : error;
	}
}

/** The closures that would be new. @throws Refused where a court is unknown, or none is new */
async function listNew(ctx: Context, input: ClosureInput): Promise<NewClosure[]> {
	const books = [...new Set([input.book, ...input.also])];
	const { files } = shelfOf(ctx);
	if (books.some((book) => !files.has(book))) throw new Refused('Choose a court.', 'book');
	const days = await listDays(ctx, input);
	const { kind } = input;
	const closures = books.flatMap((book) => days.map((day) => ({ ...day, book, kind })));
	const fresh = closures.filter((closure) => !isThere(ctx, closure));
	if (fresh.length === 0) throw new Refused('There is a closure on this day already.', 'date');
	return fresh;
}

const isThere = ({ db }: Context, { book, date }: NewClosure): boolean =>
	exists(db, 'SELECT 1 FROM closure WHERE book = @book AND date = @date', { book, date });

/** What closures would change, before they are entered. */
export const previewClosure = preview({
	action: 'docket.closure',
	input: closureFields,
	async run({ ctx, me, input }) {
		const closures = await listNew(ctx, { ...input, name: input.name || 'closure' });
		const { effects } = await ctx.work.run(effectsTask, { of: 'closures', closures });
		return { days: closures.length, ...showEffects(ctx, me, effects) };
	}
});

/** Adds closures. The dates they affect wait for a decision; nothing moves by itself. */
export const addClosure = preparedCommand({
	name: 'add closure',
	action: 'docket.closure',
	input: closureFields,
	async prepare({ ctx, input }) {
		const closures = await listNew(ctx, input);
		const counted = await ctx.work.run(effectsTask, { of: 'closures', closures });
		return { closures, counted };
	},
	run({ ctx, me, record, prepared: { closures, counted } }) {
		const effects = effectsNow(ctx, { of: 'closures', closures }, counted);
		for (const closure of closures) {
			if (isThere(ctx, closure))
				throw new Refused('There is a closure on this day already.', 'date');
			insert<ClosureRow>(ctx.db, 'closure', { ...closure, id: newId('clo') });
		}
		record.audit({ closures, affects: effects.length });
		recordChanges(ctx, effects, {
			cause: 'closure',
			why: describeClosures(ctx, closures),
			version: (book) => requireBook(ctx, book).version
		});
		return { added: closures.length, ...countSeen(ctx, me, effects) };
	}
});

/** "Flood on 24 December 2026 (N.D. Cal.)", or its span; several reasons are counted. */
function describeClosures(app: Application, closures: readonly NewClosure[]): string {
	const days = closures.map(({ date }) => date).sort();
	const [first, last] = [days[0]!, days.at(-1)!];
	const names = [...new Set(closures.map(({ name }) => name))];
	const courts = [...new Set(closures.map(({ book }) => requireBook(app, book).short))].join(', ');
	const what = names.length === 1 ? names[0]! : plural(new Set(days).size, 'closure');
	const when =
		first === last ? ` on ${formatDate(first)}` : `, ${formatDate(first)} to ${formatDate(last)}`;
	return `${what}${when} (${courts})`;
}

function requireClosure(ctx: Context, closureId: string): ClosureRow {
	const closure = maybeOne<ClosureRow>(ctx.db, 'SELECT * FROM closure WHERE id = @closureId', {
		closureId
	});
	if (!closure) throw new NotFound('closure');
	return closure;
}

/** Removes a closure that was entered by mistake; what would move back waits for a decision too. */
export const removeClosure = preparedCommand({
	name: 'remove closure',
	action: 'docket.closure',
	input: z.object({ closureId: id('a closure'), reason: text('The reason', 300) }),
	prepare({ ctx, input }) {
		const closure = requireClosure(ctx, input.closureId);
		return ctx.work.run(effectsTask, { of: 'no closure', closure });
	},
	run({ ctx, me, input, record, prepared }) {
		const closure = requireClosure(ctx, input.closureId);
		const effects = effectsNow(ctx, { of: 'no closure', closure }, prepared);
		remove<ClosureRow>(ctx.db, 'closure', { id: closure.id });
		const book = requireBook(ctx, closure.book);
		const why = `No closure on ${formatDate(closure.date)} after all (${book.short})`;
		record.audit({ closure, reason: input.reason, affects: effects.length });
		recordChanges(ctx, effects, { cause: 'closure', why, version: book.version });
		return countSeen(ctx, me, effects);
	}
});

export type ClosureView = ClosureRow & { court: string };
/** The closures the department entered, the latest first, with the name of their court. */
export function listClosures(app: Application): ClosureView[] {
	const { files } = shelfOf(app);
	const closures = all<ClosureRow>(app.db, 'SELECT * FROM closure ORDER BY date DESC, id');
	return closures.map((closure) => ({
		...closure,
		court: files.has(closure.book) ? requireBook(app, closure.book).title : closure.book
	}));
}
