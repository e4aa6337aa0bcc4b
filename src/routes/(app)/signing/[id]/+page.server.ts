/** A document to sign, of a colleague who is signed in. */
import { notThere, contextOf } from '#server/http/request.ts';
import { signActions } from '#server/http/signing.ts';
import { CONSENT, openSigning } from '#server/signing/commands.ts';
import { findSigning } from '#server/signing/door.ts';

export function load(event) {
	const door = { signerId: event.params.id };
	const ctx = contextOf(event);
	const view = findSigning(ctx, door);
	if (!view) return notThere('document to sign');
	if (view.state === 'waiting' && view.round === 'with signers') openSigning(ctx, { door });
	return { view, consent: CONSENT };
}

export const actions = signActions(contextOf, ({ params }) => ({ signerId: params.id ?? '' }));
