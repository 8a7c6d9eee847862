import { startApplication } from '../application.mjs';
import {
	dragLatency,
	dragOfMove,
	dragOfSetting,
	dragOnSlowMachine,
	firstLoads,
	playOfMove,
	savesBesideInserts
} from '../bench/served.mjs';
import { crowded } from '../bench/crowd.mjs';
import { freeUdpPort } from '../heads.mjs';
import { root } from '../places.mjs';
import { freePort, startThrowAwayCluster } from '../postgres.mjs';
import { needBuild, needModules, needPackage } from '../prerequisites.mjs';
import { run } from '../steps.mjs';

/** Every figure on its own line, as JSON; progress goes to the other stream. */
export default async function bench() {
	await needModules();
	await needPackage('postgresql');
	await needPackage('chromium');
	await needBuild();
	process.stdout.write(await run('npx', ['tsx', 'scripts/bench/core.ts'], { cwd: root }));
	const cluster = await startThrowAwayCluster({ durable: true });
	const headsPort = String(await freeUdpPort());
	try {
		const application = await startApplication({
			databaseUrl: cluster.address,
			port: await freePort(26_000),
			env: { POISE_HEADS_PORT: headsPort },
			quiet: true
		});
		try {
			process.stdout.write(
				await run(
					'npx',
					['tsx', 'scripts/bench/live.ts', application.origin, headsPort, String(application.process.pid)],
					{ cwd: root }
				)
			);
			process.stdout.write(
				await run('npx', ['tsx', 'scripts/bench/soak.ts', application.origin, headsPort, '1'], { cwd: root })
			);
			await savesBesideInserts(application.origin, cluster.address);
			await dragLatency(application.origin);
			await dragOfSetting(application.origin);
			await dragOfMove(application.origin);
			await playOfMove(application.origin);
			await dragOnSlowMachine(application.origin);
			await firstLoads(application.origin);
			await crowded(application.origin);
		} finally {
			await application.stop();
		}
	} finally {
		await cluster.stop();
	}
}
