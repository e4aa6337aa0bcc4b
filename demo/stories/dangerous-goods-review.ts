import { report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Dangerous goods review',
	kind: 'regulatory',
	unit: 'Freight',
	age: 240,
	stage: ['Under review', 20],
	lawyer: 'quiroga',
	team: ['abernathy', 'castellan'],
	other: 'Coast Guard Sector Office',
	about:
		'Vans with gas bottles are carried on passenger crossings. The coast guard wants to see how we find them and what we do then.',
	told: [
		'Tradesmen’s vans often hold gas bottles that nobody declares.',
		'On {-250} a van with six bottles was found on a passenger crossing by a leak of smell.',
		'The coast guard asked for our procedure and for a month of checks.',
		'Since then each tenth van is opened; one in nineteen held something.',
		'Freight wants to put such vans on the first boat of the day, which carries no passengers.'
	],
	facts: {
		agency: 'Coast guard',
		subject: 'Gas bottles in vans',
		'notice-of': -240
	},
	papers: [
		report(
			150,
			'Procedure for vans',
			{ folder: 'Filings', by: 'quiroga' },
			[
				[
					'At the gate',
					'A board with pictures. The driver is asked and signs on the ticket. Each tenth van is opened.'
				],
				[
					'When something is found',
					'Bottles of up to thirty pounds go to the cage at the stern, two at most. More than that waits for the first boat.'
				]
			],
			{
				head: ['Month', 'Vans opened', 'Found'],
				rows: [
					['First', '412', '22'],
					['Second', '398', '19'],
					['Third', '441', '11']
				]
			}
		)
	],
	notes: [
		[20, 'quiroga', 'The sector office likes the cage. It wants the crew drilled twice a year.']
	],
	tasks: [{ subject: 'Hear the deck crew about the cage', who: 'quiroga', due: 0 }],
	work: [
		['Drafted the procedure', 'DRAFT'],
		['Call with the sector office', 'CALL'],
		['Meeting with Freight at the gate', 'MEET']
	]
};
