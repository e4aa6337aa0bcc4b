import { complaint, motion } from '../papers/pleadings.ts';
import { letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Dock 4 sublease',
	kind: 'litigation',
	unit: 'Terminals',
	age: 260,
	stage: ['Pleadings', 40],
	lawyer: 'quiroga',
	team: ['abernathy', 'castellan'],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:26-cv-05570',
	judge: 'Hon. Cyprian Holloway',
	other: 'Gannet Provisions LLC',
	otherCounsel: 'Amity Redgrave',
	weSue: true,
	people: [
		'Amity Redgrave | opposing counsel',
		'Hon. Cyprian Holloway | judge',
		'Quoin Properties LLP | contact | owner of Dock 4'
	],
	about:
		'Our subtenant at Dock 4 stopped paying and let a brewery in without asking. After half a year of letters we sued for rent and possession; it moves to dismiss and to transfer.',
	told: [
		'Larkhaven rents Dock 4 from Quoin Properties LLP and sublet a third of it to Gannet Provisions LLC on {-1100}.',
		'Since {-270} the subtenant has paid nothing.',
		'On {-240} the terminal manager found a brewery in the cold store, with its own sign.',
		'The sublease allows no other occupant without consent in writing.',
		'Three letters were answered with the offer to pay half.',
		'Quoin has threatened to end the head lease, which forbids a brewery.',
		'Larkhaven sued on {-40} for rent of $187,000 and for possession.'
	],
	pleaded: [0, 1, 2, 3, 4, 5],
	facts: {
		side: 'Plaintiff',
		nature: 'CO',
		exposure: '187,000',
		claim: 'Subtenant pays no rent and has let a brewery in.'
	},
	papers: [
		letter(
			235,
			'First letter to Gannet Provisions',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Gannet Provisions LLC\nDock 4, San Francisco',
				about: 'Sublease of Dock 4; rent and occupants',
				by: 'quiroga'
			},
			[
				'The rent has not been paid since {-270}. Section 4 of the sublease gives you ten days from this letter.',
				'We have seen that a brewery works in the cold store. Section 11 allows no other occupant without our consent, which was not asked for and is not given: the head lease does not allow it.',
				'Please pay what the enclosed statement shows and have the brewery leave by the end of the month.',
				'If you see this otherwise, call before the ten days have run. After them we take the steps that the sublease gives us.'
			],
			{
				name: 'Statement of account',
				rows: [
					['Rent', '$17,400 each month since {-270}'],
					['Share of power', '$1,120 each month'],
					['Late charge', '5 % of what is late, section 4(c)'],
					['Deposit held', '$34,800; not set off yet']
				]
			}
		),
		complaint(40, ['Breach of lease', 'Breach of contract'], '187,000'),
		motion(7, 'to dismiss', [
			[
				'Notice was not given as the sublease says',
				'Section 23 asks for notice by courier. The letter relied on came by ordinary mail.'
			],
			[
				'The brewery is a guest',
				'Someone who pays nothing for a corner of a store is no occupant in the sense of section 11.'
			]
		]),
		motion(2, 'to transfer', [
			[
				'Everything happened in another division',
				'Dock 4 and every witness are within eight miles of the courthouse in Oakland.'
			]
		])
	],
	notes: [
		[200, 'quiroga', 'Quoin will wait as long as we act. Their letter is filed.'],
		[6, 'abernathy', 'Motion to dismiss came; courier receipts of all three letters are found.']
	],
	work: [
		['Drafted the opposition to the motion to dismiss', 'DRAFT'],
		['Found the courier receipts with the terminal', 'DISC'],
		['Call with the head landlord', 'CALL'],
		['Research on notice under leases', 'RESEARCH'],
		['Walked through Dock 4 with the manager', 'MEET']
	]
};
