/** The rest of the scenario: facts of every kind, requests, people with histories, an exhibit list, closed matters, views. */
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import type { Ctx, Result, World } from '#server/command.ts';
import { addTask, finishTask } from '#server/agenda/commands.ts';
import { store } from '#server/documents/commands.ts';
import { decideInterest, checkInterest, matterChecks } from '#server/interest/commands.ts';
import {
	addLink,
	addReference,
	editMatter,
	openMatter,
	pinMatter,
	relateMatters,
	writeNote
} from '#server/matters/commands.ts';
import { saveView } from '#server/matters/listing.ts';
import { closeMatter, setStatus, stillOpen } from '#server/matters/status.ts';
import { addExhibit, addWitness, changeExhibit } from '#server/matters/trial.ts';
import { addRole, editPerson } from '#server/people/commands.ts';
import { cardFields } from '#server/people/queries.ts';
import {
	answerRequest,
	askBack,
	takeRequest,
	turnDown,
	writeRequest
} from '#server/requests/commands.ts';

type M = { id: string; number: string; title: string; kind: string; lawyer: string };
type House = {
	as(login: string): Ctx;
	done<T>(r: Result<T>): T;
	at(d: PlainDate): void;
	world: World;
	today: PlainDate;
	matters: M[];
	humans: { id: string; name: string }[];
	orgs: { id: string; name: string }[];
};

