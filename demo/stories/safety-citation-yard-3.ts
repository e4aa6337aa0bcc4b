import { agencyNotice } from '../papers/official.ts';
import { letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Safety citation, Yard 3',
	kind: 'regulatory',
	unit: 'Engineering',
	age: 33,
	stage: ['Responding', 24],
	lawyer: 'lindqvist',
	team: ['fairweather', 'castellan'],
	other: 'Workplace Safety Agency',
	about:
		'An inspector cited the yard for a grinder without a guard and a ladder that was not tied. An informal conference is asked for.',
	told: [
		'On {-40} an inspector of the agency visited Yard 3 after a telephone call.',
		'She saw a grinder without its guard and a ladder that was not tied at the top.',
		'The guard lay beside the grinder; it had been taken off to reach a corner.',
		'The citation is of {-33}: one serious, one other, $9,600.',
		'Both were put right on the same day, and shown to her.'
	],
	facts: {
		agency: 'Workplace Safety Agency',
		'docket-number': '318847221',
		subject: 'Grinder and ladder at Yard 3',
		'notice-of': -33,
		penalty: '9,600'
	},
	papers: [
		agencyNotice(
			32,
			'Citation and notice of penalty',
			{ agency: 'Workplace Safety Agency', number: '318847221', subject: 'Yard 3' },
			[
				'Item 1, serious: a bench grinder was in use without the guard over the wheel. $8,100.',
				'Item 2, other than serious: a ladder of sixteen feet was not secured at the top. $1,500.'
			],
			[
				['Put right', 'on the day of the visit'],
				['Notice of contest, or payment', 'fifteen working days from receipt'],
				['Informal conference', 'within the same time']
			]
		),
		letter(
			22,
			'Request for an informal conference',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Workplace Safety Agency\nArea office',
				about: '318847221',
				by: 'lindqvist'
			},
			[
				'The company asks for an informal conference on both items, and files a notice of contest with this letter so that no time is lost.',
				'Item 1 was in use for one cut of two minutes. The guard was within reach and has been welded to a hinge since.',
				'We ask that item 1 be changed to other than serious, and that the penalty be reduced for what was done on the same day.',
				'The manager of the yard and the hand who used the grinder will come.'
			],
			{
				name: 'Put right',
				rows: [
					['Grinder', 'guard on a hinge; photograph'],
					['Ladder', 'tied; hooks at four more places'],
					['Talk', 'with all hands, on {-39}, list of names']
				]
			}
		)
	],
	notes: [[20, 'lindqvist', 'Conference is granted; the agency offers a day in December.']],
	tasks: [{ subject: 'Prepare the yard manager', who: 'lindqvist', due: 10 }],
	work: [
		['Drafted the notice of contest', 'DRAFT'],
		['Interview of the hand at the grinder', 'MEET'],
		['Call with the area office', 'CALL']
	]
};
