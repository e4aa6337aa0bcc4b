/**
 * The demo scenario: Larkhaven Ferries. Everything is made up. Made through the same commands as
 * everything else, with a clock that moves.
 */
import {
	addDays,
	plainDate,
	daysBetween,
	isWeekend,
	toDay,
	type PlainDate
} from '#core/dates/plain.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { makeClock } from '#server/app/clock.ts';
import type { Result } from '#server/app/errors.ts';
import { approveRun, makeRun, sendRun } from '#server/costs/commands.ts';
import { all, exists, one, run, scalar } from '#server/db/sql.ts';
import { checkDeadlines, meetDeadline, vacateDeadline } from '#server/docket/deadlines.ts';
import { enterEvent } from '#server/docket/events.ts';
import { uploadDocument } from '#server/documents/commands.ts';
import { listFolders } from '#server/documents/queries.ts';
import { makePdf } from '#server/files/pdf.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { editMatter } from '#server/matters/edit.ts';
import { addMember } from '#server/matters/members.ts';
import { openMatter } from '#server/matters/open.ts';
import { setSplit } from '#server/costs/split.ts';
import { openApplication } from '#server/open.ts';
import { addPerson } from '#server/people/commands.ts';
import { addRole } from '#server/people/roles.ts';
import { shippedBook } from '#server/rulebooks/shelf.ts';
import { readSettings } from '#server/settings.ts';
import { sign } from '#server/signing/commands.ts';
import { finishRound } from '#server/signing/finish.ts';
import { startRound } from '#server/signing/start.ts';
import { addTask, finishTask } from '#server/tasks/commands.ts';
import { assembleDocument } from '#server/templates/commands.ts';
import { listTemplates } from '#server/templates/queries.ts';
import { logTime, releaseTime } from '#server/time/commands.ts';
import { startTimer } from '#server/time/timers.ts';
import { Chance } from './chance.ts';
import { addDocketDepth } from './docket.ts';
import { addPapers } from './papers.ts';
import { addMarks } from './marks.ts';
import { initialsOf, makeHouse, PEOPLE, UNITS } from './house.ts';
import { addRequestsAndTrials } from './more.ts';
import { addStanding } from './standing.ts';
import * as words from './words.ts';

const settings = readSettings(process.env);
const realClock = makeClock(settings.zone, settings.today);
const today = realClock.today();
const rnd = new Chance(20261123);

