/** Agreements and leases: the terms of the deal, and the clauses that every one of ours has. */
import type { Content } from 'pdfmake/interfaces.js';
import { COMPANY, type Folder, type Paper, type PaperMatter } from '../story.ts';
import { heading, paragraph, paragraphs, table, title, under } from './parts.ts';

type Clause = readonly [head: string, ...texts: string[]];

const COMMON: readonly Clause[] = [
	[
		'Confidentiality',
		'Each side keeps to itself what it learns of the other’s business under this agreement, uses it for this agreement only, and gives it only to those who need it and are bound in the same way. This holds for three years after the end.',
		'It does not hold for what is public, what was known before, what was found without the other, or what a court or an agency orders to be shown; of an order the other side is told at once, so that it can object.'
	],
	[
		'Liability',
		'Each side answers for the damage that it or its people cause by fault. Neither answers for lost profit, except where it was caused on purpose, by a breach of confidentiality, or to a person’s body or health.',
		'In any one year the liability of a side is limited to the cap named in the terms. The limit does not hold for indemnities, for fees that are owed, or for what the law does not let one limit.'
	],
	[
		'Indemnity',
		'Each side holds the other free of claims of third persons that come from its own breach, from the acts of its people on the other’s premises or vessels, or from the infringement of rights by what it delivers.',
		'Who wants to be held free tells the other without delay, leaves it the defense, and helps at its cost. Nothing is settled that would bind the other without its consent.'
	],
	[
		'Insurance',
		'The supplier keeps general liability insurance of no less than $2,000,000 for each event and workers’ compensation as the law asks, names the company as an additional insured, and sends the certificate before it begins and each year after.'
	],
	[
		'Safety and access',
		'Whoever comes aboard or onto a pier follows the safety manual, wears what it asks for, and leaves when the officer of the watch says so. Accidents are reported within the hour.'
	],
	[
		'Events beyond control',
		'Neither side is in breach for as long as an event that it could neither foresee nor prevent keeps it from doing what it promised. It says so within two days, says how long, and does what can be done around it. After sixty days either side may end what is affected.'
	],
	[
		'Change of the agreement, and assignment',
		'It is changed in writing, signed by both sides. Neither side may assign it without the other’s consent, which is not withheld without reason; a sale of the whole business is no assignment.'
	],
	[
		'Ending for cause',
		'Either side may end it in writing where the other is in material breach and has not cured it within thirty days of being told, or is insolvent. What was earned until then is paid; clauses that look beyond the end go on.'
	],
	[
		'Records and audit',
		'Records of what is charged are kept for four years. The company may look at them once a year, on ten days’ notice, itself or through an auditor; what was charged too much is paid back with interest.'
	],
	[
		'Notices',
		'Notices are in writing and go to the persons named at the signatures, by hand, by courier or by mail with confirmation. They count from the day they arrive, or from the next business day where they arrive after five.'
	],
	[
		'Law, and where disputes go',
		'The law named in the terms governs, without its rules on conflicts. Before anyone sues, one officer of each side who has had nothing to do with the matter meets the other within twenty days of a letter that asks for it. Courts are those of the place named in the terms.'
	],
	[
		'The whole agreement',
		'This is all that was agreed about its subject. What is invalid is replaced by what comes nearest and is valid. Copies signed apart, also with an electronic signature, are one agreement.'
	]
];

const clauses = (of: PaperMatter, list: readonly Clause[]): Content[] =>
	list.flatMap(([head, ...texts], at) => [
		heading(`${at + 1}. ${head}`),
		...paragraphs(texts.map((text) => of.fill(text)))
	]);

const signatures = (of: PaperMatter): Content => ({
	unbreakable: true,
	margin: [0, 26, 0, 0],
	columns: [COMPANY, of.other || 'The other side'].map((name) => ({
		stack: [
			{ text: name, bold: true },
			{
				text: '________________________',
				margin: [0, 30, 0, 2] as [number, number, number, number]
			},
			{ text: 'Name:' },
			{ text: 'Title:' },
			{ text: 'Date:' }
		]
	}))
});

type Deal = {
	name: string;
	folder?: Folder;
	by?: string;
	/** The terms that are special, as a table at the head. */
	terms: readonly (readonly [string, string])[];
	clauses: readonly Clause[];
	mark?: Paper['mark'];
};

/** An agreement as it is drafted or signed. */
export const agreement = (
	ago: number,
	{ name, folder = 'Agreements', by, terms, clauses: own, mark }: Deal
): Paper => ({
	name,
	folder,
	ago,
	by,
	mark,
	write: (of) => [
		title(name.replace(/, (?:draft \d|signed|second redline)$/, '')),
		under(
			`between ${COMPANY} (“the company”) and ${of.other || 'the other side'}; ${of.number}, as of ${of.day(-ago)}`
		),
		table(
			['Terms', ''],
			terms.map(([term, words]) => [term, of.fill(words)]),
			[150, '*']
		),
		paragraph(
			'The parties agree as follows. The terms above go before the clauses below, and the clauses before any conditions printed on orders or invoices.'
		),
		...clauses(of, [...own, ...COMMON]),
		signatures(of)
	]
});

/** What the first redline changes, for the business unit to decide. */
export const redlineNotes = (
	ago: number,
	rows: readonly (readonly [clause: string, theirs: string, ours: string])[]
): Paper => ({
	name: 'Notes to the redline',
	folder: 'Internal',
	ago,
	mark: 'privileged',
	write: (of) => [
		title('Notes to the redline'),
		under(`${of.title}, ${of.number}; ${of.day(-ago)}`),
		heading('What the deal is'),
		...paragraphs(of.told),
		heading('Where we are apart'),
		table(
			['Clause', 'They want', 'We offer'],
			rows.map((row) => row.map((cell) => of.fill(cell))),
			[100, '*', '*']
		),
		heading('Clause by clause'),
		table(
			['Our clause', 'What it is for'],
			COMMON.map(([head, first]) => [head, `${first!.split('. ')[0]!.replace(/\.$/, '')}.`]),
			[130, '*']
		),
		heading('What can be given'),
		paragraph(
			'The cap may go up by half if the insurance goes with it. Governing law may be theirs if courts stay ours. The audit may be narrowed to invoices. Indemnity for persons on board is not given up.'
		),
		heading('What the business unit has to decide'),
		paragraph(
			'How much notice it needs to bring in another supplier; whether the volume is a promise or a forecast; who of its people may order, and up to what amount.'
		),
		paragraph(
			'Please answer beside the lines above. We send the next version two days after that and ask for a call before it goes out.'
		)
	]
});
