import { addMember, editMatter, setSplit, writeNote } from '#server/matters/commands.ts';
import { costCenters, logbook } from '#server/matters/queries.ts';
import { addRole, MATTER_ROLES } from '#server/people/commands.ts';
import { peopleOf } from '#server/people/queries.ts';
import { parseShare } from '#core/money/cents.ts';
import { answer, ctx, fail, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	only(event, 'matter.read');
	const { caption } = await event.parent();
	const w = theWorld();
	return { people: peopleOf(w, caption.id), recent: logbook(w, caption.id).rows.slice(0, 8), roles: MATTER_ROLES, centers: costCenters(w) };
}

export const actions = {
	edit: async (event) => {
		const f = await form(event);
		return answer(editMatter(ctx(event), { matterId: f.text('matterId'), title: f.text('title'), court: f.text('court'), caseNumber: f.text('caseNumber'), judge: f.text('judge'), caution: f.text('caution'), rulebook: f.text('rulebook'), responsibleId: f.text('responsibleId') }), () => ({}));
	},
	member: async (event) => {
		const f = await form(event);
		return answer(addMember(ctx(event), { matterId: f.text('matterId'), staffId: f.text('staffId') }), () => ({}));
	},
	role: async (event) => {
		const f = await form(event);
		return answer(addRole(ctx(event), { matterId: f.text('matterId'), personId: f.text('personId'), role: f.text('role') as 'opponent', note: '' }), () => ({}));
	},
	note: async (event) => {
		const f = await form(event);
		return answer(writeNote(ctx(event), { matterId: f.text('matterId'), words: f.text('words') }), () => ({}));
	},
	split: async (event) => {
		const f = await form(event);
		const [units, centers, shares] = [f.all('unit'), f.all('center'), f.all('share')];
		const rows = units.map((unit, i) => ({ unit, costCenter: centers[i] || null, text: shares[i] ?? '' })).filter((r) => r.unit || r.text.trim());
		for (const r of rows) if (parseShare(r.text) === undefined) return fail(400, { errors: { shares: `“${r.text}” is not a share: write a number from 0 to 100 with at most four decimals.` } });
		return answer(setSplit(ctx(event), { matterId: f.text('matterId'), from: f.text('from'), shares: rows.map((r) => ({ unit: r.unit, costCenter: r.costCenter, share: parseShare(r.text)! })) }), () => ({}));
	}
};
