import { logTime, startTimer } from '#server/time/commands.ts';
import { activities, matterEntries } from '#server/time/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	only(event, 'matter.read');
	const { caption } = await event.parent();
	const w = theWorld();
	const allocated = w.db.prepare<[string], { name: string; hue: number; cents: number }>(
		"SELECT u.name, u.hue, sum(s.cents) AS cents FROM cost_share s JOIN cost_line l ON l.id = s.line_id JOIN cost_run r ON r.id = l.run_id JOIN business_unit u ON u.id = s.unit_id WHERE l.matter_id = ? AND r.state = 'approved' GROUP BY u.id ORDER BY u.position"
	).all(caption.id);
	return { entries: matterEntries(w, caption.id), activities: activities(w).filter((a) => a.matter_work === 1), allocated };
}
export const actions = {
	log: async (event) => {
		const f = await form(event);
		return answer(logTime(ctx(event), { matterId: f.text('matterId'), day: f.text('day'), hours: f.text('hours'), narrative: f.text('narrative'), activity: f.maybe('activity') }), () => ({}));
	},
	start: async (event) => {
		const f = await form(event);
		return answer(startTimer(ctx(event), { matterId: f.text('matterId'), words: f.text('words') }), () => ({}));
	}
};
