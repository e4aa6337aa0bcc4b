import { minutes } from '../papers/official.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Board and securities',
	kind: 'corporate',
	unit: 'Corporate',
	age: 1090,
	stage: ['Preparing', 20],
	lawyer: 'okafor',
	team: ['fairweather', 'castellan'],
	people: [
		'Seraphina Croft | director',
		'Augustin Pell | director',
		'Kestrel & Moor LLP | auditor'
	],
	about: 'Meetings of the board, its minutes and consents, and the register of shares.',
	told: [
		'The board has seven members and meets five times a year.',
		'The register of shares is kept by the department.',
		'Consents between meetings are signed electronically and filed here.',
		'The annual meeting is in the spring.',
		'Two members’ terms end with it.'
	],
	facts: {
		entity: 'Larkhaven Ferries, Inc.',
		state: 'Delaware',
		'fiscal-year': 'December 31',
		'annual-report': 130
	},
	papers: [
		minutes(
			70,
			'Minutes of the autumn meeting',
			{
				body: 'Board of directors of Larkhaven Ferries, Inc.',
				present:
					'Seraphina Croft (chair), Augustin Pell and five others; the general counsel as secretary'
			},
			[
				[
					'Report of the chief executive',
					'Passengers are up by three per cent, freight is level. Fog cost forty-one sailings in the quarter.'
				],
				[
					'Safety',
					'The handrails of all gangways were measured after an accident in June. Nine were tightened. The board asks for a report each quarter.'
				],
				['Budget', 'A first reading. Dry dock is higher by $600,000 because of steel.']
			],
			[
				'the budget of the first quarter is approved as a bridge until the whole is read again.',
				'the register of shares is approved as it stood on {-76}.',
				'the credit for Berth 11 may be negotiated up to $18,000,000.'
			]
		),
		minutes(
			300,
			'Written consent, officers',
			{
				body: 'Board of directors of Larkhaven Ferries, Inc.',
				present: 'all seven members, by their signatures'
			},
			[
				[
					'Officers',
					'The term of the treasurer ends in the year. The committee proposes the deputy.'
				]
			],
			[
				'Jonah Whitlock is elected treasurer from {-290}.',
				'his power to sign is as that of his predecessor.'
			]
		)
	],
	notes: [[68, 'okafor', 'Minutes are approved by the chair. Next papers go out on the seventh.']],
	tasks: [{ subject: 'Papers for the December meeting', who: 'fairweather', due: 8 }],
	work: [
		['Drafted the minutes', 'DRAFT'],
		['Attended the board', 'MEET'],
		['Kept the register of shares', 'REVIEW'],
		['Advice to the chair on notice', 'ADVICE'],
		['Drafted a written consent', 'DRAFT']
	]
};
