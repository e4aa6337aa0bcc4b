import assert from 'node:assert/strict';
import test from 'node:test';
import { compareBooks } from './two-writers.ts';

const lines = (...changed: [number, string][]) =>
	Array.from({ length: 30 }, (_, at) => changed.find(([line]) => line === at)?.[1] ?? `line ${at}`)
		.join('\n')
		.concat('\n');

test('changes of different lines are put together', () => {
	const { values, yours, theirs } = compareBooks({
		base: lines(),
		theirs: lines([3, 'theirs']),
		yours: lines([25, 'mine'])
	});
	assert.equal(values?.yours, lines([3, 'theirs'], [25, 'mine']));
	assert.equal(theirs, '− line 3\n+ theirs');
	assert.equal(yours, '− line 25\n+ mine\nand theirs with it');
});

test('of changes of one line both are shown, and neither is lost', () => {
	const { values } = compareBooks({
		base: lines(),
		theirs: lines([3, 'theirs']),
		yours: lines([3, 'mine'])
	});
	assert.deepEqual(values, { theirs: lines([3, 'theirs']), yours: lines([3, 'mine']) });
});
