/** A document to sign, of somebody outside, by a secret link. */
import { error } from '@sveltejs/kit';
import { departmentName } from '#server/app/department.ts';
import { guestContext } from '#server/http/request.ts';
import { signActions } from '#server/http/signing.ts';
import { CONSENT, openSigning } from '#server/signing/commands.ts';
import { findSigning } from '#server/signing/door.ts';

export function load(event) {
	const { params, locals } = event;
	event.setHeaders({ 'x-robots-tag': 'noindex' });
	const ctx = guestContext(event);
	const door = { token: params.token };
	const view = findSigning(ctx, door);
	if (!view)
		error(
			404,
			'This link does not exist. Check that the address in the mail was copied whole, or ask the sender for a new one.'
		);
	const dead = view.state !== 'waiting' || view.round !== 'with signers';
	if (!dead) openSigning(ctx, { door });
	// Of an ended round the link tells no more than how it ended.
	const shown = dead ? { ...view, fields: [], message: '', sha256: '', documentName: '' } : view;
	return {
		view: shown,
		dead,
		token: params.token,
		consent: CONSENT,
		today: locals.app.clock.today(),
		zone: locals.app.clock.zone,
		department: departmentName(locals.app)
	};
}

export const actions = signActions(guestContext, ({ params }) => ({ token: params.token ?? '' }));
