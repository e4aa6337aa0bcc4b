import { may } from '#core/access/table.ts';
import { needsTime, type Expression } from '#core/docket/book.ts';
import { serviceKinds } from '#core/docket/method.ts';
import { bookIn, shelf, shipped, stale } from '#server/docket/books.ts';
import { bookVersions } from '#server/docket/bookshelf.ts';
import { missing, only, theWorld } from '#server/web.ts';

/** An expression as it is written in a book, in words. */
function say(e: Expression): string {
	if (e.kind === 'choose') return `${e.which} of ${e.of.map(say).join(' and ')}`;
	const from = (
		f: Expression extends infer X ? (X extends { from: infer F } ? F : never) : never
	) =>
		f === 'event'
			? ''
			: 'answer' in f
				? ` from the answer “${f.answer}”`
				: ` from the day “${f.deadline.replaceAll('-', ' ')}” is due`;
	if (e.kind === 'day') return `that day${from(e.from)}`;
	return `${e.amount}${e.ext ? ' ext' : ''}${e.roll === 'none' ? ', no roll' : e.roll === 'towards' ? ', rolls towards' : ''}${e.everyDay ? ', every day counted' : ''}${e.of ? ` from the ${say(e.of)}` : from(e.from)}${e.next !== undefined ? `, then the next ${['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'][e.next]}` : ''}${e.time ? ` at ${e.time}` : ''}`;
}
export function load(event) {
	const me = only(event, 'docket.read');
	const w = theWorld();
	const id = event.params.id;
	if (!shelf(w).files.has(id)) return missing('rulebook');
	const b = bookIn(w, id);
	const q = (event.url.searchParams.get('q') ?? '').trim().toLowerCase().slice(0, 100);
	const when = (
		v: { answers?: Record<string, string> | undefined; before?: string | undefined },
		asks: { id: string; ask: string; options?: { id: string; say: string }[] | undefined }[]
	) =>
		[
			...Object.entries(v.answers ?? {}).map(([k, a]) => {
				const x = asks.find((y) => y.id === k);
				return `${x?.ask ?? k} ${x?.options?.find((o) => o.id === a)?.say ?? a}`;
			}),
			...(v.before ? [`before ${v.before}`] : [])
		].join(', ');
	const events = [...b.events.values()]
		.map((e) => ({
			id: e.id,
			text: e.text,
			served: e.served,
			hint: e.hint,
			timed: needsTime(e),
			questions: e.questions.map((x) => x.ask),
			rules: e.rules.map((r) => ({
				id: r.id,
				title: r.title,
				authority: r.authority,
				book: r.book,
				by: r.by ?? null,
				owner: r.owner ?? null,
				count: r.count ? say(r.count) : '',
				variants: r.variants.map((v) => `${when(v.when, e.questions)}: ${say(v.count)}`),
				only: r.only ? when(r.only, e.questions) : '',
				note: r.note ?? '',
				examples: r.examples.length
			})),
			suggestions: e.suggestions.map((s) => ({
				title: s.title,
				count: s.count,
				of: e.rules.find((r) => r.id === s.of)?.title ?? s.of
			}))
		}))
		.filter((e) => e.rules.length || e.suggestions.length)
		.filter(
			(e) =>
				!q ||
				`${e.text} ${e.rules.map((r) => `${r.title} ${r.authority}`).join(' ')}`
					.toLowerCase()
					.includes(q)
		);
	return {
		book: {
			id,
			title: b.title,
			short: b.short,
			version: b.version,
			reviewed: b.reviewed,
			stale: stale(b, w.clock.today()),
			layers: b.layers,
			own: !shipped().files.has(id),
			sort: b.sort,
			zone: b.method.zone,
			dayWord: b.method.dayWord,
			roll: b.method.roll,
			services: serviceKinds(b.method),
			serviceAuthority: b.method.services?.authority ?? b.method.deemed?.authority ?? ''
		},
		events,
		versions: bookVersions(w, id),
		q,
		mayWrite: may(me.role, 'docket.closure')
	};
}
