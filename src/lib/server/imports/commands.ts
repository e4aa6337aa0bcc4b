/** Imports: all rows or none, each made through the same doors as by hand; a whole import can be taken back while nothing hangs on it. */
import { z } from 'zod';
import { fold } from '#core/people/names.ts';
import { readDate } from '#core/dates/read.ts';
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
import { flag, id } from '../fields.ts';
import { newId } from '../ids.ts';
import { kinds } from '../matters/kinds.ts';
import { openForImport } from '../matters/open.ts';
import { addContact, addName, makePerson } from '../people/commands.ts';
import { cardVisible, findMatter } from '../trust/scope.ts';
import { FIELDS, kindOfPerson, lawyerOf, type Values, type What } from './plan.ts';

export const WHATS = Object.keys(FIELDS) as [What, ...What[]];
type Made = { place: string; ref: string };

const makers: Record<
	What,
	(ctx: Ctx, rows: readonly { n: number; values: Values }[], scribe: Scribe) => Made[]
> = {
	units(ctx, rows) {
		const made: Made[] = [];
		for (const { values: v } of rows) {
			let unit = ctx.db
				.prepare<[string], { id: string }>('SELECT id FROM business_unit WHERE name = ?')
				.get(v.unit!)?.id;
			if (!unit) {
				const n = ctx.db
					.prepare<[], { n: number }>('SELECT count(*) AS n FROM business_unit')
					.get()!.n;
				unit = newId('unt');
				ctx.db
					.prepare('INSERT INTO business_unit (id, name, hue, position) VALUES (?, ?, ?, ?)')
					.run(unit, v.unit, n % 6, n);
				made.push({ place: 'business_unit', ref: unit });
			}
			if (!v.code) continue;
			const cc = newId('cc');
			ctx.db
				.prepare('INSERT INTO cost_center (id, unit_id, code, name) VALUES (?, ?, ?, ?)')
				.run(cc, unit, v.code, v.name);
			made.push({ place: 'cost_center', ref: cc });
		}
		return made;
	},
	people(ctx, rows) {
		const made: Made[] = [];
		const byName = new Map<string, string>();
		const find = (name: string) =>
			byName.get(fold(name)) ??
			ctx.db
				.prepare<unknown[], { id: string }>(
					`SELECT p.id FROM person p WHERE p.folded = @f AND ${cardVisible('p')}`
				)
				.get({ f: fold(name), me: staffOf(ctx).id })?.id;
		for (const { values: v, n } of rows) {
			const personId = within(n, () =>
				makePerson(ctx, {
					kind: kindOfPerson(v) ?? 'person',
					name: v.name!,
					email: v.mail ?? '',
					phone: v.phone ?? '',
					note: v.note ?? '',
					formerNames: v.former ?? ''
				})
			);
			for (const a of (v.aliases ?? '').split(/[;\n]/))
				within(n, () => addName(ctx, personId, 'alias', a));
			if (v.address)
				addContact(ctx, personId, { kind: 'address', label: '', value: v.address, position: 2 });
			for (const c of new Set(
				(v.categories ?? '')
					.split(/[,;]/)
					.map((x) => x.trim().toLowerCase())
					.filter(Boolean)
			))
				ctx.db
					.prepare('INSERT OR IGNORE INTO person_category (person_id, category) VALUES (?, ?)')
					.run(personId, c.slice(0, 60));
			byName.set(fold(v.name!), personId);
			made.push({ place: 'person', ref: personId });
		}
		const up = ctx.db.prepare<[string], { parent_id: string | null }>(
			'SELECT parent_id FROM person WHERE id = ?'
		);
		for (const { values: v, n } of rows) {
			if (!v.parent) continue;
			let parent = find(v.parent);
			if (!parent) {
				parent = makePerson(ctx, { kind: 'organization', name: v.parent });
				byName.set(fold(v.parent), parent);
				made.push({ place: 'person', ref: parent });
			}
			const child = byName.get(fold(v.name!))!;
			for (
				let at: string | null = parent, steps = 0;
				at !== null;
				at = up.get(at)?.parent_id ?? null
			)
				if (at === child || steps++ > 1000)
					throw new Refused(
						`Row ${n}: ${v.name} and ${v.parent} would be each other’s parent. Nothing was imported.`
					);
			ctx.db.prepare('UPDATE person SET parent_id = ? WHERE id = ?').run(parent, child);
		}
		return made;
	},
	matters(ctx, rows, scribe) {
		const made: Made[] = [];
		const all = kinds(ctx);
		const person = (name: string, kind: 'person' | 'organization'): string => {
			const had = ctx.db
				.prepare<unknown[], { id: string }>(
					`SELECT p.id FROM person p WHERE p.folded = @f AND ${cardVisible('p')}`
				)
				.get({ f: fold(name), me: staffOf(ctx).id })?.id;
			if (had) return had;
			const made1 = makePerson(ctx, { kind, name });
			made.push({ place: 'person', ref: made1 });
			return made1;
		};
		for (const { values: v, n } of rows) {
			const kind = all.find(
				(k) =>
					k.active &&
					(k.name.toLowerCase() === v.kind!.toLowerCase() || k.id === v.kind!.toLowerCase())
			)!;
			const opened = v.opened ? readDate(v.opened, ctx.clock.today()) : { date: ctx.clock.today() };
			const facts = Object.fromEntries(
				(['court', 'case-number'] as const).filter((k) => v[k]).map((k) => [`fact:${k}`, v[k]!])
			);
			const opponentId = v.party
				? person(
						v.party,
						kindOfPerson({ kind: v.partyKind ?? '', name: v.party }) ?? 'organization'
					)
				: null;
			const m = within(n, () =>
				openForImport(
					ctx,
					{
						kind: kind.id,
						title: v.title!,
						unitId: ctx.db
							.prepare<[string], { id: string }>(
								'SELECT id FROM business_unit WHERE lower(name) = lower(?)'
							)
							.get(v.unit!)!.id,
						responsibleId: lawyerOf(ctx, v.lawyer!)!,
						opponentId,
						rulebook: kind.rulebook,
						priority: (v.priority?.toLowerCase() || 'normal') as 'normal',
						facts
					},
					scribe,
					'date' in opened ? opened.date : ctx.clock.today()
				)
			);
			made.push({ place: 'matter', ref: m.matterId });
			if (v.counsel)
				ctx.db
					.prepare(
						'INSERT OR IGNORE INTO matter_role (id, matter_id, person_id, role) VALUES (?, ?, ?, ?)'
					)
					.run(
						newId('rol'),
						m.matterId,
						person(v.counsel, kindOfPerson({ kind: '', name: v.counsel }) ?? 'person'),
						'opposing counsel'
					);
			if (v.reference)
				ctx.db
					.prepare(
						'INSERT INTO matter_reference (id, matter_id, whose, number) VALUES (?, ?, ?, ?)'
					)
					.run(newId('ref'), m.matterId, 'import', v.reference);
			if (v.note) scribe.log(m.matterId, 'note', v.note);
		}
		return made;
	}
};
function within<T>(n: number, f: () => T): T {
	try {
		return f();
	} catch (e) {
		if (e instanceof Refused) throw new Refused(`Row ${n}: ${e.message} Nothing was imported.`);
		throw e;
	}
}

