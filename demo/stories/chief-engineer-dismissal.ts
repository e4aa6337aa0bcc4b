import { complaint } from '../papers/pleadings.ts';
import { memo } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Chief engineer dismissal',
	kind: 'employment',
	unit: 'Corporate',
	age: 75,
	stage: ['Agency', 60],
	lawyer: 'wardle',
	team: ['castellan'],
	restricted: true,
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:26-cv-05832',
	judge: 'Hon. Evander Holt',
	other: 'Vasco Pennyfold',
	otherCounsel: 'Marguerite Ilves',
	people: [
		'Marguerite Ilves | opposing counsel',
		'Equal Opportunity Agency | agency | charge 550-2026-01177'
	],
	about:
		'A chief engineer was dismissed seven weeks after he reported a breach of the fuel rules. He says that the one came from the other. He asks us to waive service.',
	told: [
		'Vasco Pennyfold was chief engineer of the ferry Kittiwake since {-2900}.',
		'On {-140} he reported to the coast guard that oily water had been pumped out at night.',
		'The report was right: the valve had been left open by a contractor.',
		'On {-91} he was dismissed, for having signed two watches that he had not stood.',
		'He says that everyone signs so, and that nobody was ever dismissed for it.',
		'His charge with the agency is open; he sued without waiting for it.',
		'His counsel sent the complaint with a request to waive service on {-20}.'
	],
	pleaded: [0, 1, 2, 3],
	facts: {
		grounds: 'RE',
		position: 'Chief engineer',
		hired: -2900,
		ended: -91,
		'pay-at-stake': '210,000',
		'charge-number': '550-2026-01177'
	},
	papers: [
		complaint(20, ['Wrongful dismissal'], '210,000'),
		memo(
			45,
			'Memorandum on the dismissal',
			[
				[
					'What decided it',
					'The fleet captain says that the watches were found in an audit that was planned in January. The plan is dated; the audit of the Kittiwake was brought forward by a month.',
					'Who brought it forward, and why, is the case.'
				],
				[
					'Others',
					'Two engineers signed watches in the same way and were warned. That has to be explained.'
				]
			],
			[
				['Dismissal upheld', '40 %', '0'],
				['Settlement', '45 %', '90,000 to 150,000'],
				['Put back, with pay', '15 %', '210,000']
			]
		)
	],
	notes: [
		[60, 'wardle', 'Messages of the fleet captain are kept. Nobody outside this matter is told.'],
		[18, 'wardle', 'We waive service: sixty days to answer instead of twenty-one.']
	],
	work: [
		['Interview of the fleet captain', 'MEET'],
		['Read the plan of audits', 'REVIEW'],
		['Advice on the waiver of service', 'ADVICE'],
		['Research on reports to the coast guard', 'RESEARCH']
	]
};
