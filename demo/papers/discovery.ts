/** Questions put in discovery, and the answers to them. */
import type { Content } from 'pdfmake/interfaces.js';
import { COMPANY, type Paper, type PaperMatter } from '../story.ts';
import { caption, heading, numbered, ourLawyer, paragraph, signature } from './parts.ts';

const DEFINITIONS = [
	'“You” and “your” mean the party to whom these questions are put, its officers, employees and agents, and everyone who acts for it.',
	'“Document” means anything on which words, figures or pictures are kept, in whatever form, drafts and copies with notes among it.',
	'“Communication” means any passing on of information, in writing, by voice or by a machine.',
	'“Identify” a person means: give the full name, the last known address, and what the person had to do with the matter.',
	'“Identify” a document means: give its date, its kind, who made it, to whom it went, and who has it now.',
	'“Describe” means: tell all that you know, from whom you know it, and which documents show it.',
	'“The complaint” means the complaint in this action as it was last amended.'
];
const INSTRUCTIONS = [
	'Answer each question separately and fully, in writing and under oath, from all the knowledge that you have or can get.',
	'Where you object to part of a question, say to which part and why, and answer the rest.',
	'Where you hold something back as privileged, say what it is in such a way that the claim can be judged.',
	'Where you cannot answer in full, answer as far as you can and say what you did to find out the rest.',
	'These questions go on: an answer that turns out to be incomplete or wrong is to be corrected without being asked.'
];
const LAST_QUESTIONS = [
	'Identify each person whom you expect to call at trial, and say what each will speak about.',
	'Identify each insurance agreement under which someone may have to satisfy all or part of a judgment in this action.',
	'Identify each person who took part in answering these questions, and each document that was looked at for it.'
];

type Side = 'ours' | 'theirs';
const other = (side: Side): Side => (side === 'ours' ? 'theirs' : 'ours');
const partyOf = (of: PaperMatter, side: Side): string => (side === 'ours' ? COMPANY : of.other);
const counselOf = (of: PaperMatter, side: Side): string =>
	side === 'ours' ? of.lawyer : of.otherCounsel;

/** Questions of a side, in a set that has a name. */
export const interrogatories = (
	ago: number,
	side: Side,
	set: string,
	questions: readonly string[]
): Paper => ({
	name: `${set} of interrogatories, to ${side === 'ours' ? 'the other side' : 'Larkhaven'}`,
	folder: 'Discovery',
	ago,
	write: (of) => [
		...caption(of, `${set} of interrogatories`),
		paragraph(`Propounding party: ${partyOf(of, side)}`),
		paragraph(`Responding party: ${partyOf(of, other(side))}`),
		paragraph(`Set: ${set.toLowerCase().replace(' set', '')}`),
		heading('Definitions'),
		numbered(DEFINITIONS),
		heading('Instructions'),
		numbered(INSTRUCTIONS),
		heading('Interrogatories'),
		...[...questions, ...LAST_QUESTIONS].flatMap((question, at): Content[] => [
			{ text: `Interrogatory no. ${at + 1}`, bold: true, margin: [0, 6, 0, 3] },
			paragraph(of.fill(question))
		]),
		signature(counselOf(of, side), `Counsel for ${partyOf(of, side)}`, of.day(-ago))
	]
});

/** Answers of a side to the questions of the other. */
export const responses = (
	ago: number,
	side: Side,
	set: string,
	answers: readonly (readonly [question: string, answer: string])[],
	name = `Responses to the ${set.toLowerCase()} of interrogatories`
): Paper => ({
	name,
	folder: 'Discovery',
	ago,
	mark: /draft/.test(name) ? 'privileged' : undefined,
	write: (of) => [
		...caption(of, `Responses to interrogatories, ${set.toLowerCase()}`),
		heading('What is said to all of them'),
		paragraph(
			`${partyOf(of, side)} answers from what it knows today. Its investigation goes on, and it will correct these answers where they turn out to be incomplete or wrong.`
		),
		paragraph(
			'It objects to the definitions so far as they ask for what counsel and client said to one another, or for what was made for this action by its counsel; nothing of that kind is given here, and none of the answers gives up a privilege.'
		),
		paragraph(
			'It objects to “all” and “each” where they would have it search what has no reasonable bearing on a claim or a defense, in proportion to what the case is about.'
		),
		...[...answers, ...LAST_ANSWERS].flatMap(([question, answer], at): Content[] => [
			{ text: `Interrogatory no. ${at + 1}`, bold: true, margin: [0, 8, 0, 3] },
			{ text: of.fill(question), italics: true, margin: [0, 0, 0, 5] },
			paragraph(`Response: ${of.fill(answer)}`)
		]),
		heading('Verification'),
		paragraph(
			`I have read these responses for ${partyOf(of, side)}. They were put together from its records and from what its people said; so far as they are of my own knowledge they are true, and of all else I believe them to be true. I declare this under penalty of perjury.`
		),
		signature(
			side === 'ours' ? of.lawyer : of.otherCounsel,
			side === 'ours' ? ourLawyer(of) : `Counsel for ${of.other}`,
			of.day(-ago)
		)
	]
});

const LAST_ANSWERS: readonly [string, string][] = [
	[
		LAST_QUESTIONS[0]!,
		'The witnesses are not chosen yet. They will be named on the day and in the form that the order of the court sets.'
	],
	[
		LAST_QUESTIONS[1]!,
		'The policies are listed in the initial disclosures, and copies can be seen at the office of counsel.'
	],
	[
		LAST_QUESTIONS[2]!,
		'The persons named in the responses above, with the help of counsel; the documents are those named there.'
	]
];

/** A notice of deposition with what is to be brought. */
export const depositionNotice = (
	ago: number,
	witness: string,
	on: number,
	bring: readonly string[]
): Paper => ({
	name: `Notice of deposition, ${witness}`,
	folder: 'Discovery',
	ago,
	write: (of) => [
		...caption(of, `Notice of deposition of ${witness}`),
		paragraph(
			`Counsel for ${COMPANY} will take the deposition of ${witness} on ${of.day(on)} at ten o’clock, at the offices of the department at Pier 1, San Francisco, before an officer who may administer oaths. It goes on from day to day until it is finished, and is recorded by a stenographer and by picture and sound.`
		),
		heading('What is to be brought'),
		numbered(bring.map((text) => of.fill(text))),
		heading('Definitions'),
		numbered(DEFINITIONS.slice(1, 6)),
		heading('What it will be about'),
		...of.told.slice(0, 6).map(paragraph),
		paragraph(
			'Counsel who cannot be there on that day is asked to say so within five days and to offer two other days in the same two weeks.'
		),
		signature(of.lawyer, ourLawyer(of), of.day(-ago))
	]
});
