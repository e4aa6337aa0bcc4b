/**
 * The docket in depth: cases in other courts, a judge's order, a closure, a timeline of the
 * department's own, moved and returned dates.
 */
import {
	addDays,
	plainDate,
	daysBetween,
	toDay,
	weekday,
	type PlainDate
} from '#core/dates/plain.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { writeTimeline } from '#server/rulebooks/versions.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { decideChanges } from '#server/docket/changes.ts';
import { addClosure } from '#server/docket/closures.ts';
import { checkDeadlines, returnDeadline } from '#server/docket/deadlines.ts';
import { editDeadline } from '#server/docket/details.ts';
import { enterEvent } from '#server/docket/events.ts';
import { layOrder, addMatterBook } from '#server/docket/orders.ts';
import { moveDeadline } from '#server/docket/reschedule.ts';
import type { Content } from 'pdfmake/interfaces.js';
import { uploadDocument } from '#server/documents/commands.ts';
import { makePdf } from '#server/files/pdf.ts';
import { editMatter } from '#server/matters/edit.ts';
import { addMember } from '#server/matters/members.ts';
import { openMatter } from '#server/matters/open.ts';
import { addLeave, setSupervisor } from '#server/staff/commands.ts';
import { writeStandingOrder } from './papers/standing-order.ts';
import type { Made, Scene } from './scene.ts';

