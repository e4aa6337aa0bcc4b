import { agreement } from '../papers/contracts.ts';
import { survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Berth 11 lease',
	kind: 'real-estate',
	unit: 'Terminals',
	age: 880,
	stage: ['In force', 800],
	lawyer: 'reyes',
	team: ['fairweather', 'castellan'],
	other: 'Port Commission',
	people: ['Thurlow Beck | broker'],
	about:
		'Lease of Berth 11 from the port, in force. The rent is set anew every five years; the port’s figure for the next five has come.',
	told: [
		'Larkhaven has rented Berth 11 from the Port Commission since {-870}.',
		'The lease runs for fifteen years, with rent set anew every five by what others pay.',
		'The port’s surveyor puts it at $19,400 a month, against $15,000 now.',
		'Three berths that he compares have a shed, ours has none.',
		'If the parties do not agree by {90}, each names a surveyor and the two a third.'
	],
	facts: {
		premises: 'Berth 11',
		'we-are': 'Tenant',
		area: '38,000',
		starts: -870,
		ends: 4600,
		deposit: '45,000',
		use: 'Ferries, passengers and vehicles'
	},
	papers: [
		agreement(868, {
			name: 'Lease of Berth 11, signed',
			folder: 'Leases',
			terms: [
				['Premises', 'Berth 11 with its apron, 38,000 square feet'],
				['Rent', '$15,000 a month, set anew every five years'],
				['Term', 'Fifteen years'],
				['Use', 'Ferries, passengers and vehicles'],
				['Deposit', '$45,000']
			],
			clauses: [
				[
					'Rent anew',
					'Ninety days before each fifth year the landlord names the rent that berths of the kind fetch. Without agreement each side names a surveyor, the two a third, and the middle figure counts.'
				],
				['Repair', 'The landlord keeps what is under water, the tenant what is above.'],
				['Dredging', 'The landlord dredges to sixteen feet at mean low water, once in two years.']
			]
		}),
		survey(
			25,
			{
				name: 'Thurlow Beck',
				for: 'Larkhaven Ferries',
				what: 'the rent of berths like Berth 11'
			},
			[
				[
					'What was compared',
					'Eight berths between Pier 1 and Pier 80. Three have sheds, which are worth about $3,200 a month.'
				],
				['The result', 'Between $15,600 and $16,800 for a berth without a shed.']
			],
			[
				['Rent asked, a year', '232,800'],
				['Rent shown, a year', '194,400']
			]
		)
	],
	notes: [[24, 'reyes', 'Mr. Beck’s figure is 16,200. Terminals would agree to 16,800.']],
	tasks: [{ subject: 'Answer to the port on rent', who: 'reyes', due: 20 }],
	work: [
		['Read the port’s comparison', 'REVIEW'],
		['Call with the broker', 'CALL'],
		['Advice on naming a surveyor', 'ADVICE']
	]
};
