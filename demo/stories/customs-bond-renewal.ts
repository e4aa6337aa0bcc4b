import { letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Customs bond renewal',
	kind: 'regulatory',
	unit: 'Freight',
	age: 820,
	ended: 12,
	lawyer: 'wardle',
	team: ['abernathy', 'castellan'],
	other: 'Bureau of Customs',
	people: ['Tidewrack Insurance | insurer | surety of the bond'],
	about: 'The bond for freight that arrives from abroad. Renewed for three years.',
	told: [
		'Freight that arrives under bond needs a surety of $200,000.',
		'The old bond ran out; the surety wanted a larger deposit.',
		'A second surety took it for the old price.',
		'The bureau accepted it twelve days before the old one ended.'
	],
	facts: {
		agency: 'Bureau of Customs',
		subject: 'Bond for freight',
		permit: 'Bond 20-118-774',
		'permit-until': 1080
	},
	papers: [
		letter(
			40,
			'Bond, cover letter',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Bureau of Customs\nPort of San Francisco',
				about: 'Bond 20-118-774',
				folder: 'Filings',
				by: 'abernathy'
			},
			[
				'The bond of Tidewrack Insurance is enclosed in two originals. It takes the place of the one that ends this month.',
				'The power of attorney of the surety is on file with you.',
				'Please send the receipt to the undersigned; the freight office waits for it.',
				'The principal’s address has changed to Pier 1.'
			],
			{
				name: 'Enclosed',
				rows: [
					['Bond', 'two originals, $200,000'],
					['Resolution', 'of the board, with the names of those who may sign'],
					['Change of address', 'form, signed']
				]
			}
		)
	],
	notes: [[13, 'wardle', 'Receipt is here. Next renewal is on the calendar.']],
	work: [
		['Call with the surety', 'NEGO'],
		['Drafted the resolution for the bond', 'DRAFT']
	]
};
