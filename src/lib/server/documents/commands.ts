import { z } from 'zod';
import type { MergeObject } from '#core/assembly/merge.ts';
import { missing } from '#core/assembly/merge.ts';
import { date as plain, daysBetween } from '#core/dates/plain.ts';
import { dayAt } from '#core/dates/zone.ts';
import { sayHours } from '#core/time/minutes.ts';
import {
	command,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Scribe,
	type Staff,
	type World
} from '../command.ts';
import { id, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { factsOf, sayFacts } from '../matters/facts.ts';
import { kindOf } from '../matters/kinds.ts';
import { peopleOf } from '../people/queries.ts';
import { findMatter, theMatter, type MatterRow } from '../trust/scope.ts';
import { fill, tagsOf } from './assemble.ts';
import { mediaType, textOf } from './media.ts';
import { docxToPdf } from './pdf.ts';

/** The folders of a matter: those of its kind, and any that hold something already. */
export const foldersOf = (w: Pick<World, 'db'>, m: { id: string; kind: string }): string[] => [
	...new Set([
		...kindOf(w, m.kind).folders,
		'Correspondence',
		...w.db
			.prepare<[string], { folder: string }>(
				'SELECT DISTINCT folder FROM document WHERE matter_id = ? ORDER BY folder'
			)
			.all(m.id)
			.map((d) => d.folder)
	])
];

/** A file ready to be filed: stored by its hash, its type and text known. */
export type Stored = { sha256: string; type: string; fileName: string; size: number; text: string };
/** Stores a file's bytes. They are harmless until a command names them. */
export async function store(w: World, fileName: string, data: Buffer): Promise<Stored> {
	const name = fileName.replace(/[\u0000-\u001f/\\]/g, '').slice(-150) || 'file';
	const type = mediaType(name, data);
	return {
		sha256: w.files.put(data),
		type,
		fileName: name,
		size: data.length,
		text: await textOf(type, data)
	};
}

const storedSchema = z.object({
	sha256: z.string().length(64),
	type: z.string(),
	fileName: z.string().max(200),
	size: z.int(),
	text: z.string()
});

/** Files a document into a matter, inside another command's transaction. */
export function fileDocument(
	ctx: Ctx,
	m: Pick<MatterRow, 'id' | 'number'>,
	d: { name: string; folder: string; mark: string; file: Stored; why: string },
	by?: string
): { documentId: string; number: string } {
	const documentId = newId('doc');
	const n = ctx.db
		.prepare<[string], { n: number }>('SELECT count(*) + 1 AS n FROM document WHERE matter_id = ?')
		.get(m.id)!.n;
	const number = `${m.number}-D${String(n).padStart(3, '0')}`;
	const author = by ?? staffOf(ctx).id;
	ctx.db
		.prepare(
			'INSERT INTO document (id, number, matter_id, name, folder, mark, created_by, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)'
		)
		.run(documentId, number, m.id, d.name, d.folder, d.mark, author, ctx.clock.now());
	addVersionRow(ctx, documentId, d.file, d.why, author);
	return { documentId, number };
}

/** Adds a version inside another command's transaction; its number. */
export function addVersionRow(
	ctx: Ctx,
	documentId: string,
	file: Stored,
	why: string,
	by: string
): number {
	const n = ctx.db
		.prepare<[string], { n: number }>(
			'SELECT coalesce(max(n), 0) + 1 AS n FROM document_version WHERE document_id = ?'
		)
		.get(documentId)!.n;
	ctx.db
		.prepare(
			'INSERT INTO document_version (document_id, n, sha256, media_type, file_name, size, why, created_by, created_at, text) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)'
		)
		.run(
			documentId,
			n,
			file.sha256,
			file.type,
			file.fileName,
			file.size,
			why,
			by,
			ctx.clock.now(),
			file.text
		);
	return n;
}

export const uploadDocument = command({
	name: 'upload document',
	action: 'document.edit',
	input: z.object({
		matterId: id('a matter'),
		name: text('The name', 200),
		folder: text('The folder', 60),
		mark: z.enum(['', 'privileged', 'confidential']),
		file: storedSchema
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (!foldersOf(ctx, m).includes(i.folder)) throw new Refused('Choose a folder.', 'folder');
		const d = fileDocument(ctx, m, {
			name: i.name,
			folder: i.folder,
			mark: i.mark,
			file: i.file,
			why: 'uploaded'
		});
		scribe.matter(m.id);
		scribe.note({ document: d.documentId, sha256: i.file.sha256 });
		scribe.log(
			m.id,
			'document',
			`${i.name} filed in ${i.folder} as ${d.number}.`,
			`/documents/${d.documentId}`
		);
		return d;
	}
});

export const templates = (w: World) =>
	w.db
		.prepare<[], { id: string; name: string; description: string }>(
			'SELECT id, name, description FROM template ORDER BY name'
		)
		.all();
function templateFile(w: World, templateId: string): { name: string; docx: Buffer } {
	const t = w.db
		.prepare<[string], { name: string; sha256: string }>(
			'SELECT name, sha256 FROM template WHERE id = ?'
		)
		.get(templateId);
	if (!t) throw new Refused('Choose a template.', 'templateId');
	return { name: t.name, docx: w.files.get(t.sha256) };
}

/** Everything a template may ask of a matter. Empty values count as missing. */
export function mergeData(w: World, m: MatterRow, me: Staff): MergeObject {
	const lawyer = w.db
		.prepare<[string], { name: string; email: string }>(
			'SELECT name, email FROM staff WHERE id = ?'
		)
		.get(m.responsible_id)!;
	const unit = w.db
		.prepare<[string], { name: string }>('SELECT name FROM business_unit WHERE id = ?')
		.get(m.unit_id)!;
	const people = peopleOf(w, m.id);
	const kind = kindOf(w, m.kind);
	const opponents = people.filter(
		(p) => p.role === kind.roles[0]?.role || ['opponent', 'counterparty', 'agency'].includes(p.role)
	);
	// Every fact of the kind is a field, under its name: matter.caseNumber.
	const facts = Object.fromEntries(
		sayFacts(w, kind, factsOf(w, m.id)).facts.map((f) => [
			f.key.replace(/-(\w)/g, (_, c: string) => c.toUpperCase()),
			f.type === 'date' || f.type === 'money' ? f.value : f.said
		])
	);
	const dates = w.db
		.prepare<[string], { title: string; date: string; authority: string }>(
			"SELECT title, date, authority FROM deadline WHERE matter_id = ? AND state = 'docketed' ORDER BY date"
		)
		.all(m.id);
	return {
		today: w.clock.today(),
		matter: {
			court: '',
			caseNumber: '',
			judge: '',
			...facts,
			number: m.number,
			title: m.title,
			kind: kind.name,
			openedOn: m.opened_on,
			...derivedFields(w, m)
		},
		lawyer,
		author: { name: me.name, email: me.email },
		unit: unit.name,
		opponent: { name: opponents[0]?.name ?? '' },
		parties: people.map((p) => ({ name: p.name, role: p.role })),
		dates: dates.map((d) => ({ ...d })),
		hasDates: dates.length > 0,
		litigation: m.kind === 'litigation' || m.kind === 'employment'
	};
}

/** What is derived of a matter, as fields: matter.nextHearing, matter.daysToTrial, matter.hours, matter.cost. */
function derivedFields(w: World, m: MatterRow): MergeObject {
	const today = w.clock.today();
	const one = (sql: string, ...p: unknown[]) =>
		w.db.prepare<unknown[], { v: string | number | null }>(sql).get(m.id, ...p)!.v;
	const trial = one(
		"SELECT min(date) AS v FROM event WHERE matter_id = ? AND ahead = 'trial' AND date >= ?",
		today
	);
	const active = one('SELECT max(at) AS v FROM logbook WHERE matter_id = ?');
	return {
		nextHearing: one(
			"SELECT min(date) AS v FROM event WHERE matter_id = ? AND ahead IN ('hearing','trial') AND date >= ?",
			today
		),
		nextDate: one("SELECT min(date) AS v FROM deadline WHERE matter_id = ? AND state = 'docketed'"),
		trialDate: trial,
		daysToTrial: trial === null ? null : daysBetween(today, plain(String(trial))),
		daysOpen: daysBetween(plain(m.opened_on), today),
		lastActivity: active === null ? m.opened_on : dayAt(String(active), w.clock.zone),
		hours: sayHours(
			Number(one('SELECT coalesce(sum(minutes), 0) AS v FROM time_entry WHERE matter_id = ?'))
		),
		cost: Number(
			one('SELECT coalesce(sum(cents), 0) AS v FROM cost_line WHERE matter_id = ? AND holds = 1')
		)
	};
}

/** What the template would ask for on this matter: names without a value. */
export function asksFor(
	w: World,
	me: Staff,
	matterNumber: string,
	templateId: string
): { name: string; missing: string[] } | undefined {
	const m = findMatter(w.db, me, { number: matterNumber });
	if (!m) return undefined;
	const t = templateFile(w, templateId);
	return { name: t.name, missing: missing(tagsOf(t.docx), mergeData(w, m, me)) };
}

/** Puts typed values in at their dotted names. */
function withTyped(data: MergeObject, typed: Record<string, string>): MergeObject {
	const out = structuredClone(data);
	for (const [name, value] of Object.entries(typed)) {
		if (
			value.trim() === '' ||
			!/^[A-Za-z][\w.]{0,80}$/.test(name) ||
			/(^|\.)(__proto__|constructor|prototype)(\.|$)/.test(name)
		)
			continue;
		let at: Record<string, unknown> = out;
		const parts = name.split('.');
		for (const p of parts.slice(0, -1)) at = (at[p] ??= {}) as Record<string, unknown>;
		at[parts.at(-1)!] = value.trim();
	}
	return out;
}

/** Fills a template and makes both files, before the command files them. */
export async function assembleFiles(
	w: World,
	me: Staff,
	matterNumber: string,
	templateId: string,
	typed: Record<string, string>
): Promise<{ docx: Stored; pdf: Stored; name: string }> {
	const m = findMatter(w.db, me, { number: matterNumber });
	if (!m) throw new NotFound();
	const t = templateFile(w, templateId);
	const docx = fill(t.docx, withTyped(mergeData(w, m, me), typed));
	const base = `${t.name} ${m.number}`;
	return {
		docx: await store(w, `${base}.docx`, docx),
		pdf: await store(w, `${base}.pdf`, await docxToPdf(docx, t.name)),
		name: t.name
	};
}

/** Files an assembled letter as DOCX and PDF. */
export const assembleDocument = command({
	name: 'assemble document',
	action: 'document.edit',
	input: z.object({
		matterId: id('a matter'),
		templateId: id('a template'),
		name: text('The name', 200),
		docx: storedSchema,
		pdf: storedSchema
	}),
	run(ctx, i, scribe: Scribe) {
		const m = theMatter(ctx, i.matterId);
		const docx = fileDocument(ctx, m, {
			name: `${i.name} (DOCX)`,
			folder: 'Correspondence',
			mark: '',
			file: i.docx,
			why: 'assembled'
		});
		const pdf = fileDocument(ctx, m, {
			name: i.name,
			folder: 'Correspondence',
			mark: '',
			file: i.pdf,
			why: 'assembled'
		});
		scribe.matter(m.id);
		scribe.note({ template: i.templateId, documents: [docx.documentId, pdf.documentId] });
		scribe.log(
			m.id,
			'document',
			`${i.name} assembled as ${pdf.number} (PDF) and ${docx.number} (DOCX).`,
			`/documents/${pdf.documentId}`
		);
		return { docxId: docx.documentId, pdfId: pdf.documentId };
	}
});
