import { agreement } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Tug standby, Galveston',
	kind: 'agreement',
	unit: 'Freight',
	age: 500,
	ended: 110,
	lawyer: 'wardle',
	team: ['abernathy', 'castellan'],
	other: 'Spindrift Towage LLC',
	about: 'A tug on call at Galveston for one hurricane season. It ended by its term.',
	told: [
		'In the season of storms a tug has to be on call within two hours.',
		'Spindrift Towage LLC gave one for $1,900 a day.',
		'It was called three times, each time in time.',
		'The agreement ended with the season.'
	],
	facts: {
		subject: 'Tug on call at Galveston',
		sort: 'Charter',
		value: '290,000',
		ends: -115,
		renews: 'None'
	},
	papers: [
		agreement(480, {
			name: 'Standby agreement, signed',
			terms: [
				['Tug', 'The Resilient, or one as strong'],
				['Fee', '$1,900 a day; $900 an hour when called'],
				['Term', 'One season'],
				['Cap', 'The value of the tug']
			],
			clauses: [
				['Call', 'By telephone to the watch; under way within two hours of it.'],
				['Towage', 'Once the line is made fast the tug is servant of the tow.']
			]
		})
	],
	notes: [[112, 'wardle', 'Season is over; no open invoice. Next year goes to tender.']],
	work: [
		['Redlined the standby agreement', 'DRAFT'],
		['Advice on a call at night', 'ADVICE']
	]
};
