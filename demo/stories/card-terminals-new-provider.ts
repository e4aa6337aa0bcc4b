import { memo } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Card terminals, new provider',
	kind: 'agreement',
	unit: 'Onboard Retail',
	age: 33,
	stage: ['Drafting', 20],
	lawyer: 'wardle',
	elsewhere: true,
	about:
		'Retail asks whether another provider of card terminals is better. The present contract ends in spring, and with it a discount.',
	told: [
		'The contract for card terminals at the ticket counters ends in spring.',
		'A second provider offers a fee that is lower by a fifth and terminals that are rented, not bought.',
		'A change takes about ten weeks.',
		'Notice has to be given by the end of the year.'
	],
	papers: [
		memo(
			20,
			'Note on the change of provider',
			[
				[
					'What it takes',
					'Ten weeks with both in parallel for two. The rules of the schemes ask for a new certificate.'
				],
				['What it saves', 'About $19,000 a year, less the rent of the terminals.']
			],
			[
				['Stay', 'certain', '0'],
				['Change', 'likely', '11,000 saved in the first year']
			]
		)
	],
	notes: [[19, 'wardle', 'Wes has the note. He wants to see the terminals first.']],
	work: [
		['Compared the two offers', 'REVIEW'],
		['Advice to Onboard Retail on notice', 'ADVICE']
	]
};
