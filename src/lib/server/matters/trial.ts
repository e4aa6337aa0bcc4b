/** The trial view: exhibits and witnesses of a matter. */
import { z } from 'zod';
import { sayDate, date as plain } from '#core/dates/plain.ts';
import { command, NotFound, Refused, type Ctx, type World } from '../command.ts';
import { flag, id, maybeDay, maybeId, maybeText, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { theMatter, type MatterRow } from '../trust/scope.ts';

export const SIDES = { ours: 'ours', theirs: 'theirs', joint: 'joint' } as const;
type ExhibitRow = {
	id: string;
	matter_id: string;
	number: string;
	title: string;
	side: string;
	offered_on: string | null;
	ruling: string | null;
	ruled_on: string | null;
	position: number;
};

/** Numbers for us and for what is joint, letters for the other side: A to Z, then AA. */
export function nextExhibit(taken: readonly string[], side: string): string {
	const letters = (n: number): string =>
		n < 26
			? String.fromCharCode(65 + n)
			: letters(Math.floor(n / 26) - 1) + String.fromCharCode(65 + (n % 26));
	for (let n = 0; ; n++) {
		const s = side === 'theirs' ? letters(n) : String(n + 1);
		if (!taken.includes(s)) return s;
	}
}
const numbers = (ctx: Ctx, matterId: string) =>
	ctx.db
		.prepare<[string], { number: string }>('SELECT number FROM exhibit WHERE matter_id = ?')
		.all(matterId)
		.map((e) => e.number);
function checkDocument(ctx: Ctx, m: MatterRow, documentId: string | null): void {
	if (
		documentId &&
		!ctx.db.prepare('SELECT 1 FROM document WHERE id = ? AND matter_id = ?').get(documentId, m.id)
	)
		throw new Refused('Choose a document of this matter.', 'documentId');
}

export const addExhibit = command({
	name: 'add exhibit',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		title: text('What it is', 300),
		side: z.enum(['ours', 'theirs', 'joint'], { error: 'Choose a side.' }),
		number: maybeText('The number', 20),
		documentId: maybeId
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		checkDocument(ctx, m, i.documentId);
		const taken = numbers(ctx, m.id);
		const number = i.number || nextExhibit(taken, i.side);
		if (taken.includes(number))
			throw new Refused(`There is an exhibit ${number} already.`, 'number');
		const exhibitId = newId('exh');
		ctx.db
			.prepare(
				'INSERT INTO exhibit (id, matter_id, number, side, title, document_id, position) VALUES (?, ?, ?, ?, ?, ?, (SELECT coalesce(max(position), 0) + 1 FROM exhibit WHERE matter_id = ?))'
			)
			.run(exhibitId, m.id, number, i.side, i.title, i.documentId, m.id);
		scribe.matter(m.id);
		scribe.note({ exhibit: exhibitId, number });
		scribe.log(
			m.id,
			'document',
			`Exhibit ${number} (${i.side}): ${i.title}.`,
			i.documentId ? `/documents/${i.documentId}` : `/matters/${m.number}/trial`
		);
		return { exhibitId, number };
	}
});
function theExhibit(ctx: Ctx, exhibitId: string): { e: ExhibitRow; m: MatterRow } {
	const e = ctx.db
		.prepare<[string], ExhibitRow>('SELECT * FROM exhibit WHERE id = ?')
		.get(exhibitId);
	if (!e) throw new NotFound('exhibit');
	return { e, m: theMatter(ctx, e.matter_id) };
}
/** Offered on a day; admitted or excluded on a day, which cannot be before. An empty day takes it back. */
export const changeExhibit = command({
	name: 'change exhibit',
	action: 'matter.edit',
	input: z.object({
		exhibitId: id('an exhibit'),
		offered: maybeDay('The day it was offered'),
		ruling: z.enum(['', 'admitted', 'excluded']).default(''),
		ruledOn: maybeDay('The day of the ruling')
	}),
	run(ctx, i, scribe) {
		const { e, m } = theExhibit(ctx, i.exhibitId);
		const today = ctx.clock.today();
		const offered = i.offered ?? (i.ruling ? (i.ruledOn ?? today) : null);
		const ruled = i.ruling ? (i.ruledOn ?? today) : null;
		if ((offered && offered > today) || (ruled && ruled > today))
			throw new Refused('That day has not come yet.', 'offered');
		if (offered && ruled && ruled < offered)
			throw new Refused('It cannot be ruled on before it is offered.', 'ruledOn');
		ctx.db
			.prepare('UPDATE exhibit SET offered_on = ?, ruling = ?, ruled_on = ? WHERE id = ?')
			.run(offered, i.ruling || null, ruled, e.id);
		scribe.matter(m.id);
		scribe.note({ exhibit: e.id, offered, ruling: i.ruling, ruled });
		scribe.log(
			m.id,
			'document',
			`Exhibit ${e.number}: ${i.ruling ? `${i.ruling} on ${sayDate(plain(ruled!))}` : offered ? `offered on ${sayDate(plain(offered))}` : 'not offered yet'}.`,
			`/matters/${m.number}/trial`
		);
	}
});
export const dropExhibit = command({
	name: 'drop exhibit',
	action: 'matter.edit',
	input: z.object({ exhibitId: id('an exhibit') }),
	run(ctx, i, scribe) {
		const { e, m } = theExhibit(ctx, i.exhibitId);
		if (e.offered_on) throw new Refused(`Exhibit ${e.number} was offered: it stays in the record.`);
		ctx.db.prepare('DELETE FROM date_exhibit WHERE exhibit_id = ?').run(e.id);
		ctx.db.prepare('DELETE FROM exhibit WHERE id = ?').run(e.id);
		scribe.matter(m.id);
		scribe.note({ exhibit: e });
		scribe.log(m.id, 'document', `Exhibit ${e.number} taken off the list: ${e.title}.`);
	}
});

