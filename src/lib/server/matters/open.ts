/** Opening a matter: in one step, from anywhere; what is known now is carried over, the rest comes later. */
import { z } from 'zod';
import { fold } from '#core/people/names.ts';
import { addDays, date as plain } from '#core/dates/plain.ts';
import { proposeTitle, sayFact } from '#core/matters/kind.ts';
import { WHOLE } from '#core/money/cents.ts';
import {
	command,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Scribe,
	type World
} from '../command.ts';
import { booksIn } from '../docket/books.ts';
import { fileDocument } from '../documents/commands.ts';
import { flag, maybeId, maybeText } from '../fields.ts';
import { newId } from '../ids.ts';
import { keepCheck, sayFound } from '../interest/commands.ts';
import { makePerson, thePerson } from '../people/commands.ts';
import { queueMail } from '../trust/scope.ts';
import { factsOf, personName, writeFacts } from './facts.ts';
import { findKind } from './kinds.ts';
import { setSplitRows } from './split.ts';

/** The next number of the year: LF-2026-0042. Never given twice, never changed. */
function nextNumber(ctx: Ctx, year: number): string {
	const pattern =
		ctx.db
			.prepare<[], { value: string }>("SELECT value FROM setting WHERE name = 'matter number'")
			.get()?.value ?? 'LF-{year}-{0000}';
	const n = ctx.db
		.prepare<[number], { last: number }>(
			'INSERT INTO number_series (year, last) VALUES (?, 1) ON CONFLICT (year) DO UPDATE SET last = last + 1 RETURNING last'
		)
		.get(year)!.last;
	return pattern
		.replace('{year}', String(year))
		.replace(/\{(0+)\}/, (_, zeros: string) => String(n).padStart(zeros.length, '0'));
}

/** Rulebooks with events: those a matter can stand under. */
export const matterBooks = (
	w: World
): { id: string; title: string; short: string; reviewed: string }[] =>
	booksIn(w)
		.filter((b) => b.events.size > 0)
		.map((b) => ({ id: b.id, title: b.title, short: b.short, reviewed: b.reviewed }));
export const TITLE = 500;

const opening = z.object({
	kind: z.string(),
	title: maybeText('The title', TITLE),
	unitId: maybeText('The business unit', 60),
	responsibleId: maybeText('The lawyer', 60),
	opponentId: maybeId,
	opponentName: maybeText('The name', 200),
	opponentKind: z.enum(['person', 'organization']).nullish(),
	rulebook: z
		.string()
		.max(60)
		.nullish()
		.transform((s) => s || null),
	restricted: flag,
	priority: z.enum(['high', 'normal', 'low']).default('normal'),
	facts: z.record(z.string(), z.string()).default({}),
	requestId: maybeId
});
type Opening = z.output<typeof opening>;

export const openMatter = command({
	name: 'open matter',
	action: 'matter.open',
	input: opening,
	run: (ctx, m, scribe) => open(ctx, m, scribe)
});
/** For an import: a matter that was opened on another day, without first tasks, mails and interest checks for each of thousands. */
export const openForImport = (
	ctx: Ctx,
	raw: z.input<typeof opening>,
	scribe: Scribe,
	openedOn: string
): { matterId: string; number: string } => open(ctx, opening.parse(raw), scribe, openedOn);

