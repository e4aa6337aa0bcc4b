/** Small matters of earlier years: what a department of three years has behind it. */
import type { Lawyer, Unit } from './story.ts';

/** Opened so many days ago, closed so many days later. */
export type Past = [
	title: string,
	kind: string,
	unit: Unit,
	opened: number,
	days: number,
	lawyer: Lawyer,
	ending: string,
	about: string
];

export const PAST: readonly Past[] = [
	[
		'Life jackets, two thousand',
		'agreement',
		'Passenger',
		1085,
		70,
		'quiroga',
		'Concluded',
		'Purchase of life jackets, with a test of each tenth.'
	],
	[
		'Bent bollard, Pier 1',
		'claims',
		'Terminals',
		1080,
		210,
		'reyes',
		'Paid',
		'A barge bent a bollard; its insurer paid the repair.'
	],
	[
		'Steward dismissal letter',
		'employment',
		'Onboard Retail',
		1072,
		120,
		'wardle',
		'Settled',
		'A steward contested his dismissal in a letter and took two months’ pay.'
	],
	[
		'Radio licenses, nine vessels',
		'regulatory',
		'Engineering',
		1066,
		160,
		'lindqvist',
		'Closed by the agency',
		'Renewal of the radio licenses of all vessels.'
	],
	[
		'Office move, Pier 1',
		'real-estate',
		'Corporate',
		1060,
		240,
		'reyes',
		'Closed as agreed',
		'Lease of the third floor, with a month free.'
	],
	[
		'Vending machines',
		'agreement',
		'Onboard Retail',
		1050,
		95,
		'lindqvist',
		'Concluded',
		'Machines in five halls, at a share of the takings.'
	],
	[
		'Scratched coach, Bolivar',
		'claims',
		'Freight',
		1041,
		130,
		'quiroga',
		'Settled',
		'A coach was scratched on the ramp; half of the paint was paid.'
	],
	[
		'Harbor dues, second half',
		'regulatory',
		'Freight',
		1020,
		150,
		'quiroga',
		'Settled',
		'Whether dues are owed for empty trips; a middle figure was agreed.'
	],
	[
		'Lost dog on the night boat',
		'claims',
		'Passenger',
		985,
		60,
		'reyes',
		'Denied',
		'A dog was lost and found again; no harm was shown.'
	],
	[
		'Webcams on the piers',
		'agreement',
		'Corporate',
		960,
		85,
		'lindqvist',
		'Concluded',
		'Webcams, and who may look at the record.'
	],
	[
		'Crew meals tender',
		'agreement',
		'Passenger',
		930,
		140,
		'wardle',
		'Concluded',
		'Meals for the crew in three ports.'
	],
	[
		'Overpaid fuel tax',
		'regulatory',
		'Freight',
		905,
		310,
		'wardle',
		'Closed by the agency',
		'Refund of a tax that is not owed for vessels.'
	],
	[
		'Mechanic’s knee',
		'employment',
		'Engineering',
		890,
		260,
		'wardle',
		'Resolved',
		'A mechanic asked for lighter work and was given it.'
	],
	[
		'Glass roof, Pier 2',
		'claims',
		'Terminals',
		861,
		200,
		'quiroga',
		'Paid',
		'A crane broke two panes; its owner paid.'
	],
	[
		'School trips agreement',
		'agreement',
		'Passenger',
		840,
		50,
		'reyes',
		'Concluded',
		'Terms for school classes, for two years.'
	],
	[
		'Paint shed permit',
		'regulatory',
		'Engineering',
		815,
		190,
		'lindqvist',
		'Closed by the agency',
		'Permit for the paint shed at Yard 3.'
	],
	[
		'Banner on the funnel',
		'agreement',
		'Corporate',
		790,
		45,
		'lindqvist',
		'Not concluded',
		'An advertiser wanted the funnels; the board did not.'
	],
	[
		'Night watch contract',
		'agreement',
		'Terminals',
		765,
		75,
		'wardle',
		'Concluded',
		'Guards for three piers; the round is written down each night.'
	],
	[
		'Wet freight, winter',
		'claims',
		'Freight',
		750,
		220,
		'quiroga',
		'Settled',
		'Paper rolls got wet under a torn cover.'
	],
	[
		'Bicycle racks',
		'agreement',
		'Passenger',
		404,
		65,
		'reyes',
		'Concluded',
		'Racks for forty bicycles on each of four vessels.'
	],
	[
		'Fallen sign, Staten Island',
		'claims',
		'Terminals',
		398,
		180,
		'quiroga',
		'Paid',
		'A sign fell on a car in a storm.'
	],
	[
		'Payroll provider',
		'agreement',
		'Corporate',
		388,
		120,
		'wardle',
		'Concluded',
		'A new provider for payroll, with a clause on personal data.'
	],
	[
		'Noise of the bow thruster',
		'regulatory',
		'Engineering',
		380,
		140,
		'lindqvist',
		'Closed by the agency',
		'Neighbors complained; the thruster is not used after ten.'
	],
	[
		'Cook’s overtime',
		'employment',
		'Onboard Retail',
		371,
		110,
		'wardle',
		'Settled',
		'A cook’s hours in the season were counted again.'
	]
];
