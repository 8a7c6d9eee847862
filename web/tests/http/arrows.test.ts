import { execFile } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { expect, it } from 'vitest';

const root = fileURLToPath(new URL('../../..', import.meta.url));
const { forbidden } = createRequire(import.meta.url)('../../../.dependency-cruiser.cjs') as {
	readonly forbidden: readonly { readonly name: string }[];
};
const lib = 'web/src/lib';

/** A file for each arrow that goes against it: where it lies, and what it imports. */
const against: Readonly<Record<string, readonly (readonly [file: string, source: string])[]>> = {
	'model-looks-down': [[`${lib}/model/zz.ts`, "import '$lib/sheet/when';"]],
	'sheet-looks-down': [[`${lib}/sheet/zz.ts`, "import '$lib/keeping/history';"]],
	'keeping-looks-down': [
		[`${lib}/keeping/zz.ts`, "import type { StationState } from '$lib/shell/stations';\nexport type Zz = StationState;"]
	],
	'shell-looks-down': [[`${lib}/shell/zz.ts`, "import '$lib/places/plan';"]],
	'places-looks-down': [[`${lib}/places/zz.ts`, "import '$lib/supports/registry';"]],
	'supports-looks-down': [[`${lib}/supports/zz.ts`, "import '$lib/stations/payload/sheets';"]],
	'stations-apart': [[`${lib}/stations/payload/zz.ts`, "import '$lib/stations/logbook/lesson';"]],
	'kinds-apart': [
		[`${lib}/supports/sled/zz.ts`, "import '$lib/supports/gimbal/reading';"],
		[`${lib}/supports/sled/zzf.ts`, "import '$lib/supports/zzfifth/state';"]
	],
	'only-the-registry-names-kinds': [
		[`${lib}/server/zz.ts`, "import '$lib/supports/sled/state';"],
		[`${lib}/server/zzf.ts`, "import '$lib/supports/zzfifth/state';"],
		[`${lib}/supports/zzfifth/state.ts`, 'export const state = 1;']
	],
	'pages-off-the-server': [[`${lib}/stations/zz.ts`, "import '$lib/server/refusal';"]],
	'no-unresolved': [[`${lib}/model/zzz.ts`, "import './nowhere';"]],
	// A kind that nobody knows yet, found by its folder alone.
	'no-circles-by-glob': [[`${lib}/supports/zzfifth/kind.server.ts`, "import '$lib/server/kinds';"]],
	'no-station-circles-by-glob': [[`${lib}/stations/zznotes/station.server.ts`, "import '$lib/server/stations';"]],
	'server-names-no-station': [[`${lib}/server/zzs.ts`, "import '$lib/stations/feel/limits';"]],
	'no-circles': [
		[`${lib}/model/zza.ts`, "import './zzb';"],
		[`${lib}/model/zzb.ts`, "import './zza';"]
	],
	'core-stands-alone': [['core/src/zzw.ts', "import '../../web/src/lib/model/gear';"]],
	'link-stands-alone': [['link/src/zz.ts', "import '../../core/src/index';"]],
	'desk-without-pages': [['desk/src/zz.ts', "import '../../web/src/lib/model/gear';"]],
	'heads-know-no-desk': [['head-sim/src/zz.ts', "import '../../desk/src/clocks';"]],
	'core-without-a-runtime': [['core/src/zz.ts', "import 'node:fs';"]],
	'demo-is-data': [['demo/src/zz.ts', "import '../../web/src/lib/model/gear';"]],
	'core-by-its-door': [[`${lib}/model/zzd.ts`, "import '../../../../core/src/units';"]],
	'queries-in-one-place': [[`${lib}/server/zzq.ts`, "import 'drizzle-orm';"]],
	'page-code-stays-off-the-server': [[`${lib}/server/zzp.ts`, "import '$lib/keeping/keptDocument.svelte';"]]
};

/** Imported by the others, and going against nothing. */
const innocent = new Set([`${lib}/supports/zzfifth/state.ts`, `${lib}/model/zzb.ts`]);

it('every arrow of the map bites what goes against it', async () => {
	expect(Object.keys(against).sort()).toEqual(forbidden.map(({ name }) => name).sort());
	const files = Object.values(against).flat();
	try {
		for (const [file, source] of files) {
			mkdirSync(path.dirname(path.join(root, file)), { recursive: true });
			writeFileSync(path.join(root, file), `${source}\n`);
		}
		const { stdout } = await promisify(execFile)(
			'npx',
			['depcruise', '--config', '.dependency-cruiser.cjs', '--output-type', 'json', ...files.map(([file]) => file)],
			{ cwd: root, maxBuffer: 64 * 1024 * 1024 }
		).catch((thrown: { stdout: string }) => thrown);
		const { summary } = JSON.parse(stdout) as {
			summary: { violations: readonly { rule: { name: string }; from: string }[] };
		};
		for (const [name, breaking] of Object.entries(against))
			for (const [file] of breaking.filter(([file]) => !innocent.has(file)))
				expect(
					summary.violations.some(({ rule, from }) => rule.name === name && from === file),
					`${name} lets ${file} pass`
				).toBe(true);
	} finally {
		for (const [file] of files) rmSync(path.join(root, file), { force: true });
		for (const folder of ['supports/zzfifth', 'stations/zznotes'])
			rmSync(path.join(root, lib, folder), { recursive: true, force: true });
	}
});
