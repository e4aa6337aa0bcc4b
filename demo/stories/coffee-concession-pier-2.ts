import { agreement, redlineNotes } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Coffee concession, Pier 2',
	kind: 'agreement',
	unit: 'Onboard Retail',
	age: 95,
	stage: ['Negotiating', 50],
	lawyer: 'lindqvist',
	team: ['abernathy', 'castellan'],
	other: 'Samphire Coffee Co.',
	about:
		'A roaster wants the counter in the hall of Pier 2. Rent by turnover, a say in prices, and no plastic.',
	told: [
		'The counter in the hall of Pier 2 is free since the newsagent left.',
		'Samphire Coffee Co. offers a share of nine per cent of turnover and a floor of $2,800 a month.',
		'Retail wants to approve prices, since passengers take them for ours.',
		'The port forbids single-use plastic in the halls from next year.',
		'Samphire wants the sole right to coffee in the hall.'
	],
	facts: {
		subject: 'Coffee counter in the hall of Pier 2',
		sort: 'License',
		value: '40,000',
		paper: 'Ours'
	},
	papers: [
		agreement(70, {
			name: 'Concession, draft 1',
			terms: [
				['Space', 'Counter C, hall of Pier 2, 220 square feet'],
				['Fee', '9 per cent of turnover, at least $2,800 a month'],
				['Hours', 'From the first sailing to the last'],
				['Term', 'Two years, with an option for one'],
				['Cap', '$250,000']
			],
			clauses: [
				[
					'Sole right',
					'No other counter in the hall sells coffee that is made to order. Machines on board are no counter.'
				],
				[
					'Prices',
					'The list is shown to the company a month before it changes. The company may object to a price that is more than a tenth above that of two cafés within half a mile.'
				]
			]
		}),
		redlineNotes(52, [
			['Sole right', 'In hall and on board', 'In the hall'],
			['Prices', 'Free', 'A say within a tenth'],
			['Floor', '$2,000', '$2,800']
		])
	],
	notes: [
		[50, 'lindqvist', 'They give up the boats and want the floor at 2,400. Retail thinks about it.']
	],
	tasks: [{ subject: 'Word of Retail on the floor', who: 'lindqvist', due: 5 }],
	work: [
		['Drafted the concession', 'DRAFT'],
		['Call with Samphire about the sole right', 'NEGO'],
		['Read the port’s rules on plastic', 'REVIEW']
	]
};
