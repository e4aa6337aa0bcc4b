import { agreement } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Onboard card terminals',
	kind: 'agreement',
	unit: 'Onboard Retail',
	age: 34,
	stage: ['Negotiating', 25],
	lawyer: 'wardle',
	team: ['abernathy', 'castellan'],
	other: 'Quoin Payments LLC',
	about:
		'Rules and fees of the card terminals in the bars, and what happens to sales while the boat is out of reach of the network.',
	told: [
		'The bars take cards through terminals that need the network.',
		'Between Pier 9 and Angel Island there is none for eleven minutes.',
		'The provider offers to take sales without asking the bank, at our risk, up to a limit.',
		'Retail loses about two hundred dollars a crossing without that.',
		'The rules of the card schemes hold whether one has read them or not.'
	],
	facts: {
		subject: 'Card terminals in the bars',
		sort: 'Services',
		value: '88,000',
		'personal-data': 'yes',
		paper: 'Theirs'
	},
	papers: [
		agreement(30, {
			name: 'Terminal services agreement, draft 1',
			terms: [
				['Terminals', 'Thirty-eight, on nine vessels'],
				['Fee', '1.62 per cent and 9 cents a sale'],
				['Offline limit', '$60 a sale, $3,000 a crossing'],
				['Term', 'Three years'],
				['Cap', 'Fees of twelve months']
			],
			clauses: [
				[
					'Sales without the network',
					'Within the limits of the terms the provider bears half of what a bank does not honor, and the company the other half.'
				],
				[
					'Card data',
					'No card number is kept on a terminal longer than until it is sent. The provider certifies each year that it keeps to the standard of the schemes.'
				]
			]
		})
	],
	notes: [
		[
			25,
			'wardle',
			'Retail can live with sixty dollars. The crossing limit should be five thousand.'
		]
	],
	tasks: [{ subject: 'Answer to the first draft', who: 'wardle', due: 2 }],
	work: [
		['Read the rules of the card schemes', 'REVIEW'],
		['Redlined the terminal agreement', 'DRAFT'],
		['Call with Onboard Retail about limits', 'MEET']
	]
};
