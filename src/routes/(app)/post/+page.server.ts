import { postRoom } from '#server/outside/mail.ts';
import { only, theWorld } from '#server/web.ts';

export function load(event) {
	only(event, 'post.read');
	const p = event.url.searchParams;
	const w = theWorld();
	return { ...postRoom(w, { q: p.get('q') ?? '', page: Math.max(1, Number(p.get('page')) || 1) }), q: p.get('q') ?? '', waiting: w.db.prepare<[], { n: number }>('SELECT count(*) AS n FROM mail_out WHERE sent_at IS NULL').get()!.n };
}
