/**
 * What a story of the demo is: who, what happened, where it is heard, what stands next. Facts,
 * people, papers, tasks, notes and time of its matter follow from it.
 */
import type { Content } from 'pdfmake/interfaces.js';
import type { UNITS } from './house.ts';

export type Unit = (typeof UNITS)[number];
export type Lawyer = 'okafor' | 'wardle' | 'quiroga' | 'lindqvist' | 'reyes';
export type Folder =
	| 'Pleadings'
	| 'Discovery'
	| 'Motions'
	| 'Correspondence'
	| 'Agreements'
	| 'Evidence'
	| 'Internal'
	| 'Negotiation'
	| 'Leases'
	| 'Notices'
	| 'Filings'
	| 'Permits'
	| 'Minutes'
	| 'Registers'
	| 'Findings'
	| 'Claim'
	| 'Policies'
	| 'Personnel file'
	| 'Office actions';

/** A paper of a matter: made into a PDF of its own pages. */
export type Paper = {
	name: string;
	folder: Folder;
	/** So many days before today it was filed. */
	ago: number;
	by?: string | undefined;
	mark?: 'privileged' | 'confidential' | undefined;
	/** The paper, of the matter it is filed on. */
	write(of: PaperMatter): Content[];
};

/** What a paper says of its matter. */
export type PaperMatter = {
	number: string;
	title: string;
	court: string;
	caseNumber: string;
	judge: string;
	/** Who sues whom. */
	plaintiff: string;
	defendant: string;
	/** The other side, and who speaks for it. */
	other: string;
	otherCounsel: string;
	lawyer: string;
	/** What happened until the paper, a sentence each; days are written out. */
	told: readonly string[];
	/** What of it the one who sues says. */
	pleaded: readonly string[];
	/** A day so far from today, as a paper writes it. */
	day(from: number): string;
	/** Days of a text, written `{-12}`, written out. */
	fill(text: string): string;
};

type Task = {
	subject: string;
	who: string;
	/** So many days from today it is due. */
	due: number;
	done?: boolean;
};

export type Story = {
	title: string;
	kind: string;
	unit: Unit;
	/** For how many days it has been open. */
	age: number;
	/** Where it stands in the words of its kind, and for how many days; until it ended. */
	stage?: [name: string, ago: number];
	lawyer: Lawyer;
	/** So many days ago it ended. */
	ended?: number;
	/** Everyone else on it. */
	team?: readonly string[];
	/** Opened by another part of the scenario. */
	elsewhere?: boolean;
	restricted?: boolean;
	caution?: string;
	split?: [Unit, number][];
	court?: string;
	caseNumber?: string;
	judge?: string;
	/** The other side's card, and who speaks for it. */
	other?: string;
	otherCounsel?: string;
	weSue?: boolean;
	/** "Name | role | what of". */
	people?: readonly string[];
	/** What the matter is about, in two or three sentences. */
	about: string;
	/** What happened, a sentence each, one after the other. */
	told: readonly string[];
	/** Which of these sentences stand in the complaint, from 0; all where nothing is said. */
	pleaded?: readonly number[];
	/** Values of its facts; a number is a day from today, `card:` a card by its name. */
	facts?: Record<string, string | number>;
	papers?: readonly Paper[];
	/** How long ago, by whom, what. */
	notes?: readonly [ago: number, login: string, words: string][];
	tasks?: readonly Task[];
	/** What time was spent on. */
	work: readonly [narrative: string, activity: string][];
};

/** Organizations by how their names end. */
const ORGANIZATION = new RegExp(
	`\\b(${[
		...['Inc\\.', 'LLC', 'LLP', 'Co\\.', 'Ltd\\.?', 'plc', 'Bank', 'Mutual', 'Insurance', 'Re'],
		...['Board', 'Authority', 'Agency', 'Office', 'Commission', 'Administration', 'Registry'],
		...['Department', 'Clinic', 'Union', 'District', 'Council', 'Partners', 'Trust', 'Service'],
		...['Surveyors', 'Associates', 'Laboratory', 'Branch', 'Customs', 'Yard', 'Association', 'AB']
	].join('|')})$`
);
export const kindOf = (name: string): 'person' | 'organization' =>
	ORGANIZATION.test(name) ? 'organization' : 'person';

/** Days that a sentence tells, from today. */
const daysOf = (sentence: string): number[] =>
	[...sentence.matchAll(/\{(-?\d+)\}/g)].map(([, day]) => Number(day));

/** What was told before a paper of so many days ago: nothing from the first later day on. */
export function toldBy({ told }: Pick<Story, 'told'>, ago: number): readonly string[] {
	const later = told.findIndex((sentence) => daysOf(sentence).some((day) => day > -ago));
	return later === -1 ? told : told.slice(0, later);
}

export const COMPANY = 'Larkhaven Ferries, Inc.';
