/**
 * The rest of the scenario: facts of every kind, requests, people with histories, an exhibit list,
 * closed matters, views.
 */
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import type { Context, Application } from '#server/app/application.ts';
import type { Result } from '#server/app/errors.ts';
import { all } from '#server/db/sql.ts';
import { endingOf } from './standing.ts';
import { decideInterest, checkInterest } from '#server/interest/commands.ts';
import { listMatterChecks } from '#server/interest/queries.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { editMatter } from '#server/matters/edit.ts';
import { openMatter } from '#server/matters/open.ts';
import { addLink, addReference, pinMatter, relateMatters } from '#server/matters/relations.ts';
import { closeMatter, setStatus } from '#server/matters/status.ts';
import { listStillOpen } from '#server/matters/still-open.ts';
import { saveView } from '#server/matters/views.ts';
import type { CardFields } from '#server/people/card.ts';
import { addCardDetails, editCard } from './cards.ts';
import { addRole } from '#server/people/roles.ts';
import { answerRequest, writeRequest } from '#server/requests/commands.ts';
import { askBack, takeRequest, turnDown } from '#server/requests/triage.ts';
import { addTask, finishTask } from '#server/tasks/commands.ts';
import { addExhibit, changeExhibit } from '#server/trial/exhibits.ts';
import { addWitness } from '#server/trial/witnesses.ts';

type M = { id: string; number: string; title: string; kind: string; lawyer: string };
type House = {
	as(login: string): Context;
	done<T>(result: Result<T>): T;
	at(day: PlainDate): void;
	world: Application;
	today: PlainDate;
	matters: M[];
	humans: { id: string; name: string }[];
	orgs: { id: string; name: string }[];
};

