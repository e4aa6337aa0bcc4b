import { minutes } from '../papers/official.ts';
import { report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Subsidiary housekeeping',
	kind: 'corporate',
	unit: 'Corporate',
	age: 1000,
	stage: ['Filing', 60],
	lawyer: 'lindqvist',
	team: ['abernathy', 'castellan'],
	people: ['Registrars of Dover LLC | registered agent', 'Kestrel & Moor LLP | auditor'],
	about: 'Filings, officers and minutes of the four subsidiaries.',
	told: [
		'There are four subsidiaries: on the Solent, at Galveston, for property and for insurance.',
		'Each has a report to file each year, on four different days.',
		'The company on the Solent has two directors, one of whom must live there.',
		'Its annual accounts are filed by the auditor.',
		'The property company has not held a meeting this year yet.'
	],
	facts: {
		entity: 'Larkhaven Solent Ltd',
		state: 'England',
		'fiscal-year': 'December 31',
		'annual-report': 130
	},
	papers: [
		report(
			60,
			'Calendar of filings',
			{ folder: 'Registers', by: 'abernathy' },
			[
				[
					'What is late',
					'Nothing. The property company’s meeting has to be held before the year ends.'
				]
			],
			{
				head: ['Company', 'What', 'By'],
				rows: [
					['Solent Ltd', 'confirmation statement', '{130}'],
					['Galveston LLC', 'franchise report', '{170}'],
					['Property LLC', 'statement of information', '{60}'],
					['Assurance Inc.', 'statement to the commissioner', '{95}']
				]
			}
		),
		minutes(
			200,
			'Minutes, Larkhaven Solent Ltd',
			{ body: 'Directors of Larkhaven Solent Ltd', present: 'both directors' },
			[
				[
					'Accounts',
					'The accounts were read with the auditor. There was a small loss because of the pontoon works.'
				]
			],
			[
				'the accounts are approved and may be filed.',
				'Elspeth Marlowe stays director for another year.'
			]
		)
	],
	notes: [[58, 'abernathy', 'Calendar is sent to the registered agents.']],
	tasks: [{ subject: 'Meeting of the property company', who: 'abernathy', due: 18 }],
	work: [
		['Filed a report of a subsidiary', 'REVIEW'],
		['Drafted minutes', 'DRAFT'],
		['Call with the registered agent', 'CALL']
	]
};
