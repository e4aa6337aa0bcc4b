/** Files by their SHA-256, written once, flushed before they are named. */
import {
	closeSync,
	existsSync,
	fsyncSync,
	mkdirSync,
	openSync,
	readdirSync,
	readFileSync,
	renameSync,
	rmSync,
	statSync,
	writeFileSync
} from 'node:fs';
import { join } from 'node:path';
import type { Files } from '../app/application.ts';
import { sha256 } from '../app/ids.ts';

const PART = '.part';
/** A part that nobody has written to for so long belongs to a server that ended in between. */
const STALE_MS = 3_600_000;

export function fileStore(folder: string): Files {
	mkdirSync(folder, { recursive: true });
	sweepParts(folder);
	const place = (sha: string) => join(folder, sha.slice(0, 2), sha);
	return {
		put(data) {
			const sha = sha256(data);
			const path = place(sha);
			if (!existsSync(path)) {
				const drawer = join(folder, sha.slice(0, 2));
				if (mkdirSync(drawer, { recursive: true }) !== undefined) flush(folder);
				const part = `${path}.${process.pid}${PART}`;
				writeFileSync(part, data, { mode: 0o600 });
				flush(part);
				renameSync(part, path);
				// The name is in the folder for good only when that is flushed too.
				flush(drawer);
			}
			return sha;
		},
		get(sha) {
			if (!/^[0-9a-f]{64}$/.test(sha)) throw new Error('not the name of a file');
			const data = readFileSync(place(sha));
			if (sha256(data) !== sha) throw new Error(`file ${sha.slice(0, 12)} on disk is damaged`);
			return data;
		}
	};
}

/** Has what was written to a file or a folder on the disk. */
function flush(path: string): void {
	const file = openSync(path, 'r');
	try {
		fsyncSync(file);
	} finally {
		closeSync(file);
	}
}

/** Takes away what was begun and never finished. */
function sweepParts(folder: string): void {
	const before = Date.now() - STALE_MS;
	for (const drawer of readdirSync(folder, { withFileTypes: true })) {
		if (!drawer.isDirectory()) continue;
		for (const name of readdirSync(join(folder, drawer.name))) {
			const path = join(folder, drawer.name, name);
			if (name.endsWith(PART) && statSync(path).mtimeMs < before) rmSync(path);
		}
	}
}

/** Files in memory, for tests; over others that are only read. */
export function memoryFiles(below?: Files): Files {
	const files = new Map<string, Buffer>();
	return {
		put(data) {
			const sha = sha256(data);
			files.set(sha, Buffer.from(data));
			return sha;
		},
		get(sha) {
			const data = files.get(sha) ?? below?.get(sha);
			if (!data) throw new Error('no such file');
			return data;
		}
	};
}
