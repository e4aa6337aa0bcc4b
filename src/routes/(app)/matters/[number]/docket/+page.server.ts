import { needsTime } from '#core/docket/book.ts';
import { serviceKinds } from '#core/docket/method.ts';
import { addDays, date } from '#core/dates/plain.ts';
import {
	addDate,
	answerReturn,
	bringCalendar,
	decideChanges,
	docketDeadline,
	editDeadline,
	endOrder,
	enterEvent,
	inviteToDate,
	layOrder,
	makeFeed,
	meetDeadline,
	moveDeadline,
	moveEvent,
	revokeFeed,
	setMatterBook,
	vacateDeadline
} from '#server/docket/commands.ts';
import { booksIn, booksOf } from '#server/docket/books.ts';
import { orderEffects, ordersOf, readOrder } from '#server/docket/orders.ts';
import { sayEffects, waitingChanges } from '#server/docket/changes.ts';
import { myFeeds } from '#server/docket/feeds.ts';
import { ladderView, muteMatter, setLadder } from '#server/jobs/reminders.ts';
import { readCalendar } from '#server/docket/ics.ts';
import {
	closedDays,
	dateDocuments,
	dateExhibits,
	matterCounts,
	matterDocket
} from '#server/docket/queries.ts';
import { matterTasks } from '#server/agenda/queries.ts';
import { documents } from '#server/documents/queries.ts';
import { Refused } from '#server/command.ts';
import { findMatter } from '#server/trust/scope.ts';
import { answer, ctx, fail, form, missing, only, theWorld, type Form } from '#server/web.ts';

const VIEWS = ['tree', 'list', 'timeline', 'month'] as const;
export async function load(event) {
	const me = only(event, 'docket.read');
	const { caption } = await event.parent();
	const w = theWorld();
	const p = event.url.searchParams;
	const books = booksOf(w, { id: caption.id, rulebook: caption.rulebook });
	const today = w.clock.today();
	const events = matterDocket(w, me, caption.id);
	const view = VIEWS.find((v) => v === p.get('view')) ?? 'tree';
	const all = events.flatMap((e) => [e.date, ...e.deadlines.map((d) => d.date)]).sort();
	const month = /^\d{4}-(0[1-9]|1[0-2])$/.test(p.get('month') ?? '')
		? p.get('month')!
		: (all.find((d) => d >= today) ?? today).slice(0, 7);
	const [from, to] =
		view === 'month'
			? [addDays(date(`${month}-01`), -6), addDays(date(`${month}-01`), 38)]
			: [
					addDays(date(all[0] && all[0] < today ? all[0] : today), -5),
					addDays(date(all.at(-1) && all.at(-1)! > today ? all.at(-1)! : today), 20)
				];
	return {
		events,
		counts: matterCounts(w, caption.id),
		view,
		when: p.get('when') === 'past' ? 'past' : p.get('when') === 'all' ? 'all' : 'future',
		month,
		from,
		to,
		closed:
			view === 'timeline' || view === 'month' ? closedDays(w, caption.rulebook, from, to) : {},
		tasks: matterTasks(w, me, caption.id).filter((t) => t.state === 'open' && t.hangs).length,
		choices: books.flatMap((book) =>
			[...book.events.values()]
				.filter((e) => e.rules.length)
				.map((e) => ({
					id: `${book.id}|${e.id}`,
					key: e.id,
					book: book.id,
					bookShort: book.short,
					text: e.text.charAt(0).toUpperCase() + e.text.slice(1),
					served: e.served,
					ahead: e.ahead,
					timed:
						needsTime(e) || (e.served && book.method.deemed !== undefined && e.deemedBy === null),
					hint: e.hint,
					questions: e.questions,
					rules: e.rules.map((r) => ({ id: r.id, title: r.title }))
				}))
		),
		services: Object.fromEntries(books.map((b) => [b.id, serviceKinds(b.method)])),
		matterBooks: books.map((b) => ({
			id: b.id,
			title: b.title,
			short: b.short,
			reviewed: b.reviewed,
			main: b.id === caption.rulebook
		})),
		otherBooks: booksIn(w)
			.filter((b) => b.events.size > 0 && !books.some((x) => x.id === b.id))
			.map((b) => ({ id: b.id, title: b.title })),
		documents: documents(w, me, { matterId: caption.id }).rows.map((d) => ({
			id: d.id,
			name: d.name,
			number: d.number
		})),
		papers: dateDocuments(w, caption.id),
		exhibits: dateExhibits(w, caption.id),
		orders: ordersOf(w, me, caption.id),
		changes: waitingChanges(w, me, caption.id),
		ladder: ladderView(w, me, caption.id, caption.kind),
		feed:
			myFeeds(w, me).find((f) => f.sort === 'matter' && f.matterNumber === caption.number) ?? null
	};
}

