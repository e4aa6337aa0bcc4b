/** The demo scenario: Larkhaven Ferries. Everything is made up. Made through the same commands as everything else, with a clock that moves. */
import { addDays, date, daysBetween, isWeekend, toDay, type PlainDate } from '#core/dates/plain.ts';
import { rulebook } from '#server/docket/books.ts';
import type { Ctx, Result, Staff, World } from '#server/command.ts';
import { addTask, finishTask } from '#server/agenda/commands.ts';
import { approveRun, makeRun, sendRun } from '#server/costs/commands.ts';
import {
	assembleDocument,
	assembleFiles,
	foldersOf,
	store,
	templates,
	uploadDocument
} from '#server/documents/commands.ts';
import { makePdf } from '#server/documents/pdf.ts';
import {
	checkDeadline,
	enterEvent,
	meetDeadline,
	vacateDeadline
} from '#server/docket/commands.ts';
import {
	editMatter,
	addMember,
	openMatter,
	setSplit,
	writeNote
} from '#server/matters/commands.ts';
import { addPerson, addRole } from '#server/people/commands.ts';
import { finishRound, sign, startRound } from '#server/signing/commands.ts';
import { logTime, releaseTime, startTimer } from '#server/time/commands.ts';
import { openWorld, readSettings } from '#server/world.ts';
import { Chance } from './chance.ts';
import { makeHouse, PEOPLE, UNITS } from './house.ts';
import { deepen } from './docket.ts';
import { enrich } from './more.ts';
import * as words from './words.ts';

const settings = readSettings(process.env);
const world = openWorld(settings);
world.db.pragma('synchronous = OFF');
const today = world.clock.today();
const rnd = new Chance(20261123);

const workday = (d: PlainDate): PlainDate => (isWeekend(toDay(d)) ? workday(addDays(d, 1)) : d);
let at: PlainDate = today;
let tick = 0;
/** The demo's own clock: a day, and seconds that go on from nine in the morning (17:00 UTC). */
const clock = {
	zone: 'America/Los_Angeles',
	today: () => at,
	now: () =>
		new Date(
			Date.UTC(
				Number(at.slice(0, 4)),
				Number(at.slice(5, 7)) - 1,
				Number(at.slice(8, 10)),
				17,
				0,
				0
			) +
				(tick++ % 20_000) * 1000
		).toISOString()
};
const w: World = { ...world, clock };
await makeHouse(w, true);
const staff = new Map(
	PEOPLE.map(([login, name, role, level]) => [
		login as string,
		{
			id: `stf_${login}`,
			login,
			name,
			initials: name
				.split(' ')
				.map((n) => n[0])
				.join(''),
			email: `${login}@larkhaven.example`,
			role,
			level
		} as Staff
	])
);
const as = (login: string): Ctx => ({ ...w, actor: { staff: staff.get(login)! } });
function done<T>(r: Result<T>): T {
	if (!r.ok) throw new Error(`${JSON.stringify(r.errors)} on ${at}`);
	return r.value;
}

// People and organizations.
at = addDays(today, -1150);
const persons: { id: string; name: string; kind: 'person' | 'organization' }[] = [];
const names = new Set<string>();
while (persons.length < 200) {
	const org = persons.length % 2 === 0;
	const name = org
		? `${rnd.pick(words.ORG_FIRST)} ${rnd.pick(words.ORG_SECOND)} ${rnd.pick(words.ORG_KIND)}`
		: `${rnd.pick(words.FIRST)} ${rnd.pick(words.LAST)}`;
	if (names.has(name)) continue;
	names.add(name);
	const kind = org ? ('organization' as const) : ('person' as const);
	const mail = `${name
		.toLowerCase()
		.normalize('NFKD')
		.replace(/[^a-z ]/g, '')
		.split(' ')
		.slice(0, 2)
		.join('.')}@${org ? 'firm' : 'mail'}.example`;
	const r = addPerson(as('abernathy'), {
		kind,
		name,
		email: rnd.yes(0.8) ? mail : '',
		phone: rnd.yes(0.5) ? `+1 415 555 01${String(rnd.int(0, 99)).padStart(2, '0')}` : '',
		note: '',
		formerNames: rnd.yes(0.08)
			? org
				? `${rnd.pick(words.ORG_FIRST)} ${rnd.pick(words.ORG_SECOND)}`
				: `${name.split(' ')[0]} ${rnd.pick(words.LAST)}`
			: ''
	});
	if (r.ok) persons.push({ id: r.value.personId, name, kind });
}
const orgs = persons.filter((p) => p.kind === 'organization');
const humans = persons.filter((p) => p.kind === 'person');

