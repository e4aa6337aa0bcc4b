import { responses } from '../papers/discovery.ts';
import { answer, complaint, motion } from '../papers/pleadings.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Turnstile patent',
	kind: 'litigation',
	unit: 'Terminals',
	age: 410,
	stage: ['Discovery', 200],
	lawyer: 'lindqvist',
	team: ['abernathy', 'castellan', 'okafor'],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:25-cv-06048',
	judge: 'Hon. Isadora Fenn',
	other: 'Marlinspike Gates LLC',
	otherCounsel: 'Roland Tressider',
	people: [
		'Roland Tressider | opposing counsel',
		'Hon. Isadora Fenn | judge',
		'Capstan Ticketing Ltd | contact | made the gates; owes indemnity',
		'Prof. Noor Vellacott | expert | sensors'
	],
	about:
		'A holder of gate patents sues over the turnstiles that Capstan Ticketing built for our terminals. Capstan defends us under its indemnity; the meaning of “sensor” is the case.',
	told: [
		'Marlinspike Gates LLC owns a patent on a turnstile that “senses the number of persons by a sensor in the arm”.',
		'Larkhaven has used one hundred and twelve gates of Capstan Ticketing Ltd since {-900}.',
		'Those gates count by a camera above the lane; the arm holds a switch that says whether it has turned.',
		'Marlinspike wrote on {-420} and asked for $2,400 for each gate and year.',
		'Capstan took up the defense under its supply agreement and pays for the expert.',
		'On {-10} the magistrate judge read “sensor” as any device that gives a signal, the switch included.',
		'Discovery closes on {45}.'
	],
	pleaded: [0, 1, 3],
	facts: {
		side: 'Defendant',
		nature: 'IP',
		exposure: '810,000',
		jury: 'yes',
		claim: 'Whether a switch in the arm of a turnstile is a sensor.'
	},
	papers: [
		complaint(405, ['Patent infringement'], '810,000'),
		answer(370),
		responses(120, 'ours', 'First set', [
			[
				'Identify each place at which the accused gates stand, and since when.',
				'Forty at Pier 1, thirty-two at Pier 2, twenty-four at Pier 9 and sixteen at Bolivar. They were put up between {-900} and {-840}.'
			],
			[
				'Describe how the accused gates find out how many persons pass.',
				'By a camera above the lane whose picture is read by a program of Capstan Ticketing Ltd. The switch in the arm says that the arm has turned. It says nothing about persons.'
			],
			[
				'State what was paid for each gate.',
				'$3,150 for each of the first eighty and $2,980 for the rest; the invoices are produced.'
			]
		]),
		motion(
			4,
			'for relief from the order on claim terms',
			[
				[
					'The order reads a word out of the claim',
					'The claim says “senses the number of persons”. A switch that is pressed once by one person and once by two senses no number.'
				],
				[
					'The record of the patent office says the same',
					'The applicant told the examiner that a mere switch was what the art already had.'
				]
			],
			'ours'
		)
	],
	notes: [
		[300, 'lindqvist', 'Capstan confirms the indemnity without reserve; their letter is filed.'],
		[9, 'okafor', 'Objections to the order are due within fourteen days of its service.']
	],
	tasks: [
		{ subject: 'Answers to the second set of admissions', who: 'abernathy', due: 3 },
		{ subject: 'Report of Prof. Vellacott, second version', who: 'lindqvist', due: 12 }
	],
	work: [
		['Read the file of the patent office', 'REVIEW'],
		['Drafted objections to the claim-term order', 'DRAFT'],
		['Call with Capstan about its engineer', 'CALL'],
		['Prepared Prof. Vellacott for deposition', 'HEAR'],
		['Answered requests for admission', 'DISC'],
		['Research on the word sensor', 'RESEARCH']
	]
};
