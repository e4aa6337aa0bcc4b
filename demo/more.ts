/**
 * The rest of the scenario: cards with histories, kinds that begin elsewhere, lists within facts,
 * closed matters, interest checks, views.
 */
import { addDays } from '#core/dates/plain.ts';
import { checkInterest, decideInterest } from '#server/interest/commands.ts';
import { listMatterChecks } from '#server/interest/queries.ts';
import { editMatter } from '#server/matters/edit.ts';
import { openMatter } from '#server/matters/open.ts';
import { setStatus } from '#server/matters/status.ts';
import { saveView } from '#server/matters/views.ts';
import { addTask, finishTask } from '#server/tasks/commands.ts';
import { all } from '#server/db/sql.ts';
import { addCardDetails, editCard } from './cards.ts';
import { closeMade } from './close.ts';
import { unitId } from './open.ts';
import { addRequests } from './requests.ts';
import type { Scene } from './scene.ts';
import { endingOf } from './standing.ts';
import type { Lawyer, Unit } from './story.ts';
import { addTrials } from './trial.ts';

type Cards = { humans: readonly string[]; orgs: readonly string[] };

export async function addRequestsAndTrials({
	scene,
	humans,
	orgs
}: Cards & { scene: Scene }): Promise<void> {
	addHistories(scene, { humans, orgs });
	await openOtherKinds(scene);
	fillGroups(scene);
	addTrials(scene);
	endSome(scene);
	await addRequests(scene);
	await checkNames(scene);
	saveViews(scene);
}

/** Who belongs to whom, what else they are called, whom not to write to. */
function addHistories(scene: Scene, { humans, orgs }: Cards): void {
	const { card, today } = scene;
	scene.at(addDays(today, -200));
	for (let at = 0; at < 8; at++)
		editCard(scene, card(orgs[at * 3 + 1]!), { parent: card(orgs[at * 3]!) });
	for (const [name, categories] of [
		['Dr. Henning Ashcroft', 'expert'],
		['Dr. Calla Penhaligon', 'expert'],
		['Gwendolen Harker', 'expert'],
		['Northquay Surveyors', 'expert'],
		['Halyard Mutual Insurance', 'insurer'],
		['Tidewrack Insurance', 'insurer'],
		['Seraphina Croft', 'board'],
		['Augustin Pell', 'board'],
		['Leeward Fuel Ltd', 'supplier'],
		['Copperhull Repair Yard', 'supplier'],
		['Capstan Ticketing Ltd', 'supplier'],
		['Halyard Staffing LLC', 'supplier'],
		['Ferrars & Dunne LLP', 'panel']
	] as const)
		editCard(scene, card(name), { categories });
	editCard(scene, card(humans[0]!), { categories: 'mediator' });
	for (const name of [orgs[2]!, 'Capstan Ticketing Ltd'])
		editCard(scene, card(name), {
			aliases: `${name
				.split(' ')
				.slice(0, 2)
				.map(([letter]) => letter)
				.join('')} Group`
		});
	editCard(scene, card('Rosalind Hollingbury'), {
		status: 'do not contact',
		note: 'Represented: write to counsel only.'
	});
	editCard(scene, card(humans[11]!), { status: 'inactive' });
	addCardDetails(scene);
}

/** Matters of the kinds that no story opens. */
async function openOtherKinds(scene: Scene): Promise<void> {
	const { card, today } = scene;
	const day = (from: number) => addDays(today, from);
	await openOther(scene, 'claims', 'Quay wall damage, Berth 4', 'Terminals', 'quiroga', 60, {
		opponentId: card('Marlinspike Barges LLC'),
		facts: {
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
					insurer: card('Halyard Mutual Insurance'),
					policy: 'HM-2026-118',
					limit: '2,000,000',
					retained: '50,000'
				},
				{
					insurer: card('Tidewrack Insurance'),
					policy: 'XS-77',
					limit: '5,000,000',
					retained: '2,000,000'
				}
			])
		}
	});
	await openOther(
		scene,
		'data-incident',
		'Ticket kiosk exposure',
		'Onboard Retail',
		'lindqvist',
		12,
		{
			facts: {
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
			}
		}
	);
	await openOther(scene, 'real-estate', 'Terminal B ground lease', 'Terminals', 'reyes', 90, {
		opponentId: card('Foreshore Properties LLP'),
		facts: {
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
		}
	});
}