export async function addRequestsAndTrials(house: House): Promise<void> {
	const { as, done, today } = house;
	const item = (title: string): M => house.matters.find((x) => x.title === title)!;
	const day = (n: number) => addDays(today, n);
	const facts = (title: string, record: Record<string, string>, by = item(title).lawyer) =>
		done(editMatter(as(by), { matterId: item(title).id, fields: record }));

	// People: who belongs to whom, what else they are called, whom not to write to.
	house.at(day(-200));
	const card = (id: string, change: Partial<CardFields>) => {
		editCard(house, id, change);
	};
	for (let i = 0; i < 12; i++) card(house.orgs[i * 3 + 1]!.id, { parent: house.orgs[i * 3]!.id });
	for (const [i, text] of [
		'expert',
		'expert',
		'mediator',
		'supplier',
		'supplier',
		'insurer',
		'board'
	].entries())
		card(house.humans[i * 5]!.id, { categories: text });
	for (const i of [2, 9, 17])
		card(house.orgs[i]!.id, {
			aliases:
				house.orgs[i]!.name.split(' ')
					.slice(0, 2)
					.map((x) => x[0])
					.join('') + ' Group',
			categories: 'supplier'
		});
	card(house.humans[3]!.id, {
		status: 'do not contact',
		note: 'Represented: write to counsel only.'
	});
	card(house.humans[11]!.id, { status: 'inactive' });
	addCardDetails(house);

	// Matters of the kinds that were not there, and facts on those that were.
	house.at(day(-61));
	const open = async (
		kind: string,
		title: string,
		unit: number,
		lawyer: string,
		age: number,
		record: Record<string, string>,
		opponentId: string | null = null
	) => {
		house.at(day(-age));
		const other = done(
			await openMatter(as(lawyer), {
				kind,
				title,
				unitId: `unit_${unit}`,
				responsibleId: `stf_${lawyer}`,
				opponentId,
				facts: record
			})
		);
		const made: M = { id: other.matterId, number: other.number, title, kind, lawyer };
		house.matters.push(made);
		house.at(day(Math.min(-1, 3 - age)));
		if (age > 20)
			for (const row of all<{ id: string }>(
				house.world.db,
				"SELECT id FROM task WHERE matter_id = @matterId AND state = 'open'",
				{ matterId: made.id }
			))
				done(finishTask(as(lawyer), { taskId: row.id, done: true }));
		return made;
	};
	await open(
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
				{
					insurer: house.orgs[4]!.id,
					policy: 'HM-2026-118',
					limit: '2,000,000',
					retained: '50,000'
				},
				{ insurer: house.orgs[20]!.id, policy: 'XS-77', limit: '5,000,000', retained: '2,000,000' }
			])
		},
		house.orgs[6]!.id
	);
	await open('data-incident', 'Ticket kiosk exposure', 4, 'lindqvist', 12, {
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
	await open(
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
		house.orgs[14]!.id
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
				injured: house.humans[7]!.id,
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
		'fact:employee': house.humans[12]!.id,
		'fact:grounds': 'RE',
		'fact:position': 'Chief engineer',
		'fact:pay-at-stake': '210,000',
		'fact:charge-number': '550-2026-01177'
	});
	for (const text of ['Board and securities', 'Subsidiary housekeeping'])
		facts(text, {
			'fact:entity':
				text === 'Board and securities' ? 'Larkhaven Ferries, Inc.' : 'Larkhaven Solent Ltd',
			'fact:annual-report': day(130)
		});

	// Numbers of others, links, relations, pins, questions.
	house.at(day(-20));
	const pier = item('Pier 9 passenger fall'),
		bell = item('Fog bell collision');
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
			number: item('Ramp hydraulics failure').number,
			how: 'same facts as'
		})
	);
	done(
		relateMatters(as('okafor'), {
			matterId: bell.id,
			number: item('Breakwater wake damage').number,
			how: 'same facts as'
		})
	);
	for (const other of [pier, item('Fuel supply 2027')])
		done(pinMatter(as('okafor'), { matterId: other.id }));
	house.at(day(-3));
	const each = done(
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
	house.at(day(-2));
	done(
		writeNote(as('wardle'), {
			matterId: pier.id,
			words: 'The standing order has its own form; I used it last month in LF-2026-0005.',
			answers: each.logId
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
	house.at(day(-8));
	for (const [side, title, offered] of [
		['ours', 'Gangway inspection log, spring', 0],
		['ours', 'Deck camera pictures, 14 seconds', 0],
		['ours', 'Crew training record', 0],
		['theirs', 'Photograph of the handrail', 1],
		['theirs', 'Clinic bill', 1],
		['joint', 'Boarding times of the day', 1]
	] as const) {
		const other = done(
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
					exhibitId: other.exhibitId,
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
		const other = done(
			addRole(as('okafor'), {
				matterId: pier.id,
				personId: house.humans[i]!.id,
				role: i === 22 ? 'expert' : 'witness',
				note: about
			})
		);
		done(
			addWitness(as('okafor'), {
				matterId: pier.id,
				personId: other.personId,
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
		house.at(day(-age));
		const x = item(title),
			other = listStillOpen(house.world, x.id);
		done(
			closeMatter(as(x.lawyer), {
				...{ matterId: x.id, reason: why, ending: endingOf(house.world, x) },
				deadlines: Object.fromEntries(other.deadlines.map((deadline) => [deadline.id, 'vacate'])),
				tasks: Object.fromEntries(other.tasks.map((task) => [task.id, 'done'])),
				rounds: Object.fromEntries(other.rounds.map((round) => [round.id, 'withdraw']))
			})
		);
	}
	house.at(day(-15));
	done(
		setStatus(as(item('Route data license').lawyer), {
			matterId: item('Route data license').id,
			status: 'on hold',
			reason: 'The business unit waits for its budget.'
		})
	);
	// Checks of the openings were decided, but for the latest.
	const staffOf = (login: string) => {
		const a = as(login).actor;
		return 'staff' in a ? a.staff : null;
	};
	for (const x of house.matters.slice(0, -3))
		for (const check of listMatterChecks(house.world, staffOf(x.lawyer)!, x.id))
			if (!check.decision)
				done(
					decideInterest(as(x.lawyer), {
						checkId: check.id,
						decision: check.report.names.some((n) => n.hits.length) ? 'waived' : 'clear',
						reason: check.report.names.some((n) => n.hits.length)
							? 'Known from earlier matters; no conflict between them.'
							: 'Nothing found.'
					})
				);
	house.at(day(-1));
	done(
		await checkInterest(as('okafor'), {
			names: `${house.orgs[6]!.name}\nTidewreck Dredging\n${house.humans[7]!.name.split(' ').reverse().join(', ')}`
		})
	);

	// Requests in every state.
	const ask = async (about: string, words: string, age: number, more: object = {}) => {
		house.at(day(-age));
		return done(
			await writeRequest(as('tarrant'), {
				about,
				words,
				unitId: 'unit_4',
				urgency: 'normal',
				send: true,
				...more
			})
		).requestId;
	};
	const a = await ask(
		'Coffee supplier wants to raise prices',
		'They point at a clause on raw coffee. Is that allowed before the anniversary?',
		6,
		{
			counterparty: house.orgs[3]!.name,
			urgency: 'soon',
			wantedBy: day(7),
			files: [
				new File(['We refer to clause 7 and raise all prices by nine percent.'], 'price-letter.txt')
			]
		}
	);
	house.at(day(-5));
	done(takeRequest(as('abernathy'), { requestId: a }));
	done(
		askBack(as('abernathy'), {
			requestId: a,
			words: 'Can you send the signed agreement of last year?'
		})
	);
	await ask(
		'Film crew on the Pier 2 ferry',
		'They want two days on board in March. Is there a form of agreement?',
		2,
		{ wantedBy: day(20) }
	);
	await ask(
		'Passenger wants refund and threatens the press',
		'Missed connection in fog; asks for a hotel. Letter attached.',
		0,
		{
			urgency: 'urgent',
			wantedBy: day(3),
			files: [
				new File(['I waited four hours in the fog and nobody told me anything.'], 'letter.txt')
			]
		}
	);
	const b = await ask('May we use the old logo on mugs?', 'For the anniversary.', 18);
	house.at(day(-17));
	done(
		turnDown(as('reyes'), {
			requestId: b,
			reason: 'The old mark lapsed and is registered by someone else now. Use the present one.'
		})
	);
	const value = await ask(
		'Card terminals: new provider',
		'The present contract ends in spring.',
		34,
		{
			counterparty: house.orgs[8]!.name
		}
	);
	house.at(day(-33));
	done(
		await openMatter(as('wardle'), {
			kind: 'agreement',
			title: 'Card terminals, new provider',
			unitId: 'unit_4',
			responsibleId: 'stf_wardle',
			opponentId: house.orgs[8]!.id,
			requestId: value,
			facts: { 'fact:subject': 'Card terminals', 'fact:sort': 'Services' }
		})
	);
	const found = await ask('Kiosk at Pier 7: can we sublet?', 'The bakery would take a corner.', 3);
	house.at(day(-1));
	done(
		askBack(as('reyes'), {
			requestId: found,
			words: 'For how long, and who would pay for the power?'
		})
	);
	done(
		await answerRequest(as('tarrant'), { requestId: found, words: 'One year. They would pay.' })
	);
	house.at(today);
	done(
		await writeRequest(as('tarrant'), {
			about: 'Loyalty card terms',
			words: 'First thoughts only.'
		})
	);
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
