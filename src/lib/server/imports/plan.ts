/** What an import would do, row by row, before anything is done: the fate of each, and why. */
import { fold } from '#core/people/names.ts';
import { compareNames, nameForm, type NameForm } from '#core/people/match.ts';
import { readDate } from '#core/dates/read.ts';
import { readFact } from '#core/matters/kind.ts';
import type { Staff, World } from '../command.ts';
import { cardVisible } from '../trust/scope.ts';
import { kinds } from '../matters/kinds.ts';
import type { Table } from './read.ts';

export type What = 'units' | 'people' | 'matters';
type FieldDef = { key: string; name: string; needed?: boolean; also: string[]; sample: string[] };
export const FIELDS: Record<What, FieldDef[]> = {
	units: [
		{
			key: 'unit',
			name: 'Business unit',
			needed: true,
			also: ['unit', 'department', 'division'],
			sample: ['Passenger', 'Passenger', 'Harbor Tours']
		},
		{
			key: 'code',
			name: 'Cost center',
			also: ['code', 'cost center code', 'center'],
			sample: ['4100', '4110', '4700']
		},
		{
			key: 'name',
			name: 'Name of the cost center',
			also: ['cost center name', 'center name', 'description'],
			sample: ['San Francisco Bay', 'New York Harbor', 'Sightseeing']
		}
	],
	people: [
		{
			key: 'name',
			name: 'Name',
			needed: true,
			also: ['full name', 'company', 'display name'],
			sample: ['Halina Ironwood', 'Quoin Staffing LLC']
		},
		{
			key: 'kind',
			name: 'Person or organization',
			also: ['kind', 'type'],
			sample: ['person', 'organization']
		},
		{
			key: 'mail',
			name: 'Mail',
			also: ['email', 'e-mail', 'mail address'],
			sample: ['halina.ironwood@mail.example', 'office@quoin.example']
		},
		{
			key: 'phone',
			name: 'Phone',
			also: ['telephone', 'tel', 'mobile'],
			sample: ['+1 415 555 0110', '']
		},
		{
			key: 'address',
			name: 'Address',
			also: ['street', 'postal address'],
			sample: ['12 Wharf Street, Harborview', '']
		},
		{
			key: 'former',
			name: 'Former names',
			also: ['former name', 'maiden name', 'previously'],
			sample: ['Halina Brightwater', '']
		},
		{
			key: 'aliases',
			name: 'Also known as',
			also: ['alias', 'aliases', 'trading as'],
			sample: ['', 'Quoin Crew']
		},
		{
			key: 'parent',
			name: 'Parent organization',
			also: ['parent', 'parent company', 'belongs to'],
			sample: ['', '']
		},
		{
			key: 'categories',
			name: 'Categories',
			also: ['category', 'tags'],
			sample: ['expert', 'supplier, crew']
		},
		{ key: 'note', name: 'Note', also: ['notes', 'comment'], sample: ['', ''] }
	],
	matters: [
		{
			key: 'title',
			name: 'Title',
			needed: true,
			also: ['matter', 'matter title', 'caption'],
			sample: ['Berth 6 dredging claim', 'Crew training agreement']
		},
		{
			key: 'kind',
			name: 'Kind',
			needed: true,
			also: ['matter kind', 'type'],
			sample: ['Litigation', 'Agreement review']
		},
		{
			key: 'unit',
			name: 'Business unit',
			needed: true,
			also: ['unit', 'client'],
			sample: ['Terminals', 'Corporate']
		},
		{
			key: 'lawyer',
			name: 'Responsible lawyer',
			needed: true,
			also: ['lawyer', 'responsible', 'attorney', 'login'],
			sample: ['okafor', 'Tamsin Wardle']
		},
		{
			key: 'opened',
			name: 'Opened on',
			also: ['opened', 'open date', 'date opened'],
			sample: ['2025-03-14', '2 June 2026']
		},
		{ key: 'priority', name: 'Priority', also: [], sample: ['high', ''] },
		{
			key: 'party',
			name: 'Other side',
			also: ['opponent', 'counterparty', 'party', 'agency'],
			sample: ['Sablewood Dredging Co.', 'Quoin Staffing LLC']
		},
		{
			key: 'partyKind',
			name: 'Other side is',
			also: ['party kind', 'party type'],
			sample: ['organization', 'organization']
		},
		{
			key: 'counsel',
			name: 'Opposing counsel',
			also: ['their counsel'],
			sample: ['Gannet Advocates LLP', '']
		},
		{
			key: 'reference',
			name: 'Their number',
			also: ['reference', 'external number', 'claim number'],
			sample: ['INS-44-2025', '']
		},
		{ key: 'court', name: 'Court', also: [], sample: ['N.D. Cal., San Francisco', ''] },
		{
			key: 'case-number',
			name: 'Case number',
			also: ['case no', 'case no.'],
			sample: ['3:25-cv-01234', '']
		},
		{
			key: 'note',
			name: 'First note',
			also: ['note', 'notes', 'description'],
			sample: ['Taken over from the old list.', '']
		}
	]
};

