import { agreement, redlineNotes } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Crew agency agreement',
	kind: 'agreement',
	unit: 'Passenger',
	age: 109,
	stage: ['Negotiating', 70],
	lawyer: 'wardle',
	team: ['fairweather', 'castellan'],
	split: [
		['Passenger', 50],
		['Freight', 25],
		['Onboard Retail', 25]
	],
	other: 'Halyard Staffing LLC',
	otherCounsel: 'Imogen Thackeray',
	people: ['Imogen Thackeray | counterparty counsel'],
	about:
		'Seasonal crew from an agency for three business units. Who is the employer, who insures, and what happens when we want to keep someone.',
	told: [
		'In the season Larkhaven needs up to ninety more hands.',
		'The agency has sent them for six years on a form of two pages.',
		'Last summer a hand was hurt and neither side’s insurer thought that it was theirs.',
		'Larkhaven hired eleven of the hands and was billed a fee that the form does not mention.',
		'The three business units want one agreement and one price list.'
	],
	facts: {
		subject: 'Seasonal crew',
		sort: 'Services',
		value: '650,000',
		ends: 120,
		renews: 'By itself',
		'notice-by': 60,
		law: 'California'
	},
	papers: [
		agreement(80, {
			name: 'Crew agency agreement, draft 1',
			terms: [
				['Services', 'Seasonal crew, up to ninety persons'],
				['Price', 'Hourly, by the list of the annex'],
				['Term', 'Until {120}, then from year to year'],
				['Law and courts', 'California; San Francisco'],
				['Cap', '$2,000,000']
			],
			clauses: [
				[
					'Who is the employer',
					'The agency employs, pays and insures the crew, keeps their certificates and answers for their wages. On board they follow the master.'
				],
				[
					'Whom we hire',
					'The company may hire anyone sent for more than three hundred hours, without a fee; before that for a fee of four weeks of the hourly price.'
				],
				[
					'Safety training',
					'Nobody is sent who has not had the two days of training in the last twelve months. The company gives it; the agency pays the time.'
				]
			]
		}),
		redlineNotes(60, [
			['Hiring', 'Fee of 20 per cent of a year', 'None after 300 hours'],
			['Insurance', 'Ours covers on board', 'Theirs, with us named'],
			['Certificates', 'Copies on request', 'Before the first day']
		])
	],
	notes: [
		[
			70,
			'wardle',
			'The three business units agreed on one list. Retail wants barkeepers on it too.'
		],
		[
			9,
			'fairweather',
			'Notice has to be given within sixty days if we do not want the old form again.'
		]
	],
	tasks: [{ subject: 'Certificates of insurance for the season', who: 'fairweather', due: 15 }],
	work: [
		['Drafted the clause on hiring', 'DRAFT'],
		['Call with the agency’s counsel', 'NEGO'],
		['Meeting of the three business units', 'MEET'],
		['Read the claim of last summer', 'REVIEW']
	]
};
