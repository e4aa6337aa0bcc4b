/** Complaints and answers: what happened in numbered paragraphs, and what is said to each. */
import type { Content } from 'pdfmake/interfaces.js';
import { COMPANY, type Paper, type PaperMatter } from '../story.ts';
import { caption, heading, numbered, ourLawyer, paragraph, signature } from './parts.ts';

/** What has to be shown for a claim, and that it was. */
const CLAIMS: Readonly<Record<string, readonly string[]>> = {
	Negligence: [
		'Defendant owed a duty of reasonable care under the circumstances, on board and on the way to and from the vessel.',
		'Defendant knew of the condition described above, or would have known of it with the inspection that its own manual prescribes.',
		'Defendant neither removed the condition nor warned of it.',
		'The harm described above followed from that failure and would not have happened without it.'
	],
	'Breach of contract': [
		'The parties made the agreement described above; it was in force on every day that matters here.',
		'Plaintiff did what the agreement asked of it, except where defendant prevented it.',
		'Defendant did not do what it had promised, as set out above, and did not cure within the time the agreement gives.',
		'Plaintiff lost what performance would have brought it.'
	],
	'Breach of warranty': [
		'Defendant warranted that the work and the materials would be free of defects for twenty-four months from redelivery.',
		'The defects described above showed themselves within that time, and notice was given in writing within fourteen days.',
		'Defendant was given the opportunity to repair and did not use it.',
		'Plaintiff had the repair done elsewhere and claims its cost and the vessel’s time.'
	],
	'Unpaid wages': [
		'Plaintiff and those like plaintiff worked more hours than they were paid for, in the weeks set out in the schedule.',
		'Defendant knew or had reason to know of that work: its own gate records show it.',
		'Defendant kept no accurate record of the hours as the law requires.',
		'The wages, the premium for overtime and the amount the law adds to them are owed.'
	],
	'Patent infringement': [
		'The patent named above is valid and enforceable, and plaintiff owns all rights in it.',
		'The gates described above have every element of at least claim 1, literally or by their equivalents.',
		'Defendant has used the gates since the day named above and goes on using them.',
		'Plaintiff is entitled to no less than a reasonable royalty.'
	],
	'Unfair practice': [
		'Defendant stated prices and conditions to the public in the words set out above.',
		'A reasonable buyer would have understood them as plaintiff did.',
		'They were not so: the conditions were changed after the price was paid.',
		'Plaintiff lost money by it, and others did in the same way.'
	],
	'Collision damage': [
		'Each vessel was bound to keep a proper lookout, to go at a safe speed and to give way as the rules of navigation say.',
		'The other vessel did none of this in the minutes described above.',
		'Nothing that plaintiff’s vessel did or left undone contributed to the damage.',
		'Plaintiff’s loss is the cost of repair, of survey and of the time out of service.'
	],
	Overcharge: [
		'The suppliers named above agreed among themselves on a surcharge and on who would ask for it first.',
		'The surcharge bore no relation to any cost.',
		'Plaintiff paid it on every delivery during the period named above.',
		'Plaintiff was injured in its business by the difference between what it paid and what it would have paid.'
	],
	Subrogation: [
		'Plaintiff’s insured suffered the loss described above and was paid for it under its policy.',
		'To the extent of that payment plaintiff stands in the place of its insured.',
		'The loss was caused by the condition of equipment that defendant had the duty to maintain.',
		'Defendant has refused to pay.'
	],
	'Wrongful dismissal': [
		'Plaintiff reported in good faith what plaintiff believed to be a breach of the safety rules.',
		'Defendant knew of the report.',
		'Within weeks of it defendant ended the employment, for a reason it had not named before.',
		'Plaintiff lost pay and benefits and claims to be put back in the position held before.'
	],
	'Breach of lease': [
		'The lease described above bound both sides during all of the time that matters here.',
		'Plaintiff paid the rent and kept its other promises.',
		'Defendant did not keep the premises in the state the lease requires, as set out above.',
		'Plaintiff lost the use of part of the premises and the profit of it.'
	]
};

export const complaint = (
	ago: number,
	claims: readonly (keyof typeof CLAIMS)[],
	asked: string
): Paper => ({
	name: 'Complaint',
	folder: 'Pleadings',
	ago,
	write: (of) => writeComplaint(of, ago, claims, asked)
});

const isOurs = (name: string) => name === COMPANY;

function partyOf(name: string): string {
	return isOurs(name)
		? `${COMPANY} is a corporation with its principal place of business in San Francisco. It carries passengers, vehicles and freight on scheduled ferries.`
		: `${name} resides or does business in the district in which this action is brought, and is named here in the capacity that the facts below describe.`;
}

