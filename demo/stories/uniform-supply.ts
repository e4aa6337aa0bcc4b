import { agreement } from '../papers/contracts.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Uniform supply',
	kind: 'agreement',
	unit: 'Passenger',
	age: 720,
	ended: 40,
	lawyer: 'reyes',
	team: ['fairweather', 'castellan'],
	other: 'Capstan Outfitters Co.',
	about: 'Uniforms for twelve hundred people over four years, with sizes that change.',
	told: [
		'Twelve hundred people wear the uniform; each gets a set every second year.',
		'Capstan Outfitters Co. keeps sizes in store and takes back what does not fit.',
		'The cloth is to be free of two finishes that made people itch.',
		'The agreement was signed after a year of samples.'
	],
	facts: { subject: 'Uniforms', sort: 'Supply', value: '1,150,000', paper: 'Ours' },
	papers: [
		agreement(60, {
			name: 'Uniform agreement, signed',
			terms: [
				['Goods', 'Uniforms by the book of samples'],
				['Price', 'By the list, firm for two years'],
				['Term', 'Four years'],
				['Cap', '$1,000,000']
			],
			clauses: [
				[
					'Sizes',
					'The supplier keeps a tenth of each size in store and changes what does not fit within five days.'
				],
				['Cloth', 'No finish that the annex names. A test by a laboratory goes with each dyeing.']
			]
		})
	],
	notes: [[42, 'reyes', 'Signed by both. The book of samples is in the library.']],
	work: [
		['Redlined the uniform agreement', 'DRAFT'],
		['Meeting with Passenger about samples', 'MEET'],
		['Call with the supplier about the finish', 'NEGO']
	]
};