/** Which column goes to which field: as remembered, else by the names of the columns. */
export function guess(
	what: What,
	head: readonly string[],
	remembered: Record<string, string> | null
): Record<string, string> {
	const out: Record<string, string> = {};
	for (const f of FIELDS[what]) {
		const kept = remembered?.[f.key];
		if (kept !== undefined) {
			if (head.includes(kept)) out[f.key] = kept;
			continue;
		}
		const names = [f.name, f.key, ...f.also].map((n) => n.toLowerCase());
		const col = head.find((h) => names.includes(h.toLowerCase())) ?? '';
		if (col && !Object.values(out).includes(col)) out[f.key] = col;
	}
	return out;
}

export type Fate = { n: number; fate: 'new' | 'known' | 'fault'; say: string; what: string };
export type Values = Record<string, string>;
export type Plan = {
	rows: (Fate & { values: Values })[];
	made: number;
	known: number;
	faults: number;
};

type Judge = (v: Values) => Pick<Fate, 'fate' | 'say'>;
/** One who judges rows, and remembers those before: the second of two alike is told so. */
export const judgeFor = (w: World, me: Staff, what: What): Judge =>
	what === 'units' ? units(w) : what === 'people' ? people(w, me) : matters(w, me);
/** The fate of some rows. */
export function planRows(
	judge: Judge,
	what: What,
	t: Table,
	mapping: Record<string, string>
): Plan {
	const at = Object.fromEntries(
		Object.entries(mapping).map(([k, col]) => [k, t.head.indexOf(col)])
	);
	const rows = t.rows.map((r) => {
		const values: Values = Object.fromEntries(
			FIELDS[what].map((f) => [
				f.key,
				at[f.key] === undefined || at[f.key] === -1 ? '' : (r.cells[at[f.key]!] ?? '')
			])
		);
		const missing = FIELDS[what].find((f) => f.needed && !values[f.key]);
		const long = FIELDS[what].find(
			(f) =>
				(values[f.key]?.length ?? 0) > (f.key === 'note' ? 4000 : f.key === 'title' ? 500 : 300)
		);
		const j = missing
			? bad(`${missing.name} is missing.`)
			: long
				? bad(`${long.name} is too long.`)
				: judge(values);
		return { n: r.n, values, what: values.name || values.title || values.unit || '', ...j };
	});
	const n = (f: Fate['fate']) => rows.filter((r) => r.fate === f).length;
	return { rows, made: n('new'), known: n('known'), faults: n('fault') };
}
const ok = (say = ''): Pick<Fate, 'fate' | 'say'> => ({ fate: 'new', say });
const known = (say: string): Pick<Fate, 'fate' | 'say'> => ({ fate: 'known', say });
const bad = (say: string): Pick<Fate, 'fate' | 'say'> => ({ fate: 'fault', say });

function units(w: World): Judge {
	const codes = new Map(
		w.db
			.prepare<[], { code: string; unit: string; name: string }>(
				'SELECT c.code, u.name AS unit, c.name FROM cost_center c JOIN business_unit u ON u.id = c.unit_id'
			)
			.all()
			.map((c) => [c.code, c])
	);
	const names = new Set(
		w.db
			.prepare<[], { name: string }>('SELECT name FROM business_unit')
			.all()
			.map((u) => u.name)
	);
	return (v) => {
		if (v.unit!.length > 80)
			return bad('The name of the business unit is longer than 80 characters.');
		if (!v.code) {
			if (names.has(v.unit!)) return known('The business unit is there already.');
			names.add(v.unit!);
			return ok('new business unit');
		}
		if (!v.name) return bad('The cost center has a code and no name.');
		const had = codes.get(v.code);
		if (had)
			return had.unit === v.unit
				? known('The cost center is there already.')
				: bad(`Cost center ${v.code} belongs to ${had.unit}.`);
		codes.set(v.code, { code: v.code, unit: v.unit!, name: v.name });
		const fresh = !names.has(v.unit!);
		names.add(v.unit!);
		return ok(fresh ? 'new business unit with its cost center' : 'new cost center');
	};
}

export const orgLike = (name: string): boolean =>
	/\b(inc|llc|llp|ltd|limited|corp|corporation|company|co|gmbh|plc|partners|bank|agency|department|city|county|authority|group)\b\.?/i.test(
		name
	);
export const kindOfPerson = (v: Values): 'person' | 'organization' | null =>
	!v.kind
		? orgLike(v.name ?? '')
			? 'organization'
			: 'person'
		: /^(p|person|individual|natural person)$/i.test(v.kind)
			? 'person'
			: /^(o|org|organi[sz]ation|company|firm|entity)$/i.test(v.kind)
				? 'organization'
				: null;

