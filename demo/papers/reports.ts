/** Reports, surveys, letters and memoranda. */
import type { Folder, Paper } from '../story.ts';
import {
	about,
	heading,
	letterHead,
	listParts,
	numbered,
	paragraph,
	paragraphs,
	signature,
	table,
	title,
	under,
	type Part
} from './parts.ts';

type Costs = readonly (readonly [what: string, amount: string])[];

/** How an incident is reported on board, and what is kept. */
export const incidentReport = (
	ago: number,
	by: string,
	head: { where: string; when: string; weather: string; reported: string },
	list: readonly Part[]
): Paper => ({
	name: 'Incident report',
	folder: 'Evidence',
	ago,
	by,
	write: (of) => [
		title('Incident report'),
		under(about(of)),
		table(
			['', ''],
			[
				['Where', of.fill(head.where)],
				['When', of.fill(head.when)],
				['Weather and light', of.fill(head.weather)],
				['Reported by', of.fill(head.reported)],
				['Written on', of.day(-ago)]
			],
			[130, '*']
		),
		heading('What happened'),
		...paragraphs(of.told.slice(0, 6)),
		...listParts(of, list),
		heading('What was kept'),
		{
			ul: [
				'The record of the deck camera for the hour before and the hour after, on a disk of its own, sealed and signed for.',
				'The log of the vessel and the log of the pier for the day.',
				'The names and numbers of those who said that they had seen it.',
				'Photographs taken within the hour, with the time on them.'
			]
		},
		heading('What the manual asks for afterwards'),
		numbered([
			'The duty officer tells the department and the insurer on the same day.',
			'Nothing is repaired before it is measured and photographed.',
			'The crew write down what they saw, each by themselves, before they speak about it.',
			'Camera records are kept until the department says otherwise: the ordinary time is ninety days.'
		]),
		paragraph(
			'This report was made in the ordinary way of the company. Whoever adds to it signs and dates what is added.'
		),
		signature(of.fill(head.reported), 'Duty officer', of.day(-ago))
	]
});

/** What a surveyor or an expert found. */
export const survey = (
	ago: number,
	by: { name: string; for: string; what: string },
	list: readonly Part[],
	costs: Costs = []
): Paper => ({
	name: `Survey report, ${by.name}`,
	folder: 'Evidence',
	ago,
	write: (of) => [
		title('Report of survey'),
		under(`${by.name}, for ${by.for}; ${about(of)}`),
		heading('1. Instructions'),
		paragraph(
			`We were asked to look at ${of.fill(by.what)}, to find the cause of what is described below as far as it can be found, and to say what a repair would cost. We were not asked who answers for it.`
		),
		heading('2. What we were told'),
		...paragraphs(of.told.slice(0, 6)),
		...listParts(
			of,
			list.map(([head, ...texts], at) => [`${at + 3}. ${head}`, ...texts] as const)
		),
		...(costs.length
			? [
					heading(`${list.length + 3}. Cost`),
					table(
						['What', 'Dollars'],
						costs.map(([what, amount]) => [of.fill(what), amount])
					),
					paragraph(
						'The figures are offers of two yards, without tax and without the time that the vessel lies still. They hold for sixty days.'
					)
				]
			: []),
		heading(`${list.length + 4}. How certain this is`),
		paragraph(
			'We saw everything named above ourselves. Where we rely on what others measured, the text says so. An inspection with parts taken down could bring out more; we would want two days for it and the consent of both sides.'
		),
		paragraph(
			'This report is for those who asked for it. It may be given to the other side and to the court; it is whole only with its photographs, which are kept at our office under the number of the report.'
		),
		signature(by.name, 'Surveyor', of.day(-ago))
	]
});

/** A letter of two pages: what is said, and what is enclosed. */
export const letter = (
	ago: number,
	name: string,
	head: { from: string; to: string; about: string; folder?: Folder; by?: string },
	body: readonly string[],
	enclosed: { name: string; rows: readonly (readonly [string, string])[] }
): Paper => ({
	name,
	folder: head.folder ?? 'Correspondence',
	ago,
	by: head.by,
	write: (of) => [
		...letterHead(head.from, head.to, of.day(-ago), of.fill(head.about)),
		...paragraphs(body.map((text) => of.fill(text))),
		paragraph('Nothing in this letter gives up a right or admits a duty that is not named in it.'),
		{ text: 'Yours truly,', margin: [0, 12, 0, 26] },
		{ text: head.from },
		{ text: `Enclosed: ${enclosed.name}`, margin: [0, 18, 0, 0], fontSize: 9.5 },
		{ text: enclosed.name, fontSize: 14, pageBreak: 'before', margin: [0, 0, 0, 4] },
		under(`to the letter of ${of.day(-ago)}; ${about(of)}`),
		table(
			['What', ''],
			enclosed.rows.map(([what, words]) => [of.fill(what), of.fill(words)]),
			[170, '*']
		)
	]
});

