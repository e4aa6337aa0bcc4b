/** Facts about the house as a whole: what it is called, its business units, everyone in it. */
import type { World } from './command.ts';

/** A setting of the house, or what holds where it was never set. */
export const setting = (w: Pick<World, 'db'>, name: string, otherwise: string): string =>
	w.db.prepare<[string], { value: string }>('SELECT value FROM setting WHERE name = ?').get(name)
		?.value ?? otherwise;
export const departmentName = (w: Pick<World, 'db'>): string =>
	setting(w, 'department', 'Legal department');

export const businessUnit = (w: World, id: string) =>
	w.db
		.prepare<[string], { id: string; name: string }>(
			'SELECT id, name FROM business_unit WHERE id = ?'
		)
		.get(id);
/** Everyone who may be asked to sign inside, business partners too. */
export const everyone = (w: World) =>
	w.db
		.prepare<[], { id: string; name: string; email: string }>(
			'SELECT id, name, email FROM staff WHERE active = 1 ORDER BY name'
		)
		.all();
/** Throws where the database does not answer. */
export const alive = (w: World): void => void w.db.prepare('SELECT 1').get();
