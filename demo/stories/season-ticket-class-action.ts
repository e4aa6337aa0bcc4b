import { interrogatories } from '../papers/discovery.ts';
import { answer, complaint, motion } from '../papers/pleadings.ts';
import { memo } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Season ticket class action',
	kind: 'litigation',
	unit: 'Passenger',
	age: 520,
	stage: ['Motions', 60],
	lawyer: 'okafor',
	team: ['fairweather', 'castellan', 'wardle'],
	caution: 'No statement to the press',
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:25-cv-03891',
	judge: 'Hon. Philippa Garrow',
	other: 'Nadim Underhay',
	otherCounsel: 'Sorrel Baptiste',
	people: [
		'Sorrel Baptiste | opposing counsel | for the class',
		'Hon. Philippa Garrow | judge',
		'Ferrars & Dunne LLP | outside counsel'
	],
	about:
		'Holders of yearly season tickets say that the summer timetable took away sailings they had paid for. A class was certified this month; we ask the court of appeals to look at it.',
	told: [
		'Larkhaven sells a season ticket for twelve months, on any sailing “of the timetable in force”.',
		'On {-560} the summer timetable dropped the sailings at 6:10 and 21:40.',
		'Nadim Underhay, a baker, had bought his ticket for the sailing at 6:10.',
		'The pages on which the ticket was sold showed the winter timetable until the day before.',
		'About 8,300 tickets were sold before that day and were still good after it.',
		'Refunds were given to those who asked: 211 persons, $19,400.',
		'By order of {-11} the court certified a class of those who bought on the web.'
	],
	pleaded: [0, 1, 2, 3],
	facts: {
		side: 'Defendant',
		nature: 'OT',
		exposure: '1,900,000',
		jury: 'yes',
		claim: 'Season tickets and a timetable that changed after they were sold.'
	},
	papers: [
		complaint(515, ['Unfair practice', 'Breach of contract'], '1,900,000'),
		answer(480),
		interrogatories(75, 'ours', 'First set', [
			'State each sailing that you took with a season ticket, and each that you say you would have taken.',
			'Describe what you read before you bought the ticket, and when.',
			'State each expense that you had because a sailing was dropped.',
			'Describe every refund that you asked for or were given.',
			'Identify each person with whom you spoke about becoming a plaintiff in this action.'
		]),
		motion(
			3,
			'to seal part of the record',
			[
				[
					'What is to be sealed',
					'Four lines with the number of tickets sold each month, and one table of names and addresses.'
				],
				[
					'Why',
					'The names are those of customers who have nothing to do with the case. The numbers would tell a competitor which sailings pay.'
				]
			],
			'ours'
		),
		memo(
			8,
			'Memorandum on class certification',
			[
				[
					'Whether to ask for leave to appeal',
					'The order does not say how reliance on a web page is shown for all. That is the point on which the court of appeals has taken cases.',
					'The petition is short and costs little; it does not stop the case unless that is asked for.'
				]
			],
			[
				['Leave granted', '25 %', 'cost 80,000'],
				['Settlement in refunds', '45 %', '350,000 to 600,000'],
				['Trial, class wins', '30 %', '1,100,000 to 1,900,000']
			]
		)
	],
	notes: [
		[10, 'okafor', 'Class certified for web sales. Fourteen days for the petition.'],
		[2, 'fairweather', 'Motion to seal filed; their answer is due within four days.']
	],
	tasks: [{ subject: 'Petition to the court of appeals, draft', who: 'wardle', due: 2 }],
	work: [
		['Drafted the petition', 'DRAFT'],
		['Read the web pages as they stood', 'REVIEW'],
		['Call with Passenger about refunds', 'CALL'],
		['Prepared the motion to seal', 'DRAFT'],
		['Research on reliance in a class', 'RESEARCH'],
		['Advice on what may be said to the press', 'ADVICE']
	]
};
