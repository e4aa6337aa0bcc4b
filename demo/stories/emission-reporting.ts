import { letter } from '../papers/reports.ts';
import type { Story } from '../story.ts';

export const story: Story = {
	title: 'Emission reporting',
	kind: 'regulatory',
	unit: 'Engineering',
	age: 410,
	stage: ['Under review', 28],
	lawyer: 'wardle',
	team: ['fairweather', 'castellan'],
	other: 'Air Resources Board',
	about:
		'Yearly report of engine hours and emissions. The board asks why last year’s hours of two engines are lower than their fuel.',
	told: [
		'Each engine has an hour meter; its hours are reported each March.',
		'In the last report two engines have fewer hours than their fuel would allow.',
		'The meters had been changed in dry dock and began at zero.',
		'The board asked on {-120} and was told so; it wants the old meters’ last figures.',
		'They are in the yard’s change order, in a photograph.'
	],
	facts: {
		agency: 'Air Resources Board',
		'docket-number': 'ER-5518',
		subject: 'Report of engine hours',
		'notice-of': -120
	},
	papers: [
		letter(
			30,
			'Corrected report, cover letter',
			{
				from: 'Larkhaven Ferries, Legal',
				to: 'Air Resources Board',
				about: 'ER-5518, corrected hours',
				folder: 'Filings',
				by: 'fairweather'
			},
			[
				'The hours of the port engines of the Gannet and the Kittiwake are corrected as the enclosed table shows.',
				'The meters were changed in dry dock. The last figures of the old ones are shown in the photograph of the yard.',
				'With them hours and fuel agree within two per cent.',
				'The officer who signed the first report signs this one too and says why it changed.'
			],
			{
				name: 'Hours',
				rows: [
					['Gannet, port', 'reported 2,114; with the old meter 3,902'],
					['Kittiwake, port', 'reported 1,870; with the old meter 3,655'],
					['All others', 'unchanged']
				]
			}
		)
	],
	notes: [[28, 'fairweather', 'Corrected report is filed; the board’s portal gave a receipt.']],
	work: [
		['Compared hours with fuel', 'REVIEW'],
		['Drafted the corrected report', 'DRAFT'],
		['Call with Engineering about meters', 'MEET']
	]
};
