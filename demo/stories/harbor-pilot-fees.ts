import { complaint } from '../papers/pleadings.ts';
import { memo } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Harbor pilot fees',
	kind: 'litigation',
	unit: 'Freight',
	age: 40,
	stage: ['Pleadings', 25],
	lawyer: 'reyes',
	team: ['abernathy', 'castellan'],
	court: 'Cal. Super., San Francisco',
	caseNumber: 'CGC-26-618820',
	other: 'Bay Pilots Association',
	otherCounsel: 'Desmond Hartnell',
	people: ['Desmond Hartnell | opposing counsel', 'Ferrars & Dunne LLP | outside counsel'],
	about:
		'The pilots bill our freight ferries as ocean vessels since the summer and have sued for the difference. We think that a federal statute governs and consider removal.',
	told: [
		'Until {-150} the pilots charged the freight ferries of Larkhaven by the tariff for harbor vessels.',
		'Since then they charge by the tariff for ocean vessels, which is four times as high.',
		'The route has not changed: it leaves the gate once a week and comes back.',
		'Larkhaven went on to pay the old fee and sent a letter with each payment.',
		'Bay Pilots Association sued in the Superior Court on {-35} for $168,000.',
		'The summons and complaint were handed to the registered agent on {-25}.',
		'The tariff rests on a federal statute, so that removal is possible within thirty days.'
	],
	pleaded: [0, 1, 3],
	facts: {
		side: 'Defendant',
		nature: 'CO',
		exposure: '168,000',
		claim: 'Which tariff of the pilots holds for freight ferries.'
	},
	papers: [
		complaint(25, ['Breach of contract'], '168,000'),
		memo(
			12,
			'Memorandum on removal',
			[
				[
					'Whether it can be removed',
					'The claim is one for a fee under a state tariff; but the right to charge it for a vessel in foreign trade comes from a federal statute, which the complaint names twice.',
					'Thirty days run from service of the complaint, on {-25}.'
				],
				[
					'Whether it should be',
					'The state court has decided two tariff cases for the pilots. The federal court has none.'
				]
			],
			[
				['Old tariff holds', '55 %', '0'],
				['New tariff from the letter on', '30 %', '70,000'],
				['New tariff throughout', '15 %', '168,000']
			]
		)
	],
	notes: [
		[
			20,
			'reyes',
			'Freight has the letters that went with each payment. Removal to be decided this week.'
		]
	],
	tasks: [{ subject: 'Decide about removal with Ines', who: 'reyes', due: 1 }],
	work: [
		['Research on removal', 'RESEARCH'],
		['Read the tariffs', 'REVIEW'],
		['Call with Freight about the route', 'CALL'],
		['Drafted the notice of removal', 'DRAFT']
	]
};
