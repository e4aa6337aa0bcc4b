import { report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Liquor permits, three vessels',
	kind: 'regulatory',
	unit: 'Onboard Retail',
	age: 600,
	ended: 160,
	lawyer: 'reyes',
	team: ['abernathy', 'castellan'],
	other: 'Beverage Control Department',
	about: 'Permits to sell beer and wine on three vessels. All three were issued.',
	told: [
		'Three vessels had bars without a permit of their own: they sailed under that of the pier.',
		'The department changed its view and asked for one for each vessel.',
		'A notice hung at each gangway for thirty days; two neighbors objected and withdrew.',
		'All three were issued within a year.'
	],
	facts: {
		agency: 'Beverage Control Department',
		subject: 'Beer and wine on three vessels',
		permit: 'Types 54, three',
		'permit-until': 190
	},
	papers: [
		report(
			300,
			'Application, statement of facts',
			{ folder: 'Filings', by: 'abernathy' },
			[
				[
					'The bars',
					'One on each vessel, open from a quarter of an hour after leaving until ten minutes before landing.'
				],
				[
					'Staff',
					'Forty-one persons, all with the training of the department. Nobody is served twice within ten minutes.'
				]
			],
			{
				head: ['Vessel', 'Seats', 'Bar'],
				rows: [
					['Gannet', '18', 'upper deck'],
					['Petrel', '22', 'main deck'],
					['Sandpiper', '14', 'upper deck']
				]
			}
		)
	],
	notes: [[165, 'reyes', 'The third permit is here. Retail has the originals in frames.']],
	work: [
		['Drafted the applications', 'DRAFT'],
		['Call with a neighbor who objected', 'CALL']
	]
};