/** Counsel's own view, for the department alone. */
export const memo = (
	ago: number,
	name: string,
	list: readonly Part[],
	figures: readonly (readonly [string, string, string])[]
): Paper => ({
	name,
	folder: 'Internal',
	ago,
	mark: 'privileged',
	write: (of) => [
		title(name),
		under(`${about(of)}; from ${of.lawyer}, ${of.day(-ago)}. Privileged: counsel to client.`),
		heading('What happened'),
		...paragraphs(of.told),
		...listParts(of, list),
		heading('What we know, and from whom'),
		paragraph(
			'From our own people: what they wrote down at the time, and what they said when they were heard. Notes of those talks are in the file and are not shown to anyone outside the department. From the other side: its letters and what it filed. From others: what the papers of the file name.'
		),
		paragraph(
			'What we do not know yet is who else saw it, what the other side’s people told their insurer, and what stands in messages that were sent privately. We have asked for the first; the others wait for discovery or for a talk.'
		),
		heading('What can still change this view'),
		numbered([
			'A paper that says otherwise. The search has covered mail and the shared folders; telephones have not been asked for.',
			'A witness who is better, or worse, than on paper. Two of ours have not been heard under questions yet.',
			'A decision in another case on the same rule. The list of such cases is kept with this memorandum and looked through each month.',
			'The other side’s patience. What it costs them to go on is about what it costs us.'
		]),
		heading('Insurance, and what is set aside'),
		paragraph(
			'Where a policy may answer, the insurer has been told in writing, and its position is in the file. What is set aside follows the middle of the likely outcomes, not the best and not the worst; finance was told the figure and the reason, by telephone and then in a line.'
		),
		heading('In figures'),
		table(['Outcome', 'How likely', 'Dollars'], figures),
		heading('An offer'),
		paragraph(
			'If one is made it should come before the next large cost, be good for thirty days, and leave room for one step. It is written so that it cannot be used as an admission, and it goes out only when the business unit and finance have both said yes.'
		),
		paragraph(
			'The figures leave out our own time. They are a view of today, made to decide about reserves and about an offer; they change with the next deposition.'
		),
		heading('What is next'),
		numbered([
			'Keep what has been asked to be kept, and ask again each quarter.',
			'Tell the insurer and finance what stands here, by telephone first.',
			'Come back to this memorandum when the next date of the docket is met.'
		])
	]
});

/** Any report under headings of its own. */
export const report = (
	ago: number,
	name: string,
	head: { folder: Folder; by?: string; mark?: Paper['mark'] },
	list: readonly Part[],
	rows: { head: readonly string[]; rows: readonly (readonly string[])[] } | null = null
): Paper => ({
	name,
	folder: head.folder,
	ago,
	by: head.by,
	mark: head.mark,
	write: (of) => [
		title(name),
		under(`${about(of)}; ${of.day(-ago)}`),
		heading('Background'),
		...paragraphs(of.told),
		...listParts(of, list),
		...(rows
			? [
					heading('Overview'),
					table(
						rows.head,
						rows.rows.map((row) => row.map((cell) => of.fill(cell)))
					)
				]
			: []),
		heading('How this was put together'),
		paragraph(
			'From the papers of the matter, each of which is named by its number; from talks with the people of the business unit, of which there are notes; and from what can be looked up by anyone. Where two sources differ, the text says which was followed, and why.'
		),
		numbered([
			'Papers: those in the folders of the matter on the day named below, and the earlier versions where they matter.',
			'People: the head of the business unit, whoever does the work every day, and one who did it before.',
			'Places: seen, where it was possible; the pictures are filed with this report.',
			'Figures: taken from the ledger or from the other side’s invoices, and added up by two people.'
		]),
		heading('What is open'),
		{
			ul: [
				'Points that wait for an answer from outside are on the list of tasks, each with a day.',
				'Points that wait for a decision of the business unit were sent to it in one mail, numbered, so that it can answer beside them.',
				'Nothing that is open changes what is said above; if it does, this report is written anew and the old one is kept.'
			]
		},
		heading('Who has it'),
		paragraph(
			'The team of the matter and the head of the business unit. It is not sent on without asking. What it says of persons is to be kept no longer than the matter.'
		),
		paragraph(
			'Questions go to the logbook of the matter, so that the answer stands where the next reader looks for it.'
		),
		paragraph(
			`Written by ${of.lawyer} and the paralegal of the matter from the file as it stood on ${of.day(-ago)}.`
		)
	]
});
