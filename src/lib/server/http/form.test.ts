import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { z } from 'zod';
import { flag, id, maybeId, text } from '#server/app/fields.ts';
import { listCommands } from '#server/app/command.ts';
import { importAllCommands } from '#server/testing/all-commands.ts';
import { readForm } from './form.ts';

function formOf(fields: [string, string | File][]): FormData {
	const data = new FormData();
	for (const [name, value] of fields) data.append(name, value);
	return data;
}

await importAllCommands();

describe('a form read by a schema', () => {
	it('gives texts, and nothing for a field that is not there or not asked for', () => {
		const schema = z.object({ matterId: id('a matter'), note: text('The note', 20), on: flag });
		const read = readForm(
			schema,
			formOf([
				['note', ' x '],
				['matterId', 'mat_1'],
				['other', 'y']
			])
		);
		assert.deepEqual(read, { matterId: 'mat_1', note: ' x ' });
	});

	it('reads boxes of one name as a list, and knows an empty list from one that is not there', () => {
		const schema = z.object({ ids: z.array(z.string()), only: z.array(z.string()).nullish() });
		assert.deepEqual(
			readForm(
				schema,
				formOf([
					['ids', 'a'],
					['ids', 'b']
				])
			),
			{ ids: ['a', 'b'] }
		);
		assert.deepEqual(readForm(schema, formOf([])), { ids: [] });
		assert.deepEqual(readForm(schema, formOf([['only', '']])), { ids: [], only: [] });
		assert.deepEqual(
			readForm(
				schema,
				formOf([
					['only', ''],
					['only', 'x']
				])
			),
			{
				ids: [],
				only: ['x']
			}
		);
	});

	it('reads lines in the order of their numbers, also past ten and with gaps', () => {
		const line = z.object({ title: z.string(), count: z.string().default('') });
		const read = readForm(
			z.object({ lines: z.array(line) }),
			formOf([
				['lines.10.title', 'last'],
				['lines.0.title', 'first'],
				['lines.0.count', '+1d'],
				['lines.x.title', 'none'],
				['lines.2.title', 'second']
			])
		);
		assert.deepEqual(read, {
			lines: [{ title: 'first', count: '+1d' }, { title: 'second' }, { title: 'last' }]
		});
	});

	it('reads keyed values, whose keys may have dots', () => {
		const schema = z.object({ answers: z.record(z.string(), z.string()).default({}) });
		const fields: [string, string][] = [
			['answers.service', 'mail'],
			['answers.recipient.name', 'A']
		];
		assert.deepEqual(readForm(schema, formOf(fields)), {
			answers: { service: 'mail', 'recipient.name': 'A' }
		});
	});

	it('takes JSON where a list or an object is asked for, and leaves a text that looks like it alone', () => {
		const schema = z.object({
			base: z.record(z.string(), z.string()).nullish(),
			signers: z.array(z.object({ name: z.string() })),
			note: z.string()
		});
		const fields: [string, string][] = [
			['base', '{"a":"b"}'],
			['signers', '[{"name":"A"}]'],
			['note', '{"a":1}']
		];
		assert.deepEqual(readForm(schema, formOf(fields)), {
			base: { a: 'b' },
			signers: [{ name: 'A' }],
			note: '{"a":1}'
		});
		assert.deepEqual(
			readForm(
				schema,
				formOf([
					['base', '{broken'],
					['note', '']
				])
			),
			{
				signers: [],
				note: ''
			}
		);
	});

	it('takes files, and none for a field that was left empty', () => {
		const schema = z.object({ file: z.file(), files: z.array(z.file()) });
		const paper = new File(['x'], 'a.txt');
		const read = readForm(
			schema,
			formOf([
				['file', new File([], '')],
				['files', paper]
			])
		);
		assert.deepEqual(Object.keys(read), ['files']);
		assert.equal((read.files as File[])[0]?.name, 'a.txt');
	});

	it('does not let a form reach what the schema does not name', () => {
		const read = readForm(
			z.object({ a: maybeId }),
			formOf([
				['__proto__', 'x'],
				['a', '']
			])
		);
		assert.deepEqual(read, { a: '' });
	});

	it('can read a form for every command there is', () => {
		for (const { input, commandName } of listCommands())
			assert.equal(typeof readForm(input, formOf([])), 'object', commandName);
	});
});
