/** A file that is being imported: its columns, what each row would make, the faults first. */
import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import type { JudgedRow, Plan } from '#server/imports/judge.ts';
import { listWanted } from '#server/imports/index-files.ts';
import { DECISIONS } from '#server/imports/verdict.ts';
import type { Mapping } from '#server/imports/mapping.ts';
import {
	decide,
	dropWork,
	fieldsOf,
	findWork,
	finishWork,
	giveFile,
	lookAgain,
	mend,
	remap
} from '#server/imports/works.ts';
import { contextOf, notThere, requireAction } from '#server/http/request.ts';
import { respond } from '#server/http/respond.ts';
import { readFormData } from '#server/http/form-data.ts';
import type { RequestEvent } from './$types.js';

const SHOWN = 400;
/** Rows with a fault have fields: not so many at once. */
const FAULTS_SHOWN = 60;
const ORDER: Readonly<Record<JudgedRow['fate'], number>> = { fault: 0, known: 1, new: 2 };

export function load(event) {
	const work = findWork(requireAction(event, 'import.run'), event.params.id);
	if (!work) return notThere('import');
	const fields = fieldsOf(event.locals.app, work);
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
			batchId: work.batchId,
			wanted: listWanted(work),
			given: work.files.size
		},
		fields: fields.map(({ key, name, needed }) => ({ key, name, needed: needed === true })),
		plan: work.plan && viewPlan(work.plan)
	};
}

function viewPlan({ rows, made, known, faults }: Plan) {
	const sorted = [...rows].sort((a, b) => ORDER[a.fate] - ORDER[b.fate] || a.n - b.n);
	const others = sorted.filter(({ fate }) => fate !== 'fault');
	const wrong = sorted.filter(
		(row) => row.fate === 'fault' && row.faults.some(({ awaited }) => !awaited)
	);
	return {
		made,
		known,
		faults,
		wrong: wrong.slice(0, FAULTS_SHOWN).map(({ n, what, values, faults: list }) => ({
			n,
			what,
			faults: list.map(({ key, text }) => ({ key, text, value: values[key] ?? '' }))
		})),
		toMend: wrong.length,
		moreWrong: Math.max(0, wrong.length - FAULTS_SHOWN),
		rows: others
			.slice(0, SHOWN)
			.map(({ n, fate, why, what, namesake, out }) => ({ n, fate, why, what, namesake, out })),
		more: Math.max(0, others.length - SHOWN)
	};
}

const rowInput = z.object({ n: z.coerce.number().int().min(1).max(1_000_000) });
const decideInput = rowInput.extend({ decision: z.enum([...DECISIONS, '']) });
const VALUE_LIMIT = 4000;

/** The file under way that a form is about, and what the form says. */
async function readForm(event: RequestEvent) {
	const work = findWork(requireAction(event, 'import.run'), event.params.id);
	if (!work) return notThere('import');
	const data = await readFormData(event.request);
	const texts = [...data.entries()].flatMap(([name, value]) =>
		typeof value === 'string' ? [[name, value.slice(0, VALUE_LIMIT)] as const] : []
	);
	return { work, ctx: contextOf(event), texts: Object.fromEntries(texts) };
}

export const actions = {
	map: async (event) => {
		const { work, ctx, texts } = await readForm(event);
		const mapping: Mapping = {};
		for (const { key } of fieldsOf(ctx, work)) if (texts[key]) mapping[key] = texts[key];
		remap(ctx, work, mapping);
		return {};
	},
	mend: async (event) => {
		const { work, ctx, texts } = await readForm(event);
		const row = rowInput.safeParse(texts);
		if (!row.success) return notThere('row');
		const { n: _, ...values } = texts;
		mend(ctx, work, row.data.n, values);
		return {};
	},
	decide: async (event) => {
		const { work, ctx, texts } = await readForm(event);
		const said = decideInput.safeParse(texts);
		if (!said.success) return notThere('row');
		decide(ctx, work, said.data.n, said.data.decision || null);
		return {};
	},
	file: async (event) => {
		const work = findWork(requireAction(event, 'import.run'), event.params.id);
		if (!work) return notThere('import');
		const data = await readFormData(event.request);
		const [file, path] = [data.get('file'), data.get('path')];
		if (!(file instanceof File) || typeof path !== 'string')
			return fail(400, { errors: { file: 'Choose a file.' } });
		return respond(event, await giveFile(contextOf(event), work, path, file), () => ({}));
	},
	look: async (event) => {
		const { work, ctx } = await readForm(event);
		lookAgain(ctx, work);
		return {};
	},
	drop: async (event) => {
		const { work } = await readForm(event);
		dropWork(work);
		return {};
	},
	finish: async (event) => {
		const work = findWork(requireAction(event, 'import.run'), event.params.id);
		if (!work) return notThere('import');
		return respond(event, await finishWork(contextOf(event), work), (imported) => imported);
	}
};