function open(
	ctx: Ctx,
	m: Opening,
	scribe: Scribe,
	openedOn?: string
): { matterId: string; number: string; checkId: string | null } {
	const me = staffOf(ctx);
	const imported = openedOn !== undefined;
	const today = openedOn ?? ctx.clock.today();
	const kind = findKind(ctx, m.kind);
	if (!kind?.active) throw new Refused('Choose a kind.', 'kind');
	const lawyer = ctx.db
		.prepare<[string], { name: string; email: string }>(
			"SELECT name, email FROM staff WHERE id = ? AND active = 1 AND role <> 'business-partner'"
		)
		.get(m.responsibleId);
	// All that is wrong is said at once, each beside its field.
	const wrong: Record<string, string> = {};
	if (m.title === '' && kind.title === '') wrong.title = 'The title is missing.';
	if (!ctx.db.prepare('SELECT 1 FROM business_unit WHERE id = ?').get(m.unitId))
		wrong.unitId = 'Choose a business unit.';
	if (!lawyer) wrong.responsibleId = 'Choose the responsible lawyer.';
	if (m.rulebook !== null && !matterBooks(ctx).some((b) => b.id === m.rulebook))
		wrong.rulebook = 'There is no such rulebook.';
	const [first] = Object.entries(wrong);
	if (first || !lawyer) throw new Refused(first![1], first![0], wrong);
	const matterId = newId('mat');
	const number = nextNumber(ctx, Number(today.slice(0, 4)));
	ctx.db
		.prepare(
			`INSERT INTO matter (id, number, title, kind, status, unit_id, responsible_id, originating_id, restricted, priority, rulebook, opened_on, status_from, created_at) VALUES (?, ?, ?, ?, 'open', ?, ?, ?, ?, ?, ?, ?, ?, ?)`
		)
		.run(
			matterId,
			number,
			m.title || number,
			m.kind,
			m.unitId,
			m.responsibleId,
			me.id,
			m.restricted ? 1 : 0,
			m.priority,
			m.rulebook,
			today,
			today,
			ctx.clock.now()
		);
	// Whoever opens a matter is on it; otherwise a restricted one would vanish under their hands.
	if (me.id !== m.responsibleId && !imported)
		ctx.db
			.prepare("INSERT INTO matter_member (matter_id, staff_id, role) VALUES (?, ?, 'owner')")
			.run(matterId, me.id);
	scribe.matter(matterId);
	scribe.log(
		matterId,
		'matter',
		imported
			? `Taken over by an import as ${kind.name.toLowerCase()}, ${lawyer.name} responsible; opened on ${today}.`
			: `Matter opened as ${kind.name.toLowerCase()}, ${lawyer.name} responsible.`
	);
	writeFacts(ctx, matterId, kind, m.facts);
	const stored = factsOf(ctx, matterId);
	const said = (key: string) => {
		const f = kind.facts.find((x) => x.key === key),
			s = stored.find((x) => x.fact === key);
		return f && s ? sayFact(f, s, personName(ctx)) : '';
	};
	const title = m.title || proposeTitle(kind, said);
	if (title === '')
		throw new Refused('The title is missing: type one, or the facts it is made of.', 'title');
	ctx.db.prepare('UPDATE matter SET title = ? WHERE id = ?').run(title.slice(0, TITLE), matterId);
	const names: string[] = [];
	let personId = m.opponentId;
	if (!personId && m.opponentName)
		personId = makePerson(ctx, {
			kind: m.opponentKind ?? 'organization',
			name: m.opponentName,
			madeFor: matterId,
			field: 'opponentName'
		});
	if (personId) {
		let p;
		try {
			p = thePerson(ctx, personId);
		} catch {
			throw new Refused('Choose a person, or type a new name.', 'opponentName');
		}
		const role = kind.roles[0]?.role ?? kind.opponent.toLowerCase();
		ctx.db
			.prepare(
				'INSERT INTO matter_role (id, matter_id, person_id, role, from_day) VALUES (?, ?, ?, ?, ?)'
			)
			.run(newId('rol'), matterId, personId, role, today);
		scribe.log(matterId, 'people', `${p.name} added as ${role}.`, `/people/${personId}`);
		names.push(p.name);
	}
	for (const s of stored)
		if (s.value.startsWith('per_')) {
			const n = personName(ctx)(s.value);
			if (n) names.push(n);
		}
	setSplitRows(
		ctx,
		matterId,
		today,
		kind.split.length
			? kind.split.map((s) => ({ unit: s.unit, costCenter: null, share: s.share }))
			: [{ unit: m.unitId, costCenter: null, share: WHOLE }]
	);
	if (!imported)
		for (const t of kind.tasks)
			ctx.db
				.prepare(
					"INSERT INTO task (id, matter_id, subject, assignee_id, due, state, created_by, created_at) VALUES (?, ?, ?, ?, ?, 'open', ?, ?)"
				)
				.run(
					newId('tsk'),
					matterId,
					t.subject,
					t.who === 'responsible' ? m.responsibleId : me.id,
					addDays(plain(today), t.days),
					me.id,
					ctx.clock.now()
				);
	if (kind.tasks.length && !imported)
		scribe.log(
			matterId,
			'task',
			`First tasks of ${kind.name.toLowerCase()}: ${kind.tasks.map((t) => t.subject).join('; ')}.`,
			`/matters/${number}/tasks`
		);
	if (m.requestId) names.push(...carryRequest(ctx, matterId, m.requestId, scribe));
	const unique = names.filter(
		(n, i) => fold(n) !== '' && names.findIndex((x) => fold(x) === fold(n)) === i
	);
	let checkId: string | null = null;
	if (unique.length && !imported) {
		const kept = keepCheck(ctx, unique, { matterId });
		checkId = kept.checkId;
		scribe.log(
			matterId,
			'matter',
			`Interest check of ${unique.join(', ')}: ${sayFound(kept.report)}.`,
			`/interest/${checkId}`
		);
	}
	if (me.id !== m.responsibleId && !imported)
		queueMail(ctx, newId('mal'), {
			matterId,
			to: `${lawyer.name} <${lawyer.email}>`,
			subject: `${number}: opened for you`,
			text: `${me.name} opened ${number} ${title} with you as the responsible lawyer.\n\n${ctx.origin}/matters/${number}\n`
		});
	scribe.note({
		number,
		title,
		kind: m.kind,
		responsible: m.responsibleId,
		restricted: m.restricted,
		request: m.requestId
	});
	return { matterId, number, checkId };
}

