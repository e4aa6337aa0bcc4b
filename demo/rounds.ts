/** Papers that are signed: one waits for us, some for the other side, some are finished. */
import type { Content } from 'pdfmake/interfaces.js';
import { addDays } from '#core/dates/plain.ts';
import { all, one } from '#server/db/sql.ts';
import { uploadDocument } from '#server/documents/commands.ts';
import { listFolders } from '#server/documents/queries.ts';
import { sign } from '#server/signing/commands.ts';
import { finishRound } from '#server/signing/finish.ts';
import { startRound } from '#server/signing/start.ts';
import { workday, paperMatter, renderPaper } from './file.ts';
import { heading, paragraph, title, under } from './papers/parts.ts';
import type { Made, Scene } from './scene.ts';
import { COMPANY, type PaperMatter } from './story.ts';

type Signed = 'nobody' | 'us' | 'both';
type Round = {
	matter: string;
	name: string;
	/** So many days ago it was sent. */
	ago: number;
	outside: string;
	signed: Signed;
	clauses: readonly (readonly [head: string, words: string])[];
};

const ROUNDS: readonly Round[] = [
	{
		matter: 'Fog bell collision',
		name: 'Stipulation on costs',
		ago: 0,
		outside: 'Cordelia Vance',
		signed: 'nobody',
		clauses: [
			[
				'What is agreed',
				'Two items of the bill of costs, $4,100 in all, are withdrawn. The rest stands as the clerk taxed it.'
			],
			[
				'What is not',
				'Nothing in this stipulation touches the judgment, or the time in which it can be appealed.'
			],
			['When it counts', 'When both sides have signed and it is filed.']
		]
	},
	{
		matter: 'Berth financing',
		name: 'Confidentiality agreement',
		ago: 2,
		outside: 'Corin Hale',
		signed: 'us',
		clauses: [
			[
				'What is confidential',
				'Figures, plans and forecasts that the company gives the bank for the loan, and the terms that are spoken about.'
			],
			['For how long', 'For two years, or until the loan is paid out, whichever is later.'],
			[
				'What is not',
				'What is public, what was known before, and what a court or an agency orders to be shown.'
			]
		]
	},
	{
		matter: 'Ticket app maintenance',
		name: 'Order for the code in trust',
		ago: 2,
		outside: 'Alaric Stone',
		signed: 'us',
		clauses: [
			[
				'What is ordered',
				'The newest code of the ticket app is put with the trustee within ten days.'
			],
			['Key', 'The company names one person who keeps the key, and one who stands in.'],
			['Price', '$1,400 once and $90 a month, which the parties share.']
		]
	},
	{
		matter: 'Terminal cleaning',
		name: 'Amendment 1, hour of the inspection',
		ago: 9,
		outside: 'Maris Ebb',
		signed: 'both',
		clauses: [
			[
				'Change',
				'The inspection of a terminal begins no earlier than an hour after the night shift ends.'
			],
			['From when', 'From the first of next month. Scores of the months before stay as they are.'],
			['All else', 'stays as it was agreed.']
		]
	},
	{
		matter: 'Dry dock framework',
		name: 'Amendment 1, price of steel',
		ago: 14,
		outside: 'Gunnar Copperhull',
		signed: 'both',
		clauses: [
			[
				'Change',
				'Plates are charged at the list price of the month in which they are ordered, not in which they are welded.'
			],
			['Order 9', 'stands at $311,500, whatever the list says.'],
			['All else', 'stays as it was agreed.']
		]
	},
	{
		matter: 'Shore power pilot',
		name: 'Request for the second part of the grant',
		ago: 20,
		outside: 'Ondine Vale',
		signed: 'both',
		clauses: [
			['What is asked for', 'The second part of the grant, $110,000.'],
			[
				'What was done',
				'The box is set, the cable is pulled and tested, and the first night was run with both vessels.'
			],
			['Figures', 'The first quarter’s figures follow within ten days of its end.']
		]
	}
];

