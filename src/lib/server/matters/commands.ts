import { z } from 'zod';
import { mentionsOf, partsOf, tagsOf } from '#core/matters/words.ts';
import {
	Conflict,
	command,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Difference,
	type Staff,
	type World
} from '../command.ts';
import { flag, id, maybeId, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { lastHand } from '../people/commands.ts';
import { findMatter, queueMail, theMatter, type MatterRow } from '../trust/scope.ts';
import { factFields, factsOf, writeFacts, type Fields } from './facts.ts';
import { findKind, kindOf } from './kinds.ts';
import { matterBooks, TITLE } from './open.ts';

export { openMatter, matterBooks } from './open.ts';
export { setSplit } from './split.ts';

/** The whole sheet as fields of text, beside its version: what the form shows. */
export function sheetFields(w: Pick<World, 'db'>, m: MatterRow): Fields {
	return {
		title: m.title,
		kind: m.kind,
		priority: m.priority,
		rulebook: m.rulebook ?? '',
		unit: m.unit_id,
		responsible: m.responsible_id,
		cautions: w.db
			.prepare<[string], { text: string }>(
				'SELECT text FROM matter_caution WHERE matter_id = ? ORDER BY id'
			)
			.all(m.id)
			.map((c) => c.text)
			.join('\n'),
		...factFields(kindOf(w, m.kind), factsOf(w, m.id))
	};
}

const LABELS: Record<string, string> = {
	title: 'Title',
	kind: 'Kind',
	priority: 'Priority',
	rulebook: 'Rulebook',
	unit: 'Business unit',
	responsible: 'Responsible lawyer',
	cautions: 'Cautions'
};
/** Who may hand a matter over and say who is on it. */
export const mayStaff = (ctx: { db: World['db'] }, me: Staff, m: MatterRow): boolean =>
	me.id === m.responsible_id ||
	me.role === 'administrator' ||
	ctx.db
		.prepare("SELECT 1 FROM matter_member WHERE matter_id = ? AND staff_id = ? AND role = 'owner'")
		.get(m.id, me.id) !== undefined;

/**
 * Changes the sheet. Only the fields given change. `base` is the sheet as the form showed it: where someone else changed the same
 * field meanwhile, nothing is saved and both versions come back; fields that only one of the two touched are put together.
 */
export const editMatter = command({
	name: 'edit matter',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		version: z.coerce.number().int().nullish(),
		base: z.record(z.string(), z.string()).nullish(),
		fields: z.record(z.string(), z.string())
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const me = staffOf(ctx);
		const fields = { ...i.fields };
		if (i.version != null && i.version !== m.version) {
			const now = sheetFields(ctx, m),
				base = i.base ?? {};
			const kind = kindOf(ctx, m.kind);
			const differences: Difference[] = [];
			for (const [k, mine] of Object.entries(fields)) {
				if (now[k] === undefined || now[k] === mine) continue;
				if (base[k] === mine) delete fields[k];
				else if (now[k] !== base[k])
					differences.push({
						field: k,
						name:
							LABELS[k] ??
							kind.facts.find((f) => `fact:${f.key}` === k || `more:${f.key}` === k)?.name ??
							kind.groups.find((g) => `group:${g.key}` === k)?.name ??
							k,
						theirs: sayField(ctx, k, now[k]!),
						yours: sayField(ctx, k, mine)
					});
			}
			if (differences.length)
				throw new Conflict(lastHand(ctx, 'edit matter', m.number), m.version, differences);
		}
		const changed: { name: string; from: string; to: string }[] = [];
		const note = (k: string, from: string, to: string) =>
			changed.push({ name: LABELS[k]!, from: sayField(ctx, k, from), to: sayField(ctx, k, to) });
		if (fields.title !== undefined && fields.title.trim() !== m.title) {
			const t = fields.title.trim();
			if (t === '') throw new Refused('The title is missing.', 'title');
			if (t.length > TITLE)
				throw new Refused(`The title is longer than ${TITLE} characters.`, 'title');
			ctx.db.prepare('UPDATE matter SET title = ? WHERE id = ?').run(t, m.id);
			note('title', m.title, t);
		}
		if (fields.kind !== undefined && fields.kind !== m.kind) {
			if (!findKind(ctx, fields.kind)?.active) throw new Refused('Choose a kind.', 'kind');
			ctx.db.prepare('UPDATE matter SET kind = ? WHERE id = ?').run(fields.kind, m.id);
			note('kind', m.kind, fields.kind);
		}
		if (fields.priority !== undefined && fields.priority !== m.priority) {
			if (!['high', 'normal', 'low'].includes(fields.priority))
				throw new Refused('Choose a priority.', 'priority');
			ctx.db.prepare('UPDATE matter SET priority = ? WHERE id = ?').run(fields.priority, m.id);
			note('priority', m.priority, fields.priority);
		}
		if (fields.unit !== undefined && fields.unit !== m.unit_id) {
			if (!ctx.db.prepare('SELECT 1 FROM business_unit WHERE id = ?').get(fields.unit))
				throw new Refused('Choose a business unit.', 'unit');
			ctx.db.prepare('UPDATE matter SET unit_id = ? WHERE id = ?').run(fields.unit, m.id);
			note('unit', m.unit_id, fields.unit);
		}
		if (fields.rulebook !== undefined && (fields.rulebook || null) !== m.rulebook) {
			const book = fields.rulebook || null;
			if (book !== null && !matterBooks(ctx).some((b) => b.id === book))
				throw new Refused('There is no such rulebook.', 'rulebook');
			if (
				m.rulebook !== null &&
				ctx.db.prepare('SELECT 1 FROM event WHERE matter_id = ?').get(m.id)
			)
				throw new Refused(
					'Dates were counted under the rulebook: it cannot be changed any more.',
					'rulebook'
				);
			ctx.db.prepare('UPDATE matter SET rulebook = ? WHERE id = ?').run(book, m.id);
			note('rulebook', m.rulebook ?? '', book ?? '');
		}
		if (fields.responsible !== undefined && fields.responsible !== m.responsible_id) {
			if (!mayStaff(ctx, me, m))
				throw new Refused(
					'Only the responsible lawyer, an owner or an administrator hands the matter over.',
					'responsible'
				);
			if (
				!ctx.db
					.prepare("SELECT 1 FROM staff WHERE id = ? AND active = 1 AND role <> 'business-partner'")
					.get(fields.responsible)
			)
				throw new Refused('Choose the responsible lawyer.', 'responsible');
			ctx.db
				.prepare('UPDATE matter SET responsible_id = ? WHERE id = ?')
				.run(fields.responsible, m.id);
			// Who hands a matter over stays on it.
			ctx.db
				.prepare(
					"INSERT OR IGNORE INTO matter_member (matter_id, staff_id, role) VALUES (?, ?, 'member')"
				)
				.run(m.id, m.responsible_id);
			ctx.db
				.prepare('DELETE FROM matter_member WHERE matter_id = ? AND staff_id = ?')
				.run(m.id, fields.responsible);
			note('responsible', m.responsible_id, fields.responsible);
			const to = ctx.db
				.prepare<[string], { name: string; email: string }>(
					'SELECT name, email FROM staff WHERE id = ?'
				)
				.get(fields.responsible)!;
			if (fields.responsible !== me.id)
				queueMail(ctx, newId('mal'), {
					matterId: m.id,
					to: `${to.name} <${to.email}>`,
					subject: `${m.number}: yours now`,
					text: `${me.name} made you the responsible lawyer of ${m.number} ${m.title}.\n\n${ctx.origin}/matters/${m.number}\n`
				});
		}
		if (fields.cautions !== undefined) {
			const had = ctx.db
				.prepare<[string], { text: string }>(
					'SELECT text FROM matter_caution WHERE matter_id = ? ORDER BY id'
				)
				.all(m.id)
				.map((c) => c.text);
			const now = fields.cautions
				.split('\n')
				.map((c) => c.trim())
				.filter(Boolean);
			if (now.length > 6) throw new Refused('At most six cautions.', 'cautions');
			if (now.some((c) => c.length > 140))
				throw new Refused('A caution is longer than 140 characters.', 'cautions');
			if (now.join('\n') !== had.join('\n')) {
				ctx.db.prepare('DELETE FROM matter_caution WHERE matter_id = ?').run(m.id);
				for (const c of now)
					ctx.db
						.prepare('INSERT INTO matter_caution (id, matter_id, text) VALUES (?, ?, ?)')
						.run(newId('cau'), m.id, c);
				note('cautions', had.join('\n'), now.join('\n'));
			}
		}
		const facts = Object.fromEntries(
			Object.entries(fields).filter(([k]) => /^(fact|more|group):/.test(k))
		);
		if (Object.keys(facts).length)
			changed.push(...writeFacts(ctx, m.id, kindOf(ctx, fields.kind ?? m.kind), facts));
		scribe.matter(m.id);
		scribe.note({
			number: m.number,
			changed: Object.fromEntries(changed.map((c) => [c.name, [c.from, c.to]]))
		});
		if (changed.length) {
			ctx.db.prepare('UPDATE matter SET version = version + 1 WHERE id = ?').run(m.id);
			scribe.log(
				m.id,
				'matter',
				`Changed: ${changed.map((c) => `${c.name.charAt(0).toLowerCase()}${c.name.slice(1)} ${c.to === '' ? 'taken out' : `${c.from ? `from “${short(c.from)}” ` : ''}to “${short(c.to)}”`}`).join('; ')}.`
			);
		}
		return { changed: changed.length };
	}
});
const short = (s: string) => {
	const t = s.replace(/\s+/g, ' ');
	return t.length > 120 ? `${t.slice(0, 117)}…` : t;
};
function sayField(ctx: Ctx, k: string, v: string): string {
	if (v === '') return '';
	const name = (sql: string) => ctx.db.prepare<[string], { name: string }>(sql).get(v)?.name ?? v;
	if (k === 'unit') return name('SELECT name FROM business_unit WHERE id = ?');
	if (k === 'responsible') return name('SELECT name FROM staff WHERE id = ?');
	if (k === 'kind') return name('SELECT name FROM kind WHERE id = ?');
	if (k === 'rulebook') return matterBooks(ctx).find((b) => b.id === v)?.title ?? v;
	if (v.startsWith('per_')) return name('SELECT name FROM person WHERE id = ?');
	if (k.startsWith('group:')) {
		const n = (JSON.parse(v) as unknown[]).length;
		return `${n} ${n === 1 ? 'row' : 'rows'}: ${(JSON.parse(v) as Record<string, string>[]).map((r) => Object.values(r).join(', ')).join('; ')}`;
	}
	return v;
}

