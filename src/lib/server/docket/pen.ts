/** What a pen line about the docket means here: the count it asks for, or the event it enters with the dates it sets. */
import { sayDate } from '#core/dates/plain.ts';
import { serviceKinds } from '#core/docket/method.ts';
import { readCount, readEvent, type EventLine } from '#core/penline/docket.ts';
import { Refused, type World } from '../command.ts';
import type { MatterRow } from '../trust/scope.ts';
import { bookIn, booksOf } from './books.ts';
import { calculate, courts, readAsked } from './calculator.ts';
import { proposals } from './events.ts';
import { capital } from './shared.ts';

const words = (id: string) => id.replaceAll(/[.-]/g, ' ');
/** The count, said at once, and the address of the calculator with the same question. */
export function penCount(
	w: World,
	line: string
): { fault: string | null; say: string; href: string } {
	const read = readCount(
		line.split(' '),
		courts(w).map((c) => ({
			id: c.id,
			words: `${words(c.id)} ${c.title}`,
			services: serviceKinds(bookIn(w, c.id).method).map((s) => ({
				id: s.id,
				words: `${words(s.id)} ${s.say}`
			}))
		})),
		w.clock.today()
	);
	if (read.fault || !read.court || !read.from) return { fault: read.fault, say: '', href: '' };
	const p = new URLSearchParams({
		court: read.court,
		from: read.from,
		count: read.amount,
		...(read.service ? { service: read.service } : {})
	});
	const c = calculate(w, readAsked(p, w.clock.today()));
	if (!c.result)
		return { fault: Object.values(c.errors)[0] ?? 'That cannot be counted.', say: '', href: '' };
	return {
		fault: null,
		say: `${sayDate(c.result.date)}${c.result.time ? `, ${c.result.time}` : ''} (${bookIn(w, read.court).short})`,
		href: `/count?${p}`
	};
}

export type PenEvent = EventLine & {
	text: string;
	serviceSay: string | null;
	dates: { rule: string; title: string; date: string }[];
};
/** The event of one of the matter's books, and the dates of law it would docket. */
export function penEvent(w: World, matterId: string, line: string): PenEvent {
	const m = w.db.prepare<[string], MatterRow>('SELECT * FROM matter WHERE id = ?').get(matterId)!;
	const books = booksOf(w, m);
	const events = books.flatMap((b) =>
		[...b.events.values()]
			.filter((e) => e.rules.length)
			.map((e) => ({
				id: `${b.id}|${e.id}`,
				words: e.text,
				served: e.served,
				services: serviceKinds(b.method).map((s) => ({
					id: s.id,
					words: `${words(s.id)} ${s.say}`
				}))
			}))
	);
	const read = readEvent(line.split(' '), events, w.clock.today());
	const none: PenEvent = { ...read, text: '', serviceSay: null, dates: [] };
	if (books.length === 0)
		return { ...none, fault: 'This matter has no rulebook: choose one on its sheet first.' };
	if (read.fault || !read.event || !read.date) return none;
	const book = books.find((b) => read.event!.startsWith(`${b.id}|`))!;
	const event = book.events.get(read.event.split('|')[1]!)!;
	try {
		const { deadlines } = proposals(w, m, {
			eventKey: read.event,
			date: read.date,
			time: null,
			service: read.service ?? '',
			answers: {}
		});
		return {
			...read,
			text: capital(event.text),
			serviceSay: serviceKinds(book.method).find((s) => s.id === read.service)?.say ?? null,
			dates: deadlines
				.filter((d) => !d.suggested)
				.map((d) => ({ rule: d.rule, title: d.title, date: d.date }))
		};
	} catch (e) {
		if (!(e instanceof Refused)) throw e;
		return { ...none, text: capital(event.text), fault: e.message };
	}
}