/** Imports the rows a plan found new. */
export const importRows = command({
	name: 'import rows',
	action: 'import.run',
	input: z.object({
		what: z.enum(WHATS, { error: 'Choose what to import.' }),
		fileName: z.string().max(300),
		header: z.array(z.string()),
		mapping: z.record(z.string(), z.string()),
		rows: z
			.array(z.object({ n: z.number().int(), values: z.record(z.string(), z.string()) }))
			.min(1, 'No row is new: there is nothing to import.')
	}),
	run(ctx, i, scribe) {
		const made = makers[i.what](ctx, i.rows, scribe);
		const batchId = newId('imp');
		ctx.db
			.prepare(
				'INSERT INTO import_batch (id, what, file_name, rows, made, by, at) VALUES (?, ?, ?, ?, ?, ?, ?)'
			)
			.run(
				batchId,
				i.what,
				i.fileName,
				i.rows.length,
				made.length,
				staffOf(ctx).id,
				ctx.clock.now()
			);
		const keep = ctx.db.prepare(
			'INSERT INTO import_made (batch_id, n, place, ref) VALUES (?, ?, ?, ?)'
		);
		made.forEach((m, n) => keep.run(batchId, n, m.place, m.ref));
		ctx.db
			.prepare(
				'INSERT INTO import_mapping (what, header, mapping) VALUES (?, ?, ?) ON CONFLICT DO UPDATE SET mapping = excluded.mapping'
			)
			.run(i.what, JSON.stringify(i.header), JSON.stringify(i.mapping));
		scribe.note({
			import: batchId,
			what: i.what,
			file: i.fileName,
			rows: i.rows.length,
			made: made.length
		});
		return { batchId, made: made.length };
	}
});

