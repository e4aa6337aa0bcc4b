/** The actions of the signing page, the same through both doors. */
import { fail, type RequestEvent } from '@sveltejs/kit';
import type { Ctx } from './command.ts';
import { decline, finishRound, sign, type Door } from './signing/commands.ts';
import { answer, form } from './web.ts';

const from = (event: RequestEvent) => ({
	address: event.getClientAddress(),
	agent: event.request.headers.get('user-agent') ?? ''
});

export async function signAction(event: RequestEvent, ctx: Ctx, door: Door) {
	const f = await form(event);
	const values = f.json('values');
	if (typeof values !== 'object' || values === null)
		return fail(400, { errors: { '': 'The fields could not be read. Reload the page.' } });
	const r = sign(ctx, {
		door,
		values: values as Record<string, string>,
		consent: f.text('consent'),
		...from(event)
	});
	// The seal is made at once; should that fail, the job does it.
	if (r.ok && r.value.finished) await finishRound(ctx, r.value.roundId).catch(() => undefined);
	return answer(r, (v) => ({ finished: v.finished }));
}
export async function declineAction(event: RequestEvent, ctx: Ctx, door: Door) {
	const f = await form(event);
	return answer(decline(ctx, { door, reason: f.text('reason'), ...from(event) }), () => ({}));
}
