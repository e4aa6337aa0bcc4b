/**
 * What cards hold beside names and addresses: the department's own fields, who does what for an
 * organization, the insurers and banks of the business units, an identity number, notes.
 */
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import type { Application, Context } from '#server/app/application.ts';
import type { Result } from '#server/app/errors.ts';
import { writeMemo } from '#server/memos/commands.ts';
import { findCardFields, type CardContact, type CardFields } from '#server/people/card.ts';
import { editPerson } from '#server/people/edit.ts';
import { addIdentityNumber } from '#server/people/identity.ts';
import { saveOwnFields } from '#server/people/keep-own-fields.ts';
import type { FunctionField, UnitField } from '#server/people/ties.ts';

type House = {
	as(login: string): Context;
	done<T>(result: Result<T>): T;
	world: Application;
	today: PlainDate;
	humans: { id: string; name: string }[];
	orgs: { id: string; name: string }[];
};

/** Changes some fields of a card, as its form would. */
export function editCard(
	{ as, done, world }: House,
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

export function addCardDetails(house: House): void {
	const { as, done, today, humans, orgs } = house;
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
	const insurer = orgs[4]!;
	const excess = orgs[20]!;
	const claims = humans[21]!;
	editCard(house, insurer.id, {
		industry: 'Marine insurance',
		printed: `${insurer.name}\nMarine claims`,
		functions: JSON.stringify([
			{ function: 'handles claims', contact: claims.id },
			{ function: 'receives notices', contact: humans[22]!.id }
		]),
		units: JSON.stringify([
			{ unit: 'unit_0', relation: 'insurer', reference: 'HM-PAX-2207' },
			{ unit: 'unit_1', relation: 'insurer', reference: 'HM-FRT-0914' }
		]),
		'fact:best-way': 'mail'
	});
	editCard(house, excess.id, {
		industry: 'Marine insurance',
		units: JSON.stringify([{ unit: 'unit_2', relation: 'insurer', reference: 'XS-77' }])
	});
	editCard(house, orgs[9]!.id, {
		industry: 'Banking',
		units: JSON.stringify([
			{ unit: 'unit_0', relation: 'bank', reference: '0042-118-7' },
			{ unit: 'unit_5', relation: 'bank', reference: '0042-120-3' }
		])
	});
	editCard(house, claims.id, {
		printed: `Ms. ${claims.name}, claims manager`,
		'fact:best-way': 'phone',
		'fact:bar-number': '',
		'fact:panel-until': addDays(today, 300)
	});
	const numbers = [
		{ personId: humans[3]!.id, sort: "driver's license", number: 'D4471902', issuer: 'California' },
		{ personId: humans[3]!.id, sort: 'social security', number: '512-44-9087', issuer: '' }
	] as const;
	for (const number of numbers) done(addIdentityNumber(as('reyes'), number));
	const memos = [
		{
			text: 'Ask whether the new claims form is in use yet.',
			personId: insurer.id,
			remindOn: today
		},
		{ text: 'Prefers a call before ten in the morning.', personId: claims.id },
		{ text: 'Renew the reading room subscription.', remindOn: addDays(today, 6) }
	];
	for (const memo of memos) done(writeMemo(as('okafor'), memo));
}
