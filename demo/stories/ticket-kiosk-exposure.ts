import { letter, report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Ticket kiosk exposure',
	kind: 'data-incident',
	unit: 'Onboard Retail',
	age: 12,
	stage: ['Notifying', 1],
	lawyer: 'lindqvist',
	elsewhere: true,
	people: [
		'Capstan Ticketing Ltd | vendor',
		'Greyling Forensics LLC | forensic expert',
		'Halyard Mutual Insurance | insurer'
	],
	about:
		'A test address of the ticket kiosks on Pier 2 was left open and showed names and seat bookings. Among the people are some who live in the European Union, so that a clock of seventy-two hours runs from what was found last.',
	told: [
		'On {-13} a passenger wrote that he could read other people’s bookings at a web address.',
		'It was a test address of the kiosks, left open by Capstan Ticketing Ltd after an update on {-20}.',
		'It was closed on {-12}, four hours after the mail was read.',
		'The list of bookings has names, mail addresses and sailings of 1,240 people; no cards, no health data.',
		'The record of visits shows eleven addresses that read it, nine of them machines.',
		'On {-1} the forensic expert found that 63 of the people live in the European Union.'
	],
	papers: [
		report(
			10,
			'Findings, first version',
			{ folder: 'Findings', by: 'lindqvist', mark: 'privileged' },
			[
				[
					'What was open',
					'One address with a list of bookings, without a password, for eight days.'
				],
				[
					'Who read it',
					'Eleven addresses. Nine are machines that look everywhere; one is the passenger who wrote; one is not known.'
				],
				[
					'What was done',
					'Closed, keys changed, the same fault looked for on all other kiosks and not found.'
				]
			],
			{
				head: ['Where people live', 'People', 'To be told'],
				rows: [
					['California', '1,100', 'no: no number of the kind the statute names'],
					['New York', '96', 'being looked at'],
					['Texas', '44', 'no'],
					['European Union', '63 of the above by address', 'authority within 72 hours']
				]
			}
		),
		letter(
			6,
			'Letter to Capstan',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Capstan Ticketing Ltd',
				about: 'Open test address of the kiosks',
				folder: 'Correspondence',
				by: 'lindqvist'
			},
			[
				'Your people left a test address open when they updated the kiosks on {-20}. Your agreement has you tell us within twenty-four hours; a passenger did.',
				'Keep every record of visits, and give ours to the expert who will call.',
				'We will ask you for the cost of the expert, of the letters and of what the law makes us pay.',
				'Please say by return who opened the address, and why.'
			],
			{
				name: 'What we ask for',
				rows: [
					['Records', 'of visits, {-22} to {-11}, as they were written'],
					['Names', 'of those who worked on the update'],
					['Other addresses', 'a list of every test address, open or not']
				]
			}
		)
	],
	notes: [
		[
			11,
			'lindqvist',
			'Closed within four hours. Halyard Mutual is told; Greyling Forensics is engaged.'
		],
		[
			1,
			'lindqvist',
			'Greyling: 63 people in the European Union. The clock for the authority runs. #clock'
		]
	],
	tasks: [
		{ subject: 'Draft of the notice to the authority', who: 'lindqvist', due: 1 },
		{ subject: 'New York: does it have to be told?', who: 'lindqvist', due: 2 }
	],
	work: [
		['Call with the forensic expert', 'CALL'],
		['Drafted the findings', 'DRAFT'],
		['Research on whom to tell', 'RESEARCH'],
		['Advice to Onboard Retail on what to say', 'ADVICE']
	]
};
