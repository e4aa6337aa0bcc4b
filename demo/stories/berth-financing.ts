import { agreement } from '../papers/contracts.ts';
import { report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Berth financing',
	kind: 'corporate',
	unit: 'Corporate',
	age: 130,
	stage: ['Preparing', 120],
	lawyer: 'okafor',
	team: ['abernathy', 'castellan', 'reyes'],
	split: [
		['Corporate', 50],
		['Terminals', 50]
	],
	other: 'Northquay Bank',
	people: ['Ferrars & Dunne LLP | outside counsel', 'Northquay Bank | counterparty | lender'],
	about:
		'A loan of eighteen million for new berths. The term sheet is signed; covenants and what is pledged are open.',
	told: [
		'Two berths have to be rebuilt for the longer ferries.',
		'Northquay Bank lends up to $18,000,000 for twelve years.',
		'It wants the vessels Gannet and Petrel as security and a floor of cash.',
		'The floor would be hard to keep in the winter months.',
		'Closing is meant to be in the first quarter.'
	],
	facts: { entity: 'Larkhaven Ferries, Inc.', subject: 'Loan for two berths' },
	papers: [
		report(
			80,
			'Term sheet, with notes',
			{ folder: 'Agreements', by: 'okafor', mark: 'confidential' },
			[
				[
					'Covenants',
					'Cash of $4,000,000 at the end of each month. We ask for each quarter, and $3,000,000 in January and February.'
				],
				['Security', 'Two vessels. We offer the berths’ leases instead of the second.']
			],
			{
				head: ['Term', 'Bank', 'We'],
				rows: [
					['Amount', '$18,000,000', 'the same'],
					['Rate', 'base plus 1.9', 'base plus 1.7'],
					['Security', 'Gannet, Petrel', 'Gannet, leases'],
					['Cash', 'each month', 'each quarter']
				]
			}
		),
		agreement(18, {
			name: 'Loan agreement, draft 1',
			terms: [
				['Loan', 'Up to $18,000,000, in four draws'],
				['Rate', 'Base plus 1.8'],
				['Security', 'First mortgage on the Gannet; assignment of two leases'],
				['Term', 'Twelve years'],
				['Law', 'New York']
			],
			clauses: [
				['Draws', 'Against certificates of the engineer, no more than one a month.'],
				['Cash', 'At the end of each quarter $4,000,000; in the first quarter $3,000,000.'],
				[
					'Events',
					'Missed payment after five days; a judgment of more than $2,000,000 that stands for sixty.'
				]
			],
			mark: 'confidential'
		})
	],
	notes: [
		[16, 'okafor', 'The bank moves on the quarter. Treasurer wants the second vessel kept free.']
	],
	tasks: [{ subject: 'Notes on the first draft to the treasurer', who: 'okafor', due: 4 }],
	work: [
		['Redlined the loan agreement', 'DRAFT'],
		['Call with the bank’s counsel', 'NEGO'],
		['Meeting with the treasurer', 'MEET'],
		['Read the mortgage of the Gannet', 'REVIEW']
	]
};
