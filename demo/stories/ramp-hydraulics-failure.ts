import { complaint } from '../papers/pleadings.ts';
import { incidentReport, letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Ramp hydraulics failure',
	kind: 'litigation',
	unit: 'Terminals',
	age: 21,
	stage: ['Pleadings', 19],
	lawyer: 'okafor',
	team: ['fairweather', 'castellan'],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:26-cv-06311',
	judge: 'Hon. Barnaby Colquitt',
	other: 'Leopold Juniper',
	otherCounsel: 'Ysolde Marchbanks',
	people: [
		'Ysolde Marchbanks | opposing counsel',
		'Hon. Barnaby Colquitt | judge',
		'Windlass Lift Service | contact | keeps the ramp under contract',
		'Halyard Mutual Insurance | insurer'
	],
	about:
		'The vehicle ramp of Berth 6 sank while a van drove over it. The driver sued in state court; the case was removed because he lives in Nevada.',
	told: [
		'On {-70} the vehicle ramp of Berth 6 sank by eleven inches while a delivery van was on it.',
		'The driver, Leopold Juniper, was thrown against the wheel and hurt his back.',
		'A hose of the left cylinder had burst. Windlass Lift Service had changed it nine weeks before.',
		'The control panel had shown a falling pressure for two days; nobody had been told what the lamp means.',
		'Mr. Juniper lives in Nevada and asks for $190,000.',
		'He sued in the Superior Court of San Francisco, and the papers reached the company on {-22}.',
		'The company removed the case on {-9}, since the parties are of different states and more than $75,000 is asked.'
	],
	pleaded: [0, 1, 2],
	facts: {
		side: 'Defendant',
		nature: 'IN',
		exposure: '190,000',
		'date-of-loss': -70,
		insured: 'yes',
		claim: 'The ramp of Berth 6 sank under a van. The driver claims for his back.'
	},
	papers: [
		complaint(21, ['Negligence'], '190,000'),
		letter(
			15,
			'Tender of defense to Windlass',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Windlass Lift Service\nThe managing partner',
				about: 'Ramp of Berth 6, event of {-70}',
				by: 'okafor'
			},
			[
				'You keep the ramp of Berth 6 under the service agreement. Its hose was changed by your people nine weeks before it burst.',
				'Section 8 of the agreement holds us free of claims that come from your work. We tender the defense of the enclosed action to you and ask you to take it up within ten days.',
				'Please tell your insurer, and keep the old hose, the work order and the record of the pressure test. We keep the burst hose and will show it to you and to your expert.',
				'Until we hear from you we defend ourselves and will ask for the cost of it.'
			],
			{
				name: 'What is enclosed',
				rows: [
					['Complaint', 'as served on {-22}'],
					['Work order', 'of the change of the hose, with two signatures'],
					['Pressure record', 'of the panel, for the three days before'],
					['Section 8', 'of the service agreement, as it was last changed']
				]
			}
		),
		incidentReport(
			20,
			'fairweather',
			{
				where: 'Berth 6, vehicle ramp, left cylinder',
				when: '{-70}, 06:25',
				weather: 'Dry, low tide',
				reported: 'Ramp operator Sable Whitcombe'
			},
			[
				[
					'The ramp',
					'Two cylinders, one panel. The amber lamp for falling pressure was lit. It is not in the operator’s card; it is in the maker’s manual on page 31.',
					'The ramp was locked after the event and is in use again since the hose was changed.'
				]
			]
		)
	],
	notes: [
		[19, 'okafor', 'Windlass has had the tender since Friday. Their insurer will call.'],
		[8, 'fairweather', 'Removal papers are filed; the state court has its copy.']
	],
	work: [
		['Drafted the notice of removal', 'DRAFT'],
		['Call with Windlass about the tender', 'CALL'],
		['Read the pressure record of the panel', 'REVIEW'],
		['Interview of the ramp operator', 'MEET']
	]
};
