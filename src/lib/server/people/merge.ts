/** Two cards that are one: merged with nothing lost, and taken apart again. */
import { z } from 'zod';
import { fold } from '#core/people/names.ts';
import { command, NotFound, Refused, staffOf } from '../command.ts';
import { id } from '../fields.ts';
import { newId } from '../ids.ts';
import { mayMerge } from './queries.ts';
import { addName, thePerson } from './commands.ts';

/** What moved from one card to the other, so that it can go back. */
type Moved = {
	roles: string[];
	doubled: {
		id: string;
		matter_id: string;
		role: string;
		note: string;
		from_day: string | null;
		to_day: string | null;
	}[];
	names: string[];
	twins: { id: string; kind: string; name: string; folded: string }[];
	contacts: string[];
	categories: string[];
	children: string[];
	facts: [string, string, number][];
	witnesses: string[];
	parent: boolean;
	added: string | null;
};

/** Merges a card into another: roles, names, addresses, categories, affiliates and facts go to the card that is kept. */
export const mergePeople = command({
	name: 'merge people',
	action: 'person.edit',
	input: z.object({ keepId: id('the card to keep'), goneId: id('the card that goes into it') }),
	run(ctx, i, scribe) {
		if (i.keepId === i.goneId)
			throw new Refused('A card cannot be merged with itself. Choose the other one.', 'goneId');
		const keep = thePerson(ctx, i.keepId),
			gone = thePerson(ctx, i.goneId);
		if (!mayMerge(ctx, staffOf(ctx), gone.id) || !mayMerge(ctx, staffOf(ctx), keep.id))
			throw new Refused(
				'One of the two is on a matter that is not yours to see. Ask the docket clerk to merge them.',
				'goneId'
			);
		if (keep.kind !== gone.kind)
			throw new Refused(
				`${keep.name} is ${keep.kind === 'person' ? 'a person' : 'an organization'} and ${gone.name} is not. Change one of the cards first.`,
				'goneId'
			);
		for (
			let at: string | null = keep.parent_id;
			at;
			at =
				ctx.db
					.prepare<[string], { parent_id: string | null }>(
						'SELECT parent_id FROM person WHERE id = ?'
					)
					.get(at)?.parent_id ?? null
		)
			if (at === gone.id)
				throw new Refused(
					`${keep.name} belongs to ${gone.name}: take the parent off first.`,
					'goneId'
				);
		for (
			let at: string | null = gone.parent_id;
			at;
			at =
				ctx.db
					.prepare<[string], { parent_id: string | null }>(
						'SELECT parent_id FROM person WHERE id = ?'
					)
					.get(at)?.parent_id ?? null
		)
			if (at === keep.id)
				throw new Refused(
					`${gone.name} belongs to ${keep.name}: take the parent off first.`,
					'goneId'
				);
		const all = <T>(sql: string, ...p: unknown[]) => ctx.db.prepare<unknown[], T>(sql).all(...p);
		const moved: Moved = {
			roles: [],
			doubled: [],
			names: [],
			twins: [],
			contacts: [],
			categories: [],
			children: [],
			facts: [],
			witnesses: [],
			parent: false,
			added: null
		};
		for (const r of all<Moved['doubled'][number]>(
			'SELECT id, matter_id, role, note, from_day, to_day FROM matter_role WHERE person_id = ?',
			gone.id
		))
			if (
				ctx.db
					.prepare('UPDATE OR IGNORE matter_role SET person_id = ? WHERE id = ?')
					.run(keep.id, r.id).changes
			)
				moved.roles.push(r.id);
			else {
				ctx.db.prepare('DELETE FROM matter_role WHERE id = ?').run(r.id);
				moved.doubled.push(r);
			}
		for (const n of all<Moved['twins'][number]>(
			'SELECT id, kind, name, folded FROM person_name WHERE person_id = ?',
			gone.id
		))
			if (
				ctx.db
					.prepare('UPDATE OR IGNORE person_name SET person_id = ? WHERE id = ?')
					.run(keep.id, n.id).changes
			)
				moved.names.push(n.id);
			else {
				ctx.db.prepare('DELETE FROM person_name WHERE id = ?').run(n.id);
				moved.twins.push(n);
			}
		for (const c of all<{ id: string }>(
			'SELECT id FROM person_contact WHERE person_id = ?',
			gone.id
		)) {
			ctx.db
				.prepare('UPDATE person_contact SET person_id = ?, position = position + 20 WHERE id = ?')
				.run(keep.id, c.id);
			moved.contacts.push(c.id);
		}
		for (const c of all<{ category: string }>(
			'SELECT category FROM person_category WHERE person_id = ?',
			gone.id
		))
			if (
				ctx.db
					.prepare('INSERT OR IGNORE INTO person_category (person_id, category) VALUES (?, ?)')
					.run(keep.id, c.category).changes
			)
				moved.categories.push(c.category);
		for (const c of all<{ id: string }>('SELECT id FROM person WHERE parent_id = ?', gone.id)) {
			ctx.db.prepare('UPDATE person SET parent_id = ? WHERE id = ?').run(keep.id, c.id);
			moved.children.push(c.id);
		}
		for (const f of all<{ matter_id: string; fact: string; row: number }>(
			'SELECT matter_id, fact, row FROM matter_fact WHERE value = ?',
			gone.id
		)) {
			ctx.db
				.prepare('UPDATE matter_fact SET value = ? WHERE matter_id = ? AND fact = ? AND row = ?')
				.run(keep.id, f.matter_id, f.fact, f.row);
			moved.facts.push([f.matter_id, f.fact, f.row]);
		}
		for (const x of all<{ id: string }>('SELECT id FROM witness WHERE person_id = ?', gone.id))
			if (
				ctx.db.prepare('UPDATE OR IGNORE witness SET person_id = ? WHERE id = ?').run(keep.id, x.id)
					.changes
			)
				moved.witnesses.push(x.id);
		if (!keep.parent_id && gone.parent_id && gone.parent_id !== keep.id) {
			ctx.db.prepare('UPDATE person SET parent_id = ? WHERE id = ?').run(gone.parent_id, keep.id);
			moved.parent = true;
		}
		if (fold(gone.name) !== fold(keep.name)) {
			addName(ctx, keep.id, 'alias', gone.name);
			moved.added = fold(gone.name);
		}
		ctx.db
			.prepare('UPDATE person SET merged_into = ?, version = version + 1 WHERE id = ?')
			.run(keep.id, gone.id);
		ctx.db.prepare('UPDATE person SET version = version + 1 WHERE id = ?').run(keep.id);
		const mergeId = newId('mrg');
		ctx.db
			.prepare(
				'INSERT INTO person_merge (id, kept_id, gone_id, moved, by, at) VALUES (?, ?, ?, ?, ?, ?)'
			)
			.run(mergeId, keep.id, gone.id, JSON.stringify(moved), staffOf(ctx).id, ctx.clock.now());
		scribe.note({ kept: keep.id, gone: gone.id, merge: mergeId });
		for (const m of new Set(
			all<{ matter_id: string }>(
				'SELECT matter_id FROM matter_role WHERE id IN (SELECT value FROM json_each(?))',
				JSON.stringify(moved.roles)
			).map((r) => r.matter_id)
		))
			scribe.log(
				m,
				'people',
				`${gone.name} is the same as ${keep.name}: their cards were merged.`,
				`/people/${keep.id}`
			);
		return { mergeId, keepId: keep.id };
	}
});

