import { json } from '@sveltejs/kit';
import { matterList } from '#server/matters/queries.ts';
import { only, theWorld } from '#server/web.ts';

export const GET = (event) => {
	const me = only(event, 'matter.read');
	const q = event.url.searchParams.get('q')?.slice(0, 200) ?? '';
	return json(
		q.trim() === ''
			? []
			: matterList(theWorld(), me, { who: 'all', q, cols: ['number'] }, 10).rows.map((m) => ({
					number: m.number,
					title: m.title,
					status: m.status
				}))
	);
};
