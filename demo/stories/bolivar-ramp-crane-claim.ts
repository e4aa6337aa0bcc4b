import { complaint } from '../papers/pleadings.ts';
import { letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Bolivar ramp crane claim',
	kind: 'litigation',
	unit: 'Freight',
	age: 41,
	stage: ['Pleadings', 9],
	lawyer: 'lindqvist',
	elsewhere: true,
	court: 'Galveston County, 212th',
	caseNumber: '26-CV-1187',
	judge: 'Hon. Thaddeus Crowell',
	other: 'Emeka Lanternhall',
	otherCounsel: 'Bettina Sorrel',
	people: [
		'Bettina Sorrel | opposing counsel',
		'Hon. Thaddeus Crowell | judge',
		'Harrow & Pike LLP | outside counsel | Galveston'
	],
	about:
		'A rigger was hit by the hook of the ramp crane at Bolivar. He sued in Galveston County; local counsel has the answer in hand.',
	told: [
		'On {-120} the hook of the ramp crane at Bolivar swung while a pallet was set down and hit the rigger Emeka Lanternhall on the shoulder.',
		'Mr. Lanternhall works for a staffing firm and was sent to the pier by the day.',
		'The crane’s limit switch had been reset that morning after a false alarm.',
		'The banksman stood where he could not see the hook.',
		'Mr. Lanternhall was away from work for nine weeks and says that he cannot lift any more.',
		'The citation with the petition was served on the registered agent on {-9}.'
	],
	pleaded: [0, 1, 2, 3],
	facts: {
		side: 'Defendant',
		nature: 'IN',
		exposure: '320,000',
		'date-of-loss': -120,
		claim: 'Rigger hit by the hook of the ramp crane at Bolivar.'
	},
	papers: [
		complaint(9, ['Negligence'], '320,000'),
		letter(
			7,
			'Letter to Harrow & Pike',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Harrow & Pike LLP\nGalveston',
				about: 'Lanternhall, No. 26-CV-1187',
				by: 'lindqvist'
			},
			[
				'Thank you for taking this on. The answer is due on the Monday after twenty days, at ten in the morning; our docket has it, please have it on yours.',
				'The staffing firm carries workers’ compensation. Please see whether the borrowed-servant rule helps us before you plead.',
				'Rates and guidelines are as in the letter of engagement. Send what you file to the matter’s address, so that it lands in its file by itself.'
			],
			{
				name: 'What we know so far',
				rows: [
					['Crane', 'ramp crane 2, last certified in the spring'],
					['Limit switch', 'reset on the morning of {-120}; who reset it is being asked'],
					['Banksman', 'our employee, heard next week'],
					['Staffing firm', 'agreement of two years ago, clause 9 on indemnity']
				]
			}
		)
	],
	notes: [[8, 'lindqvist', 'Harrow & Pike confirm: answer and removal are on their list too.']],
	tasks: [{ subject: 'Hear the banksman', who: 'lindqvist', due: 4 }],
	work: [
		['Call with local counsel', 'CALL'],
		['Read the crane’s certificate', 'REVIEW'],
		['Research on borrowed servants', 'RESEARCH']
	]
};
