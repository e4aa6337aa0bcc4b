import { agreement, redlineNotes } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Fuel supply 2027',
	kind: 'agreement',
	unit: 'Freight',
	age: 271,
	stage: ['Negotiating', 40],
	lawyer: 'quiroga',
	team: ['fairweather', 'castellan', 'wardle'],
	split: [
		['Freight', 45],
		['Passenger', 45],
		['Engineering', 10]
	],
	other: 'Leeward Fuel Ltd',
	otherCounsel: 'Corin Blackthorne',
	people: ['Corin Blackthorne | counterparty counsel', 'Northquay Bank | guarantor'],
	about:
		'Marine gas oil for next year, on the supplier’s paper. Price by formula, a floor of volume, and who answers for fuel that is off specification are open.',
	told: [
		'Larkhaven buys nine million gallons of marine gas oil a year.',
		'The present agreement ends with the year and cannot be renewed.',
		'Three suppliers were asked; Leeward Fuel Ltd has the lowest premium and the only barge that fits Pier 9.',
		'Leeward wants a promise of eighty per cent of the forecast volume.',
		'In the spring a delivery clogged the filters of two vessels; Leeward paid half.',
		'Freight wants a price that can be known on the Monday for the week.'
	],
	facts: {
		subject: 'Marine gas oil for 2027',
		sort: 'Supply',
		value: '4,800,000',
		starts: 39,
		ends: 403,
		renews: 'On notice',
		'notice-by': 342,
		law: 'California',
		cap: '1,000,000',
		paper: 'Theirs'
	},
	papers: [
		agreement(40, {
			name: 'Fuel supply agreement, draft 2',
			folder: 'Negotiation',
			terms: [
				['Product', 'Marine gas oil, by the specification of the annex'],
				['Volume', 'Forecast nine million gallons; floor of sixty per cent'],
				['Price', 'Mean of the five days before, plus 11.4 cents a gallon'],
				['Term', 'Twelve months from {39}'],
				['Law and courts', 'California; San Francisco'],
				['Cap', '$1,000,000 in a year']
			],
			clauses: [
				[
					'Supply',
					'The supplier delivers by barge at Pier 9 and by truck at Pier 1, between ten in the evening and four in the morning, on an order given two days before.',
					'It keeps enough in the Bay for three weeks of the forecast.'
				],
				[
					'Price',
					'On Monday at nine the supplier sends the mean of the five quotations before. That price holds until the next Monday. Where no quotation was published, the last one counts.'
				],
				[
					'Quality',
					'A sealed sample is taken at the flange by both sides at each delivery and kept for ninety days. Fuel that is off specification is taken back at the supplier’s cost, and the supplier answers for filters, cleaning and time.'
				],
				[
					'Title and risk',
					'They pass at the flange of the vessel or of the tank on the pier. A spill is the answer of the side on whose part of the line it happens.'
				]
			]
		}),
		redlineNotes(38, [
			['Volume', 'Floor of 80 per cent', 'Floor of 60, forecast each quarter'],
			['Quality', 'Half of the cost', 'All of the cost, within the cap'],
			['Price', 'Daily', 'Weekly, known on Monday'],
			['Audit', 'None', 'Of quotations and of samples'],
			['End', 'Twelve months’ notice', 'Ninety days']
		]),
		agreement(12, {
			name: 'Fuel supply agreement, second redline',
			folder: 'Negotiation',
			terms: [
				['Product', 'Marine gas oil, by the specification of the annex'],
				['Volume', 'Forecast nine million gallons; floor of sixty-five per cent'],
				['Price', 'Mean of the five days before, plus 11.4 cents a gallon'],
				['Term', 'Twelve months from {39}'],
				['Cap', '$1,500,000 in a year, with insurance to match']
			],
			clauses: [
				[
					'Supply',
					'As in draft 2, with a second barge within twelve hours where the first cannot come.'
				],
				[
					'Quality',
					'Sample as in draft 2. The supplier answers for filters, cleaning and up to three days of the vessel’s time.'
				]
			]
		})
	],
	notes: [
		[200, 'quiroga', 'Three offers are in; the table is with Freight.'],
		[37, 'fairweather', 'Freight can live with 65 per cent and wants the second barge.'],
		[5, 'quiroga', 'Leeward accepts the weekly price. Open: who pays for the third day.']
	],
	tasks: [{ subject: 'Third version to Leeward', who: 'quiroga', due: 4 }],
	work: [
		['Drafted the quality clause', 'DRAFT'],
		['Call with Leeward about the floor', 'NEGO'],
		['Compared the three offers', 'REVIEW'],
		['Meeting with Freight about the price', 'MEET'],
		['Redlined the second version', 'DRAFT']
	]
};
