/**
 * Exhibits and witnesses: a list in the making where the answer is not filed yet, one that was
 * offered and ruled on where the trial is over. And what matters are tied to.
 */
import { addDays } from '#core/dates/plain.ts';
import { addLink, addReference, pinMatter, relateMatters } from '#server/matters/relations.ts';
import { addExhibit, changeExhibit } from '#server/trial/exhibits.ts';
import { addWitness } from '#server/trial/witnesses.ts';
import type { Scene } from './scene.ts';

type Side = 'ours' | 'theirs' | 'joint';
type Ruling = 'admitted' | 'excluded';

export function addTrials(scene: Scene): void {
	listForPier(scene);
	tryTheCollision(scene);
}

function listForPier({ as, done, today, at, matter, card }: Scene): void {
	const { id: matterId } = matter('Pier 9 passenger fall');
	at(addDays(today, -8));
	for (const [side, title] of [
		['ours', 'Gangway inspection log, spring'],
		['ours', 'Deck camera pictures, 14 seconds'],
		['ours', 'Crew training record'],
		['theirs', 'Photograph of the handrail'],
		['theirs', 'Clinic bill'],
		['joint', 'Boarding times of the day']
	] as const)
		done(
			addExhibit(as('abernathy'), { matterId, side, title, number: side === 'joint' ? 'J1' : '' })
		);
	for (const [name, about, minutes] of [
		['Tobias Rennick', 'Deck hand at the gangway', 30],
		['Ottoline Farrow', 'Inspected the rail in the spring', 45],
		['Dr. Henning Ashcroft', 'Expert on gangways', 90]
	] as const)
		done(
			addWitness(as('okafor'), { matterId, personId: card(name), side: 'ours', about, minutes })
		);
}

/** The trial was held before the judgment; what was offered was ruled on then. */
function tryTheCollision({ as, done, today, at, matter, card }: Scene): void {
	const { id: matterId } = matter('Fog bell collision');
	const exhibits: readonly [Side, string, Ruling][] = [
		['ours', 'Radar record of the Sandpiper', 'admitted'],
		['ours', 'Bell, on the record of a third boat', 'admitted'],
		['theirs', 'Bookings of the lost season', 'excluded'],
		['joint', 'Chart with both courses', 'admitted']
	];
	const days = [-44, -43, -43, -42].map((from) => addDays(today, from));
	for (const [index, [side, title, ruling]] of exhibits.entries()) {
		at(addDays(today, -60));
		const { exhibitId } = done(
			addExhibit(as('abernathy'), { matterId, side, title, number: side === 'joint' ? 'J1' : '' })
		);
		at(days[index]!);
		done(
			changeExhibit(as('abernathy'), {
				exhibitId,
				offered: days[index]!,
				ruling,
				ruledOn: days[index]!
			})
		);
	}
	at(addDays(today, -60));
	done(
		addWitness(as('okafor'), {
			matterId,
			personId: card('Captain Idris Mossgrove'),
			side: 'ours',
			about: 'Master of the Sandpiper',
			minutes: 120
		})
	);
}

/** What ties matters to one another and to numbers and places outside. */
export function relate({ as, done, today, at, matter }: Scene): void {
	const pier = matter('Pier 9 passenger fall');
	at(addDays(today, -20));
	for (const [whose, number] of [
		['insurer', 'HM 26-40918'],
		['outside counsel', '10482-007']
	] as const)
		done(addReference(as('okafor'), { matterId: pier.id, whose, number }));
	for (const [name, url] of [
		['Court docket', 'https://court.example/nd/cases/04417'],
		['Book a room', 'https://rooms.larkhaven.example/legal']
	] as const)
		done(addLink(as('okafor'), { matterId: pier.id, name, url }));
	for (const [of, to, how] of [
		['Pier 9 passenger fall', 'Accessibility of gangways', 'same facts as'],
		['Dock 4 sublease', 'Berth 11 lease', 'same facts as'],
		['Solent pontoon collision', 'Solent berth licence', 'same facts as']
	] as const)
		done(relateMatters(as('okafor'), { matterId: matter(of).id, number: matter(to).number, how }));
	for (const pinned of [pier, matter('Fuel supply 2027')])
		done(pinMatter(as('okafor'), { matterId: pinned.id }));
}
