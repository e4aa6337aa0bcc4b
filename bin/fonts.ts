/**
 * `npm run fonts`: cuts the screen's typefaces down to the characters and weights that are used,
 * into src/fonts. Letters beyond these come from the whole files, which a browser fetches only when
 * it meets one.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import subsetFont from 'subset-font';

const home = fileURLToPath(new URL('..', import.meta.url));

/**
 * Letters of Western Europe, and the signs the screens write. The same range stands in
 * src/fonts.css.
 */
const RANGES: readonly [first: number, last: number][] = [
	[0x20, 0x7e],
	[0xa0, 0xff]
];
const SIGNS = '–—‘’“”…·•−×→←↑↓€‹›™';
const text =
	RANGES.flatMap(([first, last]) =>
		Array.from({ length: last - first + 1 }, (_, index) => String.fromCodePoint(first + index))
	).join('') + SIGNS;

/** Kerning, joined letters, and figures of one width: what the stylesheet asks for. */
const FEATURES = ['kern', 'liga', 'tnum', 'lnum', 'mark', 'mkmk', 'ccmp', 'locl'];

const CUTS = [
	{ from: 'hanken-grotesk/files/hanken-grotesk-latin-wght-normal', to: 'hanken', max: 600 },
	{ from: 'newsreader/files/newsreader-latin-wght-normal', to: 'newsreader', max: 600 },
	{ from: 'newsreader/files/newsreader-latin-wght-italic', to: 'newsreader-italic', max: 400 }
];

for (const { from, to, max } of CUTS) {
	const whole = readFileSync(join(home, 'node_modules/@fontsource-variable', `${from}.woff2`));
	const small = await subsetFont(whole, text, {
		targetFormat: 'woff2',
		keepFeatures: FEATURES,
		noHinting: true,
		variationAxes: { wght: max === 400 ? 400 : { min: 400, max } }
	});
	writeFileSync(join(home, 'src/fonts', `${to}.woff2`), small);
	console.log(`${to}: ${whole.length} -> ${small.length} bytes`);
}
