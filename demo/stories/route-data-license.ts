import { agreement } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Route data license',
	kind: 'agreement',
	unit: 'Corporate',
	age: 60,
	stage: ['Drafting', 50],
	lawyer: 'lindqvist',
	team: ['fairweather', 'castellan'],
	other: 'Fathomline Maps Inc.',
	about:
		'A map maker wants our timetable and positions as they happen. On hold until the business unit knows its budget for the interface.',
	told: [
		'Fathomline Maps Inc. shows ferries on its maps and wants positions every ten seconds.',
		'It offers no money but a banner, and would name us as the source.',
		'Positions of two vessels show when they carry security staff.',
		'An interface would cost $60,000 in the first year.',
		'Corporate waits for its budget before it says whether it wants this.'
	],
	facts: { subject: 'Timetable and positions', sort: 'License', value: '0', paper: 'Theirs' },
	papers: [
		agreement(50, {
			name: 'Data license, draft 1',
			terms: [
				['Data', 'Timetable, and positions with a delay of sixty seconds'],
				['Price', 'None; the source is named'],
				['Term', 'One year'],
				['Law', 'California']
			],
			clauses: [
				[
					'What may be done with it',
					'Shown on maps, not sold, not kept longer than a day, not put together with data of persons.'
				],
				[
					'Security',
					'The company may stop the positions of any vessel at once and without a reason.'
				]
			]
		})
	],
	notes: [[16, 'lindqvist', 'Told Fathomline that we come back in the new year.']],
	work: [
		['Redlined the license', 'DRAFT'],
		['Call with Security about positions', 'MEET']
	]
};
