import { postRoom } from '#server/outside/mail.ts';
import { only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'post.read');
	const p = event.url.searchParams;
	return {
		...postRoom(theWorld(), me, {
			q: p.get('q') ?? '',
			page: Math.max(1, Number(p.get('page')) || 1)
		}),
		q: p.get('q') ?? ''
	};
}
