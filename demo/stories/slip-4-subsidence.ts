import { complaint, motion } from '../papers/pleadings.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Slip 4 subsidence',
	kind: 'litigation',
	unit: 'Terminals',
	age: 34,
	stage: ['Pleadings', 12],
	lawyer: 'quiroga',
	elsewhere: true,
	court: 'N.Y. Sup., Richmond County',
	caseNumber: '151884/2026',
	judge: 'Hon. Beatrix Lowell',
	other: 'Tidewrack Dredging LLC',
	otherCounsel: 'Silas Overton',
	people: [
		'Silas Overton | opposing counsel',
		'Hon. Beatrix Lowell | judge',
		'Castine & Bray LLP | outside counsel | New York'
	],
	about:
		'A dredging firm says that our Slip 4 at Staten Island sank because of our own piles and sues for the work we did not pay. We move to dismiss its second claim.',
	told: [
		'Tidewrack Dredging LLC deepened Slip 4 at Staten Island in the spring.',
		'Within six weeks the apron of the slip sank by fourteen inches over twenty yards.',
		'Larkhaven kept back $228,000 of the price.',
		'Tidewrack says that old timber piles under the apron gave way, of which the drawings said nothing.',
		'The drawings are of 1961 and show the piles as steel.',
		'It sues for the price, and in a second claim for an account stated.',
		'The summons and complaint were handed to the terminal’s agent.'
	],
	pleaded: [0, 1, 2, 4],
	facts: {
		side: 'Defendant',
		nature: 'CO',
		exposure: '228,000',
		claim: 'Slip sank after dredging; price kept back.'
	},
	papers: [
		complaint(12, ['Breach of contract'], '228,000'),
		motion(
			4,
			'to dismiss the second claim',
			[
				[
					'There is no account stated',
					'An account is stated when it is kept without objection. Every invoice was answered within a week, in writing.'
				]
			],
			'ours'
		)
	],
	notes: [[10, 'quiroga', 'Castine & Bray have the answer; the motion is ours to draft.']],
	work: [
		['Drafted the motion to dismiss', 'DRAFT'],
		['Read the drawings of 1961', 'REVIEW'],
		['Call with counsel in New York', 'CALL']
	]
};
