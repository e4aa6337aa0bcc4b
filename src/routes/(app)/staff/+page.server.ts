import { ROLE_WORDS, type Role } from '#core/access/table.ts';
import { setSupervisor } from '#server/jobs/reminders.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	only(event, 'docket.closure');
	const w = theWorld();
	return { people: w.db.prepare<[], { id: string; name: string; role: Role; supervisor: string | null }>("SELECT id, name, role, supervisor_id AS supervisor FROM staff WHERE active = 1 AND role <> 'business-partner' ORDER BY name").all().map((s) => ({ ...s, role: ROLE_WORDS[s.role] })) };
}
export const actions = { supervisor: async (event) => { const f = await form(event); return answer(setSupervisor(ctx(event), { staffId: f.text('staffId'), supervisorId: f.maybe('supervisorId') }), () => ({})); } };
