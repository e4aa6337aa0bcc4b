/** `npm run bench`: measured in one run, printed as ratios. */
import { addDays as dfAddDays, format, parseISO } from 'date-fns';
import { count, parseAmount } from '#core/docket/count.ts';
import { date, fromDay, toDay, type PlainDate } from '#core/dates/plain.ts';
import { share } from '#core/money/cents.ts';
import { rulebook } from '#server/docket/books.ts';
import { matterList } from '#server/matters/queries.ts';
import { docket } from '#server/docket/queries.ts';
import { search } from '#server/search/queries.ts';
import { testHouse } from '#server/testing.ts';
import { Chance } from '../demo/chance.ts';

const ms = (f: () => void): number => {
	f();
	const runs = Array.from({ length: 5 }, () => { const t = performance.now(); f(); return performance.now() - t; });
	return runs.sort((a, b) => a - b)[2]!;
};
const say = (what: string, ratio: number, goal: string) => console.log(`${what.padEnd(78)} ${ratio.toFixed(2).padStart(8)}   ${goal}`);
const rnd = new Chance(7);

// Counting against a day-by-day loop over a general date library, the same holidays, the same answers.
const book = rulebook('us-federal.ca-nd');
const cases = Array.from({ length: 4000 }, () => ({ from: fromDay(toDay(date('2020-01-01')) + rnd.int(0, 9000)), n: rnd.int(1, 120), unit: rnd.pick(['d', 'cd'] as const) }));
const ours = () => cases.map((c) => count(book.method, book.calendar, { from: c.from, amount: parseAmount(`+${c.n}${c.unit}`), service: 'electronic' }).date);
const holidays = new Set<string>();
for (let d = toDay(date('2019-06-01')); d < toDay(date('2046-01-01')); d++) if (book.calendar.closed(d, 1)?.kind === 'holiday') holidays.add(fromDay(d));
const theirs = () => cases.map((c) => {
	let d = parseISO(c.from);
	const closed = () => d.getDay() === 0 || d.getDay() === 6 || holidays.has(format(d, 'yyyy-MM-dd'));
	for (let left = c.n; left > 0; ) { d = dfAddDays(d, 1); if (c.unit === 'd' || !closed()) left--; }
	while (closed()) d = dfAddDays(d, 1);
	return format(d, 'yyyy-MM-dd') as PlainDate;
});
if (JSON.stringify(ours()) !== JSON.stringify(theirs())) throw new Error('the two counts differ');
say('day-by-day loop over a general date library / our count with its trace', ms(theirs) / ms(ours), 'same answers');

// Lists against their own bare SQL, at size.
const h = await testHouse();
const MATTERS = 20_000;
h.db.transaction(() => {
	const m = h.db.prepare("INSERT INTO matter (id, number, title, kind, status, unit_id, responsible_id, originating_id, restricted, rulebook, opened_on, created_at) VALUES (?, ?, ?, ?, 'open', ?, ?, ?, ?, 'us-federal.ca-nd', '2026-01-05', '2026-01-05T00:00:00.000Z')");
	const e = h.db.prepare("INSERT INTO event (id, matter_id, event_key, text, book, book_version, date, entered_by, entered_at) VALUES (?, ?, 'complaint-filed', 'Complaint filed', 'us-federal.ca-nd', '1', '2026-01-05', 'stf_okafor', '2026-01-05T00:00:00.000Z')");
	const d = h.db.prepare("INSERT INTO deadline (id, matter_id, event_id, rule, title, authority, act, suggested, state, date, trace, book, book_version, docketed_by) VALUES (?, ?, ?, ?, 'Answer', 'Rule', 'file', 0, 'docketed', ?, '[]', 'us-federal.ca-nd', '1', 'stf_okafor')");
	for (let i = 0; i < MATTERS; i++) {
		m.run(`mat_${i}`, `LF-2026-${String(i).padStart(5, '0')}`, `Matter ${rnd.pick(['harbor', 'ramp', 'hull', 'fuel', 'ticket'])} ${i}`, rnd.pick(['litigation', 'agreement', 'corporate']), `unit_${i % 6}`, `stf_${rnd.pick(['okafor', 'wardle', 'quiroga'])}`, 'stf_okafor', i % 20 === 0 ? 1 : 0);
		e.run(`evt_${i}`, `mat_${i}`);
		for (let k = 0; k < 8; k++) d.run(`due_${i}_${k}`, `mat_${i}`, `evt_${i}`, `r${k}`, fromDay(toDay(date('2026-06-01')) + rnd.int(0, 700)));
	}
})();
h.db.exec('ANALYZE');
const me = h.staff('castellan');
const bareMatters = h.db.prepare("SELECT * FROM matter m WHERE m.restricted = 0 ORDER BY m.kind = 'litigation' DESC, m.kind, m.number DESC LIMIT 60");
const bareCount = h.db.prepare('SELECT count(*) FROM matter WHERE restricted = 0');
say(`first page of ${MATTERS} matters / the bare SQL of its rows and count`, ms(() => void matterList(h, me, { who: 'all' })) / ms(() => { bareMatters.all(); bareCount.get(); }), 'at most 3');
const bareDocket = h.db.prepare("SELECT d.*, m.title FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.state = 'docketed' AND m.restricted = 0 ORDER BY d.date, d.id LIMIT 80");
const bareDocketCount = h.db.prepare("SELECT count(*) FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.state = 'docketed' AND m.restricted = 0");
say(`first page of the docket, ${MATTERS * 8} dates / the bare SQL of its rows and count`, ms(() => void docket(h, me, {})) / ms(() => { bareDocket.all(); bareDocketCount.get(); }), 'at most 3');
const bareSearch = h.db.prepare(`SELECT rowid FROM search WHERE search MATCH '"harbor"*' ORDER BY bm25(search, 0, 0, 0, 8, 1) LIMIT 12`);
say('search scoped to the viewer / the bare full-text query', ms(() => void search(h, me, 'harbor')) / ms(() => void bareSearch.all()), '');
say('sharing 1,000 amounts among 6 / 1,000 sums of 6', ms(() => { for (let i = 0; i < 1000; i++) share(i * 997, [1, 2, 3, 4, 5, 6]); }) / Math.max(0.01, ms(() => { for (let i = 0; i < 1000; i++) [1, 2, 3, 4, 5, 6].reduce((a, b) => a + b, i); })), 'exact, in whole numbers');