async function openOther(
	scene: Scene,
	kind: string,
	title: string,
	unit: Unit,
	lawyer: Lawyer,
	age: number,
	more: { facts: Record<string, string>; opponentId?: string }
): Promise<void> {
	const { as, done, app, today } = scene;
	scene.at(addDays(today, -age));
	const { matterId, number } = done(
		await openMatter(as(lawyer), {
			kind,
			title,
			unitId: unitId(unit),
			responsibleId: `stf_${lawyer}`,
			...more
		})
	);
	scene.matters.push({
		...{ id: matterId, number, title, kind, lawyer, team: [lawyer], from: scene.day },
		...{ until: null, restricted: false, work: [], story: null }
	});
	scene.at(addDays(today, Math.min(-1, 3 - age)));
	if (age <= 20) return;
	for (const { id } of all<{ id: string }>(
		app.db,
		"SELECT id FROM task WHERE matter_id = @matterId AND state = 'open'",
		{ matterId }
	))
		done(finishTask(as(lawyer), { taskId: id, done: true }));
}

/** Lists within the facts, and facts that name a card. */
function fillGroups(scene: Scene): void {
	const { as, done, card, matter } = scene;
	const fill = (title: string, fields: Record<string, string>) => {
		const { id: matterId, lawyer } = matter(title);
		done(editMatter(as(lawyer), { matterId, fields }));
	};
	fill('Pier 9 passenger fall', {
		'group:injuries': JSON.stringify([
			{
				injured: card('Rosalind Hollingbury'),
				injury: 'Broken wrist',
				treated: 'Bayview Clinic',
				claimed: '120,000'
			}
		]),
		priority: 'high'
	});
	fill('Harbor discharge notice', { priority: 'high' });
	fill('Trademark watch', {
		'group:classes': JSON.stringify([
			{ class: '39', goods: 'Ferry transport of passengers and freight' },
			{ class: '43', goods: 'Catering on board' }
		])
	});
	fill('Chief engineer dismissal', { 'fact:employee': card('Vasco Pennyfold') });
}

/** Matters that ended, one on hold. */
function endSome(scene: Scene): void {
	const { as, done, app, today, matter } = scene;
	for (const [title, reason] of [
		['Uniform supply', 'Signed'],
		['Insurance program', 'Placed for the year'],
		['Tug standby, Galveston', 'Ended by its term'],
		['Liquor permits, three vessels', 'All three issued'],
		['Customs bond renewal', 'Renewed']
	] as const) {
		const made = matter(title);
		closeMade(scene, made, { reason, ending: endingOf(app, made) });
	}
	const { id: matterId, lawyer } = matter('Route data license');
	scene.at(addDays(today, -15));
	done(
		setStatus(as(lawyer), {
			matterId,
			status: 'on hold',
			reason: 'The business unit waits for its budget.'
		})
	);
}

/** Checks of the openings were decided, but for the latest. */
async function checkNames(scene: Scene): Promise<void> {
	const { as, done, app, today } = scene;
	scene.at(addDays(today, -15));
	for (const { id, lawyer } of scene.matters.slice(0, -3))
		for (const check of listMatterChecks(app, scene.staff(lawyer), id)) {
			if (check.decision) continue;
			const isHit = check.report.names.some(({ hits }) => hits.length > 0);
			done(
				decideInterest(as(lawyer), {
					checkId: check.id,
					decision: isHit ? 'waived' : 'clear',
					reason: isHit ? 'Known from earlier matters; no conflict between them.' : 'Nothing found.'
				})
			);
		}
	scene.at(addDays(today, -1));
	done(
		await checkInterest(as('okafor'), {
			names: 'Marlinspike Barges LLC\nTidewreck Dredging\nHollingbury, Rosalind'
		})
	);
}

function saveViews(scene: Scene): void {
	const { as, done, today, matter } = scene;
	scene.at(today);
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
			matterId: matter('Pier 9 passenger fall').id,
			subject: 'Look at the tagged handrail',
			assigneeId: 'stf_okafor',
			due: addDays(today, 2),
			deadlineId: null
		})
	);
}
