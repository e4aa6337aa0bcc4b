import { CONSENT, openSigning, signingView } from '#server/signing/commands.ts';
import { declineAction, signAction } from '#server/signpage.ts';
import { ctx, missing } from '#server/web.ts';

export function load(event) {
	const door = { signerId: event.params.id };
	const c = ctx(event);
	const view = signingView(c, door);
	if (!view) return missing('document to sign');
	if (view.state === 'waiting' && view.round === 'with signers') openSigning(c, { door });
	return { view, consent: CONSENT };
}
export const actions = {
	sign: (event) => signAction(event, ctx(event), { signerId: event.params.id }),
	decline: (event) => declineAction(event, ctx(event), { signerId: event.params.id })
};
