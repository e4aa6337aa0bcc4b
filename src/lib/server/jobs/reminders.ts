/** The reminder ladder of a kind: on each of its days before a docketed date everyone on the matter gets one mail, once, also after a crash. */
import { daysBetween, date as plain, sayDate } from '#core/dates/plain.ts';
import type { World } from '../command.ts';
import { newId } from '../ids.ts';
import { kinds } from '../matters/kinds.ts';
import { onMatter } from '../trust/scope.ts';

/** Queues today's reminders that were not queued yet; how many. A rung passed while the server was down is told when it is back, the nearest one only. */
export function remind(w: World): number {
	const today = w.clock.today();
	const ladders = new Map(kinds(w).map((k) => [k.id, k.ladder]));
	const far = Math.max(0, ...[...ladders.values()].flat());
	let n = 0;
	const rows = w.db.prepare<unknown[], { id: string; title: string; date: string; matter_id: string; number: string; matterTitle: string; kind: string; checked: number; docketed_at: string }>(
		`SELECT d.id, d.title, d.date, d.matter_id, m.number, m.title AS matterTitle, m.kind, d.checked_by IS NOT NULL AS checked, d.docketed_at FROM deadline d JOIN matter m ON m.id = d.matter_id
		 WHERE d.state = 'docketed' AND m.status <> 'closed' AND d.date BETWEEN date(@today, '-30 days') AND date(@today, '+' || @far || ' days')`
	).all({ today, far });
	for (const d of rows) {
		const left = daysBetween(today, plain(d.date));
		const rung = (ladders.get(d.kind) ?? []).filter((r) => r >= left).at(-1);
		// A rung that lay behind already when the date was docketed is not told: docketing told everyone.
		if (rung === undefined || daysBetween(plain(d.docketed_at.slice(0, 10)), plain(d.date)) <= rung) continue;
		w.db.transaction(() => {
			if (w.db.prepare('INSERT OR IGNORE INTO reminder (deadline_id, date, rung, at) VALUES (?, ?, ?, ?)').run(d.id, d.date, rung, w.clock.now()).changes === 0) return;
			for (const s of onMatter(w.db, d.matter_id)) {
				const when = left === 0 ? 'today' : left === 1 ? 'tomorrow' : left < 0 ? `${-left} ${left === -1 ? 'day' : 'days'} ago` : `in ${left} days`;
				w.db.prepare('INSERT INTO mail_out (id, matter_id, recipient, subject, text, queued_at) VALUES (?, ?, ?, ?, ?, ?)').run(newId('mal'), d.matter_id, `${s.name} <${s.email}>`, `${d.number}: ${d.title} ${when}`, `${d.title}\n${sayDate(plain(d.date))}, ${when}\n${d.number} ${d.matterTitle}\n${d.checked ? '' : 'Not checked by a second person yet.\n'}\n${w.origin}/matters/${d.number}/docket\n`, w.clock.now());
				n++;
			}
		}).immediate();
	}
	return n;
}