export const addWitness = command({
	name: 'add witness',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		personId: id('a person'),
		side: z.enum(['ours', 'theirs'], { error: 'Choose a side.' }),
		about: maybeText('What they say', 500),
		minutes: z.coerce
			.number({ error: 'Write minutes.' })
			.int('Write whole minutes.')
			.min(0)
			.max(2400)
			.nullish()
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const p = ctx.db
			.prepare<[string, string], { name: string }>(
				'SELECT p.name FROM person p WHERE p.id = ? AND EXISTS (SELECT 1 FROM matter_role r WHERE r.person_id = p.id AND r.matter_id = ?)'
			)
			.get(i.personId, m.id);
		if (!p) throw new Refused('Choose someone who has a role on this matter.', 'personId');
		if (
			ctx.db
				.prepare(
					'INSERT OR IGNORE INTO witness (id, matter_id, person_id, side, about, minutes, position) VALUES (?, ?, ?, ?, ?, ?, (SELECT coalesce(max(position), 0) + 1 FROM witness WHERE matter_id = ?))'
				)
				.run(newId('wit'), m.id, i.personId, i.side, i.about, i.minutes ?? null, m.id).changes === 0
		)
			throw new Refused(`${p.name} is on the list already.`, 'personId');
		scribe.matter(m.id);
		scribe.note({ witness: i.personId });
		scribe.log(
			m.id,
			'people',
			`Witness for ${i.side === 'ours' ? 'our' : 'the other'} side: ${p.name}.`,
			`/matters/${m.number}/trial`
		);
	}
});
type WitnessRow = {
	id: string;
	matter_id: string;
	person_id: string;
	position: number;
	name: string;
};
function theWitness(ctx: Ctx, witnessId: string): { x: WitnessRow; m: MatterRow } {
	const x = ctx.db
		.prepare<[string], WitnessRow>(
			'SELECT x.*, p.name FROM witness x JOIN person p ON p.id = x.person_id WHERE x.id = ?'
		)
		.get(witnessId);
	if (!x) throw new NotFound('witness');
	return { x, m: theMatter(ctx, x.matter_id) };
}
/** Moves a witness up or down in the order, marks them heard, or takes them off the list. */
export const changeWitness = command({
	name: 'change witness',
	action: 'matter.edit',
	input: z.object({
		witnessId: id('a witness'),
		move: z.enum(['', 'up', 'down']).default(''),
		heard: maybeDay('The day'),
		unheard: flag,
		remove: flag
	}),
	run(ctx, i, scribe) {
		const { x, m } = theWitness(ctx, i.witnessId);
		scribe.matter(m.id);
		scribe.note({ witness: x.person_id, move: i.move, heard: i.heard, removed: i.remove });
		if (i.remove) {
			ctx.db.prepare('DELETE FROM witness WHERE id = ?').run(x.id);
			scribe.log(m.id, 'people', `${x.name} taken off the list of witnesses.`);
		} else if (i.move) {
			const other = ctx.db
				.prepare<[string, number], { id: string; position: number }>(
					`SELECT id, position FROM witness WHERE matter_id = ? AND position ${i.move === 'up' ? '<' : '>'} ? ORDER BY position ${i.move === 'up' ? 'DESC' : 'ASC'} LIMIT 1`
				)
				.get(m.id, x.position);
			if (!other) return;
			ctx.db.prepare('UPDATE witness SET position = ? WHERE id = ?').run(other.position, x.id);
			ctx.db.prepare('UPDATE witness SET position = ? WHERE id = ?').run(x.position, other.id);
		} else {
			if (i.heard && i.heard > ctx.clock.today())
				throw new Refused('That day has not come yet.', 'heard');
			ctx.db
				.prepare('UPDATE witness SET heard_on = ? WHERE id = ?')
				.run(i.unheard ? null : i.heard, x.id);
			scribe.log(
				m.id,
				'people',
				i.heard && !i.unheard
					? `${x.name} was heard on ${sayDate(plain(i.heard))}.`
					: `${x.name} is not heard yet.`
			);
		}
	}
});

