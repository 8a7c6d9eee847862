const { existsSync, readdirSync } = require('node:fs');
const { join } = require('node:path');

/** The arrows of docs/ARCHITECTURE.md, checked; `web/tests/http/arrows.test.ts` sees each of them bite. */
const lib = '^web/src/lib/';
/** Whatever folder holds a kind's own part is a kind: a new one is guarded from its first file. */
const folder = join(__dirname, 'web/src/lib/supports');
const kinds = readdirSync(folder).filter((each) => existsSync(join(folder, each, 'kind.server.ts')));
const ofKinds = `${lib}supports/(${kinds.join('|')})/`;
/** From what everybody may use to what uses everybody; nobody imports from further down the list. */
const order = ['model', 'sheet', 'keeping', 'shell', 'places', 'supports', 'stations'];
const arrows = order.slice(0, -1).map((room, index) => ({
	name: `${room}-looks-down`,
	comment: `${room} imports nothing of ${order.slice(index + 1).join(', ')}.`,
	severity: 'error',
	from: { path: `${lib}${room}/`, pathNot: '\\.test\\.ts$' },
	to: { path: `${lib}(${order.slice(index + 1).join('|')})/` }
}));

module.exports = {
	forbidden: [
		...arrows,
		{
			name: 'stations-apart',
			comment: 'A station imports nothing of another.',
			severity: 'error',
			from: { path: `${lib}stations/([^/]+)/`, pathNot: '\\.test\\.ts$' },
			to: { path: `${lib}stations/`, pathNot: `${lib}stations/$1/` }
		},
		{
			name: 'kinds-apart',
			comment: 'A kind of support imports nothing of another.',
			severity: 'error',
			from: { path: `${lib}supports/([^/]+)/` },
			to: { path: ofKinds, pathNot: `${lib}supports/$1/` }
		},
		{
			name: 'only-the-registry-names-kinds',
			comment: 'Outside the folders of the kinds nobody but the registry imports one of them.',
			severity: 'error',
			from: {
				path: '^web/src/(lib/(model|sheet|keeping|shell|places|server|supports/[^/]+$|supports/(log|swap)/)|hooks)',
				pathNot: `(^web/src/lib/supports/registry\\.ts|^web/src/lib/server/db/gearChanges\\.ts|\\.test\\.ts)$`
			},
			to: { path: ofKinds }
		},
		{
			name: 'pages-off-the-server',
			comment: 'What runs in a browser imports nothing of the server but types.',
			severity: 'error',
			from: {
				path: '^web/src/',
				pathNot:
					'^web/src/(lib/server/|hooks\\.server|routes/.*\\+(page|layout)?\\.?server|lib/.*\\.server\\.ts|lib/.*\\.test\\.ts)'
			},
			to: { path: '^web/src/(lib/server/|lib/.*\\.server\\.ts)', dependencyTypesNot: ['type-only'] }
		},
		{
			name: 'no-unresolved',
			severity: 'error',
			from: { pathNot: '\\.svelte-kit' },
			to: { couldNotResolve: true, pathNot: '^(\\$app/|\\$env/|\\$service-worker|\\./\\$types|virtual:|@poise/)' }
		},
		{
			name: 'no-circles-by-glob',
			comment: 'What is found by its folder does not come back to whoever finds it.',
			severity: 'error',
			from: { path: `${lib}supports/[^/]+/kind\\.server\\.ts$` },
			to: { path: '^web/src/lib/server/kinds\\.ts$', reachable: true }
		},
		{
			name: 'no-station-circles-by-glob',
			comment: 'A station does not come back to whoever asks all of them.',
			severity: 'error',
			from: { path: `${lib}stations/[^/]+/station\\.server\\.ts$` },
			to: { path: '^web/src/lib/server/stations\\.ts$', reachable: true }
		},
		{
			name: 'server-names-no-station',
			comment: 'What serves every station finds them by their folders.',
			severity: 'error',
			from: { path: '^web/src/(lib/server/|hooks)', pathNot: '\\.test\\.ts$' },
			to: { path: `${lib}stations/` }
		},
		{ name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
		{
			name: 'core-stands-alone',
			comment: 'The core imports nothing of the project and no runtime.',
			severity: 'error',
			from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
			to: { path: '^(link|desk|head-sim|demo|web|scripts)/' }
		},
		{
			name: 'link-stands-alone',
			comment: 'What a desk and a head say to each other knows neither of them.',
			severity: 'error',
			from: { path: '^link/src', pathNot: '\\.test\\.ts$' },
			to: { path: '^(core|desk|head-sim|demo|web|scripts)/' }
		},
		{
			name: 'desk-without-pages',
			comment: 'The desk knows no page, no database and no simulated head.',
			severity: 'error',
			from: { path: '^desk/src', pathNot: '\\.test\\.ts$' },
			to: { path: '^(head-sim|demo|web|scripts)/' }
		},
		{
			name: 'heads-know-no-desk',
			comment: 'A simulated head knows a desk by the link alone.',
			severity: 'error',
			from: { path: '^head-sim/src', pathNot: '\\.test\\.ts$' },
			to: { path: '^(desk|demo|web|scripts)/' }
		},
		{
			name: 'core-without-a-runtime',
			comment: 'The core reads no file and opens no socket.',
			severity: 'error',
			from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
			to: { dependencyTypes: ['core'] }
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
			from: { path: '^(link|desk|head-sim|demo|web)/' },
			to: { path: '^core/src/(?!index\\.ts$)' }
		},
		{
			name: 'queries-in-one-place',
			comment: 'Only src/lib/server/db and a station’s own server part speak SQL; the demo loader writes its own crew.',
			severity: 'error',
			from: {
				path: '^web/src',
				pathNot: '^web/src/lib/(server/(db|demo)/|stations/[^/]+/[^/]+\\.server\\.ts$)'
			},
			to: { path: '(drizzle-orm|node_modules/postgres/)' }
		},
		{
			name: 'page-code-stays-off-the-server',
			severity: 'error',
			from: { path: '^web/src/lib/(server|stations/.*\\.server\\.ts$)' },
			to: { path: '\\.svelte(\\.ts)?$' }
		}
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		tsConfig: { fileName: 'tsconfig.arrows.json' },
		tsPreCompilationDeps: true,
		enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'svelte', 'default'] }
	}
};
