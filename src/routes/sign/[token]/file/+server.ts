import { error } from '@sveltejs/kit';
import { signingView } from '#server/signing/commands.ts';
import { fileResponse } from '#server/download.ts';
import { theWorld } from '#server/web.ts';

export function GET({ params }) {
	const view = signingView({ ...theWorld(), actor: { guest: 'signer' } }, { token: params.token });
	if (!view || view.state !== 'waiting' || view.round !== 'with signers')
		error(404, 'This link does not exist or is used.');
	return fileResponse(theWorld().files.get(view.sha256), 'application/pdf', 'document.pdf', false);
}
