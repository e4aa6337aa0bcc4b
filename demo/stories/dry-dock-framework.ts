import { agreement } from '../papers/contracts.ts';
import { report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Dry dock framework',
	kind: 'agreement',
	unit: 'Engineering',
	age: 390,
	stage: ['In force', 170],
	lawyer: 'quiroga',
	team: ['abernathy', 'castellan'],
	other: 'Copperhull Repair Yard',
	about:
		'A framework for dockings over five years with a yard that we depend on. Signed in the summer; change orders under it come to us when they pass $250,000.',
	told: [
		'There are two yards on the coast that can lift our largest ferry.',
		'Copperhull gives us four weeks each winter for five years.',
		'The price is by the day and by a list of two hundred items.',
		'What is found when the hull is open is a change order and needs a signature within six hours.',
		'The framework was signed on {-170}.'
	],
	facts: {
		subject: 'Dockings, five winters',
		sort: 'Construction',
		value: '6,200,000',
		starts: -170,
		ends: 1650,
		renews: 'None',
		law: 'California',
		paper: 'Ours'
	},
	papers: [
		agreement(170, {
			name: 'Dry dock framework, signed',
			terms: [
				['Work', 'Docking of four ferries each winter'],
				['Price', 'By the day and by the list of items'],
				['Term', 'Five winters'],
				['Delay', '$14,000 for each day, at most thirty days'],
				['Cap', '$3,000,000 for each docking']
			],
			clauses: [
				[
					'Slots',
					'The yard holds the four weeks that begin with the second Monday of January. A slot that we do not take is paid at half the daily price, unless it is let.'
				],
				[
					'Change orders',
					'Work that nobody could foresee is ordered in writing, with its price and its days. An order above $250,000 needs the signature of the department too. Silence for six hours is no consent.'
				],
				[
					'Redelivery',
					'The vessel is redelivered when class has signed. Coating has twenty-four months of warranty, everything else twelve.'
				]
			]
		}),
		report(
			45,
			'Change orders of the winter',
			{ folder: 'Internal', by: 'abernathy' },
			[
				[
					'What came to us',
					'Two of eleven. Both were signed within the six hours. The second is contested: the yard says that steel was five per cent dearer on the day.'
				]
			],
			{
				head: ['Order', 'What', 'Dollars', 'Signed'],
				rows: [
					['4', 'Shaft seals, both', '268,000', '{-150}'],
					['9', 'Tank top, eleven plates', '311,500', '{-140}']
				]
			}
		)
	],
	notes: [[44, 'quiroga', 'Copperhull gives way on the steel price. Order 9 stands at $311,500.']],
	work: [
		['Advice on a change order', 'ADVICE'],
		['Call with the yard about the steel price', 'NEGO'],
		['Read the list of items', 'REVIEW'],
		['Drafted the amendment on delay', 'DRAFT']
	]
};
