import { letter, report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Accessibility of gangways',
	kind: 'regulatory',
	unit: 'Passenger',
	age: 300,
	stage: ['Compliance', 38],
	lawyer: 'okafor',
	team: ['abernathy', 'castellan'],
	other: 'Transit Access Commission',
	about:
		'The commission reviews whether gangways can be used with a wheelchair at low water. Two of nine are too steep for four hours a day.',
	told: [
		'At extreme low water the gangways of Piers 2 and 9 are steeper than one in eight.',
		'Passengers with wheelchairs are then carried by two of the crew, or wait.',
		'A group of riders complained to the commission on {-310}.',
		'The commission asked for measurements over a month and for a plan.',
		'Longer gangways cost $410,000 for each pier and take a year.',
		'Until then a lift platform is rented, which works in fair weather.'
	],
	facts: {
		agency: 'Transit Access Commission',
		'docket-number': 'TA-26-077',
		subject: 'Slope of gangways',
		'notice-of': -300
	},
	papers: [
		report(
			180,
			'Measurements over a month',
			{ folder: 'Filings', by: 'abernathy' },
			[
				[
					'How it was measured',
					'Each half hour, at nine gangways, by the officer of the pier, with the height of the tide.'
				],
				[
					'What was found',
					'Seven gangways are never steeper than one in ten. Piers 2 and 9 are steeper than one in eight for four hours on eleven days.'
				]
			],
			{
				head: ['Pier', 'Steepest', 'Hours in the month'],
				rows: [
					['1', '1 in 12', '0'],
					['2', '1 in 7.1', '44'],
					['9', '1 in 7.6', '31']
				]
			}
		),
		letter(
			40,
			'Plan to the commission',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Transit Access Commission',
				about: 'TA-26-077',
				by: 'okafor'
			},
			[
				'The company will lengthen the gangways of Piers 2 and 9 by the end of next year.',
				'Until then a lift platform stands at each, with a person who is trained for it, from an hour before to an hour after low water.',
				'The timetable shows on which days a gangway is steep, and a call from the pier brings the platform within ten minutes.',
				'We report each quarter, with the hours and with each complaint.'
			],
			{
				name: 'Steps',
				rows: [
					['Platform, Pier 2', 'in use since {-60}'],
					['Platform, Pier 9', 'in use since {-52}'],
					['Design of gangways', 'ordered on {-45}'],
					['Report', 'each quarter, first on {50}']
				]
			}
		)
	],
	notes: [
		[
			38,
			'okafor',
			'The commission is content with the plan and keeps the docket open for the reports.'
		]
	],
	tasks: [{ subject: 'First quarterly report', who: 'abernathy', due: 40 }],
	work: [
		['Drafted the plan', 'DRAFT'],
		['Call with the riders’ group', 'CALL'],
		['Read the month’s measurements', 'REVIEW']
	]
};
