/** What papers of the demo are made of: captions, headings, paragraphs, tables, signatures. */
import type { Content } from 'pdfmake/interfaces.js';
import { COMPANY, type PaperMatter } from '../story.ts';

export const heading = (text: string): Content => ({
	text,
	bold: true,
	margin: [0, 12, 0, 6]
});

export const paragraph = (text: string): Content => ({ text, margin: [0, 0, 0, 8] });
export const paragraphs = (texts: readonly string[]): Content[] => texts.map(paragraph);

/** Numbered paragraphs, going on from the last number. */
export const numbered = (texts: readonly string[], first = 1): Content => ({
	ol: texts.map((text) => ({ text, margin: [0, 0, 0, 7] as [number, number, number, number] })),
	start: first
});

export const title = (text: string): Content => ({
	text,
	fontSize: 17,
	margin: [0, 0, 0, 4]
});
export const under = (text: string): Content => ({
	text,
	color: '#4a5b62',
	margin: [0, 0, 0, 16]
});

/** Courts as their papers name them. */
const COURTS: Readonly<Record<string, string>> = {
	'N.D. Cal., San Francisco':
		'United States District Court, Northern District of California, San Francisco Division',
	'Cal. Super., San Francisco': 'Superior Court of California, County of San Francisco',
	'N.Y. Sup., Richmond County': 'Supreme Court of the State of New York, County of Richmond',
	'Galveston County, 212th': 'District Court of Galveston County, Texas, 212th Judicial District',
	'High Court, Admiralty': 'High Court of Justice, King’s Bench Division, Admiralty Court'
};

/** The head of a paper in a case: the court, who against whom, the number, what it is. */
export function caption(of: PaperMatter, name: string): Content[] {
	return [
		{
			text: (COURTS[of.court] ?? of.court).toUpperCase(),
			alignment: 'center',
			bold: true,
			margin: [0, 0, 0, 18]
		},
		{
			columns: [
				{
					width: '55%',
					stack: [
						{ text: `${of.plaintiff},` },
						{ text: 'Plaintiff,', margin: [60, 4, 0, 4] },
						{ text: 'v.', margin: [30, 0, 0, 4] },
						{ text: `${of.defendant},` },
						{ text: 'Defendant.', margin: [60, 4, 0, 0] }
					]
				},
				{
					width: '45%',
					stack: [
						{ text: `Case No. ${of.caseNumber}` },
						{ text: name.toUpperCase(), bold: true, margin: [0, 10, 0, 10] },
						{ text: of.judge ? `Judge: ${of.judge}` : '' }
					]
				}
			],
			columnGap: 18,
			margin: [0, 0, 0, 20]
		}
	];
}

/** Who signs for a party, on which day. */
export const signature = (name: string, of: string, day: string): Content => ({
	unbreakable: true,
	margin: [0, 28, 0, 0],
	stack: [
		{ text: `Dated: ${day}` },
		{ text: '______________________________', margin: [0, 30, 0, 2] },
		{ text: name },
		{ text: of }
	]
});

/** A letter's head: from whom, to whom, on which day, about what. */
export const letterHead = (from: string, to: string, day: string, about: string): Content[] => [
	{ text: from, bold: true, margin: [0, 0, 0, 22] },
	{ text: day, margin: [0, 0, 0, 16] },
	{ text: to, margin: [0, 0, 0, 16] },
	{ text: `Re: ${about}`, bold: true, margin: [0, 0, 0, 14] }
];

export const table = (
	head: readonly string[],
	rows: readonly (readonly string[])[],
	widths: (string | number)[] = head.map((_, at) => (at === 0 ? '*' : 'auto'))
): Content => ({
	margin: [0, 6, 0, 12],
	layout: 'lightHorizontalLines',
	table: {
		headerRows: 1,
		widths,
		dontBreakRows: true,
		body: [head.map((text) => ({ text, bold: true })), ...rows.map((row) => [...row])]
	}
});

export const ourLawyer = (of: PaperMatter): string => `${of.lawyer}, counsel for ${COMPANY}`;

/** A heading and the paragraphs under it. */
export type Part = readonly [head: string, ...texts: string[]];

export const listParts = (of: PaperMatter, list: readonly Part[]): Content[] =>
	list.flatMap(([head, ...texts]) => [
		heading(head),
		...paragraphs(texts.map((text) => of.fill(text)))
	]);

export const about = (of: PaperMatter): string => `${of.title}, ${of.number}`;
