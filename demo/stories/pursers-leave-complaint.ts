import { letter, report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Purser’s leave complaint',
	kind: 'employment',
	unit: 'Passenger',
	age: 48,
	stage: ['Agency', 40],
	lawyer: 'reyes',
	elsewhere: true,
	other: 'Ximena Wetherlam',
	otherCounsel: 'Aurelio Santangelo',
	people: [
		'Equal Opportunity Agency | agency | charge 550-2026-02044',
		'Aurelio Santangelo | opposing counsel'
	],
	about:
		'A purser says that her leave for a sick parent was refused and that she was put on the night boats afterwards. The agency wants our statement.',
	told: [
		'Ximena Wetherlam has been a purser since {-1900}.',
		'On {-80} she asked for four weeks to care for her father; she had worked enough hours in the year.',
		'Her supervisor wrote that August was full and offered two weeks.',
		'She took the two weeks; on her return she was put on the night boats.',
		'The roster of the night boats is drawn by lot each quarter; hers was drawn again by hand.',
		'She filed a charge with the agency on {-50}, which reached the company two days later.'
	],
	facts: {
		employee: 'card:Ximena Wetherlam',
		position: 'Purser',
		hired: -1900,
		'charge-number': '550-2026-02044',
		'pay-at-stake': '14,000',
		union: 'yes'
	},
	papers: [
		letter(
			30,
			'Letter to the agency, first answer',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Equal Opportunity Agency\nSan Francisco',
				about: 'Charge 550-2026-02044',
				by: 'reyes'
			},
			[
				'We have the charge of {-50} and are looking into it. Please send what comes to the undersigned.',
				'The roster, the messages about the leave and the personnel file are kept.',
				'We ask for three weeks more for the statement: the supervisor is at sea until the ninth.',
				'The company is willing to mediate and would like to know whether Ms. Wetherlam is.'
			],
			{
				name: 'What is kept',
				rows: [
					['Roster', 'of the three quarters, with the record of the lots'],
					['Messages', 'between purser and supervisor, {-85} to {-40}'],
					['Personnel file', 'as it stood on {-48}'],
					['Policy', 'on leave, in the version of this year']
				]
			}
		),
		report(
			10,
			'Statement of position, draft 1',
			{ folder: 'Personnel file', by: 'reyes', mark: 'privileged' },
			[
				[
					'The leave',
					'Ms. Wetherlam had the right to four weeks. Two were given at once and the other two have been offered since.'
				],
				[
					'The roster',
					'The lots were drawn again because two pursers had left. Hers was one of five that changed; two changed to day boats.'
				]
			]
		)
	],
	notes: [[28, 'reyes', 'The agency gives three weeks. The supervisor is heard on her return.']],
	tasks: [
		{ subject: 'Second talk with the supervisor', who: 'reyes', due: 5 },
		{ subject: 'Statement of position', who: 'reyes', due: 11 }
	],
	work: [
		['Read the roster and its lots', 'REVIEW'],
		['Drafted the statement of position', 'DRAFT'],
		['Call with the personnel office', 'CALL']
	]
};
