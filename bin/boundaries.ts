/**
 * Which part may know which: routes -> server -> core, screens -> core; and of two areas of the
 * server at most one knows the other. Part of `npm run lint`; tested on a scratch tree.
 */
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { cruise, type IModule, type IRegularForbiddenRuleType } from 'dependency-cruiser';
import extractTSConfig from 'dependency-cruiser/config-utl/extract-ts-config';

const TESTS = '\\.test\\.ts$';
const TYPES = { dependencyTypesNot: ['type-only' as const] };
const forbid = (
	name: string,
	from: IRegularForbiddenRuleType['from'],
	to: IRegularForbiddenRuleType['to']
): IRegularForbiddenRuleType => ({ name, severity: 'error', from, to });

const RULES = [
	forbid(
		'the core stands alone: no clock, no database, no framework',
		{ path: '^core/', pathNot: `${TESTS}|^core/testing/` },
		{ pathNot: '^core/|node_modules/(zod|double-metaphone)/' }
	),
	forbid(
		'what tests the core knows nothing above it',
		{ path: `^core/.*${TESTS}|^core/testing/` },
		{ path: '^(src|demo|e2e|bench|bin)/' }
	),
	forbid(
		'the server knows no screen',
		{ path: '^src/lib/server/' },
		{ path: '^src/(routes/|lib/(?!server/)|hooks)' }
	),
	forbid(
		'the server knows no demo; only its tests may borrow from it',
		{ path: '^src/', pathNot: `${TESTS}|^src/lib/server/testing/` },
		{ path: '^(demo|e2e|bench|bin)/' }
	),
	forbid(
		'parts in ui know no page and no part of an area',
		{ path: '^src/lib/ui/' },
		{ path: '^src/(routes/|lib/(?!ui/|server/))' }
	),
	forbid('parts know no page', { path: '^src/lib/' }, { path: '^src/routes/' }),
	forbid(
		'a screen runs in the browser: of the server it knows the types',
		{ path: '^src/(routes/.*\\.svelte$|lib/(?!server/))' },
		{ path: '^src/lib/server/', ...TYPES }
	),
	forbid(
		'no route writes SQL',
		{ path: '^src/(routes/|hooks)' },
		{ path: '^src/lib/server/db/|node_modules/better-sqlite3/|^better-sqlite3$' }
	),
	forbid(
		'what reads for a screen imports no command',
		{ path: '^src/lib/server/.*/(queries|list|rows|sql)\\.ts$' },
		{ path: '^src/lib/server/.*/commands\\.ts$|^src/lib/server/app/(matter-)?command\\.ts$' }
	),
	forbid(
		'no file knows itself by way of others',
		{ path: '^((?:src|core|demo|bin)/.+)$' },
		// A part that draws itself within itself names itself, which Svelte asks for.
		{ circular: true, viaOnly: TYPES, pathNot: '^$1$' }
	)
];

/** Folders of the server that are no area of the trade, or stand above all areas. */
const NO_AREA = new Set(['app', 'db', 'access', 'testing', 'http', 'jobs', 'workers']);
/** The schema of an area may be known by every other. */
const SCHEMA = /\/(rows|sql)\.ts$/;

const areaOf = (path: string): string | undefined => {
	const area = /^src\/lib\/server\/([^/]+)\/[^/]+\.ts$/.exec(path)?.[1];
	return area === undefined || NO_AREA.has(area) || /\.test\.ts$/.test(path) ? undefined : area;
};

/** Two areas of which each knows the other. */
function findTwoWay(modules: readonly IModule[]): string[] {
	const known = new Map<string, string>();
	for (const { source, dependencies } of modules)
		for (const { resolved, dependencyTypes } of dependencies) {
			const [from, to] = [areaOf(source), areaOf(resolved)];
			if (!from || !to || from === to || SCHEMA.test(resolved)) continue;
			if (dependencyTypes.includes('type-only')) continue;
			known.set(`${from} ${to}`, `${source} -> ${resolved}`);
		}
	return [...known.keys()]
		.map((key) => key.split(' ') as [string, string])
		.filter(([from, to]) => from < to && known.has(`${to} ${from}`))
		.map(
			([from, to]) =>
				`${from} and ${to} know each other: ${known.get(`${from} ${to}`)}; ${known.get(`${to} ${from}`)}`
		);
}

/**
 * What a tree does against the rules, one line each.
 * @param home the tree's folder
 * @param folders of it, those that are there
 */
export async function findViolations(home: string, folders: string[]): Promise<string[]> {
	const { output } = await cruise(
		folders,
		{
			baseDir: home,
			validate: true,
			ruleSet: { forbidden: RULES },
			doNotFollow: { path: 'node_modules' },
			tsPreCompilationDeps: true,
			tsConfig: { fileName: join(home, 'tsconfig.json') },
			enhancedResolveOptions: {
				exportsFields: ['exports'],
				conditionNames: ['svelte', 'import', 'node', 'default', 'types'],
				extensions: ['.ts', '.js', '.mjs', '.svelte']
			}
		},
		{ alias: { $lib: join(home, 'src/lib') } },
		{ tsConfig: extractTSConfig(join(home, 'tsconfig.json')) }
	);
	if (typeof output === 'string') throw new Error(output);
	return [
		...output.summary.violations.map(({ rule, from, to }) => `${from} -> ${to}: ${rule.name}`),
		...findTwoWay(output.modules)
	];
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
	const home = fileURLToPath(new URL('..', import.meta.url));
	const found = await findViolations(home, ['core', 'src', 'demo', 'bin', 'e2e', 'bench']);
	if (found.length) {
		console.error(found.join('\n'));
		process.exit(1);
	}
	console.log('Every part knows only what it may.');
}
