import { agreement } from '../papers/contracts.ts';
import { memo } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Project Heron',
	kind: 'corporate',
	unit: 'Corporate',
	age: 52,
	stage: ['Preparing', 50],
	lawyer: 'okafor',
	team: ['castellan'],
	restricted: true,
	other: 'Windlass Ferries LLC',
	people: ['Ferrars & Dunne LLP | outside counsel'],
	about:
		'A smaller ferry company may be for sale. A letter of intent is being negotiated; nobody outside this matter knows.',
	told: [
		'The owner of a smaller ferry company wants to retire and has asked whether we would buy.',
		'It has three vessels, sixty people and a license for two routes that we do not serve.',
		'A confidentiality agreement was signed on {-45}.',
		'The price he has in mind is $11,000,000; our first figure is nine.',
		'The license may not pass without the consent of the commission.'
	],
	facts: { entity: 'Larkhaven Ferries, Inc.', subject: 'Purchase of a ferry company' },
	papers: [
		agreement(45, {
			name: 'Confidentiality agreement, signed',
			terms: [
				['Purpose', 'To look at a purchase'],
				['Term', 'Two years'],
				['People', 'Those named in the annex only'],
				['Law', 'California']
			],
			clauses: [
				['No word', 'That the parties talk is itself confidential.'],
				[
					'Staff',
					'For eighteen months nobody of the other side’s staff is hired who was met in the talks.'
				]
			],
			mark: 'confidential'
		}),
		memo(
			20,
			'Memorandum on the license',
			[
				[
					'Whether it passes',
					'A sale of shares changes the control of the holder. The commission’s rule asks for consent for that too, sixty days before.'
				],
				[
					'What follows',
					'Signing and closing have to be apart. A price adjustment for the months between is usual.'
				]
			],
			[
				['Consent without conditions', '60 %', '0'],
				['Consent with a fare cap', '30 %', '400,000 a year'],
				['No consent', '10 %', 'no deal']
			]
		)
	],
	notes: [
		[19, 'okafor', 'Draft of the letter of intent: price in a range, closing after consent.']
	],
	tasks: [{ subject: 'Letter of intent, second draft', who: 'okafor', due: 3 }],
	work: [
		['Drafted the letter of intent', 'DRAFT'],
		['Call with the owner’s counsel', 'NEGO'],
		['Research on the license', 'RESEARCH']
	]
};
