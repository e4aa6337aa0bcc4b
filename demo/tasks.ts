/** Tasks of the demo that hang on dates ahead. */
import { addDays } from '#core/dates/plain.ts';
import { addTask } from '#server/tasks/commands.ts';
import type { DocketedDate } from './dates.ts';
import type { Scene } from './scene.ts';

/** What is attended and not written, or has a task of its own. */
const HELD = /^(?:trial|hearing|conference|parties' conference|answer or objection, else)\b/i;
/** What is drafted, where the date says it in other words. */
const DRAFTS: Readonly<Record<string, string>> = {
	'Amend the complaint once as a matter of course': 'amended complaint',
	Response: 'response to the request for production',
	'Answer or Rule 12 motion': 'answer',
	'Answer, if none before removal': 'answer after removal',
	'Return the waiver': 'waiver of service',
	'Alter or amend the judgment': 'motion to amend the judgment',
	'New trial': 'motion for a new trial',
	Acceptance: 'answer to the offer of judgment'
};

/** Tasks that hang on dates ahead. */
export function setTasks(scene: Scene, docketed: readonly DocketedDate[]): void {
	const { as, done, today } = scene;
	scene.at(addDays(today, -6));
	const ahead = docketed
		.filter(({ date, title }) => date > addDays(today, 2) && !HELD.test(title))
		.slice(0, 16);
	for (const { id, title, matter } of ahead)
		done(
			addTask(as(matter.lawyer), {
				matterId: matter.id,
				subject: `Draft: ${DRAFTS[title] ?? title.toLowerCase()}`,
				assigneeId: `stf_${scene.rnd.pick(matter.team.filter((login) => login !== 'castellan'))}`,
				due: null,
				deadlineId: id,
				offsetDays: scene.rnd.pick([2, 3, 5, 10]),
				offsetUnit: 'cd'
			})
		);
	const pier = scene.matter('Pier 9 passenger fall');
	for (const [subject, who, title, days] of [
		['File the answer', 'castellan', 'Answer or Rule 12 motion', 0],
		['Draft the joint report', 'lindqvist', "Parties' conference", 3],
		['List the custodians', 'abernathy', "Parties' conference", 8],
		['Retain the gangway expert', 'okafor', 'Expert disclosures', 60],
		['Exhibit list, first cut', 'abernathy', 'Pretrial disclosures', 15]
	] as const)
		done(
			addTask(as('okafor'), {
				matterId: pier.id,
				subject,
				assigneeId: `stf_${who}`,
				due: null,
				deadlineId: docketed.find((date) => date.matter === pier && date.title === title)!.id,
				offsetDays: days,
				offsetUnit: 'cd'
			})
		);
}
