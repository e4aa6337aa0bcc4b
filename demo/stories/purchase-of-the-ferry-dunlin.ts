import { agreement } from '../papers/contracts.ts';
import { survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Purchase of the ferry Dunlin',
	kind: 'agreement',
	unit: 'Passenger',
	age: 55,
	stage: ['In force', 31],
	lawyer: 'lindqvist',
	team: ['abernathy', 'castellan'],
	other: 'Østerhus Rederi AB',
	otherCounsel: 'Sigrid Vang',
	people: ['Sigrid Vang | counterparty counsel', 'Northquay Surveyors | expert | survey'],
	about:
		'Purchase of a used ferry for the Solent from a Norwegian owner. The agreement is signed; what has to be done before and after the closing runs by a timeline of our own.',
	told: [
		'The ferry Dunlin was built twelve years ago and carries three hundred people.',
		'Østerhus Rederi AB sells her for $7,400,000, where she lies, in Stavanger.',
		'A condition survey afloat was good; one in dock has to follow before the closing.',
		'Her mortgage is released on the day of the closing and the release is filed after it.',
		'The seller gives a warranty of twelve months for her engines.'
	],
	facts: {
		subject: 'The ferry Dunlin',
		sort: 'Other',
		value: '7,400,000',
		law: 'England',
		paper: 'Theirs'
	},
	papers: [
		agreement(32, {
			name: 'Purchase agreement, signed',
			terms: [
				['Vessel', 'Dunlin, 78 meters, built in Gdansk'],
				['Price', '$7,400,000, a tenth of it on signing'],
				['Closing', '{52}, in Stavanger'],
				['Law and courts', 'England; London'],
				['Cap', 'The price']
			],
			clauses: [
				[
					'Title',
					'The seller has a search of the registry made thirty days before the closing and gives the vessel free of every claim, with a release of the mortgage.'
				],
				[
					'Condition',
					'The buyer may survey her in dock twenty-one days before the closing. What class asks for is done at the seller’s cost; what nobody asks for is the buyer’s.'
				],
				[
					'Warranty',
					'For twelve months from the closing the seller answers for both engines, up to $600,000.'
				]
			]
		}),
		survey(
			40,
			{
				name: 'Northquay Surveyors',
				for: 'Larkhaven Ferries',
				what: 'the ferry Dunlin, afloat, in Stavanger'
			},
			[
				['Hull and decks', 'Sound where they can be seen. The car deck was coated last year.'],
				['Engines', 'Both run even. The port engine is due for its large service in 1,900 hours.'],
				['Papers', 'All certificates are valid for more than a year.']
			],
			[
				['Service of the port engine', '140,000'],
				['Seats, upper deck', '55,000']
			]
		)
	],
	notes: [[31, 'lindqvist', 'Signed. The timeline of the purchase counts from the closing.']],
	tasks: [{ subject: 'Slot in dock at Stavanger', who: 'lindqvist', due: 9 }],
	work: [
		['Redlined the purchase agreement', 'DRAFT'],
		['Call with Ms. Vang about title', 'NEGO'],
		['Read the class certificates', 'REVIEW']
	]
};