export type Trial = {
	exhibits: {
		id: string;
		number: string;
		side: string;
		title: string;
		documentId: string | null;
		documentNumber: string | null;
		offered: string | null;
		ruling: string | null;
		ruledOn: string | null;
	}[];
	witnesses: {
		id: string;
		personId: string;
		name: string;
		side: string;
		about: string;
		minutes: number | null;
		heard: string | null;
		phone: string;
	}[];
	dates: {
		title: string;
		date: string;
		state: string;
		checked: boolean;
		kind: 'deadline' | 'hearing';
	}[];
	tasks: { subject: string; due: string | null; who: string }[];
	documents: { id: string; number: string; name: string }[];
};
export function trial(w: World, matterId: string): Trial {
	const all = <T>(sql: string, ...p: unknown[]) =>
		w.db.prepare<unknown[], T>(sql).all(matterId, ...p);
	return {
		exhibits: all(
			'SELECT e.id, e.number, e.side, e.title, e.document_id AS documentId, d.number AS documentNumber, e.offered_on AS offered, e.ruling, e.ruled_on AS ruledOn FROM exhibit e LEFT JOIN document d ON d.id = e.document_id WHERE e.matter_id = ? ORDER BY e.side, length(e.number), e.number'
		),
		witnesses: all(
			"SELECT x.id, p.id AS personId, p.name, x.side, x.about, x.minutes, x.heard_on AS heard, coalesce((SELECT value FROM person_contact c WHERE c.person_id = p.id AND c.kind = 'phone' ORDER BY position LIMIT 1), '') AS phone FROM witness x JOIN person p ON p.id = x.person_id WHERE x.matter_id = ? ORDER BY x.position"
		),
		dates: [
			...all<{ title: string; date: string; state: string; checked: number }>(
				"SELECT title, date, state, checked_by IS NOT NULL AS checked FROM deadline WHERE matter_id = ? AND state = 'docketed'"
			).map((d) => ({ ...d, checked: d.checked === 1, kind: 'deadline' as const })),
			...all<{ title: string; date: string }>(
				"SELECT text || CASE WHEN name = '' THEN '' ELSE ', ' || name END AS title, date FROM event WHERE matter_id = ? AND ahead IN ('hearing','trial') AND date >= ?",
				w.clock.today()
			).map((e) => ({ ...e, state: '', checked: true, kind: 'hearing' as const }))
		].sort((a, b) => (a.date < b.date ? -1 : 1)),
		tasks: all(
			"SELECT t.subject, t.due, s.name AS who FROM task t JOIN staff s ON s.id = t.assignee_id WHERE t.matter_id = ? AND t.state = 'open' ORDER BY t.due IS NULL, t.due"
		),
		documents: all('SELECT id, number, name FROM document WHERE matter_id = ? ORDER BY number')
	};
}
