import { redirect } from '@sveltejs/kit';
import { document } from '#server/documents/queries.ts';
import { everyone } from '#server/house.ts';
import { startRound } from '#server/signing/commands.ts';
import { peopleOf } from '#server/people/queries.ts';
import { answer, ctx, fail, form, missing, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'sign.request');
	const w = theWorld();
	const d = document(w, me, event.params.id);
	if (!d || d.mediaType !== 'application/pdf') return missing('document');
	return {
		doc: d,
		self: event.url.searchParams.has('self'),
		myEmail: me.email,
		colleagues: everyone(w),
		outside: peopleOf(w, d.matterId)
			.filter((p) => p.email)
			.map((p) => ({ name: p.name, email: p.email }))
	};
}

type Signer = { name: string; email: string; staffId?: string | null };
type Field = {
	signer: number;
	kind: 'signature';
	page: number;
	x: number;
	y: number;
	w: number;
	h: number;
	label: string;
};
export const actions = {
	send: async (event) => {
		const f = await form(event);
		const signers = f.json('signers'),
			fields = f.json('fields');
		if (!Array.isArray(signers) || !Array.isArray(fields))
			return fail(400, { errors: { '': 'The signers could not be read. Reload the page.' } });
		const r = startRound(ctx(event), {
			documentId: event.params.id!,
			title: f.text('title'),
			message: f.text('message'),
			inOrder: f.text('inOrder'),
			wantedBy: f.maybe('wantedBy'),
			expires: f.maybe('expires'),
			signers: signers as Signer[],
			fields: fields as Field[]
		});
		if (r.ok && f.text('self') === '1') redirect(303, `/signing/${r.value.signerIds[0]}`);
		return answer(r, () => ({}));
	}
};