function people(w: World, me: Staff): Judge {
	const cards = w.db
		.prepare<unknown[], { name: string; folded: string }>(
			`SELECT p.name, p.folded FROM person p WHERE ${cardVisible('p')} UNION ALL SELECT p.name, n.folded FROM person_name n JOIN person p ON p.id = n.person_id WHERE ${cardVisible('p')}`
		)
		.all({ me: me.id });
	const exact = new Map(cards.map((c) => [c.folded, c.name]));
	// Near names share a beginning of one of their words: asking only those keeps 5,000 rows quick.
	const heads = new Map<string, { name: string; form: NameForm }[]>();
	const put = (name: string, said: string) => {
		const form = nameForm(said);
		for (const t of new Set(form.tokens.map((x) => x.slice(0, 3)))) {
			const l = heads.get(t);
			if (l) l.push({ name, form });
			else heads.set(t, [{ name, form }]);
		}
	};
	for (const c of cards) put(c.name, c.folded);
	return (v) => {
		const folded = fold(v.name!);
		if (folded === '') return bad('A name needs letters or digits.');
		if (v.name!.length > 200) return bad('The name is longer than 200 characters.');
		if (kindOfPerson(v) === null) return bad(`“${v.kind}” is neither person nor organization.`);
		if (v.mail && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(v.mail))
			return bad(`${v.mail} is not a mail address.`);
		if (v.parent && fold(v.parent) === folded)
			return bad('Nobody is their own parent organization.');
		const had = exact.get(folded);
		if (had) return known(`There is a card for ${had} already: it stays as it is.`);
		const form = nameForm(v.name!);
		let near: { name: string; s: number } | undefined;
		for (const t of new Set(form.tokens.map((x) => x.slice(0, 3))))
			for (const c of heads.get(t) ?? []) {
				const s = compareNames(form, c.form).strength;
				if (s >= 88 && s > (near?.s ?? 0)) near = { name: c.name, s };
			}
		exact.set(folded, v.name!);
		put(v.name!, v.name!);
		return ok(near ? `new card; near to ${near.name}, look at both afterwards` : 'new card');
	};
}

export function lawyerOf(w: World, words: string): string | undefined {
	return w.db
		.prepare<[string, string, string], { id: string }>(
			"SELECT id FROM staff WHERE active = 1 AND role <> 'business-partner' AND (login = lower(?) OR lower(name) = lower(?) OR lower(email) = lower(?))"
		)
		.get(words, words, words)?.id;
}
function matters(w: World, me: Staff): Judge {
	const all = kinds(w).filter((k) => k.active);
	const unitNames = new Set(
		w.db
			.prepare<[], { name: string }>('SELECT lower(name) AS name FROM business_unit')
			.all()
			.map((u) => u.name)
	);
	const titles = new Set<string>();
	const there = w.db.prepare<unknown[], { number: string }>(
		`SELECT m.number FROM matter m WHERE m.title = @title AND m.restricted = 0 AND @me IS NOT NULL`
	);
	return (v) => {
		const kind = all.find(
			(k) => k.name.toLowerCase() === v.kind!.toLowerCase() || k.id === v.kind!.toLowerCase()
		);
		if (!kind)
			return bad(`There is no kind “${v.kind}”. Kinds are: ${all.map((k) => k.name).join(', ')}.`);
		if (!unitNames.has(v.unit!.toLowerCase()))
			return bad(`There is no business unit “${v.unit}”. Import the business units first.`);
		if (!lawyerOf(w, v.lawyer!))
			return bad(
				`There is no lawyer “${v.lawyer}”: write the login, the name or the mail address.`
			);
		if (v.opened) {
			const d = readDate(v.opened, w.clock.today());
			if ('error' in d) return bad(`Opened on: ${d.error}`);
			if (d.date > w.clock.today()) return bad('Opened on: that day has not come yet.');
		}
		if (v.priority && !['high', 'normal', 'low'].includes(v.priority.toLowerCase()))
			return bad(`“${v.priority}” is no priority: high, normal or low.`);
		for (const key of ['court', 'case-number'] as const)
			if (v[key]) {
				const f = kind.facts.find((x) => x.key === key && !x.retired);
				if (!f)
					return bad(
						`${kind.name} has no fact for “${key === 'court' ? 'Court' : 'Case number'}”.`
					);
				const r = readFact(f, v[key]!, '', w.clock.today());
				if ('error' in r) return bad(r.error);
			}
		if (v.partyKind && kindOfPerson({ kind: v.partyKind }) === null)
			return bad(`“${v.partyKind}” is neither person nor organization.`);
		if (v.party && fold(v.party) === '')
			return bad('The other side’s name needs letters or digits.');
		const same = there.get({ title: v.title, me: me.id });
		if (same) return known(`${same.number} has this title already: it stays as it is.`);
		if (titles.has(v.title!)) return bad('Another row has this title.');
		titles.add(v.title!);
		return ok(`new ${kind.name.toLowerCase()}`);
	};
}
