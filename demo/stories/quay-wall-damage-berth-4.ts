import { letter, survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Quay wall damage, Berth 4',
	kind: 'claims',
	unit: 'Terminals',
	age: 60,
	stage: ['Negotiating', 18],
	lawyer: 'quiroga',
	elsewhere: true,
	other: 'Marlinspike Barges LLC',
	people: [
		'Halyard Mutual Insurance | insurer',
		'Delphine Oakhampton | adjuster',
		'Northquay Surveyors | surveyor'
	],
	about:
		'A barge swung on the flood and cracked two piles of Berth 4. Its owner’s insurer has seen the piles and offers half.',
	told: [
		'On {-74} a barge of Marlinspike Barges LLC lay at the public wharf beside Berth 4.',
		'On the flood her stern line slipped and she swung against the fender line, twice.',
		'Two piles are cracked below the cap; the berth was closed for nine days.',
		'The harbor’s camera shows both blows.',
		'Our loss is $184,200; the insurer of the barge offers half.',
		'It says that the fender line was old. It was four years old.'
	],
	papers: [
		survey(
			50,
			{
				name: 'Northquay Surveyors',
				for: 'Larkhaven Ferries and the insurer of the barge',
				what: 'piles 7 and 8 of Berth 4 and the fender line'
			},
			[
				[
					'The piles',
					'Both are cracked two feet below the cap, on the side of the barge. A diver found no other damage.'
				],
				['The fenders', 'Four years old, of a kind that lasts fifteen. Two are torn off.']
			],
			[
				['Two piles, sleeved', '121,000'],
				['Fenders', '18,700'],
				['Berth closed, nine days', '44,500']
			]
		),
		letter(
			20,
			'Offer of the barge’s insurer',
			{
				from: 'Tideline Claims LLC, for the insurer of the barge',
				to: 'Larkhaven Ferries, Legal',
				about: 'Berth 4, event of {-74}',
				folder: 'Claim'
			},
			[
				'We have the survey and the film. Our insured’s line slipped; this is not in dispute.',
				'We see a part of the damage in the age of the fender line and in the days for which the berth was closed, which could have been fewer.',
				'Without admitting anything we offer $92,000 in full.',
				'The offer stands for thirty days.'
			],
			{
				name: 'How it is made up',
				rows: [
					['Piles', '$121,000, less a quarter for age'],
					['Fenders', 'nothing'],
					['Days', 'four of nine']
				]
			}
		)
	],
	notes: [
		[18, 'quiroga', 'Half is not enough: the fenders were four years old. Counter with 160.']
	],
	tasks: [{ subject: 'Answer to the offer', who: 'quiroga', due: 6 }],
	work: [
		['Watched the film with the surveyor', 'REVIEW'],
		['Call with the adjuster', 'CALL'],
		['Drafted the answer to the offer', 'DRAFT']
	]
};
