/**
 * What cards hold beside names and addresses: the department's own fields, who does what for an
 * organization, the insurers and banks of the business units, an identity number, notes.
 */
import { addDays } from '#core/dates/plain.ts';
import { writeMemo } from '#server/memos/commands.ts';
import { findCardFields, type CardContact, type CardFields } from '#server/people/card.ts';
import { editPerson } from '#server/people/edit.ts';
import { addIdentityNumber } from '#server/people/identity.ts';
import { saveOwnFields } from '#server/people/keep-own-fields.ts';
import type { FunctionField, UnitField } from '#server/people/ties.ts';
import type { Scene } from './scene.ts';

/** Changes some fields of a card, as its form would. */
export function editCard(
	{ as, done, app: world }: Scene,
	id: string,
	change: Partial<CardFields>
): void {
	const card = { ...findCardFields(world, id)!, ...change };
	const own = Object.entries<string>(card as Record<string, string>).filter(([field]) =>
		/^(fact|more):/.test(field)
	);
	done(
		editPerson(as('abernathy'), {
			personId: id,
			...card,
			contacts: JSON.parse(card.contacts) as CardContact[],
			functions: JSON.parse(card.functions) as FunctionField[],
			units: JSON.parse(card.units) as UnitField[],
			own: Object.fromEntries(own)
		})
	);
}

export function addCardDetails(house: Scene): void {
	const { as, done, today, card } = house;
	done(
		saveOwnFields(as('haddad'), {
			fields: [
				{ key: 'bar-number', name: 'Bar number', type: 'text' },
				{
					key: 'best-way',
					name: 'Best way to reach',
					type: 'choice',
					options: ['mail', 'phone', 'letter']
				},
				{ key: 'panel-until', name: 'On our panel until', type: 'date' }
			]
		})
	);
	const insurer = card('Halyard Mutual Insurance');
	const claims = card('Delphine Oakhampton');
	const claimant = card('Rosalind Hollingbury');
	editCard(house, insurer, {
		industry: 'Marine insurance',
		printed: 'Halyard Mutual Insurance\nMarine claims',
		functions: JSON.stringify([
			{ function: 'handles claims', contact: claims },
			{ function: 'receives notices', contact: card('Wiremu Saltmarsh') }
		]),
		units: JSON.stringify([
			{ unit: 'unit_0', relation: 'insurer', reference: 'HM-PAX-2207' },
			{ unit: 'unit_1', relation: 'insurer', reference: 'HM-FRT-0914' }
		]),
		'fact:best-way': 'mail'
	});
	editCard(house, card('Tidewrack Insurance'), {
		industry: 'Marine insurance',
		units: JSON.stringify([{ unit: 'unit_2', relation: 'insurer', reference: 'XS-77' }])
	});
	editCard(house, card('Northquay Bank'), {
		industry: 'Banking',
		units: JSON.stringify([
			{ unit: 'unit_0', relation: 'bank', reference: '0042-118-7' },
			{ unit: 'unit_5', relation: 'bank', reference: '0042-120-3' }
		])
	});
	editCard(house, claims, {
		printed: 'Ms. Delphine Oakhampton, claims manager',
		'fact:best-way': 'phone',
		'fact:bar-number': '',
		'fact:panel-until': addDays(today, 300)
	});
	const numbers = [
		{ personId: claimant, sort: "driver's license", number: 'D4471902', issuer: 'California' },
		{ personId: claimant, sort: 'social security', number: '512-44-9087', issuer: '' }
	] as const;
	for (const number of numbers) done(addIdentityNumber(as('reyes'), number));
	const memos = [
		{
			text: 'Ask whether the new claims form is in use yet.',
			personId: insurer,
			remindOn: today
		},
		{ text: 'Prefers a call before ten in the morning.', personId: claims },
		{ text: 'Renew the reading room subscription.', remindOn: addDays(today, 6) }
	];
	for (const memo of memos) done(writeMemo(as('okafor'), memo));
}
