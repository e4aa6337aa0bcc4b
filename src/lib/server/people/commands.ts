import { z } from 'zod';
import { fold } from '#core/people/names.ts';
import { command, NotFound, Refused, type Ctx } from '../command.ts';
import { id, maybeText, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { theMatter } from '../trust/scope.ts';

const email = maybeText('The mail address', 200).refine((s) => s === '' || /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(s), 'This is not a mail address.');

/** Makes a card; inside another command's transaction. An equal name is refused, so that the card that exists is used. */
export function makePerson(ctx: Ctx, p: { kind: 'person' | 'organization'; name: string; email?: string; phone?: string; note?: string; formerNames?: string }): string {
	const folded = fold(p.name);
	if (folded === '') throw new Refused('A name needs letters or digits.', 'name');
	const same = ctx.db.prepare<[string], { name: string }>('SELECT name FROM person WHERE folded = ?').get(folded);
	if (same) throw new Refused(`There is a card for ${same.name} already. Choose it, or tell the two apart in the name.`, 'opponentName');
	const personId = newId('per');
	ctx.db.prepare('INSERT INTO person (id, kind, name, folded, former_names, email, phone, note, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)')
		.run(personId, p.kind, p.name, folded, p.formerNames ?? '', p.email ?? '', p.phone ?? '', p.note ?? '', ctx.clock.now());
	return personId;
}

export const addPerson = command({
	name: 'add person',
	action: 'person.edit',
	input: z.object({ kind: z.enum(['person', 'organization']), name: text('The name', 200), email, phone: maybeText('The phone', 60), note: maybeText('The note', 2000), formerNames: maybeText('Former names', 500) }),
	run(ctx, p, scribe) {
		const personId = makePerson(ctx, p);
		scribe.note({ person: personId, name: p.name });
		return { personId };
	}
});

export const MATTER_ROLES = ['opponent', 'opposing counsel', 'outside counsel', 'counterparty', 'agency', 'witness', 'expert', 'insurer', 'judge'] as const;

export const addRole = command({
	name: 'add role',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), personId: id('a person'), role: z.enum(MATTER_ROLES, { error: 'Choose a role.' }), note: maybeText('The note', 500) }),
	run(ctx, r, scribe) {
		const m = theMatter(ctx, r.matterId);
		const p = ctx.db.prepare<[string], { name: string }>('SELECT name FROM person WHERE id = ?').get(r.personId);
		if (!p) throw new NotFound('person');
		const done = ctx.db.prepare('INSERT OR IGNORE INTO matter_role (id, matter_id, person_id, role, note) VALUES (?, ?, ?, ?, ?)').run(newId('rol'), m.id, r.personId, r.role, r.note);
		if (done.changes === 0) throw new Refused(`${p.name} has this role already.`, 'personId');
		scribe.matter(m.id);
		scribe.note({ person: r.personId, role: r.role });
		scribe.log(m.id, 'people', `${p.name} added as ${r.role}.`);
	}
});
