/**
 * Imports every module of the server that makes a command, so that a test can ask for each there
 * is.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const server = fileURLToPath(new URL('..', import.meta.url));

function* listFiles(folder: string): Generator<string> {
	for (const entry of readdirSync(folder, { withFileTypes: true })) {
		const path = join(folder, entry.name);
		if (entry.isDirectory()) yield* listFiles(path);
		else if (entry.name.endsWith('.ts') && !entry.name.endsWith('.test.ts')) yield path;
	}
}

/** Gives the paths of the modules, from the server's folder on. */
export async function importAllCommands(): Promise<string[]> {
	const makers = [...listFiles(server)].filter((path) =>
		/from '[^']*\/(matter-)?command\.ts'/.test(readFileSync(path, 'utf8'))
	);
	for (const path of makers) await import(pathToFileURL(path).href);
	return makers.map((path) => path.slice(server.length));
}