/** What hangs on something imported, in words; nothing where it may go. */
function hangs(ctx: Ctx, place: string, ref: string, batch: Set<string>): string | null {
	const has = (sql: string) => ctx.db.prepare(sql).get({ ref }) !== undefined;
	const rows = (sql: string) =>
		ctx.db
			.prepare<unknown[], { id: string }>(sql)
			.all({ ref })
			.map((r) => r.id);
	const name = (sql: string) =>
		ctx.db.prepare<unknown[], { name: string }>(sql).get({ ref })?.name ?? ref;
	switch (place) {
		case 'cost_center':
			return has('SELECT 1 FROM split_share WHERE cost_center_id = @ref') ||
				has('SELECT 1 FROM cost_share WHERE cost_center_id = @ref')
				? `cost center ${name('SELECT code AS name FROM cost_center WHERE id = @ref')} is used in a split`
				: null;
		case 'business_unit': {
			const n = name('SELECT name FROM business_unit WHERE id = @ref');
			if (
				has('SELECT 1 FROM matter WHERE unit_id = @ref') ||
				has('SELECT 1 FROM split_share WHERE unit_id = @ref') ||
				has('SELECT 1 FROM request WHERE unit_id = @ref') ||
				has('SELECT 1 FROM rate WHERE unit_id = @ref')
			)
				return `${n} has matters, splits, rates or requests`;
			return rows('SELECT id FROM cost_center WHERE unit_id = @ref').some((c) => !batch.has(c))
				? `${n} has other cost centers`
				: null;
		}
		case 'person': {
			const n = name('SELECT name FROM person WHERE id = @ref');
			if (
				rows('SELECT matter_id AS id FROM matter_role WHERE person_id = @ref').some(
					(m) => !batch.has(m)
				)
			)
				return `${n} has a role on a matter`;
			if (rows('SELECT id FROM person WHERE parent_id = @ref').some((p) => !batch.has(p)))
				return `${n} is the parent of another card`;
			if (has('SELECT 1 FROM person_merge WHERE kept_id = @ref OR gone_id = @ref'))
				return `${n} was merged`;
			if (has('SELECT 1 FROM matter_fact WHERE value = @ref')) return `${n} is a fact of a matter`;
			return has('SELECT 1 FROM person WHERE id = @ref AND version > 1')
				? `${n} was changed by hand`
				: null;
		}
		default: {
			// One that was restricted since is not named to someone outside it.
			const n = findMatter(ctx.db, staffOf(ctx), { id: ref })?.number ?? 'a matter';
			for (const [t, say] of [
				['event', 'dates'],
				['task', 'tasks'],
				['document', 'documents'],
				['time_entry', 'time'],
				['timer', 'a timer'],
				['request', 'a request'],
				['interest_check', 'an interest check'],
				['exhibit', 'exhibits'],
				['witness', 'witnesses'],
				['mail_out', 'mail']
			] as const)
				if (has(`SELECT 1 FROM ${t} WHERE matter_id = @ref`)) return `${n} has ${say}`;
			if (
				has('SELECT 1 FROM matter WHERE id = @ref AND (version > 1 OR restricted = 1)') ||
				has('SELECT 1 FROM matter_relation WHERE a_id = @ref OR b_id = @ref') ||
				has('SELECT 1 FROM matter_member WHERE matter_id = @ref')
			)
				return `${n} was changed by hand`;
			return has(
				'SELECT 1 FROM logbook l JOIN import_made i ON i.ref = l.matter_id JOIN import_batch b ON b.id = i.batch_id WHERE l.matter_id = @ref AND l.at > b.at'
			)
				? `${n} has new entries in its logbook`
				: null;
		}
	}
}
const REMOVE: Record<string, string[]> = {
	cost_center: ['DELETE FROM cost_center WHERE id = @ref'],
	business_unit: ['DELETE FROM business_unit WHERE id = @ref'],
	person: [
		'UPDATE person SET parent_id = NULL WHERE parent_id = @ref',
		'DELETE FROM person_name WHERE person_id = @ref',
		'DELETE FROM person_contact WHERE person_id = @ref',
		'DELETE FROM person_category WHERE person_id = @ref',
		'DELETE FROM person WHERE id = @ref'
	],
	matter: [
		"DELETE FROM search_text WHERE kind = 'note' AND matter_id = @ref",
		'DELETE FROM logbook WHERE matter_id = @ref',
		'DELETE FROM matter_role WHERE matter_id = @ref',
		'DELETE FROM matter_fact WHERE matter_id = @ref',
		'DELETE FROM matter_reference WHERE matter_id = @ref',
		'DELETE FROM matter_link WHERE matter_id = @ref',
		'DELETE FROM matter_caution WHERE matter_id = @ref',
		'DELETE FROM pinned WHERE matter_id = @ref',
		'DELETE FROM recent WHERE matter_id = @ref',
		'DELETE FROM split_share WHERE split_id IN (SELECT id FROM split WHERE matter_id = @ref)',
		'DELETE FROM split WHERE matter_id = @ref',
		'DELETE FROM matter WHERE id = @ref'
	]
};
const ORDER = ['matter', 'cost_center', 'business_unit', 'person'];