/** One page, with room at its foot where both sign. */
function writePage(of: PaperMatter, { name, clauses }: Round): Content[] {
	const line = (x: number, who: string): Content[] => [
		{ text: '___________________________', absolutePosition: { x, y: 662 } },
		{ text: who, fontSize: 9, absolutePosition: { x, y: 702 } }
	];
	return [
		title(name),
		under(`between ${COMPANY} and ${of.other}; ${of.title}, ${of.number}`),
		...clauses.flatMap(([head, words], at) => [heading(`${at + 1}. ${head}`), paragraph(words)]),
		paragraph(
			'The law and the courts are those of the agreement to which this belongs; where there is none yet, those of California. A signature by electronic means is as good as one by hand.'
		),
		...line(73, COMPANY),
		...line(288, of.other)
	];
}

/** Where a signer puts name and day. */
const spots = (signer: number) => {
	const x = 0.12 + signer * 0.35;
	return [
		{ signer, kind: 'signature' as const, page: 0, x, y: 0.8, w: 0.3, h: 0.045, label: '' },
		{ signer, kind: 'date' as const, page: 0, x, y: 0.86, w: 0.2, h: 0.022, label: '' }
	];
};

async function fileRound(scene: Scene, made: Made, round: Round): Promise<string> {
	const { as, done, app } = scene;
	const of = paperMatter(scene, made, made.story!, round.ago);
	const [folder = 'Agreements'] = listFolders(app, made);
	const paper = { name: round.name, folder: 'Agreements' as const, ago: round.ago };
	const pdf = await renderPaper({ ...paper, write: (matter) => writePage(matter, round) }, of);
	return done(
		await uploadDocument(as(made.lawyer), {
			matterId: made.id,
			name: round.name,
			folder,
			mark: '',
			file: new File([new Uint8Array(pdf)], `${round.name}.pdf`)
		})
	).documentId;
}

/** What a signer fills in. */
const valuesOf = ({ app }: Scene, signerId: string, name: string): Record<string, string> =>
	Object.fromEntries(
		all<{ id: string }>(
			app.db,
			"SELECT id FROM signing_field WHERE kind = 'signature' AND signer_id = @signerId",
			{ signerId }
		).map(({ id }) => [id, name])
	);

export async function startRounds(scene: Scene): Promise<void> {
	const { as, done, app, today } = scene;
	for (const [at, round] of ROUNDS.entries()) {
		const made = scene.matter(round.matter);
		scene.at(addDays(today, -round.ago));
		const lawyer = scene.staff(made.lawyer);
		const email = `signer${at}@mail.example`;
		const started = done(
			await startRound(as(made.lawyer), {
				documentId: await fileRound(scene, made, round),
				title: `${round.name}, ${made.title}`,
				message: 'Please sign when you can.',
				inOrder: true,
				wantedBy: workday(addDays(today, scene.rnd.int(3, 12))),
				expires: null,
				signers: [
					{ name: lawyer.name, email: lawyer.email, staffId: lawyer.id },
					{ name: round.outside, email, staffId: null }
				],
				fields: [...spots(0), ...spots(1)]
			})
		);
		const [ours = '', theirs = ''] = started.signerIds;
		if (round.signed !== 'nobody')
			done(
				await sign(as(made.lawyer), {
					door: { signerId: ours },
					values: valuesOf(scene, ours, lawyer.name),
					consent: true,
					address: '127.0.0.1',
					agent: 'demo'
				})
			);
		if (round.signed !== 'both') continue;
		// The outside signer's own door: its link was mailed; only its hash is kept.
		const mail = one<{ text: string }>(
			app.db,
			'SELECT text FROM mail_out WHERE recipient LIKE @recipient ORDER BY id DESC LIMIT 1',
			{ recipient: `%${email}%` }
		);
		const token = /\/sign\/(\S+)/.exec(mail.text)![1]!;
		done(
			await sign(
				{ ...app, actor: { guest: 'signer' } },
				{
					door: { token },
					values: valuesOf(scene, theirs, round.outside),
					consent: true,
					address: '203.0.113.7',
					agent: 'demo'
				}
			)
		);
		await finishRound(app, started.roundId);
	}
}
