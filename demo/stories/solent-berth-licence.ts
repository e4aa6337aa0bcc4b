import { agencyNotice } from '../papers/official.ts';
import { letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Solent berth licence',
	kind: 'regulatory',
	unit: 'Passenger',
	age: 70,
	stage: ['Responding', 50],
	lawyer: 'okafor',
	team: ['abernathy', 'castellan', 'wardle'],
	other: 'Solent Harbour Authority',
	people: ['Brackwater & Thole LLP | outside counsel'],
	about:
		'The licence of our berth on the Solent runs out next summer. The harbour authority wants a noise study before it renews.',
	told: [
		'Larkhaven Solent Ltd lands at a berth under licence SB-11, which runs until {210}.',
		'Neighbors have complained of engines after eleven at night: fourteen letters in a year.',
		'The harbour authority asks for a noise study, with measurements on two weekends.',
		'Shore power would end the noise and costs £240,000.',
		'The application has to be there three months before the licence ends.'
	],
	facts: {
		agency: 'Harbour authority',
		subject: 'Licence of the Solent berth',
		permit: 'SB-11',
		'permit-until': 210,
		vessels: 'Petrel, Dunlin'
	},
	papers: [
		agencyNotice(
			65,
			'Renewal of licence SB-11',
			{ agency: 'Solent Harbour Authority', number: 'SB-11/R2', subject: 'berth 11' },
			[
				'The licence ends on {210}. An application for renewal has been announced and not made.',
				'Fourteen letters about noise at night were received within twelve months.',
				'On one night in August the level at the nearest window was 61 decibels; 55 are allowed.'
			],
			[
				['Noise study by an independent engineer', '{100}'],
				['Application on the form of the authority', '{120}'],
				['Plan for the hours after eleven', '{120}']
			]
		),
		letter(
			20,
			'Letter to the engineer',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Merrowdown Acoustics\nSouthampton',
				about: 'Noise study, berth 11',
				by: 'abernathy'
			},
			[
				'We ask you to measure at the four windows of the enclosed plan on two weekends, one of them with the wind from the south.',
				'Please measure with and without the auxiliary engine of the Petrel; the master will switch it at your sign.',
				'The report goes to the authority as it is. Say in it what you would say if you had been asked by the neighbors.',
				'We need it by {95}.'
			],
			{
				name: 'Where and when',
				rows: [
					['Windows', '3, 5, 9 and 14 Quay Street'],
					['Hours', '22:30 to 00:30, each quarter of an hour'],
					['Vessels', 'Petrel on Friday, Dunlin on Saturday'],
					['Weather', 'written down with each measurement']
				]
			}
		)
	],
	notes: [
		[18, 'okafor', 'The engineer takes it. Passenger asks what shore power would cost in all.']
	],
	tasks: [{ subject: 'Cost of shore power on the Solent', who: 'okafor', due: 14 }],
	work: [
		['Call with the harbour authority', 'CALL'],
		['Read the fourteen letters', 'REVIEW'],
		['Drafted the instructions for the study', 'DRAFT']
	]
};