const workday = (day: PlainDate): PlainDate =>
	isWeekend(toDay(day)) ? workday(addDays(day, 1)) : day;
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
const app = openApplication(settings, { clock });
const { db } = app;
db.pragma('synchronous = OFF');
await makeHouse(app, true);
const staff = new Map(
	PEOPLE.map((person): [string, Staff] => [
		person.login,
		{
			...person,
			id: `stf_${person.login}`,
			initials: initialsOf(person.name),
			email: `${person.login}@larkhaven.example`
		}
	])
);
const as = (login: string): Context => ({ ...app, actor: { staff: staff.get(login)! } });
function done<T>(result: Result<T>): T {
	if (!result.ok) throw new Error(`${JSON.stringify(result.errors)} on ${at}`);
	return result.value;
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
	const result = await addPerson(as('abernathy'), {
		kind,
		name,
		email: rnd.yes(0.8) ? mail : '',
		phone: rnd.yes(0.5) ? `+1 415 555 01${String(rnd.int(0, 99)).padStart(2, '0')}` : '',
		note: '',
		former: rnd.yes(0.08)
			? org
				? `${rnd.pick(words.ORG_FIRST)} ${rnd.pick(words.ORG_SECOND)}`
				: `${name.split(' ')[0]} ${rnd.pick(words.LAST)}`
			: '',
		sure: true
	});
	if (result.ok) persons.push({ id: result.value.personId, name, kind });
}
const orgs = persons.filter((person) => person.kind === 'organization');
const humans = persons.filter((person) => person.kind === 'person');

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
for (const matter of [...words.MATTERS].sort((a, b) => b.age - a.age)) {
	at = addDays(today, -matter.age);
	const lawyer = matter.lawyer ?? rnd.pick(counsel);
	const unit = UNITS.indexOf(matter.unit);
	const isCase = matter.kind === 'litigation' || matter.kind === 'employment';
	const opponent =
		matter.kind === 'corporate' || matter.kind === 'trademark'
			? null
			: rnd.pick(isCase && rnd.yes(0.4) ? humans : orgs);
	const opened = done(
		await openMatter(as(lawyer), {
			kind: matter.kind,
			title: matter.title,
			unitId: `unit_${unit}`,
			responsibleId: `stf_${lawyer}`,
			opponentId: opponent?.id ?? null,
			opponentName: '',
			rulebook: isCase ? (matter.book ?? 'us-federal.ca-nd') : null,
			restricted: matter.restricted ?? false
		})
	);
	const made: Made = {
		id: opened.matterId,
		number: opened.number,
		title: matter.title,
		kind: matter.kind,
		lawyer,
		team: [lawyer],
		from: at,
		unit,
		restricted: matter.restricted ?? false
	};
	for (const text of new Set([
		rnd.pick(['abernathy', 'fairweather']),
		'castellan',
		...(rnd.yes(0.4) ? [rnd.pick(counsel)] : [])
	]))
		if (text !== lawyer && !made.restricted) {
			done(addMember(as(lawyer), { matterId: made.id, staffId: `stf_${text}` }));
			made.team.push(text);
		}
	if (made.restricted) {
		done(addMember(as(lawyer), { matterId: made.id, staffId: 'stf_castellan' }));
		made.team.push('castellan');
	}
	if (matter.court)
		done(
			editMatter(as(lawyer), {
				matterId: made.id,
				fields: {
					'fact:court': matter.court,
					'fact:case-number': `${rnd.int(1, 4)}:${at.slice(2, 4)}-cv-0${rnd.int(1000, 6999)}`,
					'fact:judge': `Hon. ${rnd.pick(words.FIRST)[0]}. ${rnd.pick(words.LAST)}`,
					cautions: matter.caution ?? ''
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
	if (matter.split) {
		const shares = matter.split.map(([item, pct]) => ({
			unit: `unit_${UNITS.indexOf(item)}`,
			costCenter: `cc_${UNITS.indexOf(item)}0`,
			share: pct * 10_000
		}));
		done(setSplit({ ...as(lawyer) }, { matterId: made.id, from: at, shares }));
	}
	done(writeNote(as(lawyer), { matterId: made.id, words: rnd.pick(words.NOTES) }));
	// What a matter begins with is long done on all but the youngest.
	if (matter.age > 10)
		for (const row of all<{ id: string }>(
			app.db,
			"SELECT id FROM task WHERE matter_id = @matterId AND state = 'open'",
			{ matterId: made.id }
		)) {
			at = addDays(addDays(today, -matter.age), 4);
			done(finishTask(as(lawyer), { taskId: row.id, done: true }));
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
const cal = shippedBook('us-federal').calendar;
let month = addDays(today, -1095).slice(0, 7);
const thisMonth = today.slice(0, 7);
const nextMonth = (text: string) =>
	text.endsWith('-12')
		? `${Number(text.slice(0, 4)) + 1}-01`
		: `${text.slice(0, 5)}${String(Number(text.slice(5)) + 1).padStart(2, '0')}`;
for (; month <= thisMonth; month = nextMonth(month)) {
	const last = month === thisMonth ? today : addDays(plainDate(`${nextMonth(month)}-01`), -1);
	for (at = plainDate(`${month}-01`); at <= last; at = addDays(at, 1)) {
		if (isWeekend(toDay(at)) || cal.closed(toDay(at))) continue;
		for (const [login, most] of Object.entries(hands)) {
			const mine = matters.filter((matter) => matter.team.includes(login) && matter.from <= at);
			for (let n = at === today ? Math.min(1, most) : rnd.int(0, most); n > 0 && mine.length; n--) {
				const made = rnd.pick(mine);
				const [narrative, activity] = rnd.pick(words.WORK);
				done(
					logTime(as(login), {
						matterId: made.id,
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
			exists(app.db, 'SELECT 1 FROM time_entry WHERE released_at IS NOT NULL AND day >= @day', {
				day: `${month}-01`
			})
		) {
			const run = done(makeRun(as('haddad'), { from: `${month}-01`, to: last }));
			done(sendRun(as('haddad'), { runId: run.runId }));
			if (nextMonth(month) !== thisMonth)
				done(await approveRun(as('oyelaran'), { runId: run.runId }));
		}
	}
}

// Events and their dates, in the order they were entered; a few days short of being checked.
const plans = words
	.events(matters, (days) => addDays(today, days))
	.sort((a, b) => (a.entered < b.entered ? -1 : 1));
const dockets = new Map<string, { id: string; title: string; date: string; matter: Made }>();
for (const plan of plans) {
	const made = matters.find((x) => x.title === plan.title)!;
	at = plan.entered < made.from ? made.from : plan.entered;
	const book = shippedBook(
		scalar<string>(app.db, 'SELECT rulebook FROM matter WHERE id = @id', { id: made.id })
	);
	const rules = book.events.get(plan.event)!;
	const item = done(
		enterEvent(as(made.lawyer), {
			matterId: made.id,
			eventKey: plan.event,
			date: plan.date,
			time: plan.time ?? '',
			service: plan.service ?? '',
			name: plan.name ?? '',
			answers: {},
			docket: plan.docket ?? rules.rules.map((x) => x.id)
		})
	);
	for (const row of all<{ id: string; title: string; date: string; state: string; rule: string }>(
		app.db,
		`SELECT id, title, date, state, rule
		FROM deadline
		WHERE event_id = @eventId AND state = 'docketed'`,
		{ eventId: item.eventId }
	)) {
		dockets.set(row.id, { ...row, matter: made });
		if (!plan.unchecked) done(checkDeadlines(as('castellan'), { deadlineIds: [row.id] }));
		const from = daysBetween(today, row.date as PlainDate);
		if (from < 0 && !(plan.missed && row.rule === plan.missed)) {
			const keep = at;
			at = addDays(row.date as PlainDate, -rnd.int(0, 2));
			if (at < keep) at = keep;
			if (rnd.yes(0.9))
				done(
					meetDeadline(as(made.lawyer), {
						deadlineId: row.id,
						on: at,
						proof: rnd.yes(0.6) ? `ECF ${rnd.int(8, 90)}` : ''
					})
				);
			else
				done(
					vacateDeadline(as(made.lawyer), {
						deadlineId: row.id,
						reason: 'Withdrawn by the other side.'
					})
				);
			at = keep;
		}
	}
}

// Tasks: some hang on dates, some are late, some are done.
at = addDays(today, -6);
for (const docket of [...dockets.values()].filter((x) => x.date > addDays(today, 2)).slice(0, 16))
	done(
		addTask(as(docket.matter.lawyer), {
			matterId: docket.matter.id,
			subject: `Draft: ${docket.title.toLowerCase()}`,
			assigneeId: `stf_${rnd.pick(docket.matter.team)}`,
			due: null,
			deadlineId: docket.id,
			offsetDays: rnd.pick([2, 3, 5, 10]),
			offsetUnit: 'cd'
		})
	);
const pier = matters.find((matter) => matter.title === 'Pier 9 passenger fall')!;
const of = (title: string) =>
	[...dockets.values()].find((docket) => docket.matter === pier && docket.title === title)!.id;
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
for (const [i, made] of matters.entries()) {
	for (let n = rnd.int(0, 3); n > 0; n--) {
		const item = done(
			addTask(as(made.lawyer), {
				matterId: made.id,
				subject: rnd.pick(words.TASKS),
				assigneeId: `stf_${rnd.pick(made.team)}`,
				due: workday(addDays(today, rnd.int(-4, 21))),
				deadlineId: null
			})
		);
		if (rnd.yes(0.3)) done(finishTask(as(made.lawyer), { taskId: item.taskId, done: true }));
	}
	if (i % 3 === 0)
		done(writeNote(as(rnd.pick(made.team)), { matterId: made.id, words: rnd.pick(words.NOTES) }));
}

// Documents: letters assembled, papers filed; some are signed, some are with signers.
const letter = listTemplates(app);
const papers: { id: string; matter: Made; name: string }[] = [];
for (let i = 0; i < 58; i++) {
	const item = i >= 40 && i % 3 === 0 ? pier : matters[i % matters.length]!;
	at = addDays(today, -rnd.int(1, Math.max(2, Math.min(300, daysBetween(item.from, today) - 1))));
	if (i < 8) {
		const other = letter[i % letter.length]!;
		const each = done(
			await assembleDocument(as(item.lawyer), {
				matterId: item.id,
				templateId: other.id,
				name: `${other.name}, ${item.title}`,
				values: {
					'recipient.name': rnd.pick(humans).name,
					'recipient.address': `${rnd.int(10, 990)} Harbor Street`,
					purpose:
						'We write to agree on a timetable for the next steps and ask for your answer within ten days.',
					'matter.court': 'the court',
					'matter.caseNumber': 'to follow',
					'opponent.name': 'the other side'
				}
			})
		);
		papers.push({ id: each.pdfId, matter: item, name: other.name });
		continue;
	}
	const [name, folder] = rnd.pick(words.PAPERS);
	const pdf = await makePdf({
		info: { title: name },
		content: [
			{ text: 'Larkhaven Ferries', bold: true, margin: [0, 0, 0, 24] },
			{ text: name, fontSize: 20, margin: [0, 0, 0, 10] },
			{ text: `${item.title}, ${item.number}`, color: '#4a5b62', margin: [0, 0, 0, 20] },
			...Array.from({ length: rnd.int(4, 8) }, () => ({
				text: Array.from({ length: rnd.int(2, 4) }, () => rnd.pick(words.SENTENCES)).join(' '),
				margin: [0, 0, 0, 10] as [number, number, number, number]
			})),
			{ text: '______________________________', margin: [0, 60, 0, 0] },
			{ text: 'Signed' }
		]
	});
	const found = done(
		await uploadDocument(as(rnd.pick(item.team)), {
			matterId: item.id,
			name,
			folder: listFolders(app, item).includes(folder) ? folder : 'Correspondence',
			mark: rnd.yes(0.2) ? 'privileged' : rnd.yes(0.15) ? 'confidential' : '',
			file: new File([new Uint8Array(pdf)], `${name}.pdf`)
		})
	);
	papers.push({ id: found.documentId, matter: item, name });
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
for (const [i, item] of papers
	.filter((x) => !x.matter.restricted)
	.slice(0, 6)
	.entries()) {
	at = addDays(today, -[0, 2, 2, 9, 14, 20][i]!);
	if (at < item.matter.from) continue;
	const lawyer = staff.get(item.matter.lawyer)!;
	const outside = rnd.pick(humans);
	const other = done(
		await startRound(as(item.matter.lawyer), {
			documentId: item.id,
			title: `${item.name}, ${item.matter.title}`,
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
			await sign(as(item.matter.lawyer), {
				door: { signerId: other.signerIds[0]! },
				values: Object.fromEntries(
					all<{ id: string }>(
						app.db,
						"SELECT id FROM signing_field WHERE kind = 'signature' AND signer_id = @signerId",
						{ signerId: other.signerIds[0]! }
					).map((row) => [row.id, lawyer.name])
				),
				consent: true,
				address: '127.0.0.1',
				agent: 'demo'
			})
		);
	if (i > 2) {
		// The outside signer's own door: its link was mailed; only its hash is kept.
		const mail = one<{ text: string }>(
			app.db,
			'SELECT text FROM mail_out WHERE recipient LIKE @recipient ORDER BY id DESC LIMIT 1',
			{ recipient: `%signer${i}@mail.example%` }
		);
		const token = /\/sign\/(\S+)/.exec(mail.text)![1]!;
		done(
			await sign(
				{ ...app, actor: { guest: 'signer' } },
				{
					door: { token },
					values: Object.fromEntries(
						all<{ id: string }>(
							app.db,
							"SELECT id FROM signing_field WHERE kind = 'signature' AND signer_id = @signerId",
							{ signerId: other.signerIds[1]! }
						).map((row) => [row.id, outside.name])
					),
					consent: true,
					address: '203.0.113.7',
					agent: 'demo'
				}
			)
		);
		await finishRound(app, other.roundId);
	}
}

const setDay = (day: PlainDate) => void (at = day);
const scene = { as, done, at: setDay, world: app, today, matters, humans, orgs };
await addRequestsAndTrials(scene);
await addDocketDepth(scene);
await addPapers(scene);
addMarks(scene);
addStanding(scene);

// Old mail has long been read; the last days' waits for the Post room.
run(db, 'DELETE FROM mail_out WHERE queued_at < @queuedAt', {
	queuedAt: `${addDays(today, -6)}T00:00:00.000Z`
});
at = today;
done(
	startTimer(
		{
			...as('okafor'),
			clock: {
				...clock,
				now: () => new Date(Date.parse(realClock.now()) - 42 * 60_000).toISOString()
			}
		},
		{ matterId: pier.id, words: 'Answer, second draft' }
	)
);
db.pragma('synchronous = FULL');
db.exec('ANALYZE');
db.close();