/** Takes a merge apart: what moved goes back where it still is. */
export const undoMerge = command({
	name: 'undo merge',
	action: 'person.edit',
	input: z.object({ mergeId: id('a merge') }),
	run(ctx, i, scribe) {
		const g = ctx.db
			.prepare<
				[string],
				{ id: string; kept_id: string; gone_id: string; moved: string; undone_at: string | null }
			>('SELECT * FROM person_merge WHERE id = ?')
			.get(i.mergeId);
		if (!g) throw new NotFound('merge');
		const keep = thePerson(ctx, g.kept_id);
		if (g.undone_at) throw new Refused('This merge was taken apart already.');
		if (!mayMerge(ctx, staffOf(ctx), keep.id))
			throw new Refused('The card is on a matter that is not yours to see. Ask the docket clerk.');
		const later = ctx.db
			.prepare<[string, string], { n: number }>(
				'SELECT count(*) AS n FROM person_merge WHERE kept_id = ? AND undone_at IS NULL AND id > ?'
			)
			.get(g.kept_id, g.id)!.n;
		if (later)
			throw new Refused('Another card was merged into this one later: take that apart first.');
		const m = JSON.parse(g.moved) as Moved;
		const gone = g.gone_id;
		ctx.db
			.prepare('UPDATE person SET merged_into = NULL, version = version + 1 WHERE id = ?')
			.run(gone);
		for (const r of m.roles)
			ctx.db
				.prepare('UPDATE OR IGNORE matter_role SET person_id = ? WHERE id = ? AND person_id = ?')
				.run(gone, r, keep.id);
		for (const r of m.doubled)
			ctx.db
				.prepare(
					'INSERT OR IGNORE INTO matter_role (id, matter_id, person_id, role, note, from_day, to_day) VALUES (?, ?, ?, ?, ?, ?, ?)'
				)
				.run(r.id, r.matter_id, gone, r.role, r.note, r.from_day, r.to_day);
		for (const n of m.names)
			ctx.db
				.prepare('UPDATE OR IGNORE person_name SET person_id = ? WHERE id = ? AND person_id = ?')
				.run(gone, n, keep.id);
		for (const n of m.twins)
			ctx.db
				.prepare(
					'INSERT OR IGNORE INTO person_name (id, person_id, kind, name, folded) VALUES (?, ?, ?, ?, ?)'
				)
				.run(n.id, gone, n.kind, n.name, n.folded);
		for (const c of m.contacts)
			ctx.db
				.prepare(
					'UPDATE person_contact SET person_id = ?, position = position - 20 WHERE id = ? AND person_id = ?'
				)
				.run(gone, c, keep.id);
		for (const c of m.categories)
			ctx.db
				.prepare('DELETE FROM person_category WHERE person_id = ? AND category = ?')
				.run(keep.id, c);
		for (const c of m.children)
			ctx.db
				.prepare('UPDATE person SET parent_id = ? WHERE id = ? AND parent_id = ?')
				.run(gone, c, keep.id);
		for (const [matter, fact, row] of m.facts)
			ctx.db
				.prepare(
					'UPDATE matter_fact SET value = ? WHERE matter_id = ? AND fact = ? AND row = ? AND value = ?'
				)
				.run(gone, matter, fact, row, keep.id);
		for (const x of m.witnesses)
			ctx.db
				.prepare('UPDATE OR IGNORE witness SET person_id = ? WHERE id = ? AND person_id = ?')
				.run(gone, x, keep.id);
		if (m.parent) ctx.db.prepare('UPDATE person SET parent_id = NULL WHERE id = ?').run(keep.id);
		if (m.added)
			ctx.db
				.prepare("DELETE FROM person_name WHERE person_id = ? AND folded = ? AND kind = 'alias'")
				.run(keep.id, m.added);
		ctx.db.prepare('UPDATE person SET version = version + 1 WHERE id = ?').run(keep.id);
		ctx.db.prepare('UPDATE person_merge SET undone_at = ? WHERE id = ?').run(ctx.clock.now(), g.id);
		scribe.note({ kept: keep.id, back: gone, merge: g.id });
		return { personId: gone };
	}
});
