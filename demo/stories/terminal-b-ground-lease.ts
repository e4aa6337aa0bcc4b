import { agreement } from '../papers/contracts.ts';
import { report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Terminal B ground lease',
	kind: 'real-estate',
	unit: 'Terminals',
	age: 90,
	stage: ['Due diligence', 40],
	lawyer: 'reyes',
	elsewhere: true,
	other: 'Foreshore Properties LLP',
	people: ['Thurlow Beck | broker', 'Northquay Bank | lender'],
	about:
		'Ground lease for the ticket hall of Terminal B, with an option for five more years. The landlord’s bank has to agree to the signs.',
	told: [
		'The ticket hall moves from Pier 1 to the ground floor of Terminal B.',
		'Foreshore Properties LLP lets it for three and a half years, with an option for five.',
		'The landlord’s bank has a say in what is fixed to the front.',
		'The drains were camera-inspected; one has to be lined.',
		'The hall opens in the spring.'
	],
	papers: [
		agreement(60, {
			name: 'Ground lease, signed',
			folder: 'Leases',
			terms: [
				['Premises', 'Terminal B, ground floor, 14,200 square feet'],
				['Rent', '$21,500 a month, then by index'],
				['Option', 'Five years, to be taken by {380}'],
				['Deposit', '$90,000'],
				['Signs', 'With the consent of the landlord’s bank']
			],
			clauses: [
				[
					'Fit-out',
					'The tenant builds by the plans of the annex and gives the landlord the drawings as built.'
				],
				[
					'Option',
					'In writing, to the landlord and the bank, no later than the day of the terms. An option that is late is none.'
				],
				['Drains', 'The landlord lines the east drain before the tenant opens.']
			]
		}),
		report(
			30,
			'Due diligence, Terminal B',
			{ folder: 'Internal', by: 'fairweather' },
			[
				[
					'Title',
					'One mortgage of Northquay Bank; one easement for a cable, which crosses the yard.'
				],
				[
					'Building',
					'Built in 1974. The roof was done nine years ago. Asbestos in two ducts, sealed.'
				]
			],
			{
				head: ['What', 'Found', 'Open'],
				rows: [
					['Mortgage', 'consent for the lease is there', 'consent for signs'],
					['Drains', 'east drain cracked', 'lining in January'],
					['Zoning', 'ticket hall allowed', '']
				]
			}
		)
	],
	notes: [[28, 'reyes', 'The bank wants the drawing of the sign in color.']],
	tasks: [{ subject: 'Drawing of the sign to the bank', who: 'reyes', due: 6 }],
	work: [
		['Read the mortgage', 'REVIEW'],
		['Drafted the notice of option, for the file', 'DRAFT'],
		['Call with the bank about the sign', 'CALL']
	]
};