/** Adds a colleague, or changes whether they are an owner. */
export const addMember = command({
	name: 'add member',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), staffId: id('a colleague'), owner: flag }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (!mayStaff(ctx, staffOf(ctx), m))
			throw new Refused(
				'Only the responsible lawyer, an owner or an administrator changes who is on the matter.',
				'staffId'
			);
		const s = ctx.db
			.prepare<[string], { name: string; role: string; email: string }>(
				'SELECT name, role, email FROM staff WHERE id = ? AND active = 1'
			)
			.get(i.staffId);
		if (!s || s.role === 'business-partner')
			throw new Refused('Choose a colleague of the department.', 'staffId');
		if (i.staffId === m.responsible_id)
			throw new Refused(`${s.name} is the responsible lawyer.`, 'staffId');
		const role = i.owner ? 'owner' : 'member';
		const had = ctx.db
			.prepare<[string, string], { role: string }>(
				'SELECT role FROM matter_member WHERE matter_id = ? AND staff_id = ?'
			)
			.get(m.id, i.staffId);
		if (had?.role === role) throw new Refused(`${s.name} is on the matter already.`, 'staffId');
		ctx.db
			.prepare(
				'INSERT INTO matter_member (matter_id, staff_id, role) VALUES (?, ?, ?) ON CONFLICT DO UPDATE SET role = excluded.role'
			)
			.run(m.id, i.staffId, role);
		scribe.matter(m.id);
		scribe.note({ member: i.staffId, role });
		scribe.log(
			m.id,
			'people',
			had
				? `${s.name} is now ${role === 'owner' ? 'an owner' : 'a member'} of the matter.`
				: `${s.name} joined the matter${i.owner ? ' as an owner' : ''}.`
		);
	}
});
export const removeMember = command({
	name: 'remove member',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), staffId: id('a colleague') }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (!mayStaff(ctx, staffOf(ctx), m) && staffOf(ctx).id !== i.staffId)
			throw new Refused(
				'Only the responsible lawyer, an owner or an administrator changes who is on the matter.',
				'staffId'
			);
		const s = ctx.db
			.prepare<[string], { name: string }>('SELECT name FROM staff WHERE id = ?')
			.get(i.staffId);
		const open = ctx.db
			.prepare<[string, string], { n: number }>(
				"SELECT count(*) AS n FROM task WHERE matter_id = ? AND assignee_id = ? AND state = 'open'"
			)
			.get(m.id, i.staffId)!.n;
		if (open && m.restricted)
			throw new Refused(
				`${s?.name} still has ${open} open ${open === 1 ? 'task' : 'tasks'} here. Give them to someone else first.`,
				'staffId'
			);
		if (
			ctx.db
				.prepare('DELETE FROM matter_member WHERE matter_id = ? AND staff_id = ?')
				.run(m.id, i.staffId).changes === 0
		)
			throw new Refused('That colleague is not on the matter.', 'staffId');
		scribe.matter(m.id);
		scribe.note({ gone: i.staffId });
		scribe.log(m.id, 'people', `${s!.name} left the matter.`);
	}
});
export const restrictMatter = command({
	name: 'restrict matter',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), restricted: flag }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (!mayStaff(ctx, staffOf(ctx), m))
			throw new Refused(
				'Only the responsible lawyer, an owner or an administrator restricts a matter.'
			);
		if ((m.restricted === 1) === i.restricted) return;
		const me = staffOf(ctx);
		ctx.db
			.prepare('UPDATE matter SET restricted = ?, version = version + 1 WHERE id = ?')
			.run(i.restricted ? 1 : 0, m.id);
		// An administrator who is not on it would lose it under their hands: they are told, not added.
		scribe.matter(m.id);
		scribe.note({ restricted: i.restricted, by: me.id });
		scribe.log(
			m.id,
			'people',
			i.restricted
				? 'The matter is restricted: for anyone not on it, it does not exist.'
				: 'The matter is no longer restricted.'
		);
	}
});

