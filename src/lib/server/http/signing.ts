/** The actions of the signing page, the same through both doors. */
import type { RequestEvent } from '@sveltejs/kit';
import type { Context } from '#server/app/application.ts';
import { decline, sign } from '#server/signing/commands.ts';
import type { Door } from '#server/signing/door.ts';
import { finishRound } from '#server/signing/finish.ts';
import { action } from './action.ts';
import { readForm } from './form.ts';
import { respond } from './respond.ts';
import { readFormData } from '#server/http/form-data.ts';

/** From where it is signed, for the certificate. */
const whereOf = (event: RequestEvent) => ({
	address: event.getClientAddress(),
	agent: event.request.headers.get('user-agent') ?? ''
});

export function signActions(
	contextFor: (event: RequestEvent) => Context,
	doorOf: (event: RequestEvent) => Door
) {
	const input = (event: RequestEvent) => ({ door: doorOf(event), ...whereOf(event) });
	return {
		async sign(event: RequestEvent) {
			const ctx = contextFor(event);
			const fields = readForm(sign.input, await readFormData(event.request));
			const result = await sign(ctx, { ...fields, ...input(event) });
			// The seal is made at once; should that fail, the job does it.
			if (result.ok && result.value.finished)
				await finishRound(ctx, result.value.roundId).catch(() => undefined);
			return respond(event, result, ({ finished }) => ({ finished }));
		},
		decline: action(decline, { input, context: contextFor })
	};
}
