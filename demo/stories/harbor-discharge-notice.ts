import { agencyNotice } from '../papers/official.ts';
import { letter, survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Harbor discharge notice',
	kind: 'regulatory',
	unit: 'Terminals',
	age: 96,
	stage: ['Under review', 14],
	lawyer: 'quiroga',
	team: ['fairweather', 'castellan'],
	other: 'Regional Water Board',
	people: ['Hollis Environmental Laboratory | expert', 'Ferrars & Dunne LLP | outside counsel'],
	about:
		'The water board found copper in the outfall of Yard 3 and proposes a penalty. A settlement with a filter instead of half of the money is being drafted.',
	told: [
		'Yard 3 washes hulls on a slab that drains into the bay through a settling tank.',
		'In two samples the copper was three times what the permit allows.',
		'The tank had not been emptied since the spring; the plan says each quarter.',
		'The board’s notice is of {-96} and proposes $38,000.',
		'The yard has emptied the tank and washes hulls over a mat now.',
		'The staff of the board would take a filter of $22,000 for half of the penalty.'
	],
	facts: {
		agency: 'Water board',
		'docket-number': 'R2-2026-0411',
		subject: 'Discharge at Yard 3',
		permit: 'Industrial storm water, Yard 3',
		'notice-of': -96,
		penalty: '38,000',
		vessels: 'Yard 3'
	},
	papers: [
		agencyNotice(
			95,
			'Notice of violation',
			{ agency: 'Regional Water Board', number: 'R2-2026-0411', subject: 'Yard 3, outfall 2' },
			[
				'The permit allows 12 micrograms of dissolved copper for each liter. On two days 39 and 41 were found.',
				'The plan of the yard has the tank emptied each quarter. The record shows that it was emptied once in the year.',
				'The slab was used in rain, which the plan forbids.'
			],
			[
				['Report under oath', '{-66}'],
				['Plan against a repetition', '{-36}'],
				['Answer to the proposed penalty', '{30}']
			]
		),
		survey(
			50,
			{
				name: 'Hollis Environmental Laboratory',
				for: 'Larkhaven Ferries',
				what: 'the water of outfall 2 before and after the tank was emptied'
			},
			[
				[
					'Before',
					'Kept samples of the same two days have 37 and 40. The board’s figures are right.'
				],
				['After', 'Six samples between 4 and 9, two of them in rain.'],
				[
					'What a filter would do',
					'It takes nine tenths of what is left and has to be changed each half year.'
				]
			],
			[
				['Filter, fitted', '22,000'],
				['Change, each half year', '1,800']
			]
		),
		letter(
			15,
			'Offer of settlement to the board',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Regional Water Board\nEnforcement staff',
				about: 'R2-2026-0411, Yard 3',
				by: 'quiroga'
			},
			[
				'Thank you for the meeting. The company does not contest the two samples or the record of the tank.',
				'It offers to pay $19,000 and to fit the filter described by the laboratory, at its cost, within ninety days of your consent.',
				'The tank is emptied each month since {-80}; the record is enclosed, and the hulls are washed over a mat.',
				'We ask that the order say that it settles the notice in full and is no admission for any other purpose.'
			],
			{
				name: 'What was done since',
				rows: [
					['Tank', 'emptied on {-80}, {-52} and {-21}'],
					['Slab', 'closed in rain; a sign and a chain'],
					['Mat', 'in use since {-70}'],
					['Training', 'all eleven hands of the yard']
				]
			}
		)
	],
	notes: [
		[78, 'fairweather', 'Report under oath is filed; the yard manager signed it.'],
		[14, 'quiroga', 'Staff will recommend the settlement. It goes to the board in January.']
	],
	tasks: [{ subject: 'Draft of the consent order', who: 'quiroga', due: 9 }],
	work: [
		['Drafted the offer of settlement', 'DRAFT'],
		['Walked over the slab with the laboratory', 'MEET'],
		['Meeting with the staff of the board', 'CALL'],
		['Read the yard’s plan', 'REVIEW']
	]
};
