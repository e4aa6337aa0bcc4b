import { json } from '@sveltejs/kit';
import { bookEffects, checkBook } from '#server/docket/bookshelf.ts';
import { sayEffects } from '#server/docket/changes.ts';
import { shelf } from '#server/docket/books.ts';
import { only, theWorld } from '#server/web.ts';

/** A book as it is being written: its faults by line, its examples counted anew, and the dates it would change. Nothing is saved. */
export async function POST(event) {
	const me = only(event, 'docket.closure');
	const w = theWorld();
	const body = (await event.request.json().catch(() => ({}))) as {
		yaml?: unknown;
		expect?: unknown;
		effects?: unknown;
	};
	const c = checkBook(
		w,
		String(body.yaml ?? ''),
		typeof body.expect === 'string' ? body.expect : undefined
	);
	const known = c.file !== null && shelf(w).files.has(c.file.book);
	const seen =
		body.effects === true && c.faults.length === 0 && known
			? sayEffects(w, me, bookEffects(w, c))
			: null;
	return json({
		faults: c.faults,
		examples: c.examples.map((e) => ({ ...e, sentences: e.sentences.join(' ') })),
		effects: seen?.slice(0, 300) ?? null,
		total: seen?.length ?? 0
	});
}
