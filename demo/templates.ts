/**
 * Writes the DOCX templates that ship. Run once after a change: node --import tsx demo/templates.ts
 */
import { writeFileSync } from 'node:fs';
import {
	AlignmentType,
	Document,
	HeadingLevel,
	Packer,
	Paragraph,
	Table,
	TableCell,
	TableRow,
	TextRun,
	WidthType
} from 'docx';

const item = (text: string, other: { bold?: boolean; after?: number; right?: boolean } = {}) =>
	new Paragraph({
		spacing: { after: other.after ?? 160 },
		...(other.right ? { alignment: AlignmentType.RIGHT } : {}),
		children: [new TextRun({ text, bold: other.bold ?? false })]
	});
const styles = { default: { document: { run: { font: 'Georgia', size: 22 } } } };
const cell = (text: string, bold = false) =>
	new TableCell({
		width: { size: 3100, type: WidthType.DXA },
		children: [new Paragraph({ children: [new TextRun({ text, bold })] })]
	});
const table = (rows: string[][]) =>
	new Table({
		width: { size: 9300, type: WidthType.DXA },
		rows: rows.map((row, i) => new TableRow({ children: row.map((text) => cell(text, i === 0)) }))
	});

const files: Record<string, Paragraph[] | (Paragraph | Table)[]> = {
	'Letter on the matter': [
		item('Larkhaven Ferries, Legal Department', { bold: true, after: 40 }),
		item('Pier 4, The Embarcadero, San Francisco', { after: 320 }),
		item('{{today | date}}', { right: true }),
		item('{{recipient.name}}', { after: 40 }),
		item('{{recipient.address}}', { after: 280 }),
		new Paragraph({
			heading: HeadingLevel.HEADING_2,
			spacing: { after: 200 },
			children: [new TextRun('{{matter.title}} ({{matter.number}})')]
		}),
		item('Dear {{recipient.name}},'),
		item(
			'We act for the {{unit}} business unit of Larkhaven Ferries in this matter against {{opponent.name}}.'
		),
		item('{{#litigation}}'),
		item(
			'The case is pending before {{matter.court}} under number {{matter.caseNumber}}. Please preserve all documents, messages and recordings that concern it.'
		),
		item('{{/litigation}}'),
		item('{{purpose}}'),
		item('{{#hasDates}}'),
		item('These dates are on our docket:'),
		item('{{/hasDates}}'),
		item('{{#dates}}'),
		item('{{date | longdate}}: {{title}} ({{authority}})', { after: 60 }),
		item('{{/dates}}'),
		item('The people on the matter are:'),
		table([
			['Name', 'Role'],
			['{{#parties}}{{name}}', '{{role}}{{/parties}}']
		]),
		item(''),
		item('Yours sincerely,', { after: 700 }),
		item('{{lawyer.name}}', { after: 40 }),
		item('{{lawyer.email}}')
	],
	'Notice to preserve documents': [
		item('Larkhaven Ferries, Legal Department', { bold: true, after: 300 }),
		item('{{today | date}}', { right: true }),
		new Paragraph({
			heading: HeadingLevel.HEADING_1,
			spacing: { after: 200 },
			children: [new TextRun('Notice to preserve documents')]
		}),
		item('To {{recipient.name}}, {{unit}}.'),
		item(
			'From today, keep everything that may concern “{{matter.title}}” ({{matter.number}}): mail, messages, logs, photographs, recordings and paper. Delete nothing, and stop anything that deletes by itself.'
		),
		item('{{#litigation}}'),
		item('The other side is {{opponent.name}}.'),
		item('{{/litigation}}'),
		item('{{^litigation}}'),
		item('No case is pending yet; this notice is a precaution.'),
		item('{{/litigation}}'),
		item(
			'Ask {{lawyer.name}} ({{lawyer.email}}) when in doubt. This notice holds until you are told in writing that it has ended.'
		),
		item('', { after: 500 }),
		item('Received and understood:')
	]
};
for (const [name, children] of Object.entries(files))
	writeFileSync(
		`templates/${name}.docx`,
		await Packer.toBuffer(
			new Document({ styles, creator: 'Larkhaven Ferries', title: name, sections: [{ children }] })
		)
	);
