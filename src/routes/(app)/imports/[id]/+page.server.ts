import { Refused } from '#server/command.ts';
import { FIELDS } from '#server/imports/plan.ts';
import { finishImport, remap, workOf } from '#server/imports/work.ts';
import { answer, ctx, fail, form, missing, only, theWorld } from '#server/web.ts';

const SHOWN = 400;
export function load(event) {
	const me = only(event, 'import.run');
	const w = workOf(me, event.params.id);
	if (!w) return missing('import');
	// Faults first: they are what must be mended.
	const order = { fault: 0, known: 1, new: 2 };
	const rows = w.plan
		? [...w.plan.rows].sort((a, b) => order[a.fate] - order[b.fate] || a.n - b.n)
		: [];
	return {
		work: {
			id: w.id,
			what: w.what,
			fileName: w.fileName,
			state: w.state,
			done: w.done,
			total: w.total,
			fault: w.fault,
			mapping: w.mapping,
			head: w.table?.head ?? [],
			batchId: w.batchId
		},
		fields: FIELDS[w.what].map((f) => ({ key: f.key, name: f.name, needed: f.needed === true })),
		plan: w.plan
			? {
					made: w.plan.made,
					known: w.plan.known,
					faults: w.plan.faults,
					rows: rows.slice(0, SHOWN).map(({ n, fate, say, what }) => ({ n, fate, say, what })),
					more: Math.max(0, rows.length - SHOWN)
				}
			: null
	};
}
export const actions = {
	map: async (event) => {
		const me = only(event, 'import.run');
		const w = workOf(me, event.params.id);
		if (!w) return missing('import');
		const f = await form(event);
		void remap(
			theWorld(),
			me,
			w,
			Object.fromEntries(
				FIELDS[w.what].flatMap((x) => (f.text(x.key) ? [[x.key, f.text(x.key)]] : []))
			)
		);
		return {};
	},
	finish: async (event) => {
		const w = workOf(only(event, 'import.run'), event.params.id);
		if (!w) return missing('import');
		try {
			return answer(finishImport(ctx(event), w), (r) => r);
		} catch (e) {
			if (e instanceof Refused) return fail(400, { errors: { '': e.message } });
			throw e;
		}
	}
};
