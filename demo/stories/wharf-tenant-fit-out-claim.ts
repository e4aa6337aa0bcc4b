import { answer, complaint, motion } from '../papers/pleadings.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Wharf tenant fit-out claim',
	kind: 'litigation',
	unit: 'Terminals',
	age: 60,
	stage: ['Discovery', 20],
	lawyer: 'reyes',
	elsewhere: true,
	court: 'Cal. Super., San Francisco',
	caseNumber: 'CGC-26-617405',
	judge: 'Hon. Octavian Reade',
	other: 'Marisol Eastlake',
	otherCounsel: 'Fenella Drake',
	people: ['Fenella Drake | opposing counsel', 'Hon. Octavian Reade | judge'],
	about:
		'A tenant at the wharf built a restaurant and says that we promised to share the cost. She refuses to let our engineer in; a motion to compel the inspection is set.',
	told: [
		'Marisol Eastlake rents a hall at the wharf and built a restaurant into it.',
		'She says that the terminal manager promised on a walk through the hall to pay half of the floor and the drains.',
		'The lease says that nothing is promised that is not in it.',
		'The work cost $310,000; she asks for $155,000.',
		'Larkhaven’s engineer wanted to see the drains and was sent away twice.',
		'A first set of interrogatories was served by mail.'
	],
	pleaded: [0, 3],
	facts: {
		side: 'Defendant',
		nature: 'CO',
		exposure: '155,000',
		claim: 'Tenant claims half of the cost of a restaurant’s floor and drains.'
	},
	papers: [
		complaint(58, ['Breach of contract'], '155,000'),
		answer(30),
		motion(
			20,
			'to compel an inspection of the premises',
			[
				[
					'Good cause',
					'What is claimed is the cost of drains that nobody but the tenant has seen. An hour with one engineer is enough.'
				],
				['She was asked', 'Two letters and two visits. The answer was that the chef was busy.']
			],
			'ours'
		)
	],
	notes: [
		[
			18,
			'reyes',
			'Hearing on the inspection is set. Our manager remembers the walk, not the promise.'
		]
	],
	tasks: [{ subject: 'Declaration of the terminal manager', who: 'reyes', due: 8 }],
	work: [
		['Drafted the motion to compel inspection', 'DRAFT'],
		['Interview of the terminal manager', 'MEET'],
		['Answered interrogatories', 'DISC']
	]
};
