/** Writes the DOCX templates that ship. Run once after a change: node --import tsx demo/templates.ts */
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

const p = (text: string, o: { bold?: boolean; after?: number; right?: boolean } = {}) =>
	new Paragraph({
		spacing: { after: o.after ?? 160 },
		...(o.right ? { alignment: AlignmentType.RIGHT } : {}),
		children: [new TextRun({ text, bold: o.bold ?? false })]
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
		rows: rows.map((r, i) => new TableRow({ children: r.map((c) => cell(c, i === 0)) }))
	});

const files: Record<string, Paragraph[] | (Paragraph | Table)[]> = {
	'Letter on the matter': [
		p('Larkhaven Ferries, Legal Department', { bold: true, after: 40 }),
		p('Pier 4, The Embarcadero, San Francisco', { after: 320 }),
		p('{{today | date}}', { right: true }),
		p('{{recipient.name}}', { after: 40 }),
		p('{{recipient.address}}', { after: 280 }),
		new Paragraph({
			heading: HeadingLevel.HEADING_2,
			spacing: { after: 200 },
			children: [new TextRun('{{matter.title}} ({{matter.number}})')]
		}),
		p('Dear {{recipient.name}},'),
		p(
			'We act for the {{unit}} business unit of Larkhaven Ferries in this matter against {{opponent.name}}.'
		),
		p('{{#litigation}}'),
		p(
			'The case is pending before {{matter.court}} under number {{matter.caseNumber}}. Please preserve all documents, messages and recordings that concern it.'
		),
		p('{{/litigation}}'),
		p('{{purpose}}'),
		p('{{#hasDates}}'),
		p('These dates are on our docket:'),
		p('{{/hasDates}}'),
		p('{{#dates}}'),
		p('{{date | longdate}}: {{title}} ({{authority}})', { after: 60 }),
		p('{{/dates}}'),
		p('The people on the matter are:'),
		table([
			['Name', 'Role'],
			['{{#parties}}{{name}}', '{{role}}{{/parties}}']
		]),
		p(''),
		p('Yours sincerely,', { after: 700 }),
		p('{{lawyer.name}}', { after: 40 }),
		p('{{lawyer.email}}')
	],
	'Notice to preserve documents': [
		p('Larkhaven Ferries, Legal Department', { bold: true, after: 300 }),
		p('{{today | date}}', { right: true }),
		new Paragraph({
			heading: HeadingLevel.HEADING_1,
			spacing: { after: 200 },
			children: [new TextRun('Notice to preserve documents')]
		}),
		p('To {{recipient.name}}, {{unit}}.'),
		p(
			'From today, keep everything that may concern “{{matter.title}}” ({{matter.number}}): mail, messages, logs, photographs, recordings and paper. Delete nothing, and stop anything that deletes by itself.'
		),
		p('{{#litigation}}'),
		p('The other side is {{opponent.name}}.'),
		p('{{/litigation}}'),
		p('{{^litigation}}'),
		p('No case is pending yet; this notice is a precaution.'),
		p('{{/litigation}}'),
		p(
			'Ask {{lawyer.name}} ({{lawyer.email}}) when in doubt. This notice holds until you are told in writing that it has ended.'
		),
		p('', { after: 500 }),
		p('Received and understood:')
	]
};
for (const [name, children] of Object.entries(files))
	writeFileSync(
		`templates/${name}.docx`,
		await Packer.toBuffer(
			new Document({ styles, creator: 'Larkhaven Ferries', title: name, sections: [{ children }] })
		)
	);
