import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import config from './svelte.config.js';
import limits from './eslint.limits.js';

export default ts.config(
	{ ignores: ['build/', '.svelte-kit/', 'node_modules/', 'data/'] },
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	{ languageOptions: { globals: { ...globals.browser, ...globals.node } } },
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: { parserOptions: { parser: ts.parser, svelteConfig: config } }
	},
	{
		rules: {
			'@typescript-eslint/no-explicit-any': 'error',
			'@typescript-eslint/no-unused-vars': [
				'error',
				{ argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }
			],
			'no-undef': 'off',
			// One base path, known links: resolve() around each would say nothing.
			'svelte/no-navigation-without-resolve': 'off',
			'svelte/prefer-svelte-reactivity': 'off',
			'no-control-regex': 'off'
		}
	},
	{
		// The core has no clock, no database, no framework, no file, no network, and no Date.
		files: ['core/**/*.ts'],
		ignores: ['core/**/*.test.ts', 'core/testing/**'],
		rules: {
			'no-restricted-globals': ['error', 'Date', 'process', 'fetch', 'window', 'document'],
			'no-restricted-imports': [
				'error',
				{
					patterns: [
						'#server/*',
						'$lib/*',
						'$app/*',
						'**/src/**',
						'node:*',
						'svelte*',
						'@sveltejs/*',
						'better-sqlite3'
					]
				}
			]
		}
	},
	...limits
);
