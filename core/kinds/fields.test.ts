import assert from 'node:assert/strict';
import test from 'node:test';
import { kindFields } from './fields.ts';

test('the same part is the same text, in whichever order its keys were written', () => {
	const one = kindFields({ roles: [{ role: 'judge', wanted: true }] });
	const other = kindFields({ roles: [{ wanted: true, role: 'judge' }] });
	assert.equal(one.roles, other.roles);
	assert.equal(one.roles, '[{"role":"judge","wanted":true}]');
});

test('the order of a list is part of it; what is not there is null', () => {
	assert.notEqual(
		kindFields({ folders: ['a', 'b'] }).folders,
		kindFields({ folders: ['b', 'a'] }).folders
	);
	assert.equal(kindFields({}).rulebook, 'null');
});
