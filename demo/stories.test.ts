/** The stories of the demo hold together: their people, their days, their papers. */
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { parse } from 'yaml';
import { kindSchema } from '#core/kinds/kind.ts';
import { PEOPLE } from './house.ts';
import { listPlans } from './plan.ts';
import { addDays, plainDate, toDay } from '#core/dates/plain.ts';
import { STORIES } from './stories/index.ts';
import { kindOf, toldBy, type PaperMatter, type Story } from './story.ts';

const TODAY = plainDate('2026-11-23');
const LOGINS = new Set(PEOPLE.map(({ login }) => login));
const surname = (name: string): string => name.replace(/ \|.*/, '').split(' ').at(-1)!;
const each = (check: (story: Story) => void) => {
	for (const story of STORIES)
		try {
			check(story);
		} catch (error) {
			throw new Error(story.title, { cause: error });
		}
};
const OF: PaperMatter = {
	...{ number: 'LF-2026-0001', title: 'A matter', court: 'A court', caseNumber: '1', judge: 'J' },
	...{ plaintiff: 'P', defendant: 'D', other: 'O', otherCounsel: 'C', lawyer: 'L', told: ['T'] },
	pleaded: ['P'],
	day: (from) => `day ${from}`,
	fill: (text) => text.replace(/\{(-?\d+)\}/g, (_, from: string) => `day ${from}`)
};
/** Every text of a paper. */
const textsOf = (content: unknown): string[] =>
	JSON.stringify(content)
		.match(/"(?:[^"\\]|\\.)*"/g)!
		.map((text) => JSON.parse(text) as string);

describe('the stories of the demo', () => {
	it('are more than forty, each told once and in enough words', () => {
		assert.ok(STORIES.length >= 40);
		assert.equal(new Set(STORIES.map(({ title }) => title)).size, STORIES.length);
		each(({ about, told, work }) => {
			assert.ok(about.length > 40 && told.length >= 4 && work.length >= 2);
			assert.ok(told.every((sentence) => /[.?]$/.test(sentence)));
		});
	});

	it('name people of the house, and nobody twice in one part', () => {
		each(({ lawyer, team = [], notes = [], tasks = [], papers = [], people = [] }) => {
			const logins = [
				lawyer,
				...team,
				...notes.map(([, login]) => login),
				...tasks.map(({ who }) => who),
				...papers.map(({ by }) => by ?? lawyer)
			];
			assert.deepEqual(
				logins.filter((login) => !LOGINS.has(login)),
				[]
			);
			assert.ok(!team.includes(lawyer));
			const parts = people.map((person) => person.split(' | ').slice(0, 2).join());
			assert.equal(new Set(parts).size, parts.length);
		});
	});

	it('stand at a stage of their kind, each that is open', () => {
		const stagesOf = (kind: string) =>
			kindSchema.parse(parse(readFileSync(`kinds/${kind}.yaml`, 'utf8'))).stages;
		each(({ kind, stage, ended, age }) => {
			if (ended !== undefined) return;
			assert.ok(stage && stagesOf(kind).includes(stage[0]), `${kind}: ${stage?.[0]}`);
			assert.ok(stage[1] <= age, 'not before it was opened');
		});
	});

	it('tell in a paper nothing that happened after it', () => {
		each((story) => {
			for (const { ago, name } of story.papers ?? [])
				for (const sentence of toldBy(story, ago))
					for (const [, day] of sentence.matchAll(/\{(-?\d+)\}/g))
						assert.ok(Number(day) <= -ago, `${name}: ${sentence}`);
		});
	});

	it('say in a complaint what whoever sues says, and not how it ended', () => {
		each((story) => {
			for (const { ago } of (story.papers ?? []).filter(({ name }) => name === 'Complaint')) {
				assert.ok(story.pleaded, 'says what is pleaded');
				const pleaded = toldBy(story, ago).filter((_, at) => story.pleaded!.includes(at));
				assert.ok(pleaded.length >= 2);
				assert.doesNotMatch(pleaded.join(' '), /judgment|jury|the court|sues|sued|summons/i);
			}
		});
	});

	it('have no judge of the name of anyone else in the case', () => {
		each(({ judge, other, otherCounsel, people = [] }) => {
			if (!judge) return;
			const others = [other, otherCounsel, ...people.filter((one) => !one.includes('| judge'))];
			assert.deepEqual(
				others.filter((one) => one !== undefined && surname(one) === surname(judge)),
				[]
			);
		});
	});

	it('file papers and write notes while their matter is open, under names of their own', () => {
		each(({ age, ended = 0, papers = [], notes = [] }) => {
			assert.ok(papers.every(({ ago }) => ago >= ended));
			assert.deepEqual(
				[
					...papers.map(({ name, ago }) => [name, ago]),
					...notes.map(([ago, , words]) => [words, ago])
				]
					.filter(([, ago]) => Number(ago) > age)
					.map(([what]) => what),
				[]
			);
			assert.equal(new Set(papers.map(({ name }) => name)).size, papers.length);
		});
	});

	it('have no questions of a lawsuit where there is none, and no answer before a complaint', () => {
		each(({ kind, court, papers = [] }) => {
			const inCourt = papers.filter(({ folder }) =>
				['Pleadings', 'Discovery', 'Motions'].includes(folder)
			);
			if (!court) assert.deepEqual(inCourt, []);
			if (kind === 'agreement') assert.equal(court, undefined);
			const filed = (name: RegExp) => papers.find((paper) => name.test(paper.name))?.ago;
			const [complaint, answer] = [filed(/^Complaint/), filed(/^Answer/)];
			if (complaint !== undefined && answer !== undefined) assert.ok(answer < complaint);
		});
	});

	it('write every day of a paper out', () => {
		each(({ papers = [] }) => {
			for (const paper of papers)
				assert.deepEqual(
					textsOf(paper.write(OF)).filter((text) => /\{-?\d+\}|undefined/.test(text)),
					[],
					paper.name
				);
		});
	});

	it('are told of organizations as such, and of people as people', () => {
		assert.equal(kindOf('Halyard Mutual Insurance'), 'organization');
		assert.equal(kindOf('Regional Water Board'), 'organization');
		assert.equal(kindOf('Rosalind Hollingbury'), 'person');
		for (const name of ['Dr. Henning Ashcroft', 'Hon. Althea Winterbourne', 'Jorun Bremner'])
			assert.equal(kindOf(name), 'person', name);
	});
});

describe('what happens in the cases', () => {
	const plans = listPlans((from) => addDays(TODAY, from));
	const daysAgo = (date: string) => toDay(TODAY) - toDay(plainDate(date));

	it('happens in a case that there is, and is entered after it was opened', () => {
		for (const { title, event, entered } of plans) {
			const story = STORIES.find((one) => one.title === title);
			assert.ok(story?.court, `${title}: ${event}`);
			assert.ok(daysAgo(entered) <= story.age, `${title}: ${event}`);
		}
	});

	it('follows the complaint', () => {
		for (const { title, event, date } of plans) {
			const complaint = STORIES.find((one) => one.title === title)?.papers?.find(
				({ name }) => name === 'Complaint'
			);
			// What is served with it may bear the same day.
			if (complaint) assert.ok(daysAgo(date) <= complaint.ago + 7, `${title}: ${event}`);
		}
	});
});
