import { responses } from '../papers/discovery.ts';
import { answer, complaint } from '../papers/pleadings.ts';
import { memo } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Left luggage robbery',
	kind: 'litigation',
	unit: 'Terminals',
	age: 870,
	stage: ['After judgment', 320],
	lawyer: 'lindqvist',
	team: ['abernathy', 'castellan'],
	court: 'N.D. Cal., San Francisco',
	caseNumber: '3:24-cv-03377',
	judge: 'Hon. Delacourt Ames',
	other: 'Stellan Ironwood',
	otherCounsel: 'Hester Plumtree',
	people: [
		'Hester Plumtree | opposing counsel',
		'Hon. Delacourt Ames | judge',
		'Nightwatch Keys Service | contact | guarded the lockers'
	],
	about:
		'A jeweler’s case was taken from the left-luggage lockers of Pier 2. The jury found for him in part. The last motion after judgment has been decided; the time to appeal ran from there.',
	told: [
		'On {-930} Stellan Ironwood, a jeweler, put a sample case into a locker of the left-luggage room at Pier 2.',
		'In the night two men opened eleven lockers with a copied master key and took what was in them.',
		'The guard of Nightwatch Keys Service had left his round to sign for a delivery.',
		'The tariff printed on the locker limits what can be claimed to $500.',
		'On {-334} the jury found the limit valid for ten of the pieces and not for the case itself, and gave $86,400.',
		'Judgment was entered on {-320}.',
		'The motion to alter it was denied by the order of {-33}.'
	],
	pleaded: [0, 1, 2],
	facts: {
		side: 'Defendant',
		nature: 'PD',
		exposure: '86,400',
		jury: 'yes',
		'date-of-loss': -930,
		claim: 'Theft from the lockers of Pier 2; whether the printed limit holds.'
	},
	papers: [
		complaint(860, ['Negligence', 'Breach of contract'], '240,000'),
		answer(820),
		responses(640, 'ours', 'First set', [
			[
				'State who had a master key of the lockers on {-930}, and since when.',
				'Four persons: the terminal manager, her deputy, and two guards of Nightwatch Keys Service. The register of keys is produced; the copy with which the lockers were opened is in none of its lines.'
			],
			[
				'Describe how the limit of $500 was made known to those who used the lockers.',
				'It is printed on the door of each locker in letters of half an inch and on the receipt that the machine gives. A photograph of both is produced.'
			],
			[
				'State what was done after the thefts at Pier 5 in the year before.',
				'The locks of Pier 5 were changed. Those of Pier 2 were to be changed in the next budget year, and were changed in the month after this theft.'
			]
		]),
		memo(
			300,
			'Memorandum on the judgment',
			[
				[
					'Whether an appeal is worth it',
					'The instruction on the printed limit is the one good point. It was objected to in time. The amount at stake is the difference between $86,400 and $500.',
					'An appeal costs about $60,000 of outside counsel, and interest runs meanwhile.'
				]
			],
			[
				['Affirmed', '60 %', '86,400 and interest'],
				['Reversed, new trial', '25 %', 'a second trial'],
				['Limit held valid', '15 %', '500']
			]
		)
	],
	notes: [
		[31, 'lindqvist', 'Order denying the motion is in. The notice of appeal runs from it.'],
		[
			2,
			'castellan',
			'No notice of appeal is on the court’s list. @Priya Lindqvist what was decided?'
		]
	],
	work: [
		['Prepared the motion to alter the judgment', 'DRAFT'],
		['Read the register of keys', 'REVIEW'],
		['Attended the trial', 'HEAR'],
		['Research on limits printed on receipts', 'RESEARCH'],
		['Call with Nightwatch’s insurer', 'CALL']
	]
};
