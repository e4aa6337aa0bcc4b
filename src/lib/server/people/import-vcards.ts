/**
 * vCards in: the whole file is read and judged before the first card is made, then made in pieces
 * so that nobody waits.
 */
import { z } from 'zod';
import { foldName } from '#core/people/names.ts';
import type { Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { valueOf } from '#server/app/errors.ts';
import { pause } from '#server/app/pause.ts';
import { update } from '#server/db/sql.ts';
import { MEGABYTE } from '#server/files/media.ts';
import { CONTACT_KINDS, findSameName } from './card.ts';
import type { PersonRow } from './rows.ts';
import { readVcardsTask } from './tasks.ts';
import type { ReadCard } from './vcard-read.ts';
import { insertCategories, insertContacts, insertName, insertPerson } from './write-card.ts';

/** Cards made in one transaction: some milliseconds of the server's loop. */
const PIECE = 50;

const cardSchema = z.object({
	name: z.string(),
	kind: z.enum(['person', 'organization']),
	organization: z.string(),
	aliases: z.array(z.string()),
	former: z.array(z.string()),
	contacts: z.array(
		z.object({ kind: z.enum(CONTACT_KINDS), label: z.string(), value: z.string() })
	),
	categories: z.array(z.string()),
	note: z.string()
});

/** Makes a card of each that is not there yet. */
const addCards = command({
	name: 'import vcards',
	action: 'person.edit',
	input: z.object({ cards: z.array(cardSchema).max(PIECE) }),
	run({ ctx, input: { cards }, record }) {
		const fresh = cards.filter((card) => insertCard(ctx, card));
		const count = { made: fresh.length, known: cards.length - fresh.length };
		record.audit({ cards: cards.length, ...count });
		return count;
	}
});

/** @returns false where there is a card of that name already; it stays as it is */
function insertCard(ctx: Context, card: ReadCard): boolean {
	if (findSameName(ctx, card.name)) return false;
	const id = insertPerson(ctx, { kind: card.kind, name: card.name, note: card.note });
	for (const name of card.aliases) insertName(ctx, id, 'alias', name);
	for (const name of card.former) insertName(ctx, id, 'former', name);
	insertContacts(ctx, id, card.contacts);
	insertCategories(ctx, id, card.categories);
	const parent = foldName(card.organization);
	if (parent && parent !== foldName(card.name))
		update<PersonRow>(
			ctx.db,
			'person',
			{ id },
			{
				parent_id:
					findSameName(ctx, card.organization)?.id ??
					insertPerson(ctx, { kind: 'organization', name: card.organization })
			}
		);
	return true;
}

export const vcardFile = z.object({
	file: z
		.file({ error: 'Choose a vCard file.' })
		.max(20 * MEGABYTE, 'That is too large: at most 20 MB.')
});

/** Takes a file of vCards in. A file with a fault makes no card at all. @throws Refused */
export async function importVcards(
	ctx: Context,
	file: File
): Promise<{ made: number; known: number }> {
	const total = { made: 0, known: 0 };
	const cards = await ctx.work.run(readVcardsTask, { text: await file.text() });
	for (let from = 0; from < cards.length; from += PIECE) {
		const piece = valueOf(addCards(ctx, { cards: cards.slice(from, from + PIECE) }));
		total.made += piece.made;
		total.known += piece.known;
		await pause();
	}
	return total;
}
