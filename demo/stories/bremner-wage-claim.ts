import { interrogatories, responses } from '../papers/discovery.ts';
import { answer, complaint } from '../papers/pleadings.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Bremner wage claim',
	kind: 'litigation',
	unit: 'Freight',
	age: 203,
	stage: ['Discovery', 29],
	lawyer: 'wardle',
	team: ['abernathy', 'castellan'],
	split: [
		['Freight', 85],
		['Engineering', 15]
	],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:26-cv-02207',
	judge: 'Hon. Constance Weir',
	other: 'Jorun Bremner',
	otherCounsel: 'Aurelio Santangelo',
	people: [
		'Aurelio Santangelo | opposing counsel',
		'Hon. Constance Weir | judge',
		'Quoin Staffing LLC | contact | sent dock hands until last year'
	],
	about:
		'A dock hand says that the time between the gate and the clock was work. Discovery is open; we counterclaimed for tools that were not given back.',
	told: [
		'Jorun Bremner worked as a dock hand at the freight pier from {-1400} until {-260}.',
		'The clock stands in the shed, four minutes from the gate.',
		'At the gate each hand puts on a vest and boots and has the bag looked into.',
		'The gate’s card reader writes down each passage; the clock writes down the shift.',
		'On average eleven minutes a shift lie between them.',
		'Mr. Bremner claims $38,000 for himself and says that there are others like him.',
		'When he left, tools of $2,100 were missing from his locker.',
		'Larkhaven answered, with a counterclaim for the tools, on {-60}.'
	],
	pleaded: [0, 1, 2, 3, 4],
	facts: {
		side: 'Defendant',
		nature: 'WA',
		exposure: '410,000',
		claim: 'Whether the minutes between gate and clock are work.'
	},
	papers: [
		complaint(95, ['Unpaid wages'], '38,000'),
		answer(60, 'Answer and counterclaim'),
		interrogatories(29, 'theirs', 'First set', [
			'Identify each person who worked at the freight pier as a dock hand since {-1400}.',
			'Describe what a dock hand has to do between the gate and the clock.',
			'State for each shift of plaintiff the time of the gate and the time of the clock.',
			'Describe every change in the place of the clock, and the reason for it.',
			'State who decided that time is paid from the clock on, and when.',
			'Describe each complaint about unpaid time in the last five years.'
		]),
		responses(
			3,
			'ours',
			'First set',
			[
				[
					'Describe what a dock hand has to do between the gate and the clock.',
					'Show a card, put on a vest and boots, open the bag, and walk about two hundred yards. The vest and boots may be put on at home.'
				],
				[
					'State for each shift of plaintiff the time of the gate and the time of the clock.',
					'A list of 812 shifts is produced. For 31 of them the gate’s reader was out of order.'
				],
				[
					'Describe every change in the place of the clock, and the reason for it.',
					'It stood at the gate until {-1650} and was moved to the shed when the gate was rebuilt.'
				]
			],
			'Responses to the first set of interrogatories, draft 2'
		)
	],
	notes: [
		[
			150,
			'wardle',
			'Payroll keeps the gate records beyond their ordinary thirteen months. #evidence'
		],
		[
			28,
			'abernathy',
			'Interrogatories came by e-service; request for production by mail two weeks later.'
		]
	],
	tasks: [
		{ subject: 'Export the gate records', who: 'abernathy', due: 1 },
		{ subject: 'Verification by the head of Freight', who: 'wardle', due: 1 }
	],
	work: [
		['Compared gate records with the clock', 'REVIEW'],
		['Drafted responses to interrogatories', 'DISC'],
		['Call with payroll about the export', 'CALL'],
		['Research on time at the gate', 'RESEARCH'],
		['Advice on moving the clock', 'ADVICE']
	]
};
