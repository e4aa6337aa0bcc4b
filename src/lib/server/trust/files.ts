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
import type { Files } from '../command.ts';
import { sha256 } from '../ids.ts';

export function fileStore(folder: string): Files {
	mkdirSync(folder, { recursive: true });
	const place = (sha: string) => join(folder, sha.slice(0, 2), sha);
	return {
		put(data) {
			const sha = sha256(data);
			const path = place(sha);
			if (!existsSync(path)) {
				mkdirSync(join(folder, sha.slice(0, 2)), { recursive: true });
				const half = `${path}.${process.pid}.part`;
				const fd = openSync(half, 'w', 0o600);
				writeSync(fd, data);
				fsyncSync(fd);
				closeSync(fd);
				renameSync(half, path);
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

/** Files in memory, for tests. */
export function memoryFiles(): Files {
	const all = new Map<string, Buffer>();
	return {
		put(data) {
			const sha = sha256(data);
			all.set(sha, Buffer.from(data));
			return sha;
		},
		get(sha) {
			const f = all.get(sha);
			if (!f) throw new Error('no such file');
			return f;
		}
	};
}