function writeComplaint(
	of: PaperMatter,
	ago: number,
	claims: readonly string[],
	asked: string
): Content[] {
	const opening = [
		partyOf(of.plaintiff),
		partyOf(of.defendant),
		'This court has jurisdiction of the subject matter and of the parties. What is told below happened for the most part in this district, and the persons and papers by which it can be proved are found here.',
		'Assignment to the division named above is proper because a substantial part of the events took place in its counties.'
	];
	const facts = of.pleaded.length;
	const content: Content[] = [
		...caption(of, 'Complaint and demand for jury trial'),
		paragraph(
			`${of.plaintiff} complains of ${of.defendant} and says, upon knowledge of its own acts and upon information and belief of all else:`
		),
		heading('The parties, and why this court'),
		numbered(opening),
		heading('What happened'),
		numbered(of.pleaded, opening.length + 1)
	];
	let next = opening.length + facts + 1;
	for (const [at, claim] of claims.entries()) {
		const lines = [
			`The paragraphs above are repeated here and made part of this claim.`,
			...(CLAIMS[claim] ?? [])
		];
		content.push(heading(`Claim ${at + 1}: ${claim}`), numbered(lines, next));
		next += lines.length;
	}
	content.push(
		heading('What is asked'),
		{
			ul: [
				`Judgment for damages in an amount to be shown at trial, now believed to be not less than $${asked};`,
				'interest before and after judgment as the law allows;',
				'the cost of this action, and reasonable attorney’s fees where a statute or the agreement gives them;',
				'such other relief as the court finds just.'
			]
		},
		heading('Demand for a jury'),
		paragraph(`${of.plaintiff} asks for a trial by jury of all that may be tried so.`),
		signature(
			isOurs(of.plaintiff) ? of.lawyer : of.otherCounsel,
			`Counsel for ${of.plaintiff}`,
			of.day(-ago)
		)
	);
	return content;
}

const REPLIES = [
	'Admits that there was such a day and such a place, and denies the rest of the paragraph.',
	'Denies the paragraph.',
	'Has no knowledge or information sufficient to form a belief about the truth of the paragraph and denies it on that ground.',
	'Admits what the document itself says, refers to it for its whole content, and denies every other allegation.',
	'Admits the first sentence and denies that what is said to have followed from it did so.',
	'The paragraph states conclusions of law to which no answer is needed; so far as one is, it is denied.'
];

const DEFENSES: readonly [name: string, words: string][] = [
	[
		'Failure to state a claim',
		'The complaint, and each claim in it, fails to state facts on which relief can be granted.'
	],
	[
		'Comparative fault',
		'What harm there was came wholly or in part from the acts of plaintiff or of persons for whom defendant does not answer; any recovery is to be reduced in that measure.'
	],
	[
		'Failure to mitigate',
		'Plaintiff did not take the reasonable steps by which the loss would have been smaller.'
	],
	[
		'Time',
		'Some or all of what is claimed was not brought within the period that the statute or the conditions of carriage allow.'
	],
	[
		'Agreement',
		'The conditions on which plaintiff dealt with defendant limit the kind and the amount of what may be recovered.'
	],
	[
		'Setoff',
		'Amounts that others have paid or must pay for the same loss are to be set off against any recovery.'
	]
];

export const answer = (ago: number, name = 'Answer'): Paper => ({
	name,
	folder: 'Pleadings',
	ago,
	mark: /draft/.test(name) ? 'privileged' : undefined,
	write(of) {
		const count = of.pleaded.length + 4;
		const replies = Array.from({ length: count }, (_, at) =>
			at < 2
				? 'Admits who it is and where it does business, and denies the rest of the paragraph.'
				: REPLIES[(at + of.title.length) % REPLIES.length]!
		);
		return [
			...caption(of, 'Answer to the complaint; affirmative defenses'),
			paragraph(
				`${of.defendant} answers the complaint of ${of.plaintiff}, each paragraph by its number:`
			),
			heading('Answer'),
			numbered(replies),
			paragraph(
				'Every allegation that is not admitted above in so many words is denied, the headings of the complaint among them.'
			),
			heading('Affirmative defenses'),
			...DEFENSES.map(([defense, words], at) =>
				paragraph(`${at + 1}. ${defense}. ${words.replace('defendant', of.defendant)}`)
			),
			paragraph(
				'The right to state further defenses is reserved, as investigation and discovery go on.'
			),
			heading('What is asked'),
			paragraph(
				`${of.defendant} asks that plaintiff take nothing, that the complaint be dismissed, and that defendant have its costs.`
			),
			heading('Demand for a jury'),
			paragraph(`${of.defendant} asks for a trial by jury of all that may be tried so.`),
			signature(of.lawyer, ourLawyer(of), of.day(-ago))
		];
	}
});

/** A motion: what is asked, why, and by what authority of the facts. */
export const motion = (
	ago: number,
	what: string,
	reasons: readonly [head: string, words: string][],
	by: 'ours' | 'theirs' = 'theirs'
): Paper => ({
	name: `Motion ${what}`,
	folder: 'Motions',
	ago,
	write(of) {
		const theirs = of.other;
		const party = by === 'ours' ? COMPANY : theirs;
		return [
			...caption(of, `Notice of motion and motion ${what}`),
			paragraph(
				`To all parties and their counsel: ${party} will move this court, before ${of.judge || 'the judge assigned'}, for an order ${what}. The motion rests on this notice, the memorandum below, the declaration filed with it, and what is said at the hearing.`
			),
			heading('Memorandum'),
			heading('1. What is asked, and why'),
			paragraph(
				`The order asked for is a narrow one. It would ${what.replace(/^to /, '')}, and leave everything else in the case as it stands.`
			),
			heading('2. The facts that matter'),
			...of.told.slice(0, 7).map(paragraph),
			...reasons.flatMap(([head, words], at) => [
				heading(`${at + 3}. ${head}`),
				paragraph(of.fill(words))
			]),
			heading(`${reasons.length + 3}. Conclusion`),
			paragraph(
				`${party} asks that the motion be granted. A proposed order is lodged with this motion. Counsel for the parties spoke about it on ${of.day(-ago - 5)} and did not agree.`
			),
			signature(by === 'ours' ? of.lawyer : of.otherCounsel, `Counsel for ${party}`, of.day(-ago))
		];
	}
});
