/** The arrows of docs/ARCHITECTURE.md, checked. */
module.exports = {
	forbidden: [
		{ name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
		{
			name: 'core-stands-alone',
			comment: 'The core imports nothing of the project and no runtime.',
			severity: 'error',
			from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
			to: { path: ['^(demo|web|scripts)/', '^node:'] }
		},
		{
			name: 'demo-is-data',
			severity: 'error',
			from: { path: '^demo/src' },
			to: { path: '^(web|scripts)/' }
		},
		{
			name: 'core-by-its-door',
			comment: 'Everyone enters the core by its index.',
			severity: 'error',
			from: { path: '^(demo|web)/' },
			to: { path: '^core/src/(?!index\\.ts$)' }
		},
		{
			name: 'queries-in-one-place',
			comment: 'Only src/lib/server/db speaks SQL; the demo loader writes its own crew.',
			severity: 'error',
			from: { path: '^web/src', pathNot: '^web/src/lib/server/(db|demo)/' },
			to: { path: '(drizzle-orm|node_modules/postgres/)' }
		},
		{
			name: 'page-code-stays-off-the-server',
			severity: 'error',
			from: { path: '^web/src/lib/server' },
			to: { path: '\\.svelte(\\.ts)?$' }
		}
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		tsConfig: { fileName: 'tsconfig.arrows.json' },
		tsPreCompilationDeps: false,
		enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'svelte', 'default'] }
	}
};