const colleagues = (ctx: Ctx) =>
	ctx.db
		.prepare<[], { id: string; login: string; name: string; email: string }>(
			"SELECT id, login, name, email FROM staff WHERE active = 1 AND role <> 'business-partner'"
		)
		.all();

/** A note or a question on the matter, or an answer to one. Who is mentioned is told once, by mail. */
export const writeNote = command({
	name: 'write note',
	action: 'note.write',
	input: z.object({
		matterId: id('a matter'),
		words: text('The note', 8000),
		asks: flag,
		answers: maybeId
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const me = staffOf(ctx);
		const parts = partsOf(i.words, colleagues(ctx));
		const to = i.answers
			? ctx.db
					.prepare<
						[string, string],
						{ id: string; staff_id: string | null; text: string; answers: string | null }
					>('SELECT id, staff_id, text, answers FROM logbook WHERE id = ? AND matter_id = ?')
					.get(i.answers, m.id)
			: undefined;
		if (i.answers && !to) throw new NotFound('entry');
		const mentioned = new Set(mentionsOf(parts));
		for (const s of mentioned)
			if (
				m.restricted &&
				s !== m.responsible_id &&
				!ctx.db
					.prepare('SELECT 1 FROM matter_member WHERE matter_id = ? AND staff_id = ?')
					.get(m.id, s)
			)
				throw new Refused(
					`${colleagues(ctx).find((c) => c.id === s)!.name} is not on this restricted matter. Add them first, or leave the name out.`,
					'words'
				);
		scribe.matter(m.id);
		scribe.note({ length: i.words.length, mentions: [...mentioned] });
		const logId = scribe.log(m.id, 'note', i.words);
		ctx.db
			.prepare('UPDATE logbook SET asks = ?, answers = ? WHERE id = ?')
			.run(i.asks && !to ? 1 : 0, to ? (to.answers ?? to.id) : null, logId);
		for (const s of mentioned)
			ctx.db.prepare('INSERT INTO logbook_mention (log_id, staff_id) VALUES (?, ?)').run(logId, s);
		for (const t of tagsOf(parts))
			ctx.db.prepare('INSERT INTO logbook_tag (log_id, tag) VALUES (?, ?)').run(logId, t);
		if (to?.staff_id) mentioned.add(to.staff_id);
		mentioned.delete(me.id);
		for (const s of mentioned) {
			const c = colleagues(ctx).find((x) => x.id === s);
			if (c)
				queueMail(ctx, newId('mal'), {
					matterId: m.id,
					to: `${c.name} <${c.email}>`,
					subject: `${m.number}: ${me.name} ${i.asks ? 'asks you' : to?.staff_id === s ? 'answered you' : 'mentions you'}`,
					text: `${i.words}\n\n${ctx.origin}/matters/${m.number}/logbook\n`
				});
		}
		return { logId };
	}
});

export const addReference = command({
	name: 'add reference',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		whose: text('Whose number it is', 60),
		number: text('The number', 100),
		remove: flag
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (i.remove)
			ctx.db
				.prepare('DELETE FROM matter_reference WHERE matter_id = ? AND whose = ? AND number = ?')
				.run(m.id, i.whose, i.number);
		else if (
			ctx.db
				.prepare(
					'INSERT OR IGNORE INTO matter_reference (id, matter_id, whose, number) VALUES (?, ?, ?, ?)'
				)
				.run(newId('ref'), m.id, i.whose, i.number).changes === 0
		)
			throw new Refused('That number is there already.', 'number');
		scribe.matter(m.id);
		scribe.note({ whose: i.whose, number: i.number, removed: i.remove });
		scribe.log(
			m.id,
			'matter',
			i.remove
				? `Number of ${i.whose} taken out: ${i.number}.`
				: `Number of ${i.whose}: ${i.number}.`
		);
	}
});
export const addLink = command({
	name: 'add link',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		name: text('The name', 60),
		url: text('The address', 500)
			.transform((u) => (/^https?:\/\//i.test(u) ? u : `https://${u}`))
			.refine(
				(u) => URL.canParse(u) && new URL(u).hostname.includes('.'),
				'This is not the address of a web page.'
			),
		remove: flag
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (i.remove)
			ctx.db
				.prepare('DELETE FROM matter_link WHERE matter_id = ? AND name = ? AND url = ?')
				.run(m.id, i.name, i.url);
		else
			ctx.db
				.prepare('INSERT INTO matter_link (id, matter_id, name, url) VALUES (?, ?, ?, ?)')
				.run(newId('lnk'), m.id, i.name, i.url);
		scribe.matter(m.id);
		scribe.note({ name: i.name, url: i.url, removed: i.remove });
		scribe.log(
			m.id,
			'matter',
			i.remove ? `Quick link taken out: ${i.name}.` : `Quick link: ${i.name}.`
		);
	}
});
export const RELATIONS = [
	'appeal of',
	'same facts as',
	'same counterparty as',
	'follows from',
	'part of'
] as const;
export const relateMatters = command({
	name: 'relate matters',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		number: text('The number of the other matter', 40),
		how: z.enum(RELATIONS, { error: 'Choose how they are related.' }),
		remove: flag
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const other = findMatter(ctx.db, staffOf(ctx), { number: i.number });
		if (!other) throw new Refused(`There is no matter ${i.number} that you may see.`, 'number');
		if (other.id === m.id) throw new Refused('That is this matter itself.', 'number');
		if (i.remove)
			ctx.db
				.prepare(
					'DELETE FROM matter_relation WHERE (a_id = ? AND b_id = ?) OR (a_id = ? AND b_id = ?)'
				)
				.run(m.id, other.id, other.id, m.id);
		else {
			if (
				ctx.db
					.prepare(
						'SELECT 1 FROM matter_relation WHERE (a_id = ? AND b_id = ?) OR (a_id = ? AND b_id = ?)'
					)
					.get(m.id, other.id, other.id, m.id)
			)
				throw new Refused('The two are related already.', 'number');
			ctx.db
				.prepare('INSERT INTO matter_relation (a_id, b_id, how) VALUES (?, ?, ?)')
				.run(m.id, other.id, i.how);
		}
		scribe.matter(m.id);
		scribe.note({ other: other.number, how: i.how, removed: i.remove });
		// A restricted matter's number is not written where others may read it.
		if (!other.restricted)
			scribe.log(
				m.id,
				'matter',
				i.remove
					? `No longer related: ${other.number} ${other.title}.`
					: `Related, ${i.how}: ${other.number} ${other.title}.`,
				`/matters/${other.number}`
			);
		if (!m.restricted)
			scribe.log(
				other.id,
				'matter',
				i.remove
					? `No longer related: ${m.number} ${m.title}.`
					: `Related: ${m.number} ${m.title} is ${i.how} this.`,
				`/matters/${m.number}`
			);
	}
});

export const pinMatter = command({
	name: 'pin matter',
	action: 'matter.read',
	input: z.object({ matterId: id('a matter'), pin: flag }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (i.pin)
			ctx.db
				.prepare('INSERT OR IGNORE INTO pinned (staff_id, matter_id) VALUES (?, ?)')
				.run(staffOf(ctx).id, m.id);
		else
			ctx.db
				.prepare('DELETE FROM pinned WHERE staff_id = ? AND matter_id = ?')
				.run(staffOf(ctx).id, m.id);
		scribe.matter(m.id);
		scribe.note({ pin: i.pin });
	}
});
