import { json } from '@sveltejs/kit';
import { parseLine, type Understood } from '#core/penline/parse.ts';
import { sayHours } from '#core/time/minutes.ts';
import { writeNote } from '#server/matters/commands.ts';
import { matterByNumber, search } from '#server/search/queries.ts';
import { deleteTime, logTime } from '#server/time/commands.ts';
import { ctx, only, theWorld } from '#server/web.ts';

function understand(event: { locals: App.Locals }, line: string, current: string) {
	const me = only(event, 'search.use');
	let u: Understood = parseLine(line.slice(0, 2000), current || null);
	const matter = (u.kind === 'time' || u.kind === 'note') && u.matter ? (matterByNumber(theWorld(), me, u.matter) ?? null) : null;
	if ((u.kind === 'time' || u.kind === 'note') && u.matter && !matter && !u.fault) u = { ...u, fault: `There is no matter ${u.matter} that you may see.` };
	return { me, understood: u, matter };
}

/** What the line means, and what it finds. */
export function GET(event) {
	const { me, understood, matter } = understand(event, event.url.searchParams.get('line') ?? '', event.url.searchParams.get('current') ?? '');
	return json({ understood, matter, hits: understood.kind === 'find' ? search(theWorld(), me, understood.words) : [] });
}

/** Commits a line that changes something; find, go and open are done by the screen. */
export async function POST(event) {
	const body = (await event.request.json().catch(() => ({}))) as { line?: unknown; current?: unknown };
	const { understood: u, matter } = understand(event, String(body.line ?? ''), String(body.current ?? ''));
	if (u.kind !== 'time' && u.kind !== 'note') return json({ message: 'There is nothing to commit in this line.' }, { status: 400 });
	if (u.fault || !matter) return json({ message: u.fault ?? 'Name a matter.' }, { status: 400 });
	const c = ctx(event);
	if (u.kind === 'note') {
		const r = writeNote(c, { matterId: matter.id, words: u.words });
		return r.ok ? json({ message: `Noted on ${matter.title}.` }) : json({ message: Object.values(r.errors)[0] }, { status: r.status });
	}
	const r = logTime(c, { matterId: matter.id, day: c.clock.today(), hours: `${u.minutes}m`, narrative: u.words });
	return r.ok ? json({ message: `${sayHours(u.minutes)} h logged on ${matter.title}.`, undo: r.value.entryId }) : json({ message: Object.values(r.errors)[0] }, { status: r.status });
}

/** Takes back an entry just logged. */
export async function DELETE(event) {
	const body = (await event.request.json().catch(() => ({}))) as { entry?: unknown };
	const r = deleteTime(ctx(event), { entryId: String(body.entry ?? '') });
	return r.ok ? json({}) : json({ message: Object.values(r.errors)[0] }, { status: r.status });
}
