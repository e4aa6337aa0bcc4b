import { addTask, finishTask } from '#server/agenda/commands.ts';
import { matterTasks } from '#server/agenda/queries.ts';
import { matterDocket } from '#server/docket/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	const me = only(event, 'matter.read');
	const { caption } = await event.parent();
	const w = theWorld();
	return {
		tasks: matterTasks(w, me, caption.id),
		dates: matterDocket(w, me, caption.id).flatMap((e) =>
			e.deadlines
				.filter((d) => d.state === 'docketed' || d.state === 'proposed')
				.map((d) => ({ id: d.id, title: d.title, date: d.date, event: e.name || e.text }))
		)
	};
}
export const actions = {
	add: async (event) => {
		const f = await form(event);
		const hangs = f.text('by') === 'deadline';
		return answer(
			addTask(ctx(event), {
				matterId: f.text('matterId'),
				subject: f.text('subject'),
				assigneeId: f.text('assigneeId'),
				due: hangs ? null : f.maybe('due'),
				deadlineId: hangs ? f.maybe('deadlineId') : null,
				offsetDays: hangs ? f.text('offsetDays') : null,
				offsetUnit: hangs ? (f.text('offsetUnit') as 'd' | 'cd') : null
			}),
			() => ({})
		);
	},
	finish: async (event) => {
		const f = await form(event);
		return answer(
			finishTask(ctx(event), { taskId: f.text('taskId'), done: f.text('done') === '1' }),
			() => ({})
		);
	}
};