export async function enrich(h: House): Promise<void> {
	const { as, done, today } = h;
	const m = (title: string): M => h.matters.find((x) => x.title === title)!;
	const day = (n: number) => addDays(today, n);
	const facts = (title: string, f: Record<string, string>, by = m(title).lawyer) =>
		done(editMatter(as(by), { matterId: m(title).id, fields: f }));

	// People: who belongs to whom, what else they are called, whom not to write to.
	h.at(day(-200));
	const card = (id: string, change: Partial<Record<string, string>>) => {
		const f = { ...cardFields(h.world, id)!, ...change };
		const version = h.world.db
			.prepare<[string], { version: number }>('SELECT version FROM person WHERE id = ?')
			.get(id)!.version;
		done(
			editPerson(as('abernathy'), {
				personId: id,
				version,
				...f,
				kind: f.kind as 'person',
				status: f.status as 'active'
			})
		);
	};
	for (let i = 0; i < 12; i++) card(h.orgs[i * 3 + 1]!.id, { parent: h.orgs[i * 3]!.id });
	for (const [i, c] of [
		'expert',
		'expert',
		'mediator',
		'supplier',
		'supplier',
		'insurer',
		'board'
	].entries())
		card(h.humans[i * 5]!.id, { categories: c });
	for (const i of [2, 9, 17])
		card(h.orgs[i]!.id, {
			aliases:
				h.orgs[i]!.name.split(' ')
					.slice(0, 2)
					.map((x) => x[0])
					.join('') + ' Group',
			categories: 'supplier'
		});
	card(h.humans[3]!.id, { status: 'do not contact', note: 'Represented: write to counsel only.' });
	card(h.humans[11]!.id, { status: 'inactive' });

	// Matters of the kinds that were not there, and facts on those that were.
	h.at(day(-61));
	const open = (
		kind: string,
		title: string,
		unit: number,
		lawyer: string,
		age: number,
		f: Record<string, string>,
		opponentId: string | null = null
	) => {
		h.at(day(-age));
		const o = done(
			openMatter(as(lawyer), {
				kind,
				title,
				unitId: `unit_${unit}`,
				responsibleId: `stf_${lawyer}`,
				opponentId,
				facts: f
			})
		);
		const made: M = { id: o.matterId, number: o.number, title, kind, lawyer };
		h.matters.push(made);
		h.at(day(Math.min(-1, 3 - age)));
		if (age > 20)
			for (const t of h.world.db
				.prepare<[string], { id: string }>(
					"SELECT id FROM task WHERE matter_id = ? AND state = 'open'"
				)
				.all(made.id))
				done(finishTask(as(lawyer), { taskId: t.id, done: true }));
		return made;
	};
	open(
		'claims',
		'Quay wall damage, Berth 4',
		2,
		'quiroga',
		60,
		{
			'fact:date-of-loss': day(-74),
			'fact:limitation': day(656),
			'fact:place': 'Berth 4, San Francisco',
			'fact:vessel': 'Motor barge, not ours',
			'fact:loss': '184,200.00',
			'fact:reserve': '60,000.00',
			'fact:fault': 'OT',
			'fact:cause':
				'The barge swung on the flood and struck the fender line twice. Two piles are cracked.',
			'group:policies': JSON.stringify([
				{ insurer: h.orgs[4]!.id, policy: 'HM-2026-118', limit: '2,000,000', retained: '50,000' },
				{ insurer: h.orgs[20]!.id, policy: 'XS-77', limit: '5,000,000', retained: '2,000,000' }
			])
		},
		h.orgs[6]!.id
	);
	open('data-incident', 'Ticket kiosk exposure', 4, 'lindqvist', 12, {
		'fact:found': day(-13),
		'fact:began': day(-20),
		'fact:system': 'Ticket kiosks, Pier 2',
		'fact:cause': 'EX',
		'more:cause': 'a test address left open',
		'fact:people-affected': '1,240',
		'fact:health': 'no',
		'fact:payment': 'no',
		'fact:contained': day(-12),
		'group:places': JSON.stringify([
			{ place: 'California', number: '1100' },
			{ place: 'New York', number: '96' },
			{ place: 'Texas', number: '44' }
		])
	});
	open(
		'real-estate',
		'Terminal B ground lease',
		2,
		'reyes',
		90,
		{
			'fact:premises': 'Terminal B, ground floor',
			'fact:we-are': 'Tenant',
			'fact:ends': day(930),
			'fact:option-by': day(380),
			'fact:deposit': '90,000',
			'fact:area': '14,200',
			'group:rents': JSON.stringify([
				{ from: day(-90), rent: '21,500' },
				{ from: day(275), rent: '22,400', note: 'by index' }
			])
		},
		h.orgs[14]!.id
	);
	facts('Pier 9 passenger fall', {
		'fact:room': '4',
		'fact:side': 'Defendant',
		'fact:nature': 'IN',
		'fact:exposure': '275,000',
		'fact:jury': 'yes',
		'fact:date-of-loss': day(-160),
		'fact:insured': 'yes',
		'fact:claim':
			'A passenger fell on the gangway of Pier 9 while boarding in rain. She says the handrail was loose.',
		'group:injuries': JSON.stringify([
			{
				injured: h.humans[7]!.id,
				injury: 'Broken wrist',
				treated: 'Bayview Clinic',
				claimed: '120,000'
			}
		]),
		priority: 'high'
	});
	facts('Fuel supply 2027', {
		'fact:subject': 'Marine gas oil for 2027',
		'fact:sort': 'Supply',
		'fact:value': '4,800,000',
		'fact:starts': day(39),
		'fact:ends': day(403),
		'fact:renews': 'On notice',
		'fact:notice-by': day(342),
		'fact:law': 'California',
		'fact:cap': '1,000,000',
		'fact:paper': 'Theirs'
	});
	facts('Crew agency agreement', {
		'fact:subject': 'Seasonal crew',
		'fact:sort': 'Services',
		'fact:value': '650,000',
		'fact:ends': day(120),
		'fact:renews': 'By itself',
		'fact:notice-by': day(60)
	});
	facts('Solent berth licence', {
		'fact:agency': 'Harbour authority',
		'fact:subject': 'Licence of the Solent berth',
		'fact:permit': 'SB-11',
		'fact:permit-until': day(210)
	});
	facts('Harbor discharge notice', {
		'fact:agency': 'Water board',
		'fact:subject': 'Discharge at Yard 3',
		'fact:notice-of': day(-96),
		'fact:penalty': '38,000',
		priority: 'high'
	});
	facts('Trademark watch', {
		'fact:mark': 'LARKHAVEN',
		'fact:office': 'US',
		'fact:registration': '5,118,204',
		'fact:status': 'Registered',
		'fact:renewal': day(410),
		'group:classes': JSON.stringify([
			{ class: '39', goods: 'Ferry transport of passengers and freight' },
			{ class: '43', goods: 'Catering on board' }
		])
	});
	facts('Chief engineer dismissal', {
		'fact:employee': h.humans[12]!.id,
		'fact:grounds': 'RE',
		'fact:position': 'Chief engineer',
		'fact:pay-at-stake': '210,000',
		'fact:charge-number': '550-2026-01177'
	});
	for (const t of ['Board and securities', 'Subsidiary housekeeping'])
		facts(t, {
			'fact:entity':
				t === 'Board and securities' ? 'Larkhaven Ferries, Inc.' : 'Larkhaven Solent Ltd',
			'fact:annual-report': day(130)
		});

	// Numbers of others, links, relations, pins, questions.
	h.at(day(-20));
	const pier = m('Pier 9 passenger fall'),
		bell = m('Fog bell collision');
	done(addReference(as('okafor'), { matterId: pier.id, whose: 'insurer', number: 'HM 26-40918' }));
	done(
		addReference(as('okafor'), { matterId: pier.id, whose: 'outside counsel', number: '10482-007' })
	);
	done(
		addLink(as('okafor'), {
			matterId: pier.id,
			name: 'Court docket',
			url: 'https://court.example/nd/cases/04417'
		})
	);
	done(
		addLink(as('okafor'), {
			matterId: pier.id,
			name: 'Book a room',
			url: 'https://rooms.larkhaven.example/legal'
		})
	);
	done(
		relateMatters(as('okafor'), {
			matterId: pier.id,
			number: m('Ramp hydraulics failure').number,
			how: 'same facts as'
		})
	);
	done(
		relateMatters(as('okafor'), {
			matterId: bell.id,
			number: m('Breakwater wake damage').number,
			how: 'same facts as'
		})
	);
	for (const t of [pier, m('Fuel supply 2027')])
		done(pinMatter(as('okafor'), { matterId: t.id, pin: true }));
	h.at(day(-3));
	const q = done(
		writeNote(as('castellan'), {
			matterId: pier.id,
			words:
				'@Ines Okafor do we want the joint report under the standing order or the local form? #schedule',
			asks: true
		})
	);
	done(
		writeNote(as('fairweather'), {
			matterId: pier.id,
			words: 'The custodians are listed: eleven people, two shared mailboxes. #evidence'
		})
	);
	h.at(day(-2));
	done(
		writeNote(as('wardle'), {
			matterId: pier.id,
			words: 'The standing order has its own form; I used it last month in LF-2026-0005.',
			answers: q.logId
		})
	);
	done(
		writeNote(as('okafor'), {
			matterId: pier.id,
			words:
				'The handrail was replaced on the day after; the old one is at Yard 3, tagged. #evidence'
		})
	);

	// A trial in sight.
	h.at(day(-8));
	for (const [side, title, offered] of [
		['ours', 'Gangway inspection log, spring', 0],
		['ours', 'Deck camera pictures, 14 seconds', 0],
		['ours', 'Crew training record', 0],
		['theirs', 'Photograph of the handrail', 1],
		['theirs', 'Clinic bill', 1],
		['joint', 'Boarding times of the day', 1]
	] as const) {
		const e = done(
			addExhibit(as('fairweather'), {
				matterId: pier.id,
				side,
				title,
				number: side === 'joint' ? 'J1' : ''
			})
		);
		if (offered)
			done(
				changeExhibit(as('fairweather'), {
					exhibitId: e.exhibitId,
					offered: day(-8),
					ruling: title === 'Clinic bill' ? 'excluded' : 'admitted',
					ruledOn: day(-8)
				})
			);
	}
	for (const [i, about, minutes] of [
		[20, 'Deck hand at the gangway', 30],
		[21, 'Inspected the rail in the spring', 45],
		[22, 'Expert on gangways', 90]
	] as const) {
		const r = done(
			addRole(as('okafor'), {
				matterId: pier.id,
				personId: h.humans[i]!.id,
				role: i === 22 ? 'expert' : 'witness',
				note: about
			})
		);
		done(
			addWitness(as('okafor'), {
				matterId: pier.id,
				personId: r.personId,
				side: 'ours',
				about,
				minutes
			})
		);
	}

	// Matters that ended, one on hold.
	for (const [title, age, why] of [
		['Uniform supply', 40, 'Signed'],
		['Insurance program', 75, 'Placed for the year'],
		['Tug standby, Galveston', 110, 'Ended by its term'],
		['Liquor permits, three vessels', 160, 'All three issued'],
		['Customs bond renewal', 12, 'Renewed']
	] as const) {
		h.at(day(-age));
		const x = m(title),
			o = stillOpen(h.world, x.id);
		done(
			closeMatter(as(x.lawyer), {
				matterId: x.id,
				reason: why,
				deadlines: Object.fromEntries(o.deadlines.map((d) => [d.id, 'vacate'])),
				tasks: Object.fromEntries(o.tasks.map((t) => [t.id, 'done'])),
				rounds: Object.fromEntries(o.rounds.map((r) => [r.id, 'withdraw']))
			})
		);
	}
	h.at(day(-15));
	done(
		setStatus(as(m('Route data license').lawyer), {
			matterId: m('Route data license').id,
			status: 'on hold',
			reason: 'The business unit waits for its budget.'
		})
	);
	// Checks of the openings were decided, but for the latest.
	const staffOf = (login: string) => {
		const a = as(login).actor;
		return 'staff' in a ? a.staff : null;
	};
	for (const x of h.matters.slice(0, -3))
		for (const c of matterChecks(h.world, staffOf(x.lawyer)!, x.id))
			if (!c.decision)
				done(
					decideInterest(as(x.lawyer), {
						checkId: c.id,
						decision: c.report.names.some((n) => n.hits.length) ? 'waived' : 'clear',
						reason: c.report.names.some((n) => n.hits.length)
							? 'Known from earlier matters; no conflict between them.'
							: 'Nothing found.'
					})
				);
	h.at(day(-1));
	done(
		checkInterest(as('okafor'), {
			names: `${h.orgs[6]!.name}\nTidewreck Dredging\n${h.humans[7]!.name.split(' ').reverse().join(', ')}`
		})
	);

	// Requests in every state.
	const ask = (about: string, words: string, age: number, more: object = {}) => {
		h.at(day(-age));
		return done(
			writeRequest(as('tarrant'), {
				about,
				words,
				unitId: 'unit_4',
				urgency: 'normal',
				send: true,
				...more
			})
		).requestId;
	};
	const a = ask(
		'Coffee supplier wants to raise prices',
		'They point at a clause on raw coffee. Is that allowed before the anniversary?',
		6,
		{
			counterparty: h.orgs[3]!.name,
			urgency: 'soon',
			wantedBy: day(7),
			files: [
				await store(
					h.world,
					'price-letter.txt',
					Buffer.from('We refer to clause 7 and raise all prices by nine percent.')
				)
			]
		}
	);
	h.at(day(-5));
	done(takeRequest(as('abernathy'), { requestId: a }));
	done(
		askBack(as('abernathy'), {
			requestId: a,
			words: 'Can you send the signed agreement of last year?'
		})
	);
	ask(
		'Film crew on the Pier 2 ferry',
		'They want two days on board in March. Is there a form of agreement?',
		2,
		{ wantedBy: day(20) }
	);
	ask(
		'Passenger wants refund and threatens the press',
		'Missed connection in fog; asks for a hotel. Letter attached.',
		0,
		{
			urgency: 'urgent',
			wantedBy: day(3),
			files: [
				await store(
					h.world,
					'letter.txt',
					Buffer.from('I waited four hours in the fog and nobody told me anything.')
				)
			]
		}
	);
	const b = ask('May we use the old logo on mugs?', 'For the anniversary.', 18);
	h.at(day(-17));
	done(
		turnDown(as('reyes'), {
			requestId: b,
			reason: 'The old mark lapsed and is registered by someone else now. Use the present one.'
		})
	);
	const c = ask('Card terminals: new provider', 'The present contract ends in spring.', 34, {
		counterparty: h.orgs[8]!.name
	});
	h.at(day(-33));
	done(
		openMatter(as('wardle'), {
			kind: 'agreement',
			title: 'Card terminals, new provider',
			unitId: 'unit_4',
			responsibleId: 'stf_wardle',
			opponentId: h.orgs[8]!.id,
			requestId: c,
			facts: { 'fact:subject': 'Card terminals', 'fact:sort': 'Services' }
		})
	);
	const d = ask('Kiosk at Pier 7: can we sublet?', 'The bakery would take a corner.', 3);
	h.at(day(-1));
	done(
		askBack(as('reyes'), { requestId: d, words: 'For how long, and who would pay for the power?' })
	);
	done(answerRequest(as('tarrant'), { requestId: d, words: 'One year. They would pay.' }));
	h.at(today);
	done(writeRequest(as('tarrant'), { about: 'Loyalty card terms', words: 'First thoughts only.' }));
	done(
		saveView(as('okafor'), {
			name: 'High priority',
			query: 'who=all&priority=high&cols=number,title,kind,lawyer,next,activity,hours',
			shared: true
		})
	);
	done(
		saveView(as('okafor'), {
			name: 'By lawyer',
			query: 'who=all&group=lawyer&cols=number,title,kind,unit,next,activity',
			shared: false
		})
	);
	done(
		addTask(as('okafor'), {
			matterId: pier.id,
			subject: 'Look at the tagged handrail',
			assigneeId: 'stf_okafor',
			due: day(2),
			deadlineId: null
		})
	);
}
