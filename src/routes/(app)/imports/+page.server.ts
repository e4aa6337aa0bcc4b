import { batches, undoImport, WHATS } from '#server/imports/commands.ts';
import type { What } from '#server/imports/plan.ts';
import { beginImport, worksOf } from '#server/imports/work.ts';
import { answer, ctx, fail, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'import.run');
	return {
		whats: WHATS,
		batches: batches(theWorld(), me),
		works: worksOf(me).map((x) => ({
			id: x.id,
			what: x.what,
			fileName: x.fileName,
			state: x.state,
			done: x.done,
			total: x.total
		}))
	};
}
export const actions = {
	begin: async (event) => {
		const me = only(event, 'import.run');
		const f = await form(event);
		const file = f.file('file');
		if (!(WHATS as readonly string[]).includes(f.text('what')))
			return fail(400, { errors: { what: 'Choose what to import.' } });
		if (!file) return fail(400, { errors: { file: 'Choose a file.' } });
		if (file.size > 30 * 1024 * 1024)
			return fail(400, { errors: { file: 'That is too large: at most 30 MB.' } });
		return {
			work: beginImport(
				theWorld(),
				me,
				f.text('what') as What,
				file.name,
				Buffer.from(await file.arrayBuffer())
			)
		};
	},
	undo: async (event) => {
		const f = await form(event);
		return answer(undoImport(ctx(event), { batchId: f.text('batchId') }), (r) => r);
	}
};
