/** A file that is being imported: its columns, what each row would make, the faults first. */
import { FIELDS, type Mapping } from '#server/imports/fields.ts';
import type { JudgedRow, Plan } from '#server/imports/judge.ts';
import { findWork, finishWork, remap } from '#server/imports/works.ts';
import { contextOf, notThere, requireAction } from '#server/http/request.ts';
import { respond } from '#server/http/respond.ts';
import { readFormData } from '#server/http/form-data.ts';

const SHOWN = 400;
const ORDER: Readonly<Record<JudgedRow['fate'], number>> = { fault: 0, known: 1, new: 2 };

export function load(event) {
	const work = findWork(requireAction(event, 'import.run'), event.params.id);
	if (!work) return notThere('import');
	return {
		work: {
			id: work.id,
			what: work.what,
			fileName: work.fileName,
			state: work.state,
			done: work.done,
			total: work.total,
			fault: work.fault,
			mapping: work.mapping,
			head: work.table?.head ?? [],
			batchId: work.batchId
		},
		fields: FIELDS[work.what].map(({ key, name, needed }) => ({
			key,
			name,
			needed: needed === true
		})),
		plan: work.plan && viewPlan(work.plan)
	};
}

function viewPlan({ rows, made, known, faults }: Plan) {
	const sorted = [...rows].sort((a, b) => ORDER[a.fate] - ORDER[b.fate] || a.n - b.n);
	return {
		made,
		known,
		faults,
		rows: sorted.slice(0, SHOWN).map(({ n, fate, why, what }) => ({ n, fate, why, what })),
		more: Math.max(0, rows.length - SHOWN)
	};
}

export const actions = {
	map: async (event) => {
		const work = findWork(requireAction(event, 'import.run'), event.params.id);
		if (!work) return notThere('import');
		const data = await readFormData(event.request);
		const mapping: Mapping = {};
		for (const { key } of FIELDS[work.what]) {
			const column = data.get(key);
			if (typeof column === 'string' && column !== '') mapping[key] = column;
		}
		remap(contextOf(event), work, mapping);
		return {};
	},
	finish: async (event) => {
		const work = findWork(requireAction(event, 'import.run'), event.params.id);
		if (!work) return notThere('import');
		return respond(event, await finishWork(contextOf(event), work), (imported) => imported);
	}
};