// Matters, oldest first.
type Made = {
	id: string;
	number: string;
	title: string;
	kind: string;
	lawyer: string;
	team: string[];
	from: PlainDate;
	unit: number;
	restricted: boolean;
};
const matters: Made[] = [];
const counsel = ['okafor', 'wardle', 'quiroga', 'lindqvist', 'reyes'];
for (const m of [...words.MATTERS].sort((a, b) => b.age - a.age)) {
	at = addDays(today, -m.age);
	const lawyer = m.lawyer ?? rnd.pick(counsel);
	const unit = UNITS.indexOf(m.unit);
	const isCase = m.kind === 'litigation' || m.kind === 'employment';
	const opponent =
		m.kind === 'corporate' || m.kind === 'trademark'
			? null
			: rnd.pick(isCase && rnd.yes(0.4) ? humans : orgs);
	const opened = done(
		openMatter(as(lawyer), {
			kind: m.kind,
			title: m.title,
			unitId: `unit_${unit}`,
			responsibleId: `stf_${lawyer}`,
			opponentId: opponent?.id ?? null,
			opponentName: '',
			rulebook: isCase ? (m.book ?? 'us-federal.ca-nd') : null,
			restricted: m.restricted ?? false
		})
	);
	const made: Made = {
		id: opened.matterId,
		number: opened.number,
		title: m.title,
		kind: m.kind,
		lawyer,
		team: [lawyer],
		from: at,
		unit,
		restricted: m.restricted ?? false
	};
	for (const p of new Set([
		rnd.pick(['abernathy', 'fairweather']),
		'castellan',
		...(rnd.yes(0.4) ? [rnd.pick(counsel)] : [])
	]))
		if (p !== lawyer && !made.restricted) {
			done(addMember(as(lawyer), { matterId: made.id, staffId: `stf_${p}` }));
			made.team.push(p);
		}
	if (made.restricted) {
		done(addMember(as(lawyer), { matterId: made.id, staffId: 'stf_castellan' }));
		made.team.push('castellan');
	}
	if (m.court)
		done(
			editMatter(as(lawyer), {
				matterId: made.id,
				fields: {
					'fact:court': m.court,
					'fact:case-number': `${rnd.int(1, 4)}:${at.slice(2, 4)}-cv-0${rnd.int(1000, 6999)}`,
					'fact:judge': `Hon. ${rnd.pick(words.FIRST)[0]}. ${rnd.pick(words.LAST)}`,
					cautions: m.caution ?? ''
				}
			})
		);
	for (const role of isCase
		? (['opposing counsel', 'witness', 'insurer'] as const)
		: (['outside counsel'] as const))
		if (rnd.yes(0.75))
			addRole(as(lawyer), {
				matterId: made.id,
				personId: rnd.pick(role === 'witness' ? humans : orgs).id,
				role,
				note: ''
			});
	if (m.split) {
		const shares = m.split.map(([u, pct]) => ({
			unit: `unit_${UNITS.indexOf(u)}`,
			costCenter: `cc_${UNITS.indexOf(u)}0`,
			share: pct * 10_000
		}));
		done(setSplit({ ...as(lawyer) }, { matterId: made.id, from: at, shares }));
	}
	done(writeNote(as(lawyer), { matterId: made.id, words: rnd.pick(words.NOTES) }));
	// What a matter begins with is long done on all but the youngest.
	if (m.age > 10)
		for (const t of w.db
			.prepare<[string], { id: string }>(
				"SELECT id FROM task WHERE matter_id = ? AND state = 'open'"
			)
			.all(made.id)) {
			at = addDays(addDays(today, -m.age), 4);
			done(finishTask(as(lawyer), { taskId: t.id, done: true }));
		}
	matters.push(made);
}

