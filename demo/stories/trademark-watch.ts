import { letter, report } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Trademark watch',
	kind: 'trademark',
	unit: 'Onboard Retail',
	age: 650,
	stage: ['Registered', 600],
	lawyer: 'reyes',
	team: ['fairweather', 'castellan'],
	people: ['Penrose Marks LLP | trademark counsel'],
	about:
		'The mark LARKHAVEN for ferries and for catering on board, and who else applies for something like it.',
	told: [
		'LARKHAVEN is registered for ferries since the eighties and for catering since {-2200}.',
		'A service reports each week who applies for something like it.',
		'A maker of biscuits applied for LARKHAM on {-60}.',
		'A marina uses Lark Haven Moorings without an application.',
		'Use on mugs and caps is new and not covered by a class.'
	],
	facts: {
		mark: 'LARKHAVEN',
		office: 'US',
		registration: '5,118,204',
		registered: -2200,
		status: 'Registered',
		renewal: 410
	},
	papers: [
		report(
			50,
			'Watch report of the autumn',
			{ folder: 'Correspondence', by: 'fairweather' },
			[
				[
					'LARKHAM, biscuits',
					'Other goods, other buyers. The names differ at the end. We would not oppose, and would ask for a limit to biscuits.'
				],
				['Lark Haven Moorings', 'Near in kind. A letter first; the owner is a family.']
			],
			{
				head: ['Sign', 'Who', 'What we do'],
				rows: [
					['LARKHAM', 'a maker of biscuits', 'ask for a limit'],
					['Lark Haven Moorings', 'a marina', 'letter'],
					['HAVENLARK', 'a band', 'nothing']
				]
			}
		),
		letter(
			30,
			'Letter to the marina',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Lark Haven Moorings\nRichmond',
				about: 'The name of your marina',
				by: 'reyes'
			},
			[
				'You have a fine marina, and we have been told twice in a month that it is ours.',
				'LARKHAVEN is our registered mark for ferries since long before your sign went up. People who see both think that they belong together.',
				'We ask you to change the sign within six months, and would pay for the painter.',
				'If you would rather talk first, call the undersigned.'
			],
			{
				name: 'What we rely on',
				rows: [
					['Registration', '5,118,204, classes 39 and 43'],
					['Use', 'on nine vessels and twelve piers'],
					['Mix-ups', 'two calls and one letter, with their dates']
				]
			}
		)
	],
	notes: [[12, 'reyes', 'The owner called. He wants to keep the name for one season.']],
	tasks: [{ subject: 'Class 21 for mugs: yes or no', who: 'reyes', due: 12 }],
	work: [
		['Read the watch report', 'REVIEW'],
		['Drafted the letter to the marina', 'DRAFT'],
		['Call with trademark counsel', 'CALL']
	]
};
