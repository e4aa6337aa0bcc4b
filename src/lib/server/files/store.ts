/** Files by their SHA-256, written once, flushed before they are named. */
import {
	closeSync,
	existsSync,
	fsyncSync,
	mkdirSync,
	openSync,
	readFileSync,
	renameSync,
	writeSync
} from 'node:fs';
import { join } from 'node:path';
import type { Files } from '../app/application.ts';
import { sha256 } from '../app/ids.ts';

export function fileStore(folder: string): Files {
	mkdirSync(folder, { recursive: true });
	const place = (sha: string) => join(folder, sha.slice(0, 2), sha);
	return {
		put(data) {
			const sha = sha256(data);
			const path = place(sha);
			if (!existsSync(path)) {
				mkdirSync(join(folder, sha.slice(0, 2)), { recursive: true });
				const part = `${path}.${process.pid}.part`;
				const file = openSync(part, 'w', 0o600);
				writeSync(file, data);
				fsyncSync(file);
				closeSync(file);
				renameSync(part, path);
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
