import {
	addLink,
	addMember,
	addReference,
	editMatter,
	pinMatter,
	RELATIONS,
	relateMatters,
	removeMember,
	restrictMatter,
	setSplit,
	sheetFields,
	writeNote
} from '#server/matters/commands.ts';
import { factsOf, personName, sayFacts } from '#server/matters/facts.ts';
import { matterChecks } from '#server/interest/commands.ts';
import { kindOf } from '#server/matters/kinds.ts';
import { besides, costCenters, logbook } from '#server/matters/queries.ts';
import { closeMatter, reopenMatter, setStatus, stillOpen } from '#server/matters/status.ts';
import { addRole, changeRole, OTHER_ROLES } from '#server/people/commands.ts';
import { peopleOf } from '#server/people/queries.ts';
import { findMatter } from '#server/trust/scope.ts';
import { parseShare } from '#core/money/cents.ts';
import { answer, ctx, fail, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	const me = only(event, 'matter.read');
	const { caption } = await event.parent();
	const w = theWorld();
	const kind = kindOf(w, caption.kind);
	const stored = factsOf(w, caption.id);
	const fields = sheetFields(w, findMatter(w.db, me, { id: caption.id })!);
	const name = personName(w);
	const names: Record<string, string> = {};
	for (const s of stored)
		if (s.value.startsWith('per_'))
			names[
				s.fact.includes('.')
					? `group:${s.fact.split('.')[0]}:${s.row}:${s.fact.split('.')[1]}`
					: `fact:${s.fact}`
			] = name(s.value) ?? '';
	return {
		people: peopleOf(w, caption.id),
		recent: logbook(w, me, caption.id).rows.slice(0, 6),
		roles: [...new Set([...kind.roles.map((r) => r.role), ...OTHER_ROLES])],
		centers: costCenters(w),
		...sayFacts(w, kind, stored),
		fields,
		names,
		...besides(w, me, caption.id),
		checks: matterChecks(w, me, caption.id).map((c) => ({
			id: c.id,
			names: c.names,
			decision: c.decision,
			hits: c.report.names.reduce((n, x) => n + x.hits.length + x.more, 0),
			restricted: c.report.restricted,
			madeAt: c.madeAt
		})),
		open: stillOpen(w, caption.id),
		relations: RELATIONS
	};
}

const record = (v: unknown): Record<string, string> =>
	typeof v === 'object' && v !== null
		? Object.fromEntries(Object.entries(v).map(([k, x]) => [k, String(x)]))
		: {};
export const actions = {
	edit: async (event) => {
		const f = await form(event);
		return answer(
			editMatter(ctx(event), {
				matterId: f.text('matterId'),
				version: f.text('version') || null,
				base: record(f.json('base')),
				fields: record(f.json('fields'))
			}),
			() => ({})
		);
	},
	member: async (event) => {
		const f = await form(event);
		return answer(
			addMember(ctx(event), {
				matterId: f.text('matterId'),
				staffId: f.text('staffId'),
				owner: f.text('owner')
			}),
			() => ({})
		);
	},
	leave: async (event) => {
		const f = await form(event);
		return answer(
			removeMember(ctx(event), { matterId: f.text('matterId'), staffId: f.text('staffId') }),
			() => ({})
		);
	},
	restrict: async (event) => {
		const f = await form(event);
		return answer(
			restrictMatter(ctx(event), {
				matterId: f.text('matterId'),
				restricted: f.text('restricted')
			}),
			() => ({})
		);
	},
	role: async (event) => {
		const f = await form(event);
		return answer(
			addRole(ctx(event), {
				matterId: f.text('matterId'),
				personId: f.text('personId') === 'new' ? null : f.maybe('personId'),
				newName: f.text('newName'),
				newKind: f.text('newKind') === 'organization' ? 'organization' : 'person',
				role: f.text('role'),
				note: f.text('note'),
				from: f.maybe('from'),
				to: f.maybe('to')
			}),
			() => ({})
		);
	},
	changeRole: async (event) => {
		const f = await form(event);
		return answer(
			changeRole(ctx(event), {
				roleId: f.text('roleId'),
				note: f.text('note'),
				from: f.maybe('from'),
				to: f.maybe('to'),
				remove: f.text('remove') === '1'
			}),
			() => ({})
		);
	},
	reference: async (event) => {
		const f = await form(event);
		return answer(
			addReference(ctx(event), {
				matterId: f.text('matterId'),
				whose: f.text('whose'),
				number: f.text('number'),
				remove: f.text('remove')
			}),
			() => ({})
		);
	},
	link: async (event) => {
		const f = await form(event);
		return answer(
			addLink(ctx(event), {
				matterId: f.text('matterId'),
				name: f.text('name'),
				url: f.text('url'),
				remove: f.text('remove')
			}),
			() => ({})
		);
	},
	relate: async (event) => {
		const f = await form(event);
		return answer(
			relateMatters(ctx(event), {
				matterId: f.text('matterId'),
				number: f.text('number'),
				how: f.text('how') as 'part of',
				remove: f.text('remove')
			}),
			() => ({})
		);
	},
	pin: async (event) => {
		const f = await form(event);
		return answer(
			pinMatter(ctx(event), { matterId: f.text('matterId'), pin: f.text('pin') }),
			() => ({})
		);
	},
	note: async (event) => {
		const f = await form(event);
		return answer(
			writeNote(ctx(event), { matterId: f.text('matterId'), words: f.text('words') }),
			() => ({})
		);
	},
	status: async (event) => {
		const f = await form(event);
		return answer(
			setStatus(ctx(event), {
				matterId: f.text('matterId'),
				status: f.text('status') as 'open',
				reason: f.text('reason')
			}),
			() => ({})
		);
	},
	close: async (event) => {
		const f = await form(event);
		return answer(
			closeMatter(ctx(event), {
				matterId: f.text('matterId'),
				reason: f.text('reason'),
				deadlines: record(f.json('deadlines')),
				tasks: record(f.json('tasks')),
				rounds: record(f.json('rounds'))
			}),
			() => ({})
		);
	},
	reopen: async (event) => {
		const f = await form(event);
		return answer(
			reopenMatter(ctx(event), { matterId: f.text('matterId'), reason: f.text('reason') }),
			() => ({})
		);
	},
	split: async (event) => {
		const f = await form(event);
		const [units, centers, shares] = [f.all('unit'), f.all('center'), f.all('share')];
		const rows = units
			.map((unit, i) => ({ unit, costCenter: centers[i] || null, text: shares[i] ?? '' }))
			.filter((r) => r.unit || r.text.trim());
		for (const r of rows)
			if (parseShare(r.text) === undefined)
				return fail(400, {
					errors: {
						shares: `“${r.text}” is not a share: write a number from 0 to 100 with at most four decimals.`
					}
				});
		return answer(
			setSplit(ctx(event), {
				matterId: f.text('matterId'),
				from: f.text('from'),
				shares: rows.map((r) => ({
					unit: r.unit,
					costCenter: r.costCenter,
					share: parseShare(r.text)!
				}))
			}),
			() => ({})
		);
	}
};