// Time, three years, month by month, each month closed by a cost run.
const hands: Record<string, number> = {
	okafor: 2,
	wardle: 3,
	quiroga: 3,
	lindqvist: 3,
	reyes: 3,
	abernathy: 2,
	fairweather: 2,
	castellan: 1
};
const cal = rulebook('us-federal').calendar;
let month = addDays(today, -1095).slice(0, 7);
const thisMonth = today.slice(0, 7);
const nextMonth = (m: string) =>
	m.endsWith('-12')
		? `${Number(m.slice(0, 4)) + 1}-01`
		: `${m.slice(0, 5)}${String(Number(m.slice(5)) + 1).padStart(2, '0')}`;
for (; month <= thisMonth; month = nextMonth(month)) {
	const last = month === thisMonth ? today : addDays(date(`${nextMonth(month)}-01`), -1);
	for (at = date(`${month}-01`); at <= last; at = addDays(at, 1)) {
		if (isWeekend(toDay(at)) || cal.closed(toDay(at))) continue;
		for (const [login, most] of Object.entries(hands)) {
			const mine = matters.filter((m) => m.team.includes(login) && m.from <= at);
			for (let n = at === today ? Math.min(1, most) : rnd.int(0, most); n > 0 && mine.length; n--) {
				const m = rnd.pick(mine);
				const [narrative, activity] = rnd.pick(words.WORK);
				done(
					logTime(as(login), {
						matterId: m.id,
						day: at,
						hours: `${rnd.int(2, 24) * 6}m`,
						narrative: narrative.replace('{person}', rnd.pick(humans).name),
						activity
					})
				);
			}
		}
	}
	at = last;
	if (month !== thisMonth) {
		for (const login of Object.keys(hands))
			if (!(login === 'reyes' && nextMonth(month) === thisMonth))
				releaseTime(as(login), { upTo: last });
		at = addDays(last, 4);
		// The first month may have too few days for anyone to have worked on anything.
		if (
			w.db
				.prepare('SELECT 1 FROM time_entry WHERE released_at IS NOT NULL AND day >= ?')
				.get(`${month}-01`)
		) {
			const run = done(makeRun(as('haddad'), { from: `${month}-01`, to: last }));
			done(sendRun(as('haddad'), { runId: run.runId }));
			if (nextMonth(month) !== thisMonth) done(approveRun(as('oyelaran'), { runId: run.runId }));
		}
	}
}

// Events and their dates, in the order they were entered; a few days short of being checked.
const plans = words
	.events(matters, (days) => addDays(today, days))
	.sort((a, b) => (a.entered < b.entered ? -1 : 1));
const dockets = new Map<string, { id: string; title: string; date: string; matter: Made }>();
for (const p of plans) {
	const m = matters.find((x) => x.title === p.title)!;
	at = p.entered < m.from ? m.from : p.entered;
	const book = rulebook(
		w.db
			.prepare<[string], { rulebook: string }>('SELECT rulebook FROM matter WHERE id = ?')
			.get(m.id)!.rulebook
	);
	const rules = book.events.get(p.event)!;
	const r = done(
		enterEvent(as(m.lawyer), {
			matterId: m.id,
			eventKey: p.event,
			date: p.date,
			time: p.time ?? '',
			service: p.service ?? '',
			name: p.name ?? '',
			answers: {},
			docket: p.docket ?? rules.rules.map((x) => x.id)
		})
	);
	for (const d of w.db
		.prepare<[string], { id: string; title: string; date: string; state: string; rule: string }>(
			"SELECT id, title, date, state, rule FROM deadline WHERE event_id = ? AND state = 'docketed'"
		)
		.all(r.eventId)) {
		dockets.set(d.id, { ...d, matter: m });
		if (!p.unchecked) done(checkDeadline(as('castellan'), { deadlineId: d.id }));
		const from = daysBetween(today, d.date as PlainDate);
		if (from < 0 && !(p.missed && d.rule === p.missed)) {
			const keep = at;
			at = addDays(d.date as PlainDate, -rnd.int(0, 2));
			if (at < keep) at = keep;
			if (rnd.yes(0.9))
				done(
					meetDeadline(as(m.lawyer), {
						deadlineId: d.id,
						on: at,
						proof: rnd.yes(0.6) ? `ECF ${rnd.int(8, 90)}` : ''
					})
				);
			else
				done(
					vacateDeadline(as(m.lawyer), { deadlineId: d.id, reason: 'Withdrawn by the other side.' })
				);
			at = keep;
		}
	}
}

