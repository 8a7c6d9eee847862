import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './web/svelte.config.js';

export default ts.config(
	{
		ignores: [
			'**/node_modules/',
			'**/build/',
			'**/.svelte-kit/',
			'.poise/',
			'**/.stryker-tmp/',
			'web/drizzle/',
			'core/vectors/',
			'.dependency-cruiser.cjs'
		]
	},
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	{
		languageOptions: { globals: { ...globals.node } },
		rules: {
			'@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
			// The compiler checks names, with types.
			'no-undef': 'off',
			eqeqeq: ['error', 'always', { null: 'ignore' }],
			// Longer ones say why.
			'max-lines': ['error', { max: 250 }],
			// Served from the root of its own host; there is no base path to resolve against.
			'svelte/no-navigation-without-resolve': 'off'
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: {
			globals: { ...globals.browser },
			parserOptions: { extraFileExtensions: ['.svelte'], parser: ts.parser, svelteConfig }
		},
		rules: {
			// Maps here are values, replaced whole and never changed in place.
			'svelte/prefer-svelte-reactivity': 'off'
		}
	},
	{ files: ['**/*.test.ts', 'web/tests/**'], rules: { 'max-lines': 'off' } },
	{
		files: ['web/src/**/*.{ts,svelte}'],
		ignores: ['**/*.test.ts'],
		rules: {
			'no-restricted-syntax': [
				'error',
				...[
					"BinaryExpression[operator='/'][left.property.name='PI'][right.value=180]",
					"BinaryExpression[operator='/'][left.operator='*'][left.right.value=180][right.property.name='PI']",
					'Literal[value=9.80665]'
				].map((selector) => ({ selector, message: 'Units meet SI in core/src/units.ts alone.' }))
			]
		}
	},
	{
		files: ['web/src/**/*.ts'],
		ignores: ['web/src/lib/server/schemas/quantities.ts', '**/*.test.ts'],
		rules: {
			'no-restricted-properties': [
				'error',
				{
					object: 'Joi',
					property: 'number',
					message: 'A number is `within` a limit, and every limit has its reason in a table.'
				}
			]
		}
	},
	{
		files: ['web/src/**/*.svelte'],
		ignores: ['web/src/lib/sheet/fields/**'],
		rules: {
			'svelte/no-restricted-html-elements': [
				'error',
				{
					elements: ['button', 'input', 'select', 'textarea', 'dialog'],
					message: 'Controls are made in lib/sheet/fields.'
				}
			]
		}
	},
	{
		files: ['core/src/**/*.ts'],
		ignores: ['**/*.test.ts', 'core/src/testing/**'],
		rules: {
			'no-console': 'error',
			'no-restricted-globals': ['error', 'process', 'fetch', 'window', 'document', 'performance', 'Date']
		}
	}
);
