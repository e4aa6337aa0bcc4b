/**
 * Fonts whose tables are read once for all PDF files made in this process. Reading them anew takes
 * most of the time of a short document.
 */
import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';

/** Its tables are read when first asked for and never changed; its letters are, by a document. */
type Font = { _tables: Record<string, unknown> };
type Fontkit = {
	create: (bytes: Uint8Array) => Font;
	/** A format is asked in turn whether it knows the bytes; `new` of it gives the font. */
	registerFormat: (format: { probe: (bytes: Uint8Array) => boolean }) => void;
};

/** What stands in a file's place begins like this; no font format does. */
const MARK = 'kite-font:';

const known = new Map<string, { bytes: Buffer; tables: Font['_tables'] }>();

/** A font of its own for each document, over tables that all of them share. */
function openFont(fontkit: Fontkit, path: string): Font {
	const { bytes, tables } = known.get(path) ?? { bytes: readFileSync(path), tables: {} };
	known.set(path, { bytes, tables });
	return Object.assign(fontkit.create(bytes), { _tables: tables });
}

/** The bytes to give for a font's file where {@link shareFonts} was called. */
export const standIn = (path: string): Buffer => Buffer.from(MARK + path);

/**
 * Makes the library that reads fonts answer a stand-in with the font it stands for. The PDF
 * library knows only files, and its own copy of the reader is the one to be told.
 *
 * @param user the module whose reader it is
 */
export function shareFonts(user: string): void {
	const require = createRequire(createRequire(import.meta.url).resolve(user));
	const fontkit = require('fontkit') as Fontkit;
	const read = (bytes: Uint8Array) => Buffer.from(bytes).toString('utf8');
	fontkit.registerFormat(
		class {
			static probe(bytes: Uint8Array) {
				return read(bytes.subarray(0, MARK.length)) === MARK;
			}
			constructor({ buffer }: { buffer: Uint8Array }) {
				return openFont(fontkit, read(buffer).slice(MARK.length));
			}
		}
	);
}