// Tasks: some hang on dates, some are late, some are done.
at = addDays(today, -6);
for (const d of [...dockets.values()].filter((x) => x.date > addDays(today, 2)).slice(0, 16))
	done(
		addTask(as(d.matter.lawyer), {
			matterId: d.matter.id,
			subject: `Draft: ${d.title.toLowerCase()}`,
			assigneeId: `stf_${rnd.pick(d.matter.team)}`,
			due: null,
			deadlineId: d.id,
			offsetDays: rnd.pick([2, 3, 5, 10]),
			offsetUnit: 'cd'
		})
	);
const pier = matters.find((m) => m.title === 'Pier 9 passenger fall')!;
const of = (title: string) =>
	[...dockets.values()].find((d) => d.matter === pier && d.title === title)!.id;
for (const [subject, who, title, days] of [
	['File the answer', 'castellan', 'Answer or Rule 12 motion', 0],
	['Draft the joint report', 'lindqvist', "Parties' conference", 3],
	['List the custodians', 'fairweather', "Parties' conference", 8],
	['Retain the gangway expert', 'okafor', 'Expert disclosures', 60],
	['Exhibit list, first cut', 'fairweather', 'Pretrial disclosures', 15]
] as const)
	done(
		addTask(as('okafor'), {
			matterId: pier.id,
			subject,
			assigneeId: `stf_${pier.team.includes(who) ? who : 'okafor'}`,
			due: null,
			deadlineId: of(title),
			offsetDays: days,
			offsetUnit: 'cd'
		})
	);
for (const [i, m] of matters.entries()) {
	for (let n = rnd.int(0, 3); n > 0; n--) {
		const t = done(
			addTask(as(m.lawyer), {
				matterId: m.id,
				subject: rnd.pick(words.TASKS),
				assigneeId: `stf_${rnd.pick(m.team)}`,
				due: workday(addDays(today, rnd.int(-4, 21))),
				deadlineId: null
			})
		);
		if (rnd.yes(0.3)) done(finishTask(as(m.lawyer), { taskId: t.taskId, done: true }));
	}
	if (i % 3 === 0)
		done(writeNote(as(rnd.pick(m.team)), { matterId: m.id, words: rnd.pick(words.NOTES) }));
}

