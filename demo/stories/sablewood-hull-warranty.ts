import { agreement } from '../papers/contracts.ts';
import { complaint, motion } from '../papers/pleadings.ts';
import { survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Sablewood hull warranty',
	kind: 'litigation',
	unit: 'Engineering',
	age: 151,
	stage: ['Motions', 35],
	lawyer: 'okafor',
	team: ['fairweather', 'castellan', 'quiroga'],
	split: [
		['Engineering', 50],
		['Freight', 30],
		['Passenger', 20]
	],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:26-cv-02954',
	judge: 'Hon. Marguerite Oldacre',
	other: 'Sablewood Coatings Inc.',
	otherCounsel: 'Jasper Lindenau',
	weSue: true,
	people: [
		'Jasper Lindenau | opposing counsel',
		'Hon. Marguerite Oldacre | judge',
		'Copperhull Repair Yard | witness | did the repair; its records were subpoenaed',
		'Northquay Surveyors | expert | coatings'
	],
	about:
		'The coating of two hulls blistered within a year. Sablewood refuses the warranty and says that the steel was not dry. We had the hulls repaired and sue for the cost.',
	told: [
		'In the spring of last year Sablewood Coatings Inc. coated the hulls of the ferries Gannet and Petrel in dry dock, under an agreement with a warranty of twenty-four months.',
		'At the first haul-out, on {-230}, both hulls had blisters below the waterline over a third of their area.',
		'Larkhaven gave notice in writing on {-221} and asked for repair.',
		'Sablewood sent an inspector, who wrote that the steel had been coated while damp, and refused.',
		'Sablewood’s own daily sheets give the dew point for each day but two.',
		'Copperhull Repair Yard took the coating off and put on another, which took nineteen days for each vessel.',
		'The repair cost $612,400, and the two vessels could not sail for thirty-eight days.',
		'The agreement sends disputes about “workmanship” to arbitration; Sablewood moves to compel it.'
	],
	pleaded: [0, 1, 2, 3, 4, 5, 6],
	facts: {
		side: 'Plaintiff',
		nature: 'CO',
		exposure: '940,000',
		jury: 'yes',
		claim: 'Blistered hull coating; warranty refused; we claim repair and lost sailings.'
	},
	papers: [
		agreement(150, {
			name: 'Coating agreement, signed',
			terms: [
				['Subject', 'Coating of the hulls of two ferries'],
				['Price', '$418,000 for each vessel'],
				['Warranty', '24 months from redelivery'],
				['Law', 'California; disputes about workmanship to arbitration']
			],
			clauses: [
				[
					'Preparation',
					'The steel is blasted to the grade named in the specification. No coat is put on at a temperature of the steel less than five degrees above the dew point, which is measured each hour and written down.'
				],
				[
					'Warranty',
					'Sablewood warrants the coating against blistering, peeling and loss of adhesion. It repairs at its cost, in a yard of its choice within two hundred miles, within forty days of notice.'
				],
				[
					'Disputes about workmanship',
					'Whether work was done as the specification says is decided by a surveyor named by both sides, as arbitrator. Everything else goes to the courts.'
				]
			]
		}),
		complaint(75, ['Breach of warranty', 'Breach of contract'], '940,000'),
		survey(
			140,
			{
				name: 'Northquay Surveyors',
				for: 'Larkhaven Ferries',
				what: 'the hull coating of the Gannet and the Petrel'
			},
			[
				[
					'The blisters',
					'They are filled with water that has salt in it, and stand between the first coat and the steel. That comes from salt left on the steel before it was coated, or from damp.',
					'There are none where the hull was coated on the second and third day.'
				],
				[
					'The daily sheets',
					'For the first and the fourth day no dew point is written down. These are the days on which the blistered parts were coated.'
				]
			],
			[
				['Taking off and coating anew, two hulls', '612,400'],
				['Docking, thirty-eight days', '148,000']
			]
		),
		motion(36, 'to compel arbitration', [
			[
				'The agreement says so',
				'The complaint turns on whether the steel was prepared as the specification asks. That is workmanship in the plain sense of the word.'
			],
			[
				'The rest can wait',
				'If the surveyor finds the work in order there is nothing left to try. If not, the court decides what is owed.'
			]
		])
	],
	notes: [
		[
			74,
			'okafor',
			'Complaint filed. Engineering keeps the panels that were cut out, labelled by frame.'
		],
		[
			35,
			'quiroga',
			'Motion to compel arbitration is in; our answer: a warranty is not workmanship.'
		],
		[10, 'fairweather', 'Sablewood has subpoenaed the yard records of Copperhull. #evidence']
	],
	tasks: [{ subject: 'Label the panels at Yard 3 with the surveyor', who: 'fairweather', due: 6 }],
	work: [
		['Read the daily sheets against the weather record', 'REVIEW'],
		['Drafted the opposition on arbitration', 'DRAFT'],
		['Met the surveyor at the yard', 'DISC'],
		['Prepared for the hearing on arbitration', 'HEAR'],
		['Call with Engineering about the lost days', 'CALL'],
		['Research on warranty and workmanship', 'RESEARCH']
	]
};
