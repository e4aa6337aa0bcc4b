/** vCards in: all of a file or none of it. */
import { z } from 'zod';
import { fold } from '#core/people/names.ts';
import { command, Refused, staffOf } from '../command.ts';
import { cardVisible } from '../trust/scope.ts';
import { addContact, addName, makePerson } from './commands.ts';
import { readVcards } from './vcard.ts';

export const importCards = command({
	name: 'import vcards',
	action: 'person.edit',
	input: z.object({ text: z.string().max(20_000_000, 'The file is too large.') }),
	run(ctx, i, scribe) {
		const r = readVcards(i.text);
		if ('error' in r) throw new Refused(`${r.error} Nothing was taken in.`, 'file');
		const find = (name: string) =>
			ctx.db
				.prepare<unknown[], { id: string }>(
					`SELECT p.id FROM person p WHERE p.folded = @f AND ${cardVisible('p')}`
				)
				.get({ f: fold(name), me: staffOf(ctx).id })?.id;
		let made = 0,
			known = 0;
		for (const [n, c] of r.cards.entries()) {
			if (find(c.name)) {
				known++;
				continue;
			}
			try {
				const personId = makePerson(ctx, { kind: c.kind, name: c.name, note: c.note });
				for (const a of c.aliases) addName(ctx, personId, 'alias', a);
				for (const f of c.former) addName(ctx, personId, 'former', f);
				c.contacts.forEach((x, position) =>
					addContact(ctx, personId, {
						kind: x.kind as 'mail',
						label: x.label,
						value: x.kind === 'web' && !/^https?:/i.test(x.value) ? `https://${x.value}` : x.value,
						position
					})
				);
				for (const cat of new Set(c.categories))
					ctx.db
						.prepare('INSERT OR IGNORE INTO person_category (person_id, category) VALUES (?, ?)')
						.run(personId, cat.slice(0, 60));
				if (c.org && fold(c.org) && fold(c.org) !== fold(c.name))
					ctx.db
						.prepare('UPDATE person SET parent_id = ? WHERE id = ?')
						.run(
							find(c.org) ?? makePerson(ctx, { kind: 'organization', name: c.org.slice(0, 200) }),
							personId
						);
				made++;
			} catch (e) {
				if (e instanceof Refused)
					throw new Refused(`Card ${n + 1}, ${c.name}: ${e.message} Nothing was taken in.`, 'file');
				throw e;
			}
		}
		scribe.note({ cards: r.cards.length, made, known });
		return { made, known };
	}
});
