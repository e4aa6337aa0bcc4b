import { z } from 'zod';
import { kindOf, KINDS } from '#core/kinds.ts';
import { splitFault } from '#core/costs/run.ts';
import { WHOLE } from '#core/money/cents.ts';
import { command, Refused, staffOf, type Ctx, type Scribe } from '../command.ts';
import { rulebooks } from '../docket/books.ts';
import { day, flag, id, maybeId, maybeText, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { makePerson } from '../people/commands.ts';
import { theMatter } from '../trust/scope.ts';

/** The next number of the year: LF-2026-0042. Never given twice, never changed. */
function nextNumber(ctx: Ctx, year: number): string {
	const pattern = ctx.db.prepare<[], { value: string }>("SELECT value FROM setting WHERE name = 'matter number'").get()?.value ?? 'LF-{year}-{0000}';
	const n = ctx.db.prepare<[number], { last: number }>('INSERT INTO number_series (year, last) VALUES (?, 1) ON CONFLICT (year) DO UPDATE SET last = last + 1 RETURNING last').get(year)!.last;
	return pattern.replace('{year}', String(year)).replace(/\{(0+)\}/, (_, zeros: string) => String(n).padStart(zeros.length, '0'));
}

/** Rulebooks with events: those a matter can stand under. */
export const matterBooks = (): { id: string; title: string; short: string; reviewed: string }[] =>
	rulebooks().filter((b) => b.events.size > 0).map((b) => ({ id: b.id, title: b.title, short: b.short, reviewed: b.reviewed }));

const rulebookField = z.string().nullish().transform((s) => s || null).refine((s) => s === null || matterBooks().some((b) => b.id === s), 'There is no such rulebook.');

export const openMatter = command({
	name: 'open matter',
	action: 'matter.open',
	input: z.object({
		kind: z.string().refine((k) => KINDS.some((x) => x.id === k), 'Choose a kind.'),
		title: text('The title', 300),
		unitId: id('a business unit'),
		responsibleId: id('the responsible lawyer'),
		opponentId: maybeId,
		opponentName: maybeText('The name', 200),
		opponentKind: z.enum(['person', 'organization']).nullish(),
		rulebook: rulebookField,
		court: maybeText('The court', 200),
		caseNumber: maybeText('The case number', 100),
		restricted: flag
	}),
	run(ctx, m, scribe) {
		const me = staffOf(ctx);
		const today = ctx.clock.today();
		if (!ctx.db.prepare('SELECT 1 FROM business_unit WHERE id = ?').get(m.unitId)) throw new Refused('Choose a business unit.', 'unitId');
		const lawyer = ctx.db.prepare<[string], { name: string }>("SELECT name FROM staff WHERE id = ? AND active = 1 AND role <> 'business-partner'").get(m.responsibleId);
		if (!lawyer) throw new Refused('Choose the responsible lawyer.', 'responsibleId');
		const matterId = newId('mat');
		const number = nextNumber(ctx, Number(today.slice(0, 4)));
		ctx.db.prepare(
			`INSERT INTO matter (id, number, title, kind, status, unit_id, responsible_id, originating_id, restricted, rulebook, court, case_number, opened_on, created_at) VALUES (?, ?, ?, ?, 'open', ?, ?, ?, ?, ?, ?, ?, ?, ?)`
		).run(matterId, number, m.title, m.kind, m.unitId, m.responsibleId, me.id, m.restricted ? 1 : 0, m.rulebook, m.court, m.caseNumber, today, ctx.clock.now());
		// Whoever opens a matter is on it; otherwise a restricted one would vanish under their hands.
		if (me.id !== m.responsibleId) ctx.db.prepare('INSERT INTO matter_member (matter_id, staff_id, role) VALUES (?, ?, ?)').run(matterId, me.id, 'opened it');
		scribe.matter(matterId);
		scribe.note({ number, title: m.title, kind: m.kind, responsible: m.responsibleId, restricted: m.restricted });
		scribe.log(matterId, 'matter', `Matter opened as ${kindOf(m.kind).name.toLowerCase()}, ${lawyer.name} responsible.`);
		let personId = m.opponentId;
		if (!personId && m.opponentName) personId = makePerson(ctx, { kind: m.opponentKind ?? 'organization', name: m.opponentName });
		if (personId) {
			const p = ctx.db.prepare<[string], { name: string }>('SELECT name FROM person WHERE id = ?').get(personId);
			if (!p) throw new Refused('Choose a person, or type a new name.', 'opponentName');
			const role = kindOf(m.kind).opponent.toLowerCase();
			ctx.db.prepare('INSERT INTO matter_role (id, matter_id, person_id, role) VALUES (?, ?, ?, ?)').run(newId('rol'), matterId, personId, role);
			scribe.log(matterId, 'people', `${p.name} added as ${role}.`);
		}
		setSplitRows(ctx, matterId, today, [{ unit: m.unitId, costCenter: null, share: WHOLE }]);
		return { matterId, number };
	}
});

/** Fields of the sheet that can change at any time; no link breaks by it. */
export const editMatter = command({
	name: 'edit matter',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), title: text('The title', 300), court: maybeText('The court', 200), caseNumber: maybeText('The case number', 100), judge: maybeText('The judge', 200), caution: maybeText('The caution', 140), rulebook: rulebookField, responsibleId: id('the responsible lawyer') }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const me = staffOf(ctx);
		if (i.responsibleId !== m.responsible_id && me.id !== m.responsible_id && me.role !== 'administrator') throw new Refused('Only the responsible lawyer or an administrator hands the matter over.', 'responsibleId');
		if (!ctx.db.prepare("SELECT 1 FROM staff WHERE id = ? AND active = 1 AND role <> 'business-partner'").get(i.responsibleId)) throw new Refused('Choose the responsible lawyer.', 'responsibleId');
		if (i.rulebook !== m.rulebook && m.rulebook !== null && ctx.db.prepare('SELECT 1 FROM event WHERE matter_id = ?').get(m.id)) throw new Refused('Dates were counted under the rulebook: it cannot be changed any more.', 'rulebook');
		ctx.db.prepare('UPDATE matter SET title = ?, court = ?, case_number = ?, judge = ?, caution = ?, rulebook = ?, responsible_id = ? WHERE id = ?').run(i.title, i.court, i.caseNumber, i.judge, i.caution, i.rulebook, i.responsibleId, m.id);
		const before: Record<string, string | null> = { title: m.title, court: m.court, 'case number': m.case_number, judge: m.judge, caution: m.caution, rulebook: m.rulebook, 'responsible lawyer': m.responsible_id };
		const after: Record<string, string | null> = { title: i.title, court: i.court, 'case number': i.caseNumber, judge: i.judge, caution: i.caution, rulebook: i.rulebook, 'responsible lawyer': i.responsibleId };
		const changed = Object.keys(before).filter((k) => before[k] !== after[k]);
		scribe.matter(m.id);
		scribe.note({ changed: Object.fromEntries(changed.map((k) => [k, [before[k], after[k]]])) });
		if (changed.length) scribe.log(m.id, 'matter', `Changed: ${changed.map((k) => (k === 'responsible lawyer' || k === 'rulebook' ? k : `${k} to “${after[k]}”`)).join(', ')}.`);
	}
});