const act = async <T>(event: Parameters<typeof form>[0], go: (f: Form) => T) =>
	go(await form(event));
const answersOf = (f: Form) =>
	Object.fromEntries(
		[...f.data.entries()]
			.filter(([k, v]) => k.startsWith('answer-') && typeof v === 'string' && v !== '')
			.map(([k, v]) => [k.slice(7), String(v)])
	);
/** The lines of an order, as the form sends them. */
function order(f: Form) {
	const [what, at, rule, count, title, kind] = [
		'line-do',
		'line-event',
		'line-rule',
		'line-count',
		'line-title',
		'line-act'
	].map((k) => f.all(k)) as [string[], string[], string[], string[], string[], string[]];
	return {
		matterId: f.text('matterId'),
		book: f.text('book'),
		sort: f.text('sort'),
		title: f.text('title'),
		dated: f.text('dated'),
		documentId: f.maybe('documentId'),
		lines: what.map((d, i) => ({
			do: d,
			event: at[i] ?? '',
			rule: rule[i] ?? '',
			count: count[i] ?? '',
			title: title[i] ?? '',
			act: kind[i] || 'file'
		}))
	};
}
export const actions = {
	enter: (event) =>
		act(event, (f) => {
			return answer(
				enterEvent(ctx(event), {
					matterId: f.text('matterId'),
					eventKey: f.text('eventKey'),
					date: f.text('date'),
					time: f.text('time'),
					service: f.text('service'),
					name: f.text('name'),
					sure: f.text('sure'),
					sourceId: f.maybe('sourceId'),
					place: f.text('place'),
					link: f.text('link'),
					answers: answersOf(f),
					docket: f.all('docket')
				}),
				(v) => ({ docketed: v.docketed })
			);
		}),
	hand: (event) =>
		act(event, (f) =>
			answer(
				addDate(ctx(event), {
					matterId: f.text('matterId'),
					what: f.text('what') as 'deadline',
					title: f.text('title'),
					date: f.text('date'),
					time: f.text('time'),
					authority: f.text('authority'),
					place: f.text('place'),
					link: f.text('link'),
					long: f.text('long'),
					sourceId: f.maybe('sourceId')
				}),
				() => ({})
			)
		),
	ics: (event) =>
		act(event, async (f) => {
			only(event, 'docket.enter');
			const file = f.file('ics');
			if (!file) return fail(400, { errors: { ics: 'Choose a calendar file.' } });
			const read = readCalendar(
				Buffer.from(await file.slice(0, 2 * 1024 * 1024).arrayBuffer()),
				theWorld().clock.zone
			);
			if (file.size > 2 * 1024 * 1024)
				return fail(400, {
					errors: {
						ics: `The file has ${(file.size / 1024 / 1024).toFixed(1)} MB: a calendar to bring in has at most 1 MB. Export a shorter span.`
					}
				});
			return 'error' in read
				? fail(400, { errors: { ics: read.error } })
				: { found: read.events, left: read.left, file: file.name };
		}),
	bring: (event) =>
		act(event, (f) => {
			const all = (f.json('items') ?? []) as {
				title: string;
				date: string;
				time: string | null;
				place: string;
			}[];
			return answer(
				bringCalendar(ctx(event), {
					matterId: f.text('matterId'),
					from: f.text('from'),
					items: all.filter((_, i) => f.all('take').includes(String(i)))
				}),
				(v) => v
			);
		}),
	docket: (event) =>
		act(event, (f) =>
			answer(docketDeadline(ctx(event), { deadlineIds: f.all('deadlineId') }), (v) => v)
		),
	answer: (event) =>
		act(event, (f) =>
			answer(
				answerReturn(ctx(event), { deadlineId: f.text('deadlineId'), words: f.text('words') }),
				() => ({})
			)
		),
	meet: (event) =>
		act(event, (f) =>
			answer(
				meetDeadline(ctx(event), {
					deadlineId: f.text('deadlineId'),
					on: f.text('on'),
					proof: f.text('proof'),
					documentId: f.maybe('documentId')
				}),
				() => ({})
			)
		),
	vacate: (event) =>
		act(event, (f) =>
			answer(
				vacateDeadline(ctx(event), { deadlineId: f.text('deadlineId'), reason: f.text('reason') }),
				() => ({})
			)
		),
	shift: (event) =>
		act(event, (f) =>
			answer(
				moveDeadline(ctx(event), {
					deadlineId: f.text('deadlineId'),
					how: f.text('how') as 'order',
					by: f.text('by'),
					to: f.maybe('to'),
					reason: f.text('reason'),
					documentId: f.maybe('documentId'),
					version: f.text('version')
				}),
				(v) => v
			)
		),
	edit: (event) =>
		act(event, (f) =>
			answer(
				editDeadline(ctx(event), {
					deadlineId: f.text('deadlineId'),
					internal: f.maybe('internal'),
					time: f.maybe('time'),
					place: f.text('place'),
					link: f.text('link'),
					short: f.text('short'),
					long: f.text('long'),
					linked: f.all('linked'),
					exhibits: f.all('exhibits'),
					version: f.text('version')
				}),
				(v) => v
			)
		),
	invite: (event) =>
		act(event, (f) =>
			answer(
				inviteToDate(ctx(event), {
					deadlineId: f.text('deadlineId'),
					name: f.text('name'),
					email: f.text('email'),
					words: f.text('words')
				}),
				() => ({})
			)
		),
	move: (event) =>
		act(event, (f) =>
			answer(
				moveEvent(ctx(event), {
					eventId: f.text('eventId'),
					to: f.text('to'),
					time: f.maybe('time'),
					service: f.data.has('service') ? f.text('service') : null,
					answers: f.data.has('answers') ? answersOf(f) : null,
					reason: f.text('reason'),
					sourceId: f.maybe('sourceId'),
					version: f.text('version'),
					only: f.data.has('choose') ? f.all('only') : null
				}),
				(v) => v
			)
		),
	decide: (event) =>
		act(event, (f) =>
			answer(
				decideChanges(ctx(event), {
					changeIds: f.all('change'),
					apply: f.text('apply') === '1',
					reason: f.text('reason')
				}),
				(v) => v
			)
		),
	order: (event) =>
		act(event, (f) =>
			answer(layOrder(ctx(event), order(f) as Parameters<typeof layOrder>[1]), (v) => v)
		),
	orderpreview: (event) =>
		act(event, (f) => {
			const me = only(event, 'docket.change');
			const w = theWorld();
			const m = findMatter(w.db, me, { id: f.text('matterId') });
			if (!m) return missing('matter');
			try {
				return { effects: sayEffects(w, me, orderEffects(w, m, readOrder(order(f)))) };
			} catch (e) {
				if (e instanceof Refused) return fail(400, { errors: { [e.field]: e.message } });
				throw e;
			}
		}),
	endorder: (event) =>
		act(event, (f) =>
			answer(
				endOrder(ctx(event), { orderId: f.text('orderId'), reason: f.text('reason') }),
				(v) => v
			)
		),
	book: (event) =>
		act(event, (f) =>
			answer(
				setMatterBook(ctx(event), {
					matterId: f.text('matterId'),
					book: f.text('book'),
					on: f.text('on') === '1'
				}),
				() => ({})
			)
		),
	ladder: (event) =>
		act(event, (f) =>
			answer(
				setLadder(ctx(event), {
					matterId: f.text('matterId'),
					deadlineId: f.maybe('deadlineId'),
					ladder: f.text('ladder')
				}),
				() => ({})
			)
		),
	mute: (event) =>
		act(event, (f) =>
			answer(
				muteMatter(ctx(event), { matterId: f.text('matterId'), mute: f.text('mute') === '1' }),
				() => ({})
			)
		),
	feed: (event) =>
		act(event, (f) =>
			answer(makeFeed(ctx(event), { sort: 'matter', matterId: f.text('matterId') }), (v) => v)
		),
	revoke: (event) =>
		act(event, (f) => answer(revokeFeed(ctx(event), { feedId: f.text('feedId') }), () => ({})))
};
