import { agreement, redlineNotes } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Ticket app maintenance',
	kind: 'agreement',
	unit: 'Passenger',
	age: 45,
	stage: ['Negotiating', 30],
	lawyer: 'quiroga',
	team: ['abernathy', 'castellan'],
	other: 'Capstan Ticketing Ltd',
	about:
		'Upkeep of the ticket app by those who built it. Times to answer, who owns the code if they go under, and what a lost weekend costs.',
	told: [
		'Forty per cent of tickets are sold in the app.',
		'On two Saturdays in the summer it could not be reached for five hours each.',
		'The present agreement promises “best efforts”.',
		'Capstan offers three grades of service; the highest costs $21,000 a month.',
		'The code is in a vault of a third person, of which nobody has the newest key.'
	],
	facts: {
		subject: 'Upkeep of the ticket app',
		sort: 'Services',
		value: '252,000',
		'personal-data': 'yes',
		paper: 'Theirs'
	},
	papers: [
		agreement(32, {
			name: 'Maintenance agreement, draft 1',
			terms: [
				['Grade', 'Two: answer in 30 minutes, mended in 6 hours'],
				['Fee', '$16,500 a month'],
				['Credit', 'A tenth of the month for each hour beyond'],
				['Term', 'Two years'],
				['Cap', 'Fees of eighteen months']
			],
			clauses: [
				[
					'Times',
					'They run from the first report, day and night, weekends too. A report counts when the desk could have read it.'
				],
				[
					'Code in trust',
					'The newest code is put with the trustee each quarter. It is given out if upkeep stops for five days, whoever is to blame.'
				],
				[
					'Personal data',
					'What the app knows of a passenger is used to sell and to carry, and for nothing else. A breach is told within twenty-four hours.'
				]
			]
		}),
		redlineNotes(20, [
			['Credit', 'Five per cent', 'Ten per cent for each hour'],
			['Code', 'Only on insolvency', 'Also when upkeep stops'],
			['Breach of data', '72 hours', '24 hours']
		])
	],
	notes: [[18, 'quiroga', 'They will give the code on a stop of ten days. We said five.']],
	tasks: [{ subject: 'Newest key of the vault', who: 'abernathy', due: 3 }],
	work: [
		['Redlined the maintenance agreement', 'DRAFT'],
		['Call with Capstan about credits', 'NEGO'],
		['Meeting with Passenger about the two Saturdays', 'MEET']
	]
};
