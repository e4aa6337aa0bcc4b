import { letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Deck hand overtime letters',
	kind: 'employment',
	unit: 'Freight',
	age: 26,
	stage: ['Investigating', 18],
	lawyer: 'wardle',
	elsewhere: true,
	other: 'Deck Hands Union',
	otherCounsel: 'Aurelio Santangelo',
	people: ['Aurelio Santangelo | opposing counsel | writes for the union'],
	about:
		'The union writes for nineteen deck hands who were called in on short notice in the fog weeks of the autumn and were paid from arrival only.',
	told: [
		'In the fog weeks of the autumn nineteen deck hands were called in within four hours of a sailing.',
		'The union agreement pays a call on short notice from the call on.',
		'Payroll paid from the time of arrival, as it does for planned shifts.',
		'The union wrote on {-26} and names each hand, each call and each hour.',
		'The sum is $11,800; the union asks for it within thirty days and will else go to arbitration.'
	],
	facts: { 'pay-at-stake': '11,800', union: 'yes', position: 'Deck hands, nineteen' },
	papers: [
		letter(
			26,
			'Letter of the Deck Hands Union',
			{
				from: 'Deck Hands Union',
				to: 'Larkhaven Ferries, Inc.\nThe head of Freight',
				about: 'Calls on short notice, section 14'
			},
			[
				'Section 14 of the agreement says that a hand who is called within four hours of a sailing is paid from the call. That is what the parties wrote and what they meant.',
				'In the fog weeks nineteen of our members were called so, forty-four times. Each was paid from the gate.',
				'We ask for the difference within thirty days, and for an assurance that payroll has been told.',
				'If it is not paid we name an arbitrator, as section 22 allows.'
			],
			{
				name: 'The calls',
				rows: [
					['Calls', '44, by nineteen hands'],
					['Hours', '196.5 between call and gate'],
					['Rate', '$60.05 with the premium'],
					['Sum', '$11,800, rounded down']
				]
			}
		)
	],
	notes: [
		[20, 'wardle', 'Section 14 is as clear as they say. Payroll is asked for its own count.']
	],
	tasks: [{ subject: 'Answer to the union', who: 'wardle', due: 3 }],
	work: [
		['Read the union agreement', 'REVIEW'],
		['Advice on section 14', 'ADVICE']
	]
};
