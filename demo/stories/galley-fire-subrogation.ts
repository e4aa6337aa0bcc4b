import { depositionNotice } from '../papers/discovery.ts';
import { answer, complaint } from '../papers/pleadings.ts';
import { survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Galley fire subrogation',
	kind: 'litigation',
	unit: 'Onboard Retail',
	age: 330,
	stage: ['Discovery', 230],
	lawyer: 'reyes',
	team: ['fairweather', 'castellan'],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:26-cv-00219',
	judge: 'Hon. Eudora Pettibone',
	other: 'Foreshore Property Insurance',
	otherCounsel: 'Magnus Thorley',
	people: [
		'Magnus Thorley | opposing counsel',
		'Hon. Eudora Pettibone | judge',
		'Samphire Catering Co. | witness | ran the galley',
		'Gwendolen Harker | expert | fires in kitchens',
		'Halyard Mutual Insurance | insurer'
	],
	about:
		'A fryer caught fire in the galley of the ferry Kittiwake. The caterer’s insurer paid for the caterer’s equipment and claims it from us, because the hood above the fryer was ours.',
	told: [
		'On {-410} a fryer in the galley of the ferry Kittiwake caught fire during the evening crossing.',
		'The fire went up into the hood and its duct; it was put out by the crew within nine minutes, and nobody was hurt.',
		'Samphire Catering Co. runs the galley with its own equipment; the hood and the duct belong to the vessel.',
		'The duct had last been cleaned seven months before. The fire code asks for six.',
		'The switch that should have cut off the fryer at 475 degrees had been bridged with a wire.',
		'Foreshore Property Insurance paid Samphire $212,600 and sues for it.',
		'Each side’s expert agrees on where the fire began and not on why it spread.'
	],
	pleaded: [0, 1, 2, 3, 4],
	facts: {
		side: 'Defendant',
		nature: 'PD',
		exposure: '212,600',
		'date-of-loss': -410,
		insured: 'yes',
		claim: 'Fire in the galley of the Kittiwake; hood ours, fryer the caterer’s.'
	},
	papers: [
		complaint(325, ['Subrogation', 'Negligence'], '212,600'),
		answer(290),
		survey(
			200,
			{
				name: 'Gwendolen Harker',
				for: 'Larkhaven Ferries',
				what: 'the galley of the Kittiwake, the fryer and the duct'
			},
			[
				[
					'Where it began',
					'In the left vat of the fryer. The oil was above its flash point; the burn on the rear wall has its lowest point there.'
				],
				[
					'Why it was not stopped',
					'The switch for high temperature was bridged with a piece of copper wire. With the switch at work the oil would not have reached the temperature at which it burns.',
					'The wire has been there for months: it is covered with the same film as the screws beside it.'
				],
				[
					'Why it spread',
					'Grease in the duct was two sixteenths of an inch thick. A duct cleaned a month earlier would have had less than one. It would have burned as well, for a shorter time.'
				]
			],
			[
				['Hood and duct', '38,200'],
				['Fryer and counter', '61,900'],
				['Cleaning of the deck above', '12,400']
			]
		),
		depositionNotice(30, 'the chef of Samphire Catering Co.', 14, [
			'All work orders for the fryer since it was put aboard.',
			'Messages about the switch, or about oil that was too hot, between {-500} and {-410}.',
			'The training records of those who worked in the galley that evening.'
		])
	],
	notes: [
		[
			60,
			'reyes',
			'Ms. Harker’s photographs of the wire are clear. Offer to show it to Mr. Thorley.'
		],
		[5, 'fairweather', 'Offer of judgment came by mail: $45,000. The time to answer is docketed.']
	],
	work: [
		['Met the expert in the galley', 'DISC'],
		['Read the caterer’s work orders', 'REVIEW'],
		['Drafted questions for the chef', 'DISC'],
		['Call with Samphire about the wire', 'CALL'],
		['Advice on the offer', 'ADVICE']
	]
};
