import assert from 'node:assert/strict';
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { describe, it } from 'node:test';
import { fileURLToPath } from 'node:url';
import { findViolations } from './boundaries.ts';

const home = fileURLToPath(new URL('..', import.meta.url));

/** What is found in a tree of these files. */
async function judge(files: Record<string, string>): Promise<string[]> {
	const tree = mkdtempSync(join(tmpdir(), 'kite-tree-'));
	const put = (path: string, text: string) => {
		mkdirSync(dirname(join(tree, path)), { recursive: true });
		writeFileSync(join(tree, path), text);
	};
	put(
		'package.json',
		'{"type":"module","imports":{"#core/*":"./core/*","#server/*":"./src/lib/server/*"}}'
	);
	put(
		'tsconfig.json',
		JSON.stringify({
			compilerOptions: {
				module: 'esnext',
				moduleResolution: 'bundler',
				allowImportingTsExtensions: true,
				noEmit: true,
				paths: { '$lib/*': ['./src/lib/*'] }
			}
		})
	);
	for (const [path, text] of Object.entries(files)) put(path, text);
	symlinkSync(join(home, 'node_modules'), join(tree, 'node_modules'));
	try {
		const folders = [...new Set(Object.keys(files).map((path) => path.split('/')[0] ?? ''))];
		return await findViolations(tree, folders);
	} finally {
		rmSync(tree, { recursive: true });
	}
}

const VALUE = 'export const value = 1;\n';
const TYPE = 'export type Value = number;\n';

/** By what is wrong: files of which the first knows what it may not. */
const FAULTS: Record<string, Record<string, string>> = {
	'core to server': {
		'core/dates/a.ts': "import { value } from '#server/docket/b.ts';\nexport default value;",
		'src/lib/server/docket/b.ts': VALUE
	},
	'core to the server by a dynamic import': {
		'core/dates/a.ts': "export const load = () => import('../../src/lib/server/docket/b.ts');",
		'src/lib/server/docket/b.ts': VALUE
	},
	'core to the system': { 'core/dates/a.ts': "import 'node:fs';" },
	'core to a package': { 'core/dates/a.ts': "import 'better-sqlite3';" },
	'a test of the core to the server': {
		'core/dates/a.test.ts': "import '#server/docket/b.ts';",
		'src/lib/server/docket/b.ts': VALUE
	},
	'server to demo': {
		'src/lib/server/docket/a.ts': "import '../../../../demo/make.ts';",
		'demo/make.ts': VALUE
	},
	'server to a route': {
		'src/lib/server/docket/a.ts': "import '../../../routes/b.ts';",
		'src/routes/b.ts': VALUE
	},
	'ui to a route': {
		'src/lib/ui/A.svelte':
			"<script>\n\timport { value } from '../../routes/b.ts';\n\tconsole.log(value);\n</script>",
		'src/routes/b.ts': VALUE
	},
	'ui to a part of an area': {
		'src/lib/ui/a.ts': "import '$lib/docket/b.ts';",
		'src/lib/docket/b.ts': VALUE
	},
	'a screen to the server': {
		'src/routes/+page.svelte':
			"<script>\n\timport { value } from '#server/docket/b.ts';\n\tconsole.log(value);\n</script>",
		'src/lib/server/docket/b.ts': VALUE
	},
	'SQL in a route': {
		'src/routes/+page.server.ts': "import { all } from '#server/db/sql.ts';\nexport default all;",
		'src/lib/server/db/sql.ts': 'export const all = 1;'
	},
	'the database in a route': { 'src/routes/+server.ts': "import 'better-sqlite3';" },
	'a read to a write': {
		'src/lib/server/docket/queries.ts': "import './commands.ts';",
		'src/lib/server/docket/commands.ts': VALUE
	},
	'two files that know each other': {
		'src/lib/server/docket/a.ts': "import './b.ts';",
		'src/lib/server/docket/b.ts': "import './a.ts';"
	},
	'two areas that know each other': {
		'src/lib/server/docket/a.ts': "import '#server/tasks/b.ts';",
		'src/lib/server/docket/c.ts': VALUE,
		'src/lib/server/tasks/b.ts': VALUE,
		'src/lib/server/tasks/d.ts': "import '#server/docket/c.ts';"
	}
};

describe('the boundaries', () => {
	for (const [what, files] of Object.entries(FAULTS))
		it(`refuse ${what}`, async () => {
			const found = await judge(files);
			assert.ok(found.length > 0, 'nothing was found');
		});

	it('leave alone what is as it should be', async () => {
		assert.deepEqual(
			await judge({
				'core/dates/a.ts': "import { z } from 'zod';\nexport const schema = z.string();",
				'core/dates/a.test.ts': "import 'node:assert';\nimport './a.ts';",
				'src/lib/server/docket/a.ts':
					"import '#core/dates/a.ts';\nimport type { Row } from '#server/tasks/rows.ts';\nexport type One = Row;",
				'src/lib/server/docket/rows.ts': TYPE,
				'src/lib/server/tasks/rows.ts': 'export type Row = number;',
				'src/lib/server/tasks/b.ts': "import '#server/docket/a.ts';",
				'src/lib/docket/Part.svelte':
					'<script lang="ts">\n\timport type { One } from \'#server/docket/a.ts\';\n\tlet one: One = 1;\n\tconsole.log(one);\n</script>',
				'src/routes/+page.server.ts': "import '#server/docket/a.ts';",
				'src/routes/+page.svelte':
					"<script>\n\timport Part from '$lib/docket/Part.svelte';\n</script>\n\n<Part />"
			}),
			[]
		);
	});
});
