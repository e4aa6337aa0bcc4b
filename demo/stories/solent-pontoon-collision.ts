import { motion } from '../papers/pleadings.ts';
import { survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

const FIRST_ISSUE = motion(
	3,
	'to try the cause of the damage first',
	[
		[
			'It saves a second hearing',
			'What the thruster did can be decided on the papers of the two surveys. If it tripped for a reason that care could not have found, nothing else has to be tried.'
		],
		[
			'Nobody loses by it',
			'The figures are agreed within ten per cent. They will still be so in half a year.'
		]
	],
	'ours'
);

export const story: Story = {
	title: 'Solent pontoon collision',
	kind: 'litigation',
	unit: 'Passenger',
	age: 50,
	stage: ['Pleadings', 6],
	lawyer: 'wardle',
	elsewhere: true,
	court: 'High Court, Admiralty',
	caseNumber: 'AD-2026-000147',
	judge: 'Mr Justice Fennimore',
	other: 'Lymington Pontoon Trust',
	otherCounsel: 'Rowena Castlemain',
	people: [
		'Rowena Castlemain | opposing counsel | solicitor for the claimant',
		'Mr Justice Fennimore | judge',
		'Brackwater & Thole LLP | outside counsel | Southampton'
	],
	about:
		'Our ferry on the Solent struck a pontoon in a squall. The pontoon’s owners issued a claim in the Admiralty Court and served it with particulars.',
	told: [
		'On {-95} the ferry Petrel of Larkhaven Solent Ltd struck the outer pontoon at Lymington in a squall.',
		'The wind rose from eighteen to forty knots within two minutes; a warning had been given for the afternoon.',
		'The bow thruster tripped as the master used it to hold her off.',
		'The pontoon lost two piles and was closed for five weeks.',
		'Its owners, Lymington Pontoon Trust, claim £164,000 for repair and lost mooring fees.',
		'The claim form with its particulars was posted first class and deemed served, as the rules say, two business days later.'
	],
	facts: {
		side: 'Defendant',
		nature: 'PD',
		exposure: '205,000',
		'date-of-loss': -95,
		insured: 'yes',
		claim: 'Ferry struck a pontoon at Lymington in a squall.'
	},
	papers: [
		survey(
			40,
			{
				name: 'Solent Marine Surveyors',
				for: 'both sides',
				what: 'the outer pontoon at Lymington, and the thruster of the Petrel'
			},
			[
				[
					'The pontoon',
					'Piles 3 and 4 are bent and have to be drawn. The deck can be used again. Piles 1 and 2 show old corrosion that has nothing to do with this event.'
				],
				[
					'The thruster',
					'Its breaker tripped at 260 amperes. It is set correctly. The motor draws more than it should since its last service.'
				]
			],
			[
				['Two piles, drawn and driven', '71,000'],
				['Deck and fenders', '18,500'],
				['Moorings let elsewhere', '22,000']
			]
		),
		{ ...FIRST_ISSUE, name: 'Application to try the cause of the damage first' }
	],
	notes: [
		[5, 'wardle', 'Brackwater & Thole have acknowledged service; the defence is on our docket.']
	],
	work: [
		['Call with the solicitors in Southampton', 'CALL'],
		['Read the weather record', 'REVIEW'],
		['Advice to Larkhaven Solent on the club’s letter', 'ADVICE']
	]
};
