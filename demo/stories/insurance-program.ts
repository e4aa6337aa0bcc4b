import { report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Insurance program',
	kind: 'corporate',
	unit: 'Corporate',
	age: 420,
	ended: 75,
	lawyer: 'wardle',
	team: ['abernathy', 'castellan'],
	people: [
		'Halyard Mutual Insurance | counterparty | lead insurer',
		'Tidewrack Insurance | counterparty | excess',
		'Broadsands Brokers LLP | outside counsel | broker'
	],
	about: 'Renewal of hull, liability and property insurance. Placed for the year.',
	told: [
		'The program has six policies, all of which end on the same day.',
		'The market asked for twelve per cent more; it was placed at seven.',
		'The retention for passengers went up to $50,000.',
		'The wording of “crew” was changed so that agency crew is in it.'
	],
	facts: { entity: 'Larkhaven Ferries, Inc.', subject: 'Insurance of the year' },
	papers: [
		report(
			90,
			'Program as it was placed',
			{ folder: 'Agreements', by: 'wardle' },
			[
				[
					'What changed',
					'Retention for passengers, the word crew, and a limit for water in tunnels, which we have none of.'
				]
			],
			{
				head: ['Policy', 'Insurer', 'Limit', 'Retention'],
				rows: [
					['Passengers', 'Halyard Mutual', '2,000,000', '50,000'],
					['Excess', 'Tidewrack', '5,000,000', '2,000,000'],
					['Hull', 'Halyard Mutual', 'agreed value', '100,000'],
					['Property', 'Foreshore', '30,000,000', '250,000']
				]
			}
		)
	],
	notes: [[78, 'wardle', 'Placed. Certificates go to landlords and to the bank.']],
	work: [
		['Read the wordings', 'REVIEW'],
		['Call with the broker', 'NEGO'],
		['Advice on the word crew', 'ADVICE']
	]
};
