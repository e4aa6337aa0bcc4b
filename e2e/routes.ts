/** The routes of the application, by its folders. */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';

export function listRoutes(dir = 'src/routes', at = ''): string[] {
	return readdirSync(dir, { withFileTypes: true }).flatMap((entry) =>
		entry.isDirectory()
			? listRoutes(join(dir, entry.name), /^\(.*\)$/.test(entry.name) ? at : `${at}/${entry.name}`)
			: /^\+(page\.server|page|server)\.(ts|svelte)$/.test(entry.name)
				? [at || '/']
				: []
	);
}
