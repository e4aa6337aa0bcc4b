import { needsTime } from '#core/docket/book.ts';
import { serviceKinds } from '#core/docket/method.ts';
import { checkDeadline, docketDeadline, enterEvent, meetDeadline, moveEvent, vacateDeadline } from '#server/docket/commands.ts';
import { rulebook } from '#server/docket/books.ts';
import { matterCounts, matterDocket } from '#server/docket/queries.ts';
import { matterTasks } from '#server/agenda/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	const me = only(event, 'docket.read');
	const { caption } = await event.parent();
	const w = theWorld();
	const book = caption.rulebook ? rulebook(caption.rulebook) : null;
	return {
		events: matterDocket(w, me, caption.id), counts: matterCounts(w, caption.id), open: event.url.searchParams.get('count') ?? '',
		tasks: matterTasks(w, me, caption.id).filter((t) => t.state === 'open' && t.hangs).length,
		choices: book ? [...book.events.values()].filter((e) => e.rules.length).map((e) => ({ id: e.id, text: e.text.charAt(0).toUpperCase() + e.text.slice(1), served: e.served, ahead: e.ahead, timed: needsTime(e), questions: e.questions })) : [],
		services: book ? serviceKinds(book.method) : []
	};
}

const simple = async (event: Parameters<typeof form>[0]) => ({ c: ctx(event), f: await form(event) });
export const actions = {
	enter: async (event) => {
		const { c, f } = await simple(event);
		const answers = Object.fromEntries([...f.data.entries()].filter(([k, v]) => k.startsWith('answer-') && typeof v === 'string' && v !== '').map(([k, v]) => [k.slice(7), String(v)]));
		return answer(enterEvent(c, { matterId: f.text('matterId'), eventKey: f.text('eventKey'), date: f.text('date'), time: f.text('time'), service: f.text('service'), name: f.text('name'), sure: f.text('sure'), answers, docket: f.all('docket') }), (v) => ({ docketed: v.docketed }));
	},
	docket: async (event) => { const { c, f } = await simple(event); return answer(docketDeadline(c, { deadlineId: f.text('deadlineId') }), () => ({})); },
	check: async (event) => { const { c, f } = await simple(event); return answer(checkDeadline(c, { deadlineId: f.text('deadlineId') }), () => ({})); },
	meet: async (event) => { const { c, f } = await simple(event); return answer(meetDeadline(c, { deadlineId: f.text('deadlineId'), on: f.text('on'), proof: f.text('proof') }), () => ({})); },
	vacate: async (event) => { const { c, f } = await simple(event); return answer(vacateDeadline(c, { deadlineId: f.text('deadlineId'), reason: f.text('reason') }), () => ({})); },
	move: async (event) => { const { c, f } = await simple(event); return answer(moveEvent(c, { eventId: f.text('eventId'), to: f.text('to'), reason: f.text('reason'), version: f.text('version'), only: f.data.has('choose') ? f.all('only') : null }), (v) => v); }
};
