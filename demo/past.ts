/** Opens and closes the small matters of earlier years. */
import { addDays } from '#core/dates/plain.ts';
import { openMatter } from '#server/matters/open.ts';
import { closeMade } from './close.ts';
import { unitId } from './open.ts';
import type { Made, Scene } from './scene.ts';
import { PAST, type Past } from './past-matters.ts';

/** What is done on matters of a kind. */
const WORK: Readonly<Record<string, readonly (readonly [string, string])[]>> = {
	agreement: [
		['Redlined the first draft', 'DRAFT'],
		['Call with the other side about the price', 'NEGO'],
		['Meeting with the business unit about terms', 'MEET']
	],
	claims: [
		['Read the report of the damage', 'REVIEW'],
		['Call with the adjuster', 'CALL'],
		['Drafted the demand', 'DRAFT']
	],
	employment: [
		['Read the personnel file', 'REVIEW'],
		['Interview of the supervisor', 'MEET'],
		['Drafted the settlement', 'DRAFT']
	],
	regulatory: [
		['Drafted the application', 'DRAFT'],
		['Call with the agency', 'CALL'],
		['Read the rules that apply', 'RESEARCH']
	],
	'real-estate': [
		['Redlined the lease', 'DRAFT'],
		['Call with the landlord', 'NEGO']
	]
};

/** For how many days each has been there, and how it is opened. */
export const listPast = (scene: Scene): { age: number; open(): Promise<void> }[] =>
	PAST.map((past, index) => ({ age: past[3], open: () => openPast(scene, past, index) }));

async function openPast(
	scene: Scene,
	[title, kind, unit, opened, days, lawyer, , about]: Past,
	index: number
): Promise<void> {
	const { as, done, today } = scene;
	const from = addDays(today, -opened);
	const helper = index % 2 === 0 ? 'abernathy' : 'fairweather';
	scene.at(from);
	const { matterId, number } = done(
		await openMatter(as(lawyer), {
			kind,
			title,
			unitId: unitId(unit),
			responsibleId: `stf_${lawyer}`,
			rulebook: null,
			description: about,
			members: [{ staffId: `stf_${helper}`, part: 'paralegal', access: 'change' }]
		})
	);
	const made: Made = {
		...{ id: matterId, number, title, kind, lawyer, from, restricted: false, story: null },
		team: [lawyer, helper],
		until: addDays(from, days),
		work: WORK[kind]!
	};
	scene.matters.push(made);
}

/** Closes each on its day, in the way it ended. */
export function closePast(scene: Scene): void {
	for (const [title, , , , , , ending, reason] of PAST)
		closeMade(scene, scene.matter(title), { reason, ending });
}
