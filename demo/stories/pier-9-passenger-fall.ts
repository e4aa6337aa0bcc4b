import { answer, complaint } from '../papers/pleadings.ts';
import { incidentReport, letter, memo, survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Pier 9 passenger fall',
	kind: 'litigation',
	unit: 'Passenger',
	age: 118,
	stage: ['Pleadings', 26],
	lawyer: 'okafor',
	team: ['abernathy', 'castellan', 'lindqvist'],
	caution: 'Call claimant only through counsel',
	split: [
		['Passenger', 70],
		['Terminals', 30]
	],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '4:26-cv-01422',
	judge: 'Hon. Althea Winterbourne',
	other: 'Rosalind Hollingbury',
	otherCounsel: 'Perrin Gallowglass',
	people: [
		'Perrin Gallowglass | opposing counsel | for the plaintiff',
		'Hon. Althea Winterbourne | judge',
		'Halyard Mutual Insurance | insurer | passenger liability, HM 26-40918',
		'Tobias Rennick | witness | deck hand at the gangway',
		'Ottoline Farrow | witness | inspected the rail in the spring',
		'Dr. Henning Ashcroft | expert | gangways and handrails'
	],
	about:
		'A passenger fell on the gangway of Pier 9 while boarding in rain and broke her wrist. She says the handrail was loose. The terminal replaced the rail on the next day; the old one is kept at Yard 3.',
	told: [
		'On {-160} at ten to eight in the evening it rained on Pier 9, and the gangway to the ferry Gannet was wet.',
		'Rosalind Hollingbury boarded with a suitcase in her right hand and held the handrail with her left.',
		'Near the upper end of the gangway the handrail gave way by about four inches, and she fell on her left arm.',
		'The deck hand Tobias Rennick helped her up and called the duty officer; she was taken to Bayview Clinic, where a broken wrist was found.',
		'The rail had been inspected in the spring; the inspection log has the entry “rail tight”, with initials and without a measurement.',
		'Two passengers had told the crew in the week before that the rail moved; one of these reports is in the log of the pier.',
		'On the day after the fall the terminal replaced the rail; the old one was tagged and taken to Yard 3.',
		'The deck camera shows fourteen seconds of the boarding, from behind and from above.',
		'Ms. Hollingbury claims $120,000 for treatment and pain and $155,000 for work that she could not do as a violinist.'
	],
	pleaded: [0, 1, 2, 3],
	facts: {
		room: '4',
		side: 'Defendant',
		nature: 'IN',
		exposure: '275,000',
		jury: 'yes',
		'date-of-loss': -160,
		insured: 'yes',
		claim:
			'A passenger fell on the gangway of Pier 9 while boarding in rain. She says the handrail was loose.'
	},
	papers: [
		incidentReport(
			117,
			'abernathy',
			{
				where: 'Pier 9, gangway 2, upper end',
				when: '{-160}, 19:50',
				weather: 'Rain since noon, wind from the west, lamps on',
				reported: 'Duty officer Marek Oduya'
			},
			[
				[
					'The gangway',
					'Aluminium, sixteen feet, with rails of tube on both sides. Each rail stands on five posts with two bolts. The bolts of the fourth post on the left could be turned by hand when the duty officer tried them ten minutes later.',
					'The treads were clean. The mat at the upper end lay where it belongs.'
				],
				[
					'The crew',
					'Three hands were on the gangway, one at each end and one to help with luggage. All three hold the boarding certificate; the training record is attached.'
				]
			]
		),
		survey(
			96,
			{
				name: 'Dr. Henning Ashcroft',
				for: 'Larkhaven Ferries',
				what: 'the handrail of gangway 2, as it is kept at Yard 3'
			},
			[
				[
					'What we found',
					'The bolts of the fourth post show wear on one side, which comes from movement over some weeks. The lock washers are missing on two of them; on the others they are there.',
					'With the two bolts loose, the rail gives by three to five inches under the weight of one hand. With them tight it does not give at all.'
				],
				[
					'Why it came loose',
					'Washers do not fall off by themselves. They were left out when the post was last taken down, which the yard’s record puts in the winter.',
					'An inspection that measures would have found it; one that looks would not.'
				]
			],
			[
				['Posts, bolts and washers, one rail', '640'],
				['Measuring all gangways of the pier', '4,200'],
				['A torque log for one year', '1,100']
			]
		),
		letter(
			88,
			'Halyard Mutual, coverage position',
			{
				from: 'Halyard Mutual Insurance, marine claims',
				to: 'Larkhaven Ferries, Legal\nPier 1, San Francisco',
				about: 'Claim HM 26-40918, fall on {-160}'
			},
			[
				'We have your notice of the claim and the incident report. The policy for passenger liability covers the event; we take up the defense subject to what is said here.',
				'The retention of $50,000 applies once, to defense cost and indemnity together. We reserve our position on any amount that a court should award as a punishment.',
				'Please keep the rail, the log and the camera record. We would like our own expert to see the rail, on a day that suits your yard, before anything is done to it.',
				'We agree to counsel of the department leading the case, with us copied on what is filed, and ask for a report of exposure within sixty days.'
			],
			{
				name: 'What we need',
				rows: [
					['Inspection log', 'the whole of the year, with the names behind the initials'],
					['Reports of a moving rail', 'both, and what was done on them'],
					['Medical bills', 'as they come, each with its date'],
					['Earlier claims', 'falls on gangways in the last five years, with what was paid'],
					['Reserve', 'your own figure, and when it was last changed']
				]
			}
		),
		complaint(26, ['Negligence'], '275,000'),
		answer(2, 'Answer, draft 3'),
		memo(
			40,
			'Memorandum on exposure',
			[
				[
					'Whether we answer for it',
					'A carrier owes care under the circumstances. A rail that moves, reported twice, is hard to defend on fault. The log entry without a measurement will be read to the jury.',
					'The subsequent repair does not come in to prove fault, but the tagged rail does; that we kept it helps us.'
				],
				[
					'What it is worth',
					'The wrist healed with a plate. The claim for lost work depends on the season she was engaged for: ask for the contract, and hear the orchestra’s manager.'
				]
			],
			[
				['Verdict for us', '15 %', '0'],
				['Medical cost and pain only', '50 %', '90,000 to 140,000'],
				['With the lost season', '35 %', '200,000 to 275,000']
			]
		)
	],
	notes: [
		[
			112,
			'abernathy',
			'Terminal manager confirms: the deck camera pictures of the evening are on a disk of their own, sealed. #evidence'
		],
		[86, 'okafor', 'Claims adjuster of Halyard Mutual: the policy applies; their letter is filed.'],
		[
			24,
			'okafor',
			'Complaint read. Ms. Gallowglass has no objection to a mediation before discovery opens.'
		]
	],
	work: [
		['Call with the claims adjuster about the retention', 'CALL'],
		['Interview of the deck hand about the boarding', 'MEET'],
		['Looked at the tagged rail with Dr. Ashcroft', 'DISC'],
		['Read the inspection log and the pier log', 'REVIEW'],
		['Drafted the answer', 'DRAFT'],
		['Advice on the reserve', 'ADVICE'],
		['Call with opposing counsel about mediation', 'CALL'],
		['Research on repairs made after an accident', 'RESEARCH']
	]
};