// Documents: letters assembled, papers filed; some are signed, some are with signers.
const letter = templates(w);
const papers: { id: string; m: Made; name: string }[] = [];
for (let i = 0; i < 58; i++) {
	const m = i >= 40 && i % 3 === 0 ? pier : matters[i % matters.length]!;
	at = addDays(today, -rnd.int(1, Math.max(2, Math.min(300, daysBetween(m.from, today) - 1))));
	if (i < 8) {
		const t = letter[i % letter.length]!;
		const made = await assembleFiles(w, staff.get(m.lawyer)!, m.number, t.id, {
			'recipient.name': rnd.pick(humans).name,
			'recipient.address': `${rnd.int(10, 990)} Harbor Street`,
			purpose:
				'We write to agree on a timetable for the next steps and ask for your answer within ten days.',
			'matter.court': 'the court',
			'matter.caseNumber': 'to follow',
			'opponent.name': 'the other side'
		});
		const d = done(
			assembleDocument(as(m.lawyer), {
				matterId: m.id,
				templateId: t.id,
				name: `${t.name}, ${m.title}`,
				docx: made.docx,
				pdf: made.pdf
			})
		);
		papers.push({ id: d.pdfId, m, name: t.name });
		continue;
	}
	const [name, folder] = rnd.pick(words.PAPERS);
	const pdf = await makePdf({
		info: { title: name },
		content: [
			{ text: 'Larkhaven Ferries', bold: true, margin: [0, 0, 0, 24] },
			{ text: name, fontSize: 20, margin: [0, 0, 0, 10] },
			{ text: `${m.title}, ${m.number}`, color: '#4a5b62', margin: [0, 0, 0, 20] },
			...Array.from({ length: rnd.int(4, 8) }, () => ({
				text: Array.from({ length: rnd.int(2, 4) }, () => rnd.pick(words.SENTENCES)).join(' '),
				margin: [0, 0, 0, 10] as [number, number, number, number]
			})),
			{ text: '______________________________', margin: [0, 60, 0, 0] },
			{ text: 'Signed' }
		]
	});
	const d = done(
		uploadDocument(as(rnd.pick(m.team)), {
			matterId: m.id,
			name,
			folder: foldersOf(w, m).includes(folder) ? folder : 'Correspondence',
			mark: rnd.yes(0.2) ? 'privileged' : rnd.yes(0.15) ? 'confidential' : '',
			file: await store(w, `${name}.pdf`, pdf)
		})
	);
	papers.push({ id: d.documentId, m, name });
}
const spot = (signer: number) => [
	{
		signer,
		kind: 'signature' as const,
		page: 0,
		x: 0.12 + signer * 0.35,
		y: 0.8,
		w: 0.3,
		h: 0.045,
		label: ''
	},
	{
		signer,
		kind: 'date' as const,
		page: 0,
		x: 0.12 + signer * 0.35,
		y: 0.86,
		w: 0.2,
		h: 0.022,
		label: ''
	}
];
for (const [i, p] of papers
	.filter((x) => !x.m.restricted)
	.slice(0, 6)
	.entries()) {
	at = addDays(today, -[0, 2, 2, 9, 14, 20][i]!);
	if (at < p.m.from) continue;
	const lawyer = staff.get(p.m.lawyer)!;
	const outside = rnd.pick(humans);
	const r = done(
		startRound(as(p.m.lawyer), {
			documentId: p.id,
			title: `${p.name}, ${p.m.title}`,
			message: 'Please sign when you can.',
			inOrder: true,
			wantedBy: workday(addDays(today, rnd.int(3, 12))),
			expires: null,
			signers: [
				{ name: lawyer.name, email: lawyer.email, staffId: lawyer.id },
				{ name: outside.name, email: `signer${i}@mail.example`, staffId: null }
			],
			fields: [...spot(0), ...spot(1)]
		})
	);
	if (i > 0)
		done(
			sign(as(p.m.lawyer), {
				door: { signerId: r.signerIds[0]! },
				values: Object.fromEntries(
					w.db
						.prepare<[string], { id: string }>(
							"SELECT id FROM signing_field WHERE kind = 'signature' AND signer_id = ?"
						)
						.all(r.signerIds[0]!)
						.map((f) => [f.id, lawyer.name])
				),
				consent: true,
				address: '127.0.0.1',
				agent: 'demo'
			})
		);
	if (i > 2) {
		// The outside signer's own door: its link was mailed; only its hash is kept.
		const mail = w.db
			.prepare<[string], { text: string }>(
				'SELECT text FROM mail_out WHERE recipient LIKE ? ORDER BY id DESC LIMIT 1'
			)
			.get(`%signer${i}@mail.example%`)!;
		const token = /\/sign\/(\S+)/.exec(mail.text)![1]!;
		done(
			sign(
				{ ...w, actor: { guest: 'signer' } },
				{
					door: { token },
					values: Object.fromEntries(
						w.db
							.prepare<[string], { id: string }>(
								"SELECT id FROM signing_field WHERE kind = 'signature' AND signer_id = ?"
							)
							.all(r.signerIds[1]!)
							.map((f) => [f.id, outside.name])
					),
					consent: true,
					address: '203.0.113.7',
					agent: 'demo'
				}
			)
		);
		await finishRound(w, r.roundId);
	}
}

await enrich({ as, done, at: (d) => void (at = d), world: w, today, matters, humans, orgs });
await deepen({ as, done, at: (d) => void (at = d), world: w, today, matters });

// Old mail has long been read; the last days' waits for the Post room.
world.db
	.prepare('DELETE FROM mail_out WHERE queued_at < ?')
	.run(`${addDays(today, -6)}T00:00:00.000Z`);
at = today;
done(
	startTimer(
		{
			...as('okafor'),
			clock: {
				...clock,
				now: () => new Date(Date.parse(world.clock.now()) - 42 * 60_000).toISOString()
			}
		},
		{ matterId: pier.id, words: 'Answer, second draft' }
	)
);
world.db.pragma('synchronous = FULL');
world.db.exec('ANALYZE');
world.db.close();