export const addMember = command({
	name: 'add member',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), staffId: id('a colleague') }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const me = staffOf(ctx);
		if (me.id !== m.responsible_id && me.role !== 'administrator') throw new Refused('Only the responsible lawyer or an administrator changes who is on the matter.', 'staffId');
		const s = ctx.db.prepare<[string], { name: string; role: string }>('SELECT name, role FROM staff WHERE id = ? AND active = 1').get(i.staffId);
		if (!s || s.role === 'business-partner') throw new Refused('Choose a colleague of the department.', 'staffId');
		if (ctx.db.prepare('INSERT OR IGNORE INTO matter_member (matter_id, staff_id, role) VALUES (?, ?, ?)').run(m.id, i.staffId, 'member').changes === 0) throw new Refused(`${s.name} is on the matter already.`, 'staffId');
		scribe.matter(m.id);
		scribe.note({ member: i.staffId });
		scribe.log(m.id, 'people', `${s.name} joined the matter.`);
	}
});

export const writeNote = command({
	name: 'write note',
	action: 'note.write',
	input: z.object({ matterId: id('a matter'), words: text('The note', 8000) }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		scribe.matter(m.id);
		scribe.note({ length: i.words.length });
		scribe.log(m.id, 'note', i.words);
	}
});

function setSplitRows(ctx: Ctx, matterId: string, from: string, shares: { unit: string; costCenter: string | null; share: number }[]): void {
	const old = ctx.db.prepare<[string, string], { id: string }>('SELECT id FROM split WHERE matter_id = ? AND from_day = ?').get(matterId, from);
	const splitId = old?.id ?? newId('spl');
	if (old) ctx.db.prepare('DELETE FROM split_share WHERE split_id = ?').run(old.id);
	else ctx.db.prepare('INSERT INTO split (id, matter_id, from_day) VALUES (?, ?, ?)').run(splitId, matterId, from);
	const add = ctx.db.prepare('INSERT INTO split_share (split_id, position, unit_id, cost_center_id, share) VALUES (?, ?, ?, ?, ?)');
	shares.forEach((s, i) => add.run(splitId, i, s.unit, s.costCenter, s.share));
}

/** Sets how the matter's cost is shared from a day on. Lines already allocated stay as they are. */
export const setSplit = command({
	name: 'set split',
	action: 'split.edit',
	input: z.object({ matterId: id('a matter'), from: day('The day'), shares: z.array(z.object({ unit: id('a business unit'), costCenter: maybeId, share: z.int() })) }),
	run(ctx, i, scribe: Scribe) {
		const m = theMatter(ctx, i.matterId);
		const fault = splitFault(i.shares);
		if (fault) throw new Refused(fault, 'shares');
		for (const s of i.shares) {
			const unit = ctx.db.prepare<[string], { id: string }>('SELECT id FROM business_unit WHERE id = ?').get(s.unit);
			if (!unit) throw new Refused('Choose a business unit.', 'shares');
			if (s.costCenter && !ctx.db.prepare('SELECT 1 FROM cost_center WHERE id = ? AND unit_id = ?').get(s.costCenter, s.unit)) throw new Refused('The cost center is not one of the business unit.', 'shares');
		}
		setSplitRows(ctx, m.id, i.from, i.shares);
		const names = i.shares.map((s) => `${ctx.db.prepare<[string], { name: string }>('SELECT name FROM business_unit WHERE id = ?').get(s.unit)!.name} ${s.share / 10_000}`);
		scribe.matter(m.id);
		scribe.note({ from: i.from, shares: i.shares });
		scribe.log(m.id, 'cost', `Cost shared ${names.join(', ')} from ${i.from}.`);
	}
});
