import { agencyNotice } from '../papers/official.ts';
import { memo } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'KITTIWAKE café mark',
	kind: 'trademark',
	unit: 'Onboard Retail',
	age: 85,
	stage: ['Examined', 18],
	lawyer: 'reyes',
	elsewhere: true,
	people: ['Penrose Marks LLP | trademark counsel'],
	about:
		'Application for KITTIWAKE for coffee houses. The office refuses it because of an older KITTIWAKE for teas; an answer is due.',
	told: [
		'Onboard Retail wants to call its counters on land Kittiwake, as the ferry.',
		'The application was filed on {-80} for class 43.',
		'The office found KITTIWAKE for teas in class 30, registered nine years ago.',
		'The owner of that mark has sold no tea for three years, as far as can be seen.',
		'An answer to the office is due within three months of its action of {-20}.'
	],
	facts: {
		mark: 'KITTIWAKE',
		office: 'US',
		application: '99/118,402',
		filed: -80,
		status: 'Filed'
	},
	papers: [
		agencyNotice(
			18,
			'Office action',
			{
				agency: 'Trademark Office',
				number: '99/118,402',
				subject: 'KITTIWAKE, class 43',
				folder: 'Office actions'
			},
			[
				'The mark is refused because of registration 4,902,117, KITTIWAKE for teas.',
				'Coffee houses sell tea under their own name so often that buyers expect one source.',
				'The description of services has to say whether food is served on the premises.'
			],
			[['Answer', 'three months from the day of this action']]
		),
		memo(
			8,
			'Note on the office action',
			[
				[
					'What can be done',
					'Three years without use: a petition to cancel for non-use has a good chance. The answer can be put off while it runs.'
				],
				['What else', 'Consent of the owner; he was a one-man firm and is easy to find.']
			],
			[
				['Consent', '40 %', '2,500'],
				['Cancellation', '45 %', '9,000'],
				['Another name', '15 %', 'new signs']
			]
		)
	],
	notes: [[7, 'reyes', 'Penrose Marks looks for the owner of the tea mark.']],
	tasks: [{ subject: 'Find the owner of the tea mark', who: 'fairweather', due: 10 }],
	work: [
		['Read the office action', 'REVIEW'],
		['Advice to Onboard Retail on the name', 'ADVICE']
	]
};
