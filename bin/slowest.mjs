/**
 * A reporter of tests: prints the ten slowest at the end, and where all of them together took
 * longer than they may.
 */

const SHOWN = 10;
/** What all tests together should take, and what they may take at most, in minutes. */
export const TARGET = 7;
export const LIMIT = 30;

const seconds = (ms) => `${(ms / 1000).toFixed(1)} s`.padStart(9);

/** @param {AsyncIterable<import('node:test').TestEvent>} source */
export default async function* slowest(source) {
	const began = performance.now();
	const tests = [];
	for await (const { type, data } of source) {
		if (type !== 'test:pass' && type !== 'test:fail') continue;
		if (data.details?.type === 'suite') continue;
		tests.push({ name: data.name, file: data.file ?? '', ms: data.details?.duration_ms ?? 0 });
	}
	tests.sort((one, other) => other.ms - one.ms);
	yield '\nThe ten slowest tests:\n';
	for (const { name, file, ms } of tests.slice(0, SHOWN))
		yield `${seconds(ms)}  ${name}  ${file.split('/').slice(-2).join('/')}\n`;
	const minutes = (performance.now() - began) / 60_000;
	yield `All tests took ${minutes.toFixed(1)} minutes; they should take less than ${TARGET}.\n`;
	if (minutes > LIMIT) {
		yield `That is more than the ${LIMIT} minutes they may take: make the slowest quicker.\n`;
		process.exitCode = 1;
	}
}
