import { answer, complaint } from '../papers/pleadings.ts';
import { memo, survey } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Fog bell collision',
	kind: 'litigation',
	unit: 'Passenger',
	age: 642,
	stage: ['After judgment', 19],
	lawyer: 'okafor',
	team: ['abernathy', 'castellan', 'reyes'],
	split: [
		['Passenger', 60],
		['Engineering', 40]
	],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:25-cv-01108',
	judge: 'Hon. Lysander Brock',
	other: 'Spindrift Charters LLC',
	otherCounsel: 'Cordelia Vance',
	people: [
		'Cordelia Vance | opposing counsel',
		'Hon. Lysander Brock | judge',
		'Captain Idris Mossgrove | witness | master of the ferry Sandpiper',
		'Northquay Surveyors | expert',
		'Halyard Mutual Insurance | insurer'
	],
	about:
		'The ferry Sandpiper and a charter boat touched in fog off Angel Island. The court tried it without a jury and divided the fault; judgment was entered this month.',
	told: [
		'On {-700} at 07:52 the ferry Sandpiper and the charter boat Merrow touched in fog south of Angel Island.',
		'The Sandpiper went at nine knots and rang her bell once a minute; the Merrow had no one at her bow.',
		'The Merrow turned to port when she heard the bell, across the ferry’s course.',
		'The Sandpiper’s radar had shown an echo for four minutes, which the mate took for a buoy.',
		'The Merrow lost her rail and two windows; nobody was hurt.',
		'Spindrift Charters LLC claimed $418,000, most of it for a lost season.',
		'After a trial of three days the court found on {-26} the ferry at fault for forty parts of a hundred and the Merrow for sixty.',
		'Judgment for $97,300 was entered on {-19}, and the clerk taxed costs on {-5}.'
	],
	pleaded: [0, 3, 4],
	facts: {
		side: 'Defendant',
		nature: 'PD',
		exposure: '97,300',
		'date-of-loss': -700,
		insured: 'yes',
		claim: 'Collision in fog with a charter boat; fault divided forty to sixty.'
	},
	papers: [
		complaint(640, ['Collision damage'], '418,000'),
		answer(600),
		survey(
			420,
			{
				name: 'Northquay Surveyors',
				for: 'Larkhaven Ferries',
				what: 'the records of both vessels for the hour before the collision'
			},
			[
				[
					'The courses',
					'The ferry’s record gives a straight course at 9.1 knots until 07:51:40. The charter boat’s own plotter gives a turn of thirty-five degrees to port at 07:51:20.',
					'Without the turn the vessels would have passed at about ninety yards.'
				],
				[
					'The bell and the radar',
					'The bell can be heard on the record of a third boat, once a minute. The echo of the Merrow is plain from 07:48.'
				]
			],
			[
				['Rail, teak, forty feet', '22,500'],
				['Two windows and frames', '8,900'],
				['Survey and lifting', '6,200']
			]
		),
		memo(
			15,
			'Memorandum on the judgment',
			[
				[
					'Whether to go on',
					'The finding on the lookout is one of fact and will stand. The season was cut to four weeks, which is what our expert had said.',
					'A motion for a new trial has no ground that was not heard. The costs were taxed with two items that are not allowed: move to review them.'
				]
			],
			[
				['Judgment stands', '85 %', '97,300'],
				['Costs reduced', '60 %', '4,100 less'],
				['Appeal by the other side', '20 %', 'open']
			]
		)
	],
	notes: [
		[18, 'okafor', 'Judgment: forty to sixty, $97,300. Halyard Mutual is told.'],
		[4, 'castellan', 'Costs taxed; the motion to review them is docketed.']
	],
	work: [
		['Prepared the witness on the radar', 'HEAR'],
		['Attended the trial', 'HEAR'],
		['Read the plotter record of the charter boat', 'REVIEW'],
		['Drafted the findings proposed to the court', 'DRAFT'],
		['Call with Halyard Mutual about the judgment', 'CALL'],
		['Research on division of fault', 'RESEARCH']
	]
};
