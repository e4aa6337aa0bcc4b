/** Letters assembled from the templates that ship, to those whom the stories name. */
import { addDays } from '#core/dates/plain.ts';
import { assembleDocument } from '#server/templates/commands.ts';
import { listTemplates } from '#server/templates/queries.ts';
import type { Scene } from './scene.ts';

/** Of which matter, how long ago, and what for. */
const LETTERS: readonly [title: string, ago: number, purpose: string][] = [
	[
		'Pier 9 passenger fall',
		2,
		'We ask on which days an expert may see the violin case, the shoes and the coat of that evening.'
	],
	[
		'Sablewood hull warranty',
		3,
		'We ask you to keep the daily sheets of both dockings, the paint batches and what the inspector wrote on the spot.'
	],
	[
		'Dock 4 sublease',
		2,
		'We write to agree on a day on which the cold store is handed over, and ask for your answer within ten days.'
	],
	[
		'Bremner wage claim',
		4,
		'We ask you to keep messages and calendars in which the beginning or the end of a shift is named.'
	],
	[
		'Fog bell collision',
		3,
		'We write to agree on how the judgment and the costs are paid, and ask for your answer within ten days.'
	],
	[
		'Season ticket class action',
		5,
		'We ask you to keep receipts of taxis and buses for the sailings that you say you missed.'
	],
	[
		'Harbor discharge notice',
		6,
		'We write to name the laboratory that will take the samples, and ask whether your staff wants to be there.'
	],
	[
		'Breakwater wake damage',
		3,
		'We ask you to keep the log of the tug, the record of her engines and the messages with the tow.'
	]
];

export async function writeLetters(scene: Scene): Promise<void> {
	const { as, done, app, today } = scene;
	const templates = listTemplates(app);
	for (const [at, [title, ago, purpose]] of LETTERS.entries()) {
		const { id: matterId, lawyer, story } = scene.matter(title);
		const template = templates[at % templates.length]!;
		scene.at(addDays(today, -ago));
		const to = story?.otherCounsel ?? story?.other ?? '';
		done(
			await assembleDocument(as(lawyer), {
				matterId,
				templateId: template.id,
				name: `${template.name}, ${title}`,
				values: {
					'recipient.name': to,
					'recipient.address': `${180 + at * 27} Harbor Street, San Francisco`,
					purpose,
					'matter.court': story?.court ?? 'the agency',
					'matter.caseNumber': story?.caseNumber ?? 'to follow',
					'opponent.name': story?.other ?? ''
				}
			})
		);
	}
}
