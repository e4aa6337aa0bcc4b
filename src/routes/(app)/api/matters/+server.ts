/** Matters that match what is typed into a field. */
import { json } from '@sveltejs/kit';
import { requireAction } from '#server/http/request.ts';
import { listMatters } from '#server/matters/list.ts';

const SHOWN = 10;

export function GET(event) {
	const me = requireAction(event, 'matter.read');
	const q = event.url.searchParams.get('q')?.trim().slice(0, 200) ?? '';
	if (q === '') return json([]);
	const filter = { who: 'all', q, cols: ['number'] } as const;
	const { rows } = listMatters(event.locals.app, me, { ...filter, cols: ['number'] }, SHOWN);
	return json(rows.map(({ id, number, title, status }) => ({ id, number, title, status })));
}
