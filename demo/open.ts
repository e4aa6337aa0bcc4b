/** Opens the matters of the stories and says of each who is on it, what it is about, its facts. */
import { addDays } from '#core/dates/plain.ts';
import { setSplit } from '#server/costs/split.ts';
import { all } from '#server/db/sql.ts';
import { editMatter } from '#server/matters/edit.ts';
import { openMatter } from '#server/matters/open.ts';
import { addRole } from '#server/people/roles.ts';
import { finishTask } from '#server/tasks/commands.ts';
import { requireKind } from '#server/kinds/queries.ts';
import { UNITS } from './house.ts';
import type { Made, Scene } from './scene.ts';
import type { Story } from './story.ts';

const PARTS: Readonly<Record<string, string>> = {
	abernathy: 'paralegal',
	fairweather: 'paralegal',
	castellan: 'docket clerk'
};
const partOf = (login: string): string => PARTS[login] ?? 'second lawyer';
const CASES = new Set(['litigation', 'employment']);
/** Kinds whose other side is told of by its role alone. */
const NO_OTHER_SIDE = new Set(['corporate', 'trademark', 'data-incident']);

/** A day from today, a card by its name, or the words themselves. */
function valueOf(scene: Scene, value: string | number): string {
	if (typeof value === 'number') return addDays(scene.today, value);
	return value.startsWith(CARD) ? scene.card(value.slice(CARD.length)) : value;
}
const CARD = 'card:';

const factsOf = (scene: Scene, story: Story): Record<string, string> => ({
	...(story.court ? { 'fact:court': story.court } : {}),
	...(story.caseNumber ? { 'fact:case-number': story.caseNumber } : {}),
	...(story.judge ? { 'fact:judge': story.judge } : {}),
	...Object.fromEntries(
		Object.entries(story.facts ?? {}).map(([key, value]) => [`fact:${key}`, valueOf(scene, value)])
	)
});

export const unitId = (unit: (typeof UNITS)[number]): string => `unit_${UNITS.indexOf(unit)}`;

const hasOtherSide = ({ kind, other }: Story): boolean =>
	other !== undefined && !NO_OTHER_SIDE.has(kind);

/** Opens the matter of a story on its day. */
export async function openStory(scene: Scene, story: Story): Promise<Made> {
	const { as, done, today } = scene;
	const from = addDays(today, -story.age);
	scene.at(from);
	const opened = done(
		await openMatter(as(story.lawyer), {
			kind: story.kind,
			title: story.title,
			unitId: unitId(story.unit),
			responsibleId: `stf_${story.lawyer}`,
			opponentId: hasOtherSide(story) ? scene.card(story.other!) : null,
			rulebook: CASES.has(story.kind) ? 'us-federal.ca-nd' : null,
			restricted: story.restricted ?? false,
			members: (story.team ?? []).map((login) => ({
				staffId: `stf_${login}`,
				part: partOf(login),
				access: 'change' as const
			}))
		})
	);
	const made: Made = {
		id: opened.matterId,
		number: opened.number,
		title: story.title,
		kind: story.kind,
		lawyer: story.lawyer,
		team: [story.lawyer, ...(story.team ?? [])],
		from,
		until: story.ended === undefined ? null : addDays(today, -story.ended),
		restricted: story.restricted ?? false,
		work: story.work,
		story
	};
	scene.matters.push(made);
	if (story.split)
		done(
			setSplit(as(story.lawyer), {
				matterId: made.id,
				from,
				shares: story.split.map(([unit, percent]) => ({
					unit: unitId(unit),
					costCenter: `cc_${UNITS.indexOf(unit)}0`,
					share: percent * 10_000
				}))
			})
		);
	finishFirstTasks(scene, made);
	return made;
}

/** What a matter begins with is long done on all but the youngest. */
function finishFirstTasks(scene: Scene, made: Made): void {
	const { as, done, today, app } = scene;
	if (made.from > addDays(today, -10)) return;
	scene.at(addDays(made.from, 4));
	for (const { id } of all<{ id: string }>(
		app.db,
		"SELECT id FROM task WHERE matter_id = @matterId AND state = 'open'",
		{ matterId: made.id }
	))
		done(finishTask(as(made.lawyer), { taskId: id, done: true }));
}

/** Its description, its facts and everyone in it; also where another part of the demo opened it. */
export function describeStory(scene: Scene, story: Story): void {
	const { as, done, app } = scene;
	const made = scene.matter(story.title);
	scene.at(made.from);
	const known = new Set(requireKind(app, made.kind).facts.map(({ key }) => `fact:${key}`));
	const facts = factsOf(scene, story);
	for (const key of Object.keys(facts))
		if (!known.has(key)) throw new Error(`${story.title} has no ${key}`);
	done(
		editMatter(as(made.lawyer), {
			matterId: made.id,
			fields: { ...facts, description: story.about, cautions: story.caution ?? '' }
		})
	);
	if (story.elsewhere) {
		const opponent = { matterId: made.id, personId: '', role: 'opponent' };
		if (made.kind === 'litigation' && story.other)
			done(addRole(as(made.lawyer), { ...opponent, personId: scene.card(story.other) }));
		finishFirstTasks(scene, made);
		scene.at(made.from);
	}
	for (const person of story.people ?? []) {
		const [name = '', role = '', note = ''] = person.split(' | ');
		done(addRole(as(made.lawyer), { matterId: made.id, personId: scene.card(name), role, note }));
	}
}