/** What the business partner sent goes into the matter: words, files, the counterparty's name; nothing is typed twice. */
function carryRequest(
	ctx: Ctx,
	matterId: string,
	requestId: string,
	scribe: Pick<Scribe, 'log'>
): string[] {
	const r = ctx.db
		.prepare<
			[string],
			{
				id: string;
				number: string;
				about: string;
				words: string;
				counterparty: string;
				state: string;
				staff: string;
				email: string;
				staff_id: string;
			}
		>(
			"SELECT r.*, s.name AS staff, s.email FROM request r JOIN staff s ON s.id = r.staff_id WHERE r.id = ? AND r.state <> 'draft'"
		)
		.get(requestId);
	if (!r) throw new NotFound('request');
	if (!['sent', 'taken', 'asked'].includes(r.state))
		throw new Refused(
			`Request ${r.number} is ${r.state === 'matter' ? 'a matter already' : r.state}.`,
			'requestId'
		);
	takeOver(ctx, matterId, r, scribe);
	ctx.db
		.prepare(
			"UPDATE request SET state = 'matter', matter_id = ?, ended_at = ?, taken_by = coalesce(taken_by, ?), version = version + 1 WHERE id = ?"
		)
		.run(matterId, ctx.clock.now(), staffOf(ctx).id, r.id);
	ctx.db
		.prepare(
			"INSERT INTO request_word (id, request_id, at, staff_id, kind, text) VALUES (?, ?, ?, ?, 'state', 'In work: the department opened a matter.')"
		)
		.run(newId('rqw'), r.id, ctx.clock.now(), staffOf(ctx).id);
	queueMail(ctx, newId('mal'), {
		matterId: null,
		to: `${r.staff} <${r.email}>`,
		subject: `${r.number}: in work`,
		text: `The legal department has begun to work on your request: ${r.about}\n\n${ctx.origin}/requests/${r.id}\n`
	});
	return r.counterparty ? [r.counterparty] : [];
}
export function takeOver(
	ctx: Ctx,
	matterId: string,
	r: {
		id: string;
		number: string;
		about: string;
		words: string;
		counterparty: string;
		staff: string;
	},
	scribe: Pick<Scribe, 'log'>
): void {
	scribe.log(
		matterId,
		'matter',
		`From request ${r.number} of ${r.staff}: ${r.about}${r.words ? `\n${r.words}` : ''}${r.counterparty ? `\nCounterparty: ${r.counterparty}` : ''}`,
		`/requests/${r.id}`
	);
	for (const w of ctx.db
		.prepare<[string], { text: string; name: string; kind: string }>(
			"SELECT w.text, s.name, w.kind FROM request_word w JOIN staff s ON s.id = w.staff_id WHERE w.request_id = ? AND w.kind <> 'state' ORDER BY w.at, w.id"
		)
		.all(r.id))
		scribe.log(
			matterId,
			'matter',
			`${w.name} ${w.kind === 'question' ? 'asked' : 'answered'}: ${w.text}`
		);
	const m = ctx.db
		.prepare<[string], { id: string; number: string; kind: string }>(
			'SELECT id, number, kind FROM matter WHERE id = ?'
		)
		.get(matterId)!;
	for (const f of ctx.db
		.prepare<
			[string],
			{ sha256: string; media_type: string; file_name: string; size: number; text: string }
		>('SELECT * FROM request_file WHERE request_id = ? ORDER BY id')
		.all(r.id)) {
		const d = fileDocument(ctx, m, {
			name: f.file_name.replace(/\.\w{1,5}$/, '').slice(0, 200),
			folder: 'Correspondence',
			mark: '',
			file: {
				sha256: f.sha256,
				type: f.media_type,
				fileName: f.file_name,
				size: f.size,
				text: f.text
			},
			why: `came with request ${r.number}`
		});
		scribe.log(
			matterId,
			'document',
			`${f.file_name} filed as ${d.number}, from request ${r.number}.`,
			`/documents/${d.documentId}`
		);
	}
}