export async function addDocketDepth(house: Scene): Promise<void> {
	const { as, done, today, app: world } = house;
	const day = (n: number) => addDays(today, n);
	const workday = (n: number) => {
		let item = day(n);
		while (weekday(toDay(item)) % 6 === 0) item = addDays(item, n < 0 ? -1 : 1);
		return item;
	};
	const one = <T>(sql: string, ...params: unknown[]) =>
		world.db.prepare<unknown[], T>(sql).get(...params)!;
	const paper = async (item: Made, name: string, words: Content) => {
		const pdf = await makePdf({
			info: { title: name },
			content: [
				{ text: name, fontSize: 18, margin: [0, 0, 0, 12] },
				{ text: `${item.title}, ${item.number}`, color: '#4a5b62', margin: [0, 0, 0, 16] },
				words
			]
		});
		return done(
			await uploadDocument(as(item.lawyer), {
				matterId: item.id,
				name,
				folder: 'Correspondence',
				mark: '',
				file: new File([new Uint8Array(pdf)], `${name}.pdf`)
			})
		).documentId;
	};

	// Cases in the other courts the ferries call at.
	const open = async (
		title: string,
		book: string,
		unit: number,
		lawyer: string,
		age: number,
		court: string
	): Promise<Made> => {
		house.at(day(-age));
		const item = done(
			await openMatter(as(lawyer), {
				kind: 'litigation',
				title,
				unitId: `unit_${unit}`,
				responsibleId: `stf_${lawyer}`,
				rulebook: book
			})
		);
		done(editMatter(as(lawyer), { matterId: item.matterId, fields: { 'fact:court': court } }));
		done(addMember(as(lawyer), { matterId: item.matterId, staffId: 'stf_castellan' }));
		const other: Made = {
			...{ id: item.matterId, number: item.number, title, kind: 'litigation', lawyer },
			...{ team: [lawyer, 'castellan'], from: house.day, until: null, restricted: false },
			...{ work: [], story: null }
		};
		house.matters.push(other);
		return other;
	};
	const enter = (
		item: Made,
		age: number,
		eventKey: string,
		more: {
			service?: string;
			time?: string;
			on?: PlainDate;
			answers?: Record<string, string>;
			sourceId?: string;
			check?: boolean;
			docket?: string[];
			name?: string;
		} = {}
	) => {
		house.at(day(-age));
		const deadlines = world.db.prepare<[string], { id: string }>(
			'SELECT id FROM deadline WHERE event_id = ?'
		);
		const { check, docket, on, ...rest } = more;
		const first = done(
			enterEvent(as(item.lawyer), {
				matterId: item.id,
				eventKey,
				date: on ?? workday(-age),
				answers: {},
				...rest,
				docket: docket ?? []
			})
		);
		if (check)
			for (const other of deadlines.all(first.eventId))
				if (
					one<{ state: string }>('SELECT state FROM deadline WHERE id = ?', other.id).state ===
					'docketed'
				)
					done(checkDeadlines(as('castellan'), { deadlineIds: [other.id] }));
		return first.eventId;
	};
	const slip = await open(
		'Slip 4 subsidence',
		'us-ny-supreme',
		2,
		'quiroga',
		34,
		'N.Y. Sup., Richmond County'
	);
	house.at(day(-12));
	const proof = await paper(
		slip,
		'Affidavit of service',
		'The deponent, who is over eighteen and no party to this action, delivered the summons and complaint in person to the agent of the defendant at the Staten Island terminal, who said that he was authorized to take them. The person served is about fifty years old, with gray hair, and wore a company jacket. Sworn before a notary on the same day.'
	);
	enter(slip, 12, 'summons-and-complaint-served', {
		answers: { how: 'personal' },
		sourceId: proof,
		docket: ['answer', 'motion-to-dismiss', 'notice-of-removal'],
		check: true
	});
	enter(slip, 4, 'motion-return-date', {
		on: workday(40),
		service: 'overnight',
		answers: { seven: 'yes' },
		docket: ['serve-motion-papers', 'answering-papers', 'reply-papers'],
		name: 'to dismiss the second claim'
	});
	const crane = await open(
		'Bolivar ramp crane claim',
		'us-tx-district',
		1,
		'lindqvist',
		41,
		'Galveston County, 212th'
	);
	enter(crane, 9, 'citation-and-petition-served', {
		docket: ['answer', 'notice-of-removal'],
		check: true
	});
	const solent = await open(
		'Solent pontoon collision',
		'gb-ew-cpr',
		0,
		'wardle',
		50,
		'High Court, Admiralty'
	);
	enter(solent, 6, 'claim-form-with-particulars-served', {
		service: 'first-class-post',
		answers: { acknowledged: 'yes' },
		docket: ['defence'],
		check: true
	});
	const lease = await open(
		'Wharf tenant fit-out claim',
		'us-ca-superior',
		2,
		'reyes',
		60,
		'Cal. Super., San Francisco'
	);
	enter(lease, 20, 'hearing-of-a-motion', {
		on: workday(45),
		service: 'electronic',
		docket: ['file-and-serve-the-motion', 'opposition', 'reply'],
		name: 'to compel inspection',
		check: true
	});
	enter(lease, 10, 'interrogatories-served', {
		service: 'mail-in-state',
		docket: ['responses'],
		name: 'first set'
	});

	// A judge's order over the rules of the passenger case, decided at once; a date moved by
	// agreement, one with a date of our own.
	const pier = house.matters.find((matter) => matter.title === 'Pier 9 passenger fall')!;
	house.at(day(-3));
	const order = await paper(
		pier,
		'Standing order for civil cases',
		writeStandingOrder('Hon. Althea Winterbourne')
	);
	done(
		layOrder(as('okafor'), {
			matterId: pier.id,
			book: 'us-federal.ca-nd',
			sort: 'standing order',
			title: 'Standing order for civil cases, paragraph 7',
			dated: day(-20),
			documentId: order,
			lines: [
				{ do: 'replace', event: 'hearing-of-a-motion', rule: 'file-the-motion', count: '-42d' },
				{
					do: 'add',
					event: 'parties-conference-held',
					title: 'joint letter on discovery',
					count: '+21d'
				}
			]
		})
	);
	const ids = all<{ id: string }>(
		world.db,
		"SELECT id FROM date_change WHERE matter_id = @matterId AND state = 'waits'",
		{ matterId: pier.id }
	).map((row) => row.id);
	if (ids.length) done(decideChanges(as('okafor'), { changeIds: ids, apply: true }));
	const next = all<{ id: string; date: string; version: number; title: string }>(
		world.db,
		`SELECT id, date, version, title
		FROM deadline
		WHERE matter_id = @matterId AND state = 'docketed' AND suggested = 0 AND date > @date
		ORDER BY date`,
		{ matterId: pier.id, date: day(12) }
	);
	if (next[0]) {
		done(
			editDeadline(as('okafor'), {
				deadlineId: next[0].id,
				internal: workday(daysBetween(today, plainDate(next[0].date)) - 4),
				place: 'Electronic filing',
				short: ''
			})
		);
	}
	if (next[1])
		done(
			moveDeadline(as('okafor'), {
				deadlineId: next[1].id,
				how: 'agreement',
				by: '+7d',
				reason: 'Stipulation with opposing counsel',
				version: next[1].version
			})
		);
	house.at(day(-1));
	done(
		addDeadline(as('okafor'), {
			matterId: pier.id,
			what: 'hearing',
			title: 'Mediation',
			date: workday(24),
			time: '09:30',
			place: 'Pier 1, conference room',
			authority: 'Agreement of the parties'
		})
	);
	done(
		addDeadline(as('okafor'), {
			matterId: pier.id,
			title: 'Mediation statement',
			date: workday(17),
			authority: "Mediator's letter",
			long: 'Ten pages at most, with the expert summary. To the mediator only.'
		})
	);

	// The second person does not agree with one date; someone is away; a court closes.
	const doubt = maybeOne<{ id: string }>(
		world.db,
		`SELECT d.id
		FROM deadline d
		JOIN matter m ON m.id = d.matter_id
		WHERE d.state = 'docketed'
			AND d.checked_by IS NULL
			AND d.suggested = 0
			AND m.restricted = 0
			AND m.status = 'open'
			AND d.date > @date
			AND d.docketed_by <> 'stf_castellan'
			AND d.event_id IN (SELECT id FROM event WHERE book <> '')
		ORDER BY d.date DESC
		LIMIT 1`,
		{ date: day(3) }
	);
	if (doubt)
		done(
			returnDeadline(as('castellan'), {
				deadlineId: doubt.id,
				reason: 'The proof of service says mail, the event says electronic. Which is it?'
			})
		);
	done(
		addLeave(as('reyes'), {
			staffId: 'stf_reyes',
			from: workday(14),
			to: workday(18),
			note: 'Leave'
		})
	);
	const closed = maybeOne<{ date: string }>(
		world.db,
		`SELECT d.date
		FROM deadline d
		JOIN matter m ON m.id = d.matter_id
		WHERE d.book = 'us-federal.ca-nd'
			AND d.state = 'docketed'
			AND d.act = 'file'
			AND m.restricted = 0
			AND m.status = 'open'
			AND d.computed IS NULL
			AND d.date >= @date
		GROUP BY d.date
		ORDER BY count(*) DESC, d.date
		LIMIT 1`,
		{ date: day(9) }
	);
	house.at(today);
	if (closed)
		done(
			await addClosure(as('castellan'), {
				book: 'us-federal.ca-nd',
				date: closed.date,
				kind: 'office',
				name: "Flood in the clerk's office"
			})
		);

	for (const [who, over] of [
		['reyes', 'okafor'],
		['lindqvist', 'okafor'],
		['wardle', 'okafor'],
		['quiroga', 'okafor'],
		['abernathy', 'castellan'],
		['fairweather', 'castellan']
	] as const)
		done(setSupervisor(as('castellan'), { staffId: `stf_${who}`, supervisorId: `stf_${over}` }));

	// A timeline of the department's own, used on the purchase of two ferries.
	house.at(day(-30));
	const book = done(
		await writeTimeline(as('castellan'), {
			name: 'Vessel purchase',
			sort: 'transaction',
			counts: 'us-agency',
			anchor: 'Closing of the purchase',
			rows: [
				{
					title: 'Title search of the registry',
					count: '-30d',
					owner: 'Paralegal',
					authority: 'Purchase agreement, 3.1'
				},
				{
					title: 'Condition survey report',
					count: '-21d',
					owner: 'Engineering',
					authority: 'Purchase agreement, 4.2'
				},
				{
					title: 'Notice to the lender',
					count: '-10cd',
					owner: 'Treasury',
					authority: 'Credit agreement, 6.4'
				},
				{
					title: 'Release of the mortgage filed',
					count: '+3cd',
					owner: 'Counsel',
					authority: 'Purchase agreement, 8.1'
				},
				{
					title: 'Warranty period ends',
					count: '+12m',
					owner: 'Engineering',
					authority: 'Purchase agreement, 9.3'
				}
			]
		})
	).book;
	const deal = house.matter('Purchase of the ferry Dunlin');
	{
		done(addMatterBook(as(deal.lawyer), { matterId: deal.id, book }));
		enter(deal, 8, `${book}|closing-of-the-purchase`, {
			on: workday(52),
			docket: [
				'title-search-of-the-registry',
				'condition-survey-report',
				'notice-to-the-lender',
				'release-of-the-mortgage-filed'
			],
			check: true
		});
	}
	house.at(today);
}
