import { z } from 'zod';
import { fold } from '#core/people/names.ts';
import {
	command,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Staff,
	type World
} from '../command.ts';
import { id, maybeId, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { theMatter, visible } from '../trust/scope.ts';
import { interestReport, type InterestReport } from './report.ts';

/** The names, one a line or divided by semicolons; each once. */
export function namesOf(typed: string): string[] {
	const out: string[] = [];
	for (const n of typed
		.split(/[\n;]/)
		.map((x) => x.trim().replace(/\s+/g, ' '))
		.filter(Boolean))
		if (!out.some((o) => fold(o) === fold(n))) out.push(n);
	return out;
}

/** Makes and freezes a report; inside another command's transaction. */
export function keepCheck(
	ctx: Ctx,
	names: string[],
	on: { matterId?: string | null; requestId?: string | null }
): { checkId: string; report: InterestReport } {
	const me = staffOf(ctx);
	const report = interestReport(ctx, me, names, on);
	const checkId = newId('chk');
	ctx.db
		.prepare(
			'INSERT INTO interest_check (id, matter_id, request_id, names, report, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, ?)'
		)
		.run(
			checkId,
			on.matterId ?? null,
			on.requestId ?? null,
			JSON.stringify(names),
			JSON.stringify(report),
			me.id,
			ctx.clock.now()
		);
	return { checkId, report };
}
const count = (r: InterestReport) => r.names.reduce((n, x) => n + x.hits.length + x.more, 0);
export const sayFound = (r: InterestReport): string => {
	const n = count(r);
	return `${n === 0 ? 'nothing found' : n === 1 ? '1 hit' : `${n} hits`}${r.restricted ? ', and the docket clerk is to be asked' : ''}`;
};

export const checkInterest = command({
	name: 'check interest',
	action: 'interest.check',
	input: z.object({
		names: text('At least one name', 4000),
		matterId: maybeId,
		requestId: maybeId
	}),
	run(ctx, i, scribe) {
		const names = namesOf(i.names);
		if (names.length > 40) throw new Refused('At most 40 names in one check.', 'names');
		for (const n of names)
			if (fold(n).replace(/ /g, '').length < 2)
				throw new Refused(`“${n}” is too short to check.`, 'names');
		const m = i.matterId ? theMatter(ctx, i.matterId) : null;
		if (
			i.requestId &&
			!ctx.db.prepare("SELECT 1 FROM request WHERE id = ? AND state <> 'draft'").get(i.requestId)
		)
			throw new NotFound('request');
		const { checkId, report } = keepCheck(ctx, names, {
			matterId: m?.id ?? null,
			requestId: i.requestId
		});
		if (m) {
			scribe.matter(m.id);
			scribe.log(
				m.id,
				'matter',
				`Interest check of ${names.join(', ')}: ${sayFound(report)}.`,
				`/interest/${checkId}`
			);
		}
		scribe.note({ check: checkId, names: names.length });
		return { checkId };
	}
});

export type CheckView = {
	id: string;
	names: string[];
	report: InterestReport;
	madeBy: string;
	madeAt: string;
	madeById: string;
	decision: string | null;
	reason: string;
	decidedBy: string | null;
	decidedAt: string | null;
	matter: { id: string; number: string; title: string } | null;
	request: { id: string; number: string } | null;
};
const DECISIONS = { clear: 'clear', waived: 'waived', declined: 'declined' } as const;
type Row = {
	id: string;
	names: string;
	report: string;
	madeBy: string;
	madeById: string;
	madeAt: string;
	decision: string | null;
	reason: string;
	decidedBy: string | null;
	decidedAt: string | null;
	matter_id: string | null;
	number: string | null;
	title: string | null;
	request_id: string | null;
	requestNumber: string | null;
};
/** A report is seen by who made it, and where it belongs to a matter, by those who may see the matter: it says what its maker could see. */
const SELECT = `SELECT c.id, c.names, c.report, c.made_by AS madeById, a.name AS madeBy, c.made_at AS madeAt, c.decision, c.reason, b.name AS decidedBy, c.decided_at AS decidedAt, c.matter_id, m.number, m.title, c.request_id, q.number AS requestNumber
 FROM interest_check c JOIN staff a ON a.id = c.made_by LEFT JOIN staff b ON b.id = c.decided_by LEFT JOIN matter m ON m.id = c.matter_id LEFT JOIN request q ON q.id = c.request_id`;
const SEEN = `(c.made_by = @me AND (c.matter_id IS NULL OR ${visible('m')}))`;
/** A colleague on the same matter reads the report as its maker saw it only where every matter it names is theirs to see too. */
function mayRead(w: World, me: Staff, r: Row): boolean {
	if (
		r.matter_id &&
		!w.db
			.prepare(`SELECT 1 FROM matter m WHERE m.id = @id AND ${visible('m')}`)
			.get({ id: r.matter_id, me: me.id })
	)
		return false;
	if (r.madeById === me.id) return true;
	if (!r.matter_id && !r.request_id) return me.role === 'docket-clerk' && openTo(w, me, r);
	return openTo(w, me, r);
}
const NUMBER = /\b[A-Z]{1,6}-\d{4}-\d{3,6}\b/g;
function openTo(w: World, me: Staff, r: Row): boolean {
	const numbers = [...new Set(r.report.match(NUMBER) ?? [])];
	const hidden = w.db
		.prepare<unknown[], { n: number }>(
			`SELECT count(*) AS n FROM matter m WHERE m.number IN (SELECT value FROM json_each(@numbers)) AND NOT ${visible('m')}`
		)
		.get({ numbers: JSON.stringify(numbers), me: me.id })!.n;
	const cards = [...new Set([...r.report.matchAll(/\/people\/(per_\w+)/g)].map((x) => x[1]!))];
	const gone = w.db
		.prepare<unknown[], { n: number }>(
			`SELECT count(*) AS n FROM person p WHERE p.id IN (SELECT value FROM json_each(@cards)) AND p.made_for IN (SELECT m.id FROM matter m WHERE m.restricted = 1 AND NOT ${visible('m')})`
		)
		.get({ cards: JSON.stringify(cards), me: me.id })!.n;
	return hidden === 0 && gone === 0;
}
const view = (r: Row): CheckView => ({
	id: r.id,
	names: JSON.parse(r.names) as string[],
	report: JSON.parse(r.report) as InterestReport,
	madeBy: r.madeBy,
	madeById: r.madeById,
	madeAt: r.madeAt,
	decision: r.decision,
	reason: r.reason,
	decidedBy: r.decidedBy,
	decidedAt: r.decidedAt,
	matter: r.matter_id ? { id: r.matter_id, number: r.number!, title: r.title! } : null,
	request: r.request_id ? { id: r.request_id, number: r.requestNumber! } : null
});
export function interestCheck(w: World, me: Staff, checkId: string): CheckView | undefined {
	const r = w.db.prepare<[string], Row>(`${SELECT} WHERE c.id = ?`).get(checkId);
	return r && mayRead(w, me, r) ? view(r) : undefined;
}
/** One's own latest checks. */
export const myChecks = (w: World, me: Staff) =>
	w.db
		.prepare<unknown[], Row>(`${SELECT} WHERE ${SEEN} ORDER BY c.made_at DESC LIMIT 40`)
		.all({ me: me.id })
		.map(view);
export const matterChecks = (w: World, me: Staff, matterId: string) =>
	w.db
		.prepare<[string], Row>(`${SELECT} WHERE c.matter_id = ? ORDER BY c.made_at DESC`)
		.all(matterId)
		.filter((r) => mayRead(w, me, r))
		.map(view);

export const decideInterest = command({
	name: 'decide interest check',
	action: 'interest.decide',
	input: z.object({
		checkId: id('a check'),
		decision: z.enum(
			Object.keys(DECISIONS) as [keyof typeof DECISIONS, ...(keyof typeof DECISIONS)[]],
			{ error: 'Choose: clear, waived or declined.' }
		),
		reason: text('The reason', 2000)
	}),
	run(ctx, i, scribe) {
		const c = interestCheck(ctx, staffOf(ctx), i.checkId);
		if (!c) throw new NotFound('check');
		if (c.decision)
			throw new Refused(`${c.decidedBy} decided this already. Make a new check to decide anew.`);
		ctx.db
			.prepare(
				'UPDATE interest_check SET decision = ?, reason = ?, decided_by = ?, decided_at = ? WHERE id = ?'
			)
			.run(i.decision, i.reason, staffOf(ctx).id, ctx.clock.now(), c.id);
		scribe.note({ check: c.id, decision: i.decision });
		if (c.matter) {
			scribe.matter(c.matter.id);
			scribe.log(
				c.matter.id,
				'matter',
				`Interest check decided: ${i.decision}. ${i.reason}`,
				`/interest/${c.id}`
			);
		}
	}
});
