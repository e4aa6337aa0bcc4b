/**
 * Where the files that ship with the program lie: beside the built server, or in the source tree.
 */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * Each set of files: its folder in the source tree. A build holds them all under `assets/`, by
 * these names.
 */
export const ASSETS = {
	migrations: 'src/lib/server/db/migrations',
	rulebooks: 'rulebooks',
	kinds: 'kinds',
	templates: 'templates',
	fonts: 'node_modules/@expo-google-fonts'
} as const;
export type Asset = keyof typeof ASSETS;

/** A file by which the folder is known. */
const KNOWN = 'rulebooks/us-federal.yaml';

/** The nearest folder above this file that holds the files, so that a build can be moved. */
function findRoot(): { folder: string; built: boolean } {
	for (let at = dirname(fileURLToPath(import.meta.url)); ; at = dirname(at)) {
		if (existsSync(join(at, 'assets', KNOWN))) return { folder: join(at, 'assets'), built: true };
		if (existsSync(join(at, KNOWN))) return { folder: at, built: false };
		if (dirname(at) === at) throw new Error('the files that ship with the program are missing');
	}
}

const root = findRoot();

/** The folder of a set of files. */
export const assetFolder = (name: Asset): string =>
	join(root.folder, root.built ? name : ASSETS[name]);
