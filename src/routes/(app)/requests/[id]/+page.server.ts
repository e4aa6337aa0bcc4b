import { may } from '#core/access/table.ts';
import { store } from '#server/documents/commands.ts';
import {
	answerRequest,
	askBack,
	mergeRequest,
	takeRequest,
	turnDown,
	withdrawRequest
} from '#server/requests/commands.ts';
import { request } from '#server/requests/queries.ts';
import { answer, ctx, form, missing, staff, theWorld } from '#server/web.ts';

export function load(event) {
	const me = staff(event);
	const r = request(theWorld(), me, event.params.id);
	if (!r) return missing('request');
	return { request: r, triage: may(me.role, 'request.triage') };
}
export const actions = {
	take: async (event) =>
		answer(takeRequest(ctx(event), { requestId: event.params.id }), () => ({})),
	ask: async (event) => {
		const f = await form(event);
		return answer(
			askBack(ctx(event), { requestId: event.params.id, words: f.text('words') }),
			() => ({})
		);
	},
	down: async (event) => {
		const f = await form(event);
		return answer(
			turnDown(ctx(event), { requestId: event.params.id, reason: f.text('reason') }),
			() => ({})
		);
	},
	merge: async (event) => {
		const f = await form(event);
		return answer(
			mergeRequest(ctx(event), { requestId: event.params.id, number: f.text('number') }),
			(m) => m
		);
	},
	withdraw: async (event) => {
		const f = await form(event);
		return answer(
			withdrawRequest(ctx(event), { requestId: event.params.id, reason: f.text('reason') }),
			() => ({})
		);
	},
	answer: async (event) => {
		const f = await form(event);
		const files = f.data
			.getAll('files')
			.filter((x): x is File => x instanceof File && x.name !== '')
			.slice(0, 21);
		if (!request(theWorld(), staff(event), event.params.id)) return missing('request');
		const kept = await Promise.all(
			files.map(async (x) => store(theWorld(), x.name, Buffer.from(await x.arrayBuffer())))
		);
		return answer(
			answerRequest(ctx(event), {
				requestId: event.params.id,
				words: f.text('words'),
				files: kept
			}),
			() => ({})
		);
	}
};
