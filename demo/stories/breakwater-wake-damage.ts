import { complaint, motion } from '../papers/pleadings.ts';
import { survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Breakwater wake damage',
	kind: 'litigation',
	unit: 'Engineering',
	age: 96,
	stage: ['Pleadings', 60],
	lawyer: 'quiroga',
	team: ['fairweather', 'castellan'],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:26-cv-04817',
	judge: 'Hon. Jerome Askwith',
	other: 'Breakwater Towage Co.',
	otherCounsel: 'Livia Carrow',
	weSue: true,
	people: [
		'Livia Carrow | opposing counsel',
		'Hon. Jerome Askwith | judge',
		'Northquay Surveyors | expert'
	],
	about:
		'The wake of a tug in a hurry parted our moorings at Yard 3 and bent a shaft. The tug’s owner denies it and has counterclaimed for its tow.',
	told: [
		'On {-130} the tug Resolute of Breakwater Towage Co. passed Yard 3 at eleven knots; the limit there is five.',
		'Her wake parted two moorings of the ferry Sandpiper, which lay without engines.',
		'The Sandpiper swung on the third and struck the quay; her port shaft was bent.',
		'The harbor’s radar record gives the speed for each ten seconds.',
		'Breakwater says that she had to hold way for a tow in the tide.',
		'Larkhaven claims $143,000 for the shaft and for nine days.',
		'Breakwater moved to dismiss part of it, and on {-4} served an amended counterclaim for a lost tow line.'
	],
	pleaded: [0, 1, 2, 3],
	facts: {
		side: 'Plaintiff',
		nature: 'PD',
		exposure: '143,000',
		'date-of-loss': -130,
		claim: 'Wake of a tug parted the moorings of the Sandpiper at Yard 3.'
	},
	papers: [
		survey(
			90,
			{
				name: 'Northquay Surveyors',
				for: 'Larkhaven Ferries',
				what: 'the port shaft of the Sandpiper and the bollards of Yard 3'
			},
			[
				[
					'The shaft',
					'It runs out of true by eleven thousandths of an inch at the gland. It cannot be straightened.'
				],
				['The moorings', 'The lines were new and of the size that the plan of the yard asks for.']
			],
			[
				['Shaft, forged and fitted', '96,300'],
				['Docking', '21,500'],
				['Two lines', '1,900']
			]
		),
		complaint(60, ['Negligence', 'Collision damage'], '143,000'),
		motion(17, 'to dismiss the claim for lost days', [
			[
				'The days are not a loss',
				'The vessel lay without engines and would not have sailed in those nine days.'
			]
		])
	],
	notes: [
		[58, 'quiroga', 'The harbor gives its radar record without a subpoena. #evidence'],
		[3, 'fairweather', 'Amended counterclaim came by mail; the answer is docketed.']
	],
	work: [
		['Read the radar record with the surveyor', 'REVIEW'],
		['Drafted the answer to the counterclaim', 'DRAFT'],
		['Call with the yard about the nine days', 'CALL'],
		['Research on a vessel that lies idle', 'RESEARCH']
	]
};