/** Takes a whole import back, or says what hangs on it. Numbers it gave are not given again. */
export const undoImport = command({
	name: 'undo import',
	action: 'import.run',
	input: z.object({ batchId: id('an import'), sure: flag }),
	run(ctx, i, scribe) {
		const b = ctx.db
			.prepare<[string], { id: string; what: string; file_name: string; undone_at: string | null }>(
				'SELECT * FROM import_batch WHERE id = ?'
			)
			.get(i.batchId);
		if (!b) throw new NotFound('import');
		if (b.undone_at) throw new Refused('This import was taken back already.');
		const made = ctx.db
			.prepare<[string], Made>('SELECT place, ref FROM import_made WHERE batch_id = ? ORDER BY n')
			.all(b.id);
		const refs = new Set(made.map((m) => m.ref));
		const held = made.flatMap((m) => hangs(ctx, m.place, m.ref, refs) ?? []);
		if (held.length)
			throw new Refused(
				`Something hangs on this import: ${held.slice(0, 5).join('; ')}${held.length > 5 ? `; and ${held.length - 5} more` : ''}. Nothing was taken back.`
			);
		for (const place of ORDER)
			for (const m of made.filter((x) => x.place === place))
				for (const sql of REMOVE[place]!) ctx.db.prepare(sql).run({ ref: m.ref });
		ctx.db.prepare('UPDATE import_batch SET undone_at = ? WHERE id = ?').run(ctx.clock.now(), b.id);
		scribe.note({ import: b.id, removed: made.length });
		return { removed: made.length };
	}
});

export const batches = (w: World, me: Staff) =>
	w.db
		.prepare<
			[string],
			{
				id: string;
				what: What;
				fileName: string;
				rows: number;
				made: number;
				by: string;
				at: string;
				undoneAt: string | null;
			}
		>(
			'SELECT b.id, b.what, b.file_name AS fileName, b.rows, b.made, s.name AS "by", b.at, b.undone_at AS undoneAt FROM import_batch b JOIN staff s ON s.id = b.by WHERE ? IS NOT NULL ORDER BY b.at DESC LIMIT 50'
		)
		.all(me.id);
export const remembered = (
	w: World,
	what: What,
	head: readonly string[]
): Record<string, string> | null => {
	const r = w.db
		.prepare<[string, string], { mapping: string }>(
			'SELECT mapping FROM import_mapping WHERE what = ? AND header = ?'
		)
		.get(what, JSON.stringify(head));
	return r ? (JSON.parse(r.mapping) as Record<string, string>) : null;
};
