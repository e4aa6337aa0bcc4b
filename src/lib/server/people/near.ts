/** Cards whose names are near to a name. Runs in a worker: it compares with every card there is. */
import { compareNames } from '#core/people/compare.ts';
import { nameForm, type NameForm } from '#core/people/name-form.ts';
import { cardVisible } from '#server/access/visibility.ts';
import type { Db } from '#server/db/open.ts';
import { iterate } from '#server/db/sql.ts';

export type NearName = { id: string; name: string; strength: number };
export type NearQuery = {
	/** The id of who asks: cards of restricted matters are left out for others. */
	me: string;
	name: string;
	/** 0 to 100. */
	least: number;
};

/** Shorter names are near to too many. */
const SHORTEST = 3;
const SHOWN = 8;
/** Forms kept from question to question; making them costs more than comparing. */
const FORMS_KEPT = 50_000;
const forms = new Map<string, NameForm>();

function formOf(name: string): NameForm {
	let form = forms.get(name);
	if (!form) {
		if (forms.size > FORMS_KEPT) forms.clear();
		forms.set(name, (form = nameForm(name)));
	}
	return form;
}

/** Cards whose name, other or former name may be this one, the strongest first. */
export function findNearNames(db: Db, { me, name, least }: NearQuery): NearName[] {
	const form = nameForm(name);
	if (form.joined.length < SHORTEST) return [];
	const best = new Map<string, NearName>();
	const rows = iterate<{ id: string; name: string; other: string }>(
		db,
		`SELECT p.id, p.name, p.name AS other
		FROM person p
		WHERE ${cardVisible('p')}
		UNION ALL
		SELECT p.id, p.name, n.name
		FROM person_name n
		JOIN person p ON p.id = n.person_id
		WHERE ${cardVisible('p')}`,
		{ me }
	);
	for (const row of rows) {
		const { strength } = compareNames(form, formOf(row.other));
		if (strength < least || strength <= (best.get(row.id)?.strength ?? 0)) continue;
		best.set(row.id, { id: row.id, name: row.name, strength });
	}
	return [...best.values()].sort((a, b) => b.strength - a.strength).slice(0, SHOWN);
}
