import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import { fileURLToPath } from 'node:url';

const source = fileURLToPath(new URL('.', import.meta.url));

function* listScreens(folder: string): Generator<string> {
	for (const entry of readdirSync(folder, { withFileTypes: true })) {
		const path = join(folder, entry.name);
		if (entry.isDirectory()) yield* listScreens(path);
		else if (entry.name.endsWith('.svelte')) yield path;
	}
}

/** Places where a screen has something that belongs into the tokens of app.css. */
const findPlaces = (pattern: RegExp): string[] =>
	[...listScreens(source)].flatMap((path) =>
		readFileSync(path, 'utf8')
			.split('\n')
			.flatMap((line, index) =>
				pattern.test(line) ? [`${path.slice(source.length)}:${index + 1} ${line.trim()}`] : []
			)
	);

describe('the look', () => {
	it('has its colors in the tokens', () => {
		assert.deepEqual(findPlaces(/(?<![\w&/{])#(?:[0-9a-f]{8}|[0-9a-f]{6}|[0-9a-f]{3})\b/i), []);
	});
	it('has its sizes of type in the scale', () => {
		assert.deepEqual(findPlaces(/text-\[[\d.]+px\]/), []);
	});
	it('has its raised shadows in the tokens', () => {
		assert.deepEqual(findPlaces(/box-shadow: [^;]*rgb\(/), []);
	});
	it('never shouts over its own rules', () => {
		assert.deepEqual(
			findPlaces(/!important|[\s"'`]!(?:w|h|p|m|min|max|text|font|border)[a-z]?-/),
			[]
		);
	});
});
