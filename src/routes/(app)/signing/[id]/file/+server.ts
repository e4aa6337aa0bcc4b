import { signingView } from '#server/signing/commands.ts';
import { fileResponse } from '#server/download.ts';
import { ctx, missing, theWorld } from '#server/web.ts';

export function GET(event) {
	const view = signingView(ctx(event), { signerId: event.params.id });
	if (!view) return missing('document to sign');
	return fileResponse(theWorld().files.get(view.sha256), 'application/pdf', 'document.pdf', false);
}
