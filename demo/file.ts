/** Files the papers of the stories, writes their notes, sets their tasks. */
import { addDays, isWeekend, toDay, type PlainDate } from '#core/dates/plain.ts';
import { MONTHS, dayToCivil } from '#core/dates/plain.ts';
import { uploadDocument } from '#server/documents/commands.ts';
import { listFolders } from '#server/documents/queries.ts';
import { makePdf } from '#server/files/pdf.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { addTask, finishTask } from '#server/tasks/commands.ts';
import type { Made, Scene } from './scene.ts';
import { COMPANY, toldBy, type Paper, type PaperMatter, type Story } from './story.ts';

/** Papers are written, and things are due, on days on which people work. */
export const workday = (day: PlainDate, step = 1): PlainDate =>
	isWeekend(toDay(day)) ? workday(addDays(day, step), step) : day;

/** "June 16, 2026", as papers here write a day. */
function formatPaperDay(day: PlainDate): string {
	const { year, month, day: number } = dayToCivil(toDay(day));
	return `${MONTHS[month - 1]} ${number}, ${year}`;
}

/** What a paper says of its matter. */
export function paperMatter(scene: Scene, made: Made, story: Story, ago: number): PaperMatter {
	const other = story.other ?? 'the other side';
	const told = toldBy(story, ago);
	const day = (from: number) =>
		formatPaperDay(workday(addDays(scene.today, from), from < 0 ? -1 : 1));
	const fill = (text: string) =>
		text.replace(/\{(-?\d+)\}/g, (_, from: string) => day(Number(from)));
	return {
		number: made.number,
		title: made.title,
		court: story.court ?? '',
		caseNumber: story.caseNumber ?? 'not assigned yet',
		judge: story.judge ?? '',
		plaintiff: story.weSue ? COMPANY : other,
		defendant: story.weSue ? other : COMPANY,
		other,
		otherCounsel: story.otherCounsel ?? other,
		lawyer: scene.staff(made.lawyer).name,
		told: told.map(fill),
		pleaded: told.filter((_, at) => story.pleaded?.includes(at) ?? true).map(fill),
		day,
		fill
	};
}

export const renderPaper = (paper: Paper, of: PaperMatter): Promise<Buffer> =>
	makePdf({
		info: { title: paper.name },
		content: paper.write(of),
		footer: (page, pages) => ({
			text: `${of.number}   ${page} of ${pages}`,
			fontSize: 8,
			alignment: 'center',
			margin: [0, 24, 0, 0]
		})
	});

async function filePaper(scene: Scene, made: Made, story: Story, paper: Paper): Promise<void> {
	const { as, done, app, today } = scene;
	const filed = workday(addDays(today, -paper.ago), -1);
	scene.at(filed < made.from ? made.from : filed);
	// Not every kind has a folder of its own for evidence or for what stays inside.
	const folders = listFolders(app, made);
	const pdf = await renderPaper(paper, paperMatter(scene, made, story, paper.ago));
	done(
		await uploadDocument(as(paper.by ?? made.lawyer), {
			matterId: made.id,
			name: paper.name,
			folder: folders.includes(paper.folder) ? paper.folder : 'Correspondence',
			mark: paper.mark ?? '',
			file: new File([new Uint8Array(pdf)], `${paper.name}.pdf`)
		})
	);
}

/** All that is told of a matter beside its dates. */
export async function tellStory(scene: Scene, story: Story): Promise<void> {
	const { as, done, today } = scene;
	const made = scene.matter(story.title);
	for (const paper of story.papers ?? []) await filePaper(scene, made, story, paper);
	for (const [ago, login, words] of story.notes ?? []) {
		const day = addDays(today, -ago);
		scene.at(day < made.from ? made.from : day);
		done(writeNote(as(login), { matterId: made.id, words }));
	}
	const set = addDays(today, -6);
	for (const { subject, who, due, done: isDone } of story.tasks ?? []) {
		scene.at(set < made.from ? made.from : set);
		const { taskId } = done(
			addTask(as(made.lawyer), {
				matterId: made.id,
				subject,
				assigneeId: `stf_${who}`,
				due: workday(addDays(today, due)),
				deadlineId: null
			})
		);
		if (isDone) done(finishTask(as(made.lawyer), { taskId, done: true }));
	}
}
