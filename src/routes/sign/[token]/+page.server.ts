import { CONSENT, openSigning, signingView } from '#server/signing/commands.ts';
import { declineAction, signAction } from '#server/signpage.ts';
import type { Ctx } from '#server/command.ts';
import { departmentName } from '#server/house.ts';
import { theWorld } from '#server/web.ts';
import { error } from '@sveltejs/kit';

const guest = (): Ctx => ({ ...theWorld(), actor: { guest: 'signer' } });

export function load({ params, setHeaders }) {
	setHeaders({ 'x-robots-tag': 'noindex' });
	const c = guest();
	const door = { token: params.token };
	const view = signingView(c, door);
	if (!view)
		error(
			404,
			'This link does not exist. Check that the address in the mail was copied whole, or ask the sender for a new one.'
		);
	const dead = view.state !== 'waiting' || view.round !== 'with signers';
	if (!dead) openSigning(c, { door });
	const w = theWorld();
	// Of an ended round the link tells no more than how it ended.
	const shown = dead ? { ...view, fields: [], message: '', sha256: '', documentName: '' } : view;
	return {
		view: shown,
		dead,
		token: params.token,
		consent: CONSENT,
		today: w.clock.today(),
		zone: w.clock.zone,
		department: departmentName(w)
	};
}
export const actions = {
	sign: (event) => signAction(event, guest(), { token: event.params.token }),
	decline: (event) => declineAction(event, guest(), { token: event.params.token })
};
