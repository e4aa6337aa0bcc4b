import { agreement } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Shore power pilot',
	kind: 'agreement',
	unit: 'Engineering',
	age: 150,
	stage: ['In force', 30],
	lawyer: 'lindqvist',
	team: ['fairweather', 'castellan'],
	split: [
		['Engineering', 40],
		['Terminals', 60]
	],
	other: 'Northquay Power District',
	about:
		'Power from the shore for two ferries at night, as a trial of a year with the district’s grant. Who pays if the cable is dug up.',
	told: [
		'At Pier 9 two ferries lie from one to five with an engine running for light.',
		'The power district pays for a connection of 800 kilowatts if it may publish the figures.',
		'The cable crosses ground of the port.',
		'The trial runs for a year from the first night.',
		'Nobody wants to answer for a cable that a third person digs up.'
	],
	facts: {
		subject: 'Shore power at Pier 9, trial',
		sort: 'Services',
		value: '310,000',
		starts: -30,
		ends: 335,
		paper: 'Theirs'
	},
	papers: [
		agreement(60, {
			name: 'Pilot agreement, signed',
			terms: [
				['Connection', '800 kilowatts, berths A and B'],
				['Grant', '$310,000, paid in three parts'],
				['Figures', 'Published by quarter, without names of vessels'],
				['Term', 'One year from the first night'],
				['Cap', '$500,000']
			],
			clauses: [
				[
					'The cable',
					'The district keeps it up to the box on the pier, the company from there. What a third person digs up is mended by the side on whose part it lies; each goes after the third person itself.'
				],
				[
					'Figures',
					'Hours, energy and cost are measured at the box. What is published is shown ten days before.'
				]
			]
		})
	],
	notes: [[29, 'lindqvist', 'First night was quiet. Second part of the grant is asked for.']],
	work: [
		['Drafted the cable clause', 'DRAFT'],
		['Call with the port about the ground', 'CALL'],
		['Advice on publishing the figures', 'ADVICE']
	]
};
