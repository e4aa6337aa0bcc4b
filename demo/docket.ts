/** The docket in depth: cases in other courts, a judge's order, a closure, a timeline of the department's own, moved and returned dates. */
import { addDays, date, daysBetween, toDay, weekday, type PlainDate } from '#core/dates/plain.ts';
import type { Ctx, Result, World } from '#server/command.ts';
import {
	addClosure,
	addDate,
	checkDeadline,
	decideChanges,
	editDeadline,
	enterEvent,
	layOrder,
	moveDeadline,
	newTimeline,
	returnDeadline,
	setLeave,
	setMatterBook
} from '#server/docket/commands.ts';
import { store, uploadDocument } from '#server/documents/commands.ts';
import { makePdf } from '#server/documents/pdf.ts';
import { setSupervisor } from '#server/jobs/reminders.ts';
import { addMember, editMatter, openMatter } from '#server/matters/commands.ts';

type M = { id: string; number: string; title: string; kind: string; lawyer: string };
type House = {
	as(login: string): Ctx;
	done<T>(r: Result<T>): T;
	at(d: PlainDate): void;
	world: World;
	today: PlainDate;
	matters: M[];
};

export async function deepen(h: House): Promise<void> {
	const { as, done, today, world } = h;
	const day = (n: number) => addDays(today, n);
	const workday = (n: number) => {
		let d = day(n);
		while (weekday(toDay(d)) % 6 === 0) d = addDays(d, n < 0 ? -1 : 1);
		return d;
	};
	const one = <T>(sql: string, ...p: unknown[]) => world.db.prepare<unknown[], T>(sql).get(...p)!;
	const paper = async (m: M, name: string, words: string) => {
		const pdf = await makePdf({
			info: { title: name },
			content: [
				{ text: name, fontSize: 18, margin: [0, 0, 0, 12] },
				{ text: `${m.title}, ${m.number}`, color: '#4a5b62', margin: [0, 0, 0, 16] },
				words
			]
		});
		return done(
			uploadDocument(as(m.lawyer), {
				matterId: m.id,
				name,
				folder: 'Correspondence',
				mark: '',
				file: await store(world, `${name}.pdf`, pdf)
			})
		).documentId;
	};

	// Cases in the other courts the ferries call at.
	const open = (
		title: string,
		book: string,
		unit: number,
		lawyer: string,
		age: number,
		court: string
	): M => {
		h.at(day(-age));
		const o = done(
			openMatter(as(lawyer), {
				kind: 'litigation',
				title,
				unitId: `unit_${unit}`,
				responsibleId: `stf_${lawyer}`,
				rulebook: book
			})
		);
		done(editMatter(as(lawyer), { matterId: o.matterId, fields: { 'fact:court': court } }));
		done(addMember(as(lawyer), { matterId: o.matterId, staffId: 'stf_castellan' }));
		const m = { id: o.matterId, number: o.number, title, kind: 'litigation', lawyer };
		h.matters.push(m);
		return m;
	};
	const enter = (
		m: M,
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
		h.at(day(-age));
		const deadlines = world.db.prepare<[string], { id: string }>(
			'SELECT id FROM deadline WHERE event_id = ?'
		);
		const { check, docket, on, ...rest } = more;
		const first = done(
			enterEvent(as(m.lawyer), {
				matterId: m.id,
				eventKey,
				date: on ?? workday(-age),
				answers: {},
				...rest,
				docket: docket ?? []
			})
		);
		if (check)
			for (const d of deadlines.all(first.eventId))
				if (
					one<{ state: string }>('SELECT state FROM deadline WHERE id = ?', d.id).state ===
					'docketed'
				)
					done(checkDeadline(as('castellan'), { deadlineId: d.id }));
		return first.eventId;
	};
	const slip = open(
		'Slip 4 subsidence',
		'us-ny-supreme',
		2,
		'quiroga',
		34,
		'N.Y. Sup., Richmond County'
	);
	const proof = await paper(
		slip,
		'Affidavit of service',
		'Delivered to the agent of the defendant at the terminal.'
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
	const crane = open(
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
	const solent = open(
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
	const lease = open(
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

	// A judge's order over the rules of the passenger case, decided at once; a date moved by agreement, one with a date of our own.
	const pier = h.matters.find((m) => m.title === 'Pier 9 passenger fall')!;
	h.at(day(-3));
	const order = await paper(
		pier,
		'Standing order for civil cases',
		'Motions are to be filed forty-two days before the hearing. Courtesy copies are due on the day after filing.'
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
	const ids = world.db
		.prepare<[string], { id: string }>(
			"SELECT id FROM date_change WHERE matter_id = ? AND state = 'waits'"
		)
		.all(pier.id)
		.map((c) => c.id);
	if (ids.length) done(decideChanges(as('okafor'), { changeIds: ids, apply: true }));
	const next = world.db
		.prepare<[string, string], { id: string; date: string; version: number; title: string }>(
			"SELECT id, date, version, title FROM deadline WHERE matter_id = ? AND state = 'docketed' AND suggested = 0 AND date > ? ORDER BY date"
		)
		.all(pier.id, day(12));
	if (next[0]) {
		done(
			editDeadline(as('okafor'), {
				deadlineId: next[0].id,
				internal: workday(daysBetween(today, date(next[0].date)) - 4),
				place: 'Electronic filing',
				short: '',
				version: next[0].version
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
	h.at(day(-1));
	done(
		addDate(as('okafor'), {
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
		addDate(as('okafor'), {
			matterId: pier.id,
			title: 'Mediation statement',
			date: workday(17),
			authority: "Mediator's letter",
			long: 'Ten pages at most, with the expert summary. To the mediator only.'
		})
	);

	// The second person does not agree with one date; someone is away; a court closes.
	const doubt = world.db
		.prepare<[string], { id: string }>(
			"SELECT d.id FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.state = 'docketed' AND d.checked_by IS NULL AND d.suggested = 0 AND m.restricted = 0 AND m.status = 'open' AND d.date > ? AND d.docketed_by <> 'stf_castellan' AND d.event_id IN (SELECT id FROM event WHERE book <> '') ORDER BY d.date DESC LIMIT 1"
		)
		.get(day(3));
	if (doubt)
		done(
			returnDeadline(as('castellan'), {
				deadlineId: doubt.id,
				reason: 'The proof of service says mail, the event says electronic. Which is it?'
			})
		);
	done(
		setLeave(as('reyes'), {
			staffId: 'stf_reyes',
			from: workday(14),
			to: workday(18),
			note: 'Leave'
		})
	);
	const closed = world.db
		.prepare<[string], { date: string }>(
			"SELECT d.date FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.book = 'us-federal.ca-nd' AND d.state = 'docketed' AND d.act = 'file' AND m.restricted = 0 AND m.status = 'open' AND d.computed IS NULL AND d.date >= ? GROUP BY d.date ORDER BY count(*) DESC, d.date LIMIT 1"
		)
		.get(day(9));
	h.at(today);
	if (closed)
		done(
			addClosure(as('castellan'), {
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
	h.at(day(-30));
	const book = done(
		newTimeline(as('castellan'), {
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
	const deal = h.matters.find(
		(m) =>
			m.kind === 'agreement' &&
			one<{ status: string }>('SELECT status FROM matter WHERE id = ?', m.id).status === 'open'
	);
	if (deal) {
		done(setMatterBook(as(deal.lawyer), { matterId: deal.id, book, on: true }));
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
	h.at(today);
}
