import { agreement } from '../papers/contracts.ts';
import { letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Terminal cleaning',
	kind: 'agreement',
	unit: 'Terminals',
	age: 180,
	stage: ['In force', 120],
	lawyer: 'reyes',
	team: ['fairweather', 'castellan'],
	other: 'Ebbtide Services LLC',
	about:
		'Cleaning of five terminals. In force since the autumn; the first quarter shows two terminals that fail the inspection each month.',
	told: [
		'The cleaning of five terminals was put out to tender in the spring.',
		'Ebbtide Services LLC won with the lowest price and a plan for night work.',
		'The agreement pays by a score: below eighty points a tenth is kept back.',
		'Pier 2 and Bolivar have scored below eighty in each month.',
		'Ebbtide says that the inspector comes before the night shift ends.'
	],
	facts: {
		subject: 'Cleaning of five terminals',
		sort: 'Services',
		value: '540,000',
		starts: -120,
		ends: 610,
		'notice-by': 520,
		renews: 'On notice',
		paper: 'Ours'
	},
	papers: [
		agreement(125, {
			name: 'Cleaning agreement, signed',
			terms: [
				['Terminals', 'Piers 1, 2 and 9, Bolivar, Staten Island'],
				['Price', '$45,000 a month'],
				['Score', 'Below 80 points a tenth is kept back'],
				['Term', 'Two years from {-120}'],
				['Cap', '$540,000 in a year']
			],
			clauses: [
				[
					'The score',
					'An inspector of the company walks each terminal twice a month, without notice, with a list of forty points. The supplier may walk along.'
				],
				[
					'Night work',
					'Machines that are louder than sixty-five decibels are not used between ten and five at the piers that have neighbors.'
				]
			]
		}),
		letter(
			14,
			'Letter to Ebbtide on the score',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Ebbtide Services LLC',
				about: 'Cleaning agreement, score of Pier 2 and Bolivar',
				by: 'reyes'
			},
			[
				'In three months Pier 2 and Bolivar have stood below eighty points. The agreement lets us keep back a tenth, which we have done.',
				'A fourth month gives us the right to take both terminals out. We would rather not.',
				'The inspector now comes at seven, an hour after the night shift ends, as you asked.',
				'Please send your plan for both terminals by {7}.'
			],
			{
				name: 'Scores',
				rows: [
					['Pier 2', '74, 77, 71'],
					['Bolivar', '79, 76, 78'],
					['Pier 1', '92, 90, 93'],
					['Kept back', '$5,400 in all']
				]
			}
		)
	],
	notes: [[13, 'reyes', 'Letter is out. Terminals will walk along in December.']],
	tasks: [{ subject: 'Ask Ebbtide for its plan', who: 'fairweather', due: 7 }],
	work: [
		['Drafted the letter on scores', 'DRAFT'],
		['Call with Ebbtide about Pier 2', 'CALL'],
		['Read the inspector’s lists', 'REVIEW']
	]
};
