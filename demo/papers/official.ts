/** What agencies write, and minutes with resolutions. */
import { COMPANY, type Folder, type Paper } from '../story.ts';
import {
	heading,
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

/** An agency's notice with its findings, and what has to be done by when. */
export const agencyNotice = (
	ago: number,
	name: string,
	head: { agency: string; number: string; subject: string; folder?: Folder },
	findings: readonly string[],
	demands: readonly (readonly [string, string])[]
): Paper => ({
	name,
	folder: head.folder ?? 'Notices',
	ago,
	write: (of) => [
		{ text: head.agency.toUpperCase(), bold: true, alignment: 'center', margin: [0, 0, 0, 4] },
		{ text: `No. ${head.number}`, alignment: 'center', margin: [0, 0, 0, 20] },
		title(name),
		under(`To ${COMPANY}; ${of.fill(head.subject)}; dated ${of.day(-ago)}`),
		heading('What was found'),
		numbered(findings.map((text) => of.fill(text))),
		heading('What the rules say'),
		paragraph(
			'Whoever holds a permit keeps to its conditions at every hour and on every day, keeps the records that it names, and opens them on request. What the permit does not allow is forbidden, whether it does harm or not.'
		),
		paragraph(
			'The agency may order what is needed to end a breach, ask for a report under oath, and propose a penalty that takes into account how grave the breach was, how long it lasted, what it saved, and what was done about it.'
		),
		heading('What has to be done, and by when'),
		table(
			['What', 'By'],
			demands.map(([what, when]) => [of.fill(what), of.fill(when)])
		),
		heading('Your rights'),
		paragraph(
			'You may answer in writing within the time named above, bring documents and name witnesses, and ask for a conference with the staff. A hearing is held if it is asked for in time. What is not contested is taken as admitted for this proceeding and for no other.'
		),
		paragraph(
			'An extension is asked for in writing, before the time has run, with the reason. Answers are sent to the docket office of the agency under the number above and are public, except for what is marked as a trade secret and shown to be one.'
		),
		heading('How this was put together'),
		...paragraphs(of.told.slice(0, 5)),
		signature('For the agency', head.agency, of.day(-ago))
	]
});

/** Minutes with resolutions. */
export const minutes = (
	ago: number,
	name: string,
	head: { body: string; present: string },
	talks: readonly Part[],
	resolved: readonly string[]
): Paper => ({
	name,
	folder: 'Minutes',
	ago,
	mark: 'confidential',
	write: (of) => [
		title(name),
		under(`${head.body}; held on ${of.day(-ago - 6)} at Pier 1, San Francisco, and by telephone`),
		paragraph(
			`Present: ${of.fill(head.present)}. The secretary found that notice had been given in time and that a quorum was present, and kept these minutes.`
		),
		heading('1. Minutes of the last meeting'),
		paragraph('They had been sent out before, nobody asked for a change, and they were approved.'),
		...listParts(
			of,
			talks.map(([text, ...rest], at) => [`${at + 2}. ${text}`, ...rest] as const)
		),
		heading(`${talks.length + 2}. Resolutions`),
		paragraph('Upon motion made and seconded, and after discussion, it was'),
		...resolved.map((text) => paragraph(`RESOLVED, that ${of.fill(text)}`)),
		paragraph(
			'RESOLVED, that the officers, each of them alone, may sign what is needed to carry this out, and that what they did before with that in mind is approved.'
		),
		heading(`${talks.length + 3}. Reports that were taken note of`),
		paragraph(
			'The treasurer’s report on cash and on the covenants; the report of the department on claims above the threshold, read in private session and kept apart from these minutes; the report on insurance; and the calendar of filings, in which nothing is late.'
		),
		paragraph(
			'A member asked how often the figures of the department are compared with the ledger. The answer was: each month, with the journal of the cost run, by someone who did not make it.'
		),
		heading(`${talks.length + 4}. What was given out`),
		{
			ul: [
				'Last quarter’s figures beside those of the year before.',
				'The list of contracts that end within a year, with the day on which notice has to be given.',
				'The register of related persons, for each member to read and correct.',
				'A note on training that is due.'
			]
		},
		paragraph(
			'Each member said that there was nothing to add to the register. One member left the room while the fourth item was spoken about and did not vote on it.'
		),
		heading(`${talks.length + 5}. Other business`),
		paragraph(
			'There was none. The next meeting is on the day that the calendar of the board names; papers go out seven days before it.'
		),
		signature(of.lawyer, 'Secretary', of.day(-ago))
	]
});
