import { may } from '#core/access/table.ts';
import { store } from '#server/documents/commands.ts';
import { dropDraft, writeRequest } from '#server/requests/commands.ts';
import { myRequests, QUEUE, request, requestQueue } from '#server/requests/queries.ts';
import { answer, ctx, fail, form, only, staff, theWorld } from '#server/web.ts';

export function load(event) {
	const me = staff(event);
	const w = theWorld();
	if (may(me.role, 'request.own')) {
		const draft = event.url.searchParams.get('draft');
		const d = draft ? request(w, me, draft) : undefined;
		return { own: true as const, mine: myRequests(w, me), draft: d?.state === 'draft' ? d : null };
	}
	only(event, 'request.triage');
	const show = event.url.searchParams.get('show');
	const at = show && show in QUEUE ? (show as keyof typeof QUEUE) : 'open';
	return { own: false as const, show: at, queue: requestQueue(w, me, at) };
}
const MOST = 50 * 1024 * 1024;
export const actions = {
	write: async (event) => {
		only(event, 'request.own');
		const f = await form(event);
		const files = f.data
			.getAll('files')
			.filter((x): x is File => x instanceof File && x.name !== '');
		if (files.length > 20)
			return fail(400, { errors: { files: 'At most 20 files with a request.' } });
		if (files.reduce((a, x) => a + x.size, 0) > MOST)
			return fail(400, { errors: { files: 'The files are more than 50 MB together.' } });
		const kept = await Promise.all(
			files.map(async (x) => store(theWorld(), x.name, Buffer.from(await x.arrayBuffer())))
		);
		return answer(
			writeRequest(ctx(event), {
				requestId: f.maybe('requestId'),
				send: f.text('send') === '1',
				about: f.text('about'),
				words: f.text('words'),
				unitId: f.maybe('unitId'),
				counterparty: f.text('counterparty'),
				urgency: (f.text('urgency') || 'normal') as 'normal',
				wantedBy: f.maybe('wantedBy'),
				files: kept
			}),
			(r) => r
		);
	},
	drop: async (event) => {
		const f = await form(event);
		return answer(dropDraft(ctx(event), { requestId: f.text('requestId') }), () => ({}));
	}
};
