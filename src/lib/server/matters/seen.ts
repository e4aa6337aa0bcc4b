/** What one opened last: a memory of the reader's own, not a change of the world. */
import type { Staff, World } from '../command.ts';

export function seenMatter(w: World, me: Staff, matterId: string): void {
	const last = w.db
		.prepare<[string], { matter_id: string }>(
			'SELECT matter_id FROM recent WHERE staff_id = ? ORDER BY at DESC LIMIT 1'
		)
		.get(me.id);
	if (last?.matter_id === matterId) return;
	w.db
		.prepare(
			'INSERT INTO recent (staff_id, matter_id, at) VALUES (?, ?, ?) ON CONFLICT DO UPDATE SET at = excluded.at'
		)
		.run(me.id, matterId, w.clock.now());
	w.db
		.prepare(
			'DELETE FROM recent WHERE staff_id = @me AND matter_id NOT IN (SELECT matter_id FROM recent WHERE staff_id = @me ORDER BY at DESC LIMIT 30)'
		)
		.run({ me: me.id });
}
