import { interrogatories } from '../papers/discovery.ts';
import { complaint } from '../papers/pleadings.ts';
import { report, survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Diesel overcharge',
	kind: 'litigation',
	unit: 'Freight',
	age: 745,
	stage: ['Trial', 60],
	lawyer: 'wardle',
	team: ['abernathy', 'castellan', 'lindqvist'],
	split: [
		['Freight', 50],
		['Passenger', 50]
	],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:24-cv-07713',
	judge: 'Hon. Roderick Vane',
	other: 'Bollard Fuel Partners',
	otherCounsel: 'Winifred Stokes',
	weSue: true,
	people: [
		'Winifred Stokes | opposing counsel',
		'Hon. Roderick Vane | judge',
		'Dr. Calla Penhaligon | expert | prices',
		'Ferrars & Dunne LLP | outside counsel | tries the case'
	],
	about:
		'Two fuel suppliers put the same surcharge on marine diesel within a week of each other. One has settled; the case against the other is set for trial after New Year.',
	told: [
		'Between {-1500} and {-1000} Larkhaven bought marine diesel from Bollard Fuel Partners and from Leeward Fuel Ltd.',
		'On the first and the fourth of the same month both began to ask for a surcharge of 4.2 cents a gallon.',
		'Each said that it was for a new tax on storage. There was no such tax.',
		'Their sales managers had met at a golf course three days before; the card of the day has both names.',
		'Larkhaven paid $1,140,000 of it on twenty-seven million gallons.',
		'Leeward settled on {-400} for $310,000 and gives its papers.',
		'The trial is set for {37}, before a jury, for six days.'
	],
	pleaded: [0, 1, 2, 3, 4],
	facts: {
		side: 'Plaintiff',
		nature: 'AN',
		exposure: '2,490,000',
		jury: 'yes',
		claim: 'Surcharge on marine diesel that two suppliers agreed on.'
	},
	papers: [
		complaint(740, ['Overcharge', 'Unfair practice'], '3,420,000'),
		interrogatories(520, 'ours', 'First set', [
			'Identify each person who took part in the decision to ask for the surcharge, and describe what each did.',
			'Describe every communication with Leeward Fuel Ltd about prices in the six months before the surcharge began.',
			'State the cost that the surcharge was meant to cover, with the accounts to which it was booked.',
			'Identify each customer that refused to pay the surcharge, and state what was then done.',
			'State the volume and the price of each delivery of marine diesel to Larkhaven.',
			'Describe what became of the records of the sales manager after he left.'
		]),
		survey(
			210,
			{
				name: 'Dr. Calla Penhaligon',
				for: 'Larkhaven Ferries',
				what: 'the price of marine diesel in the Bay with and without the surcharge'
			},
			[
				[
					'The method',
					'We compare the price in the Bay with that in two ports in which neither supplier sells, before, during and after. Freight and crude explain all but 3.9 to 4.1 cents of the difference.'
				],
				[
					'The result',
					'Without an agreement the price would have been lower by 4.0 cents a gallon. On twenty-seven million gallons this is $1,080,000 with a margin of $60,000.'
				]
			],
			[
				['Overcharge, single', '1,080,000'],
				['Trebled, less the settlement', '2,930,000']
			]
		),
		report(
			20,
			'Order of proof, first cut',
			{ folder: 'Internal', by: 'wardle', mark: 'privileged' },
			[
				[
					'The first two days',
					'The two letters, side by side. The treasurer on what was paid. The golf card, through the pro. Leeward’s manager, by his deposition.'
				],
				[
					'The expert',
					'One morning. Three charts, no equations. The question of the judge at the last hearing is answered on the second.'
				],
				[
					'What they will say',
					'That both followed a bulletin of the trade. The bulletin came out nine days later.'
				]
			],
			{
				head: ['Witness', 'About', 'Hours'],
				rows: [
					['Treasurer', 'invoices and payments', '1.0'],
					['Leeward’s manager', 'the golf course, by deposition', '1.5'],
					['Dr. Penhaligon', 'the overcharge', '2.5'],
					['Bollard’s manager', 'as an adverse witness', '2.0']
				]
			}
		)
	],
	notes: [
		[400, 'wardle', 'Leeward settles: $310,000 and its papers. Finance is told.'],
		[
			30,
			'lindqvist',
			'Final pretrial conference is set; the joint statement goes out a week before.'
		],
		[7, 'castellan', 'Their pretrial disclosures came; objections run.']
	],
	tasks: [
		{ subject: 'Exhibit binders, three sets', who: 'abernathy', due: 14 },
		{ subject: 'Cuts of the deposition of Leeward’s manager', who: 'lindqvist', due: 9 }
	],
	work: [
		['Worked on the order of proof', 'HEAR'],
		['Prepared Dr. Penhaligon', 'HEAR'],
		['Read Leeward’s papers', 'REVIEW'],
		['Call with Ferrars & Dunne about the jury', 'CALL'],
		['Drafted the joint pretrial statement', 'DRAFT'],
		['Cut the deposition for trial', 'DISC'],
		['Research on settlements and trebling', 'RESEARCH']
	]
};
