/** Imports go down only: routes -> lib/server -> core; ui -> core. Part of `npm run lint`. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const files = (dir) =>
	readdirSync(dir, { withFileTypes: true }).flatMap((e) =>
		e.isDirectory()
			? files(join(dir, e.name))
			: /\.(ts|svelte)$/.test(e.name)
				? [join(dir, e.name)]
				: []
	);
const faults = [];
for (const f of [...files('core'), ...files('src')]) {
	const text = readFileSync(f, 'utf8');
	for (const m of text.matchAll(
		/^\s*(import|export)\s+(type\s+)?[^'"]*?from\s+['"]([^'"]+)['"]/gm
	)) {
		const [, , type, from] = m;
		const fault = (why) => faults.push(`${f}: imports ${from}: ${why}`);
		if (
			f.startsWith('core/') &&
			!f.endsWith('.test.ts') &&
			!from.startsWith('.') &&
			from !== 'zod' &&
			from !== 'double-metaphone'
		)
			fault('core knows nothing above it');
		if (f.startsWith('src/lib/server/') && (from.startsWith('$lib') || from.includes('/routes/')))
			fault('the server does not know the screens');
		if (/^src\/lib\/(ui\/|[A-Z])/.test(f) && from.startsWith('#server') && !type)
			fault('a screen part takes only types from the server');
		if (/\+(page|layout)\.svelte$/.test(f) && from.startsWith('#server') && !type)
			fault('a screen takes only types from the server');
	}
	if (f.startsWith('src/routes/') && /better-sqlite3|\.prepare[<(]/.test(text))
		faults.push(`${f}: no route writes SQL`);
}
if (faults.length) {
	console.error(faults.join('\n'));
	process.exit(1);
}
console.log('Imports go down only.');
