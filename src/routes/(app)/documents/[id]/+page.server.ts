import mammoth from 'mammoth';
import { DOCX } from '#server/documents/media.ts';
import { document, versions } from '#server/documents/queries.ts';
import { withdrawRound } from '#server/signing/commands.ts';
import { roundsOf } from '#server/signing/queries.ts';
import { answer, ctx, form, missing, only, theWorld } from '#server/web.ts';

export async function load(event) {
	const me = only(event, 'document.read');
	const w = theWorld();
	const d = document(w, me, event.params.id);
	if (!d) return missing('document');
	const all = versions(w, d.id);
	const wanted = Number(event.url.searchParams.get('version')) || d.version;
	const v = all.find((x) => x.n === wanted) ?? all[0]!;
	let text: string[] | null = null;
	if (v.mediaType === DOCX)
		text = (await mammoth.extractRawText({ buffer: w.files.get(v.sha256) })).value.split(/\n{2,}/);
	else if (v.mediaType === 'text/plain')
		text = [w.files.get(v.sha256).toString('utf8').slice(0, 200_000)];
	return { doc: d, versions: all, shown: v, text, rounds: roundsOf(w, d.id) };
}
export const actions = {
	withdraw: async (event) => {
		const f = await form(event);
		return answer(withdrawRound(ctx(event), { roundId: f.text('roundId') }), () => ({}));
	}
};
