import { json } from '@sveltejs/kit';
import { may } from '#core/access/table.ts';
import { sayDate } from '#core/dates/plain.ts';
import { parseLine, type Understood } from '#core/penline/parse.ts';
import { sayHours } from '#core/time/minutes.ts';
import { writeNote } from '#server/matters/commands.ts';
import { matterByNumber, search } from '#server/search/queries.ts';
import { deleteTime, logTime } from '#server/time/commands.ts';
import { penCount, penEvent } from '#server/docket/pen.ts';
import { enterEvent } from '#server/docket/commands.ts';
import { ctx, only, theWorld } from '#server/web.ts';

function understand(event: { locals: App.Locals }, line: string, current: string) {
	const me = only(event, 'search.use');
	let u: Understood = parseLine(line.slice(0, 2000), current || null);
	const matter =
		(u.kind === 'time' || u.kind === 'note' || u.kind === 'event') && u.matter
			? (matterByNumber(theWorld(), me, u.matter) ?? null)
			: null;
	if (
		(u.kind === 'time' || u.kind === 'note' || u.kind === 'event') &&
		u.matter &&
		!matter &&
		!u.fault
	)
		u = { ...u, fault: `There is no matter ${u.matter} that you may see.` };
	const w = theWorld();
	if (u.kind === 'event' && !may(me.role, 'docket.enter'))
		u = { ...u, fault: 'Your role does not enter events.' };
	const event_ = u.kind === 'event' && matter && !u.fault ? penEvent(w, matter.id, u.words) : null;
	if (u.kind === 'event' && event_?.fault) u = { ...u, fault: event_.fault };
	return {
		me,
		understood: u,
		matter,
		entry: event_,
		counted: u.kind === 'count' ? penCount(w, u.words) : null
	};
}

/** What the line means, and what it finds. */
export function GET(event) {
	const { me, understood, matter, entry, counted } = understand(
		event,
		event.url.searchParams.get('line') ?? '',
		event.url.searchParams.get('current') ?? ''
	);
	return json({
		understood,
		matter,
		entry,
		counted,
		hits: understood.kind === 'find' ? search(theWorld(), me, understood.words) : []
	});
}

/** Commits a line that changes something; find, go and open are done by the screen. */
export async function POST(event) {
	const body = (await event.request.json().catch(() => ({}))) as {
		line?: unknown;
		current?: unknown;
	};
	const {
		understood: u,
		matter,
		entry
	} = understand(event, String(body.line ?? ''), String(body.current ?? ''));
	if (u.kind !== 'time' && u.kind !== 'note' && u.kind !== 'event')
		return json({ message: 'There is nothing to commit in this line.' }, { status: 400 });
	if (u.fault || !matter) return json({ message: u.fault ?? 'Name a matter.' }, { status: 400 });
	const c = ctx(event);
	if (u.kind === 'event') {
		if (!entry?.event || !entry.date)
			return json({ message: 'Say what happened and when.' }, { status: 400 });
		const r = enterEvent(c, {
			matterId: matter.id,
			eventKey: entry.event,
			date: entry.date,
			service: entry.service ?? '',
			answers: {},
			docket: entry.dates.map((d) => d.rule)
		});
		return r.ok
			? json({
					message: `${entry.text} on ${sayDate(entry.date)}: ${r.value.docketed === 1 ? 'one date' : `${r.value.docketed} dates`} docketed on ${matter.title}.`,
					go: `/matters/${matter.number}/docket`
				})
			: json({ message: Object.values(r.errors)[0] }, { status: r.status });
	}
	if (u.kind === 'note') {
		const r = writeNote(c, { matterId: matter.id, words: u.words });
		return r.ok
			? json({ message: `Noted on ${matter.title}.` })
			: json({ message: Object.values(r.errors)[0] }, { status: r.status });
	}
	const r = logTime(c, {
		matterId: matter.id,
		day: c.clock.today(),
		hours: `${u.minutes}m`,
		narrative: u.words
	});
	return r.ok
		? json({
				message: `${sayHours(u.minutes)} h logged on ${matter.title}.`,
				undo: r.value.entryId
			})
		: json({ message: Object.values(r.errors)[0] }, { status: r.status });
}

/** Takes back an entry just logged. */
export async function DELETE(event) {
	const body = (await event.request.json().catch(() => ({}))) as { entry?: unknown };
	const r = deleteTime(ctx(event), { entryId: String(body.entry ?? '') });
	return r.ok ? json({}) : json({ message: Object.values(r.errors)[0] }, { status: r.status });
}
