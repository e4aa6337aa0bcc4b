/** Measured in one run, printed as ratios. `npm run bench` builds and runs it. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import { addDays as dfAddDays, format, parseISO } from 'date-fns';
import { shareCents } from '#core/costs/money.ts';
import { plainDate, fromDay, toDay, type PlainDate } from '#core/dates/plain.ts';
import { parseAmount } from '#core/docket/amount.ts';
import { count } from '#core/docket/count.ts';
import { propose } from '#core/docket/propose.ts';
import { explainTrace } from '#core/docket/trace.ts';
import { compareNames } from '#core/people/compare.ts';
import { nameForm } from '#core/people/name-form.ts';
import { findEffectsOf } from '#server/docket/effects-query.ts';
import { listDeadlines } from '#server/docket/list.ts';
import { makeInterestReport } from '#server/interest/report.ts';
import { expandName } from '#server/interest/text-hits.ts';
import { loadVocabulary } from '#server/interest/vocabulary.ts';
import { listMatters } from '#server/matters/list.ts';
import { shippedBook } from '#server/rulebooks/shelf.ts';
import { search } from '#server/search/queries.ts';
import { testHouse } from '#server/testing/house.ts';
import { Chance } from '../demo/chance.ts';

const ms = (item: () => void): number => {
	item();
	const runs = Array.from({ length: 5 }, () => {
		const number = performance.now();
		item();
		return performance.now() - number;
	});
	return runs.sort((a, b) => a - b)[2]!;
};
const say = (what: string, ratio: number, goal: string) =>
	console.log(`${what.padEnd(78)} ${ratio.toFixed(2).padStart(8)}   ${goal}`);
const rnd = new Chance(7);

// Counting against a day-by-day loop over a general date library, the same holidays, the same
// answers.
const book = shippedBook('us-federal.ca-nd');
const cases = Array.from({ length: 4000 }, () => ({
	from: fromDay(toDay(plainDate('2020-01-01')) + rnd.int(0, 9000)),
	n: rnd.int(1, 120),
	unit: rnd.pick(['d', 'cd'] as const)
}));
const ours = () =>
	cases.map(
		(item) =>
			count(book.method, book.calendar, {
				from: item.from,
				amount: parseAmount(`+${item.n}${item.unit}`),
				service: 'electronic'
			}).date
	);
const holidays = new Set<string>();
for (let day = toDay(plainDate('2019-06-01')); day < toDay(plainDate('2046-01-01')); day++)
	if (book.calendar.closed(day, 1)?.kind === 'holiday') holidays.add(fromDay(day));
const theirs = () =>
	cases.map((item) => {
		let date = parseISO(item.from);
		const closed = () =>
			date.getDay() === 0 || date.getDay() === 6 || holidays.has(format(date, 'yyyy-MM-dd'));
		for (let left = item.n; left > 0;) {
			date = dfAddDays(date, 1);
			if (item.unit === 'd' || !closed()) left--;
		}
		while (closed()) date = dfAddDays(date, 1);
		return format(date, 'yyyy-MM-dd') as PlainDate;
	});
if (JSON.stringify(ours()) !== JSON.stringify(theirs())) throw new Error('the two counts differ');
const loop = ms(theirs);
say('day-by-day loop of a date library / our count', loop / ms(ours), 'at least 50, same answers');
const explained = () =>
	cases.map(
		(item) =>
			explainTrace(
				count(book.method, book.calendar, {
					from: item.from,
					amount: parseAmount(`+${item.n}${item.unit}`),
					service: 'electronic'
				}).trace
			).length
	);
say(
	'the same loop / our count with its sentences written out',
	loop / ms(explained),
	'for comparison'
);

// A closure over 100,000 docketed dates: what it would change, against the bare counts of the same
// dates.
{
	// In a file, as a real house is: its database is not part of the memory of the preview.
	const folder = mkdtempSync(join(tmpdir(), 'kite-bench-'));
	const house = await testHouse(undefined, join(folder, 'bench.db'));
	const item = 100_000,
		PER = 50;
	const days = Array.from({ length: item }, () =>
		fromDay(toDay(plainDate('2026-05-01')) + rnd.int(0, 200))
	);
	const kinds = shippedBook('us-federal.ca-nd').events.get('interrogatories-served')!;
	house.db.transaction(() => {
		const other = house.db.prepare(
			`INSERT INTO matter (
				id, number, title, kind, status, unit_id, responsible_id, originating_id, restricted,
				rulebook, opened_on, created_at
			)
			VALUES (
				?, ?, 'Matter', 'litigation', 'open', 'unit_0', 'stf_okafor', 'stf_okafor', 0,
				'us-federal.ca-nd', '2026-01-05', '2026-01-05T00:00:00.000Z'
			)`
		);
		const each = house.db.prepare(
			`INSERT INTO event (
				id, matter_id, event_key, text, book, book_version, date, service, entered_by,
				entered_at
			)
			VALUES (
				?, ?, 'interrogatories-served', 'Interrogatories served', 'us-federal.ca-nd', '1', ?,
				'mail', 'stf_okafor', '2026-01-05T00:00:00.000Z'
			)`
		);
		const part = house.db.prepare(
			`INSERT INTO deadline (
				id, matter_id, event_id, rule, title, authority, act, suggested, state, date, trace,
				book, book_version, docketed_by
			)
			VALUES (
				?, ?, ?, ?, 'Answers', 'Rule', 'serve', 0, 'docketed', ?, '[]', 'us-federal.ca-nd', '1',
				'stf_okafor'
			)`
		);
		for (let i = 0; i < item / PER; i++)
			other.run(`mat_${i}`, `LF-2026-${String(i).padStart(5, '0')}`);
		for (let i = 0; i < item; i++) {
			each.run(`evt_${String(i).padStart(6, '0')}`, `mat_${i % (item / PER)}`, days[i]);
			part.run(
				`due_${i}`,
				`mat_${i % (item / PER)}`,
				`evt_${String(i).padStart(6, '0')}`,
				kinds.rules[0]!.id,
				propose(book, {
					event: 'interrogatories-served',
					date: days[i]!,
					service: 'mail',
					answers: {}
				}).deadlines[0]!.date
			);
		}
	})();
	house.db.exec('ANALYZE');
	const closure = {
		book: 'us-federal.ca-nd',
		date: plainDate('2026-08-13'),
		kind: 'holiday' as const,
		name: 'x'
	};
	const bare = () => {
		let n = 0;
		for (const from of days)
			n += propose(book, {
				event: 'interrogatories-served',
				date: from,
				service: 'mail',
				answers: {},
				closures: [closure]
			}).deadlines.length;
		return n;
	};
	let found = 0,
		most = 0;
	const preview = () => {
		found = findEffectsOf(house, { of: 'closures', closures: [closure] }).effects.length;
		most = Math.max(most, process.memoryUsage().rss);
	};
	const ratio = ms(preview) / ms(() => void bare());
	if (found === 0) throw new Error('the closure changes nothing');
	say(
		`a closure previewed over ${item} dates (${found} change) / the bare counts of those dates`,
		ratio,
		'at most 1.2'
	);
	console.log(
		`memory of the whole process at its most while previewing: ${Math.round(most / 1024 / 1024)} MB (under 200)`
	);
	house.db.close();
	rmSync(folder, { recursive: true });
}

// Lists against their own bare SQL, at size.
const house = await testHouse();
const MATTERS = 50_000,
	DATES = 10;
house.db.transaction(() => {
	const item = house.db.prepare(
		`INSERT INTO matter (
			id, number, title, kind, status, unit_id, responsible_id, originating_id, restricted,
			rulebook, opened_on, created_at
		)
		VALUES (
			?, ?, ?, ?, 'open', ?, ?, ?, ?, 'us-federal.ca-nd', '2026-01-05',
			'2026-01-05T00:00:00.000Z'
		)`
	);
	const other = house.db.prepare(
		`INSERT INTO event (
			id, matter_id, event_key, text, book, book_version, date, entered_by, entered_at
		)
		VALUES (
			?, ?, 'complaint-filed', 'Complaint filed', 'us-federal.ca-nd', '1', '2026-01-05',
			'stf_okafor', '2026-01-05T00:00:00.000Z'
		)`
	);
	const each = house.db.prepare(
		`INSERT INTO deadline (
			id, matter_id, event_id, rule, title, authority, act, suggested, state, date, trace, book,
			book_version, docketed_by
		)
		VALUES (
			?, ?, ?, ?, 'Answer', 'Rule', 'file', 0, 'docketed', ?, '[]', 'us-federal.ca-nd', '1',
			'stf_okafor'
		)`
	);
	for (let i = 0; i < MATTERS; i++) {
		item.run(
			`mat_${i}`,
			`LF-2026-${String(i).padStart(5, '0')}`,
			`Matter ${rnd.pick(['harbor', 'ramp', 'hull', 'fuel', 'ticket'])} ${i}`,
			rnd.pick(['litigation', 'agreement', 'corporate']),
			`unit_${i % 6}`,
			`stf_${rnd.pick(['okafor', 'wardle', 'quiroga'])}`,
			'stf_okafor',
			i % 20 === 0 ? 1 : 0
		);
		other.run(`evt_${i}`, `mat_${i}`);
		for (let index = 0; index < DATES; index++)
			each.run(
				`due_${i}_${index}`,
				`mat_${i}`,
				`evt_${i}`,
				`r${index}`,
				fromDay(toDay(plainDate('2026-06-01')) + rnd.int(0, 700))
			);
	}
})();
house.db.exec('ANALYZE');
const me = house.staff('castellan');
const bareMatters = house.db.prepare(
	`SELECT *
	FROM matter m
	WHERE m.restricted = 0
	ORDER BY (SELECT position FROM kind k WHERE k.id = m.kind), m.number DESC
	LIMIT 60`
);
const bareCount = house.db.prepare('SELECT count(*) FROM matter WHERE restricted = 0');
say(
	`first page of ${MATTERS} matters, by kind / the bare SQL of its rows and count`,
	ms(() => void listMatters(house, me, { who: 'all', group: 'kind' })) /
		ms(() => {
			bareMatters.all();
			bareCount.get();
		}),
	'at most 3'
);
const bareHours = house.db.prepare(
	`SELECT m.*, (SELECT sum(t.minutes) FROM time_entry t WHERE t.matter_id = m.id) AS hours
	FROM matter m
	WHERE m.restricted = 0
	ORDER BY hours DESC, m.number DESC
	LIMIT 60`
);
say(
	`first page of ${MATTERS} matters, sorted by hours / the bare SQL of its rows and count`,
	ms(() => void listMatters(house, me, { who: 'all', sort: '-hours' })) /
		ms(() => {
			bareHours.all();
			bareCount.get();
		}),
	'at most 3'
);
const bareDocket = house.db.prepare(
	`SELECT d.*, m.title
	FROM deadline d
	JOIN matter m ON m.id = d.matter_id
	WHERE d.state = 'docketed' AND m.restricted = 0
	ORDER BY d.date, d.id
	LIMIT 80`
);
const bareDocketCount = house.db.prepare(
	`SELECT count(*)
	FROM deadline d
	JOIN matter m ON m.id = d.matter_id
	WHERE d.state = 'docketed' AND m.restricted = 0`
);
say(
	`first page of the docket, ${MATTERS * DATES} dates / the bare SQL of its rows and count`,
	ms(() => void listDeadlines(house, me, {})) /
		ms(() => {
			bareDocket.all();
			bareDocketCount.get();
		}),
	'at most 3'
);

// A million texts: notes with names in them, a twentieth of them in restricted matters.
const LAST = [
		'Brightwater',
		'Cormorant',
		'Eastlake',
		'Fenwright',
		'Gallowglass',
		'Hollingbury',
		'Ironwood',
		'Kestrelby',
		'Lanternhall',
		'Mossgrove'
	],
	FIRST = [
		'Adaeze',
		'Bodil',
		'Caspian',
		'Delphine',
		'Emeka',
		'Fenna',
		'Gideon',
		'Halina',
		'Jorun',
		'Katya'
	];
const WORDS = Array.from(
	{ length: 4000 },
	(_, i) => `w${(i * 7919).toString(36)}${'aeiou'[i % 5]}rt`
);
const TEXTS = 1_000_000;
const put = house.db.prepare(
	"INSERT INTO search_text (kind, ref, matter_id, title, body) VALUES ('note', ?, ?, '', ?)"
);
house.db.transaction(() => {
	for (let i = 0; i < TEXTS; i++)
		put.run(
			`n${i}`,
			`mat_${i % MATTERS}`,
			`${rnd.pick(WORDS)} ${rnd.pick(WORDS)} ${i % 9 === 0 ? `${rnd.pick(FIRST)} ${rnd.pick(LAST)}` : rnd.pick(WORDS)} ${rnd.pick(WORDS)} ${rnd.pick(WORDS)} ${rnd.pick(WORDS)} ${rnd.pick(WORDS)}${i % 20_011 === 0 ? ' Tidewreck Dredging' : ''}`
		);
})();
const bareSearch = (match: string) =>
	house.db
		.prepare('SELECT rowid FROM search WHERE search MATCH ? ORDER BY rank LIMIT 16')
		.all(match);
for (const [what, words, match] of [
	['a rare word', 'tidewreck', '"tidewreck"*'],
	['a common name', 'cormorant', '"cormorant"*'],
	['two words', 'gideon eastlake', '"gideon"* "eastlake"*']
] as const)
	say(
		`search of ${TEXTS} texts, scoped to the viewer, ${what} / the bare full-text query`,
		ms(() => void search(house, me, words)) / ms(() => void bareSearch(match)),
		'at most 2'
	);
const check = (name: string) => makeInterestReport(house.db, { me: me.id, names: [name] });
check('Tidewrack Dredging LLC'); // the vocabulary is read once
for (const name of ['Tidewrack Dredging LLC', 'Eastlake, Gideon']) {
	const { query } = expandName(loadVocabulary(house.db), nameForm(name));
	say(
		`interest check of “${name}”, ${TEXTS} texts / the bare full-text query of its words`,
		ms(() => void check(name)) /
			ms(
				() =>
					void house.db
						.prepare('SELECT rowid FROM search WHERE search MATCH ? ORDER BY rank LIMIT 500')
						.all(query)
			),
		'at most 2'
	);
}

// The labelled pairs of names.
const pairs = parse(readFileSync('bench/names.csv'), { columns: true }) as {
	one: string;
	other: string;
	same: string;
}[];
const said = pairs.map((pair) => ({
	yes: pair.same === 'yes',
	says: compareNames(nameForm(pair.one), nameForm(pair.other)).strength >= 70
}));
const tp = said.filter((x) => x.yes && x.says).length;
say(
	`names: recall over ${pairs.length} labelled pairs`,
	tp / said.filter((x) => x.yes).length,
	'at least 0.98'
);
say('names: precision', tp / said.filter((x) => x.says).length, 'at least 0.9');
// So many sums that the clock can tell them, of which nothing is left out.
let sum = 0;
const amounts = Array.from({ length: 100_000 }, (_, i) => i * 997);
say(
	'sharing 100,000 amounts among 6 / as many sums of 6',
	ms(() => {
		for (const cents of amounts) sum += shareCents(cents, [1, 2, 3, 4, 5, 6])[0]!;
	}) /
		ms(() => {
			for (const cents of amounts) sum += [1, 2, 3, 4, 5, 6].reduce((a, b) => a + b, cents);
		}),
	'exact, in whole numbers'
);
if (!Number.isFinite(sum)) throw new Error('the sums are lost');
