import { balanceGimbal, mountPayload, radFromDeg } from '@poise/core';
import { scenario } from '@poise/demo';
import type { DemoDoors } from '$lib/server/supportKind';
import { mountedBodies, standingParts } from '$lib/model/payload';
import type { BenchState, GimbalGeometry } from './model';

const zerosM: Readonly<Record<string, Readonly<Record<string, number>>>> = scenario.hidden.zerosM;

/** The scenario's gimbals, what was logged on them, and a morning of looks at the horizon. */
export async function gimbalDemo({ make, log, note, payload: named, parts }: DemoDoors): Promise<void> {
	const made = new Map<string, Awaited<ReturnType<typeof make<GimbalGeometry>>>>();
	for (const each of scenario.rigs)
		made.set(each.name, await make<GimbalGeometry>(each as unknown as Parameters<typeof make<GimbalGeometry>>[0]));
	const gimbalOf = (name: string) => {
		const gimbal = made.get(name);
		if (gimbal === undefined) throw new Error(`The scenario names a gimbal it does not hold: ${name}`);
		return gimbal;
	};
	for (const entry of scenario.balances) {
		const gimbal = gimbalOf(entry.rig);
		const payload = named(entry.payload);
		const bodies = mountedBodies(standingParts(payload, parts));
		const { slides } = balanceGimbal({ chain: mountPayload({ rig: gimbal.geometry, payload: bodies }) });
		const missedByM: Readonly<Record<string, number>> = entry.missedByM;
		const offM = zerosM[entry.rig] ?? {};
		const positionsM = Object.fromEntries(
			slides.map(({ id, positionM }) => [id, positionM + (missedByM[id] ?? 0) + (offM[id] ?? 0)])
		);
		const state: BenchState = {
			positionsM,
			nudges: [],
			// Each axis was let go in the end and seen to hold.
			looks: gimbal.geometry.slides.map(({ id, balances }) => ({
				axisId: balances,
				kind: 'way',
				slideId: id,
				observation: 'holds',
				positionsM
			}))
		};
		await log(entry.person, { supportId: gimbal.id, payload, state, note: entry.note }, entry.daysAgo);
	}

	const { horizon } = scenario;
	const watched = gimbalOf(horizon.rig).id;
	const morning = Date.now() - 26 * 3600 * 1000;
	const noted = (minutes: number, entry: object) =>
		note(horizon.person, watched, entry, new Date(morning + minutes * 60_000));
	await noted(-1, { kind: 'calibration', minutes: 0, rollRad: 0, temperatureC: horizon.calibratedAtC });
	for (const [minutes, degrees, temperatureC] of horizon.readings as [number, number, number][])
		await noted(minutes, { kind: 'reading', minutes, rollRad: radFromDeg(degrees), temperatureC });
}
