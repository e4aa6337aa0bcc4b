import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { openDb } from './open.ts';
import { all } from './sql.ts';

const server = fileURLToPath(new URL('..', import.meta.url));

type Column = { name: string; type: string; notnull: 0 | 1; pk: number };
/** A column as a row type has it. */
type Declared = { type: string; nullable: boolean };

/** The columns by table, as the types in `rows.ts` of every area declare them. */
function listDeclared(): Map<string, Map<string, Declared>> {
	const tables = new Map<string, Map<string, Declared>>();
	for (const area of readdirSync(server)) {
		const path = join(server, area, 'rows.ts');
		const text = readText(path);
		if (text === undefined) continue;
		const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
		for (const statement of source.statements) {
			if (!ts.isTypeAliasDeclaration(statement) || !ts.isTypeLiteralNode(statement.type)) continue;
			const table = /Table `(\w+)`/.exec(text.slice(statement.pos, statement.getStart()))?.[1];
			assert.ok(table, `${statement.name.text} says which table it is of`);
			assert.ok(!tables.has(table), `${table} has one type`);
			tables.set(table, columnsOf(statement.type));
		}
	}
	return tables;
}

function readText(path: string): string | undefined {
	try {
		return readFileSync(path, 'utf8');
	} catch {
		return undefined;
	}
}

const columnsOf = ({ members }: ts.TypeLiteralNode): Map<string, Declared> =>
	new Map(
		members.filter(ts.isPropertySignature).map((member): [string, Declared] => {
			const parts = (member.type?.getText() ?? '').split('|').map((part) => part.trim());
			const [first = ''] = parts.filter((part) => part !== 'null' && part !== '');
			return [member.name.getText(), { type: first, nullable: parts.includes('null') }];
		})
	);

/** Types of TypeScript that a column of this type can have. */
function fits(column: string, declared: string): boolean {
	if (column === 'INTEGER' || column === 'REAL') return /^(number|\d+)$/.test(declared);
	if (column === 'BLOB') return /^(Buffer|Uint8Array)/.test(declared);
	return !/^(number|\d+|Buffer|boolean)$/.test(declared);
}

describe('the types of rows', () => {
	const db = openDb(':memory:', () => '2026-11-23');
	const declared = listDeclared();
	const tables = all<{ name: string }>(
		db,
		`SELECT name
		FROM sqlite_schema
		WHERE type = 'table' AND name NOT LIKE 'sqlite%' AND name NOT GLOB 'search*_*'
		ORDER BY name`
	).map(({ name }) => name);

	it('are one for each table that is used by name, and of no table that is not there', () => {
		const all = new Set(tables);
		assert.deepEqual(
			[...declared.keys()].filter((table) => !all.has(table) && table !== 'search_text'),
			[]
		);
		assert.deepEqual(
			tables.filter((table) => !declared.has(table) && table !== 'search'),
			[]
		);
	});

	for (const [table, columns] of declared)
		it(`of ${table} has the columns of the schema, with their types`, () => {
			const schema = all<Column>(
				db,
				`SELECT name, type, "notnull", pk FROM pragma_table_info('${table}')`
			);
			assert.deepEqual([...columns.keys()].sort(), schema.map(({ name }) => name).sort());
			for (const { name, type, notnull, pk } of schema) {
				const column = columns.get(name);
				assert.ok(column);
				assert.ok(fits(type, column.type), `${name} is ${type} and declared ${column.type}`);
				assert.equal(column.nullable, notnull === 0 && pk === 0, `whether ${name} may be null`);
			}
		});
});
