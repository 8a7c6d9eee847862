import { radFromDeg, sledPlanes } from '@poise/core';
import { scenario } from '@poise/demo';
import type { DemoDoors } from '$lib/server/supportKind';
import { mountedBodies, standingParts } from '$lib/model/payload';
import type { SledGeometry, SledSeen, SledSetting, SledShot } from './model';
import { sledFromPattern, sledPatterns } from './patterns';
import { poisedFrom } from './poisedFrom';
import { freshSledState } from './state';

/** The scenario's sleds with what was logged on them. */
export async function sledDemo({ make, log, note, payload: named, parts }: DemoDoors): Promise<void> {
	for (const each of scenario.sleds) {
		const pattern = sledPatterns.find(({ id }) => id === each.pattern);
		if (pattern === undefined) throw new Error(`The scenario has a sled of no known pattern: ${each.pattern}`);
		const sled = await make<SledGeometry>(sledFromPattern(pattern, each.name));
		for (const { person, payload: name, daysAgo, dropTimeS, shots, missedM, note: words } of each.balances) {
			const payload = named(name);
			const bodies = mountedBodies(standingParts(payload, parts));
			const wished = { ...freshSledState(sled), dropTimeS, shots: shots as readonly SledShot[] };
			const { setting, ...state } = poisedFrom(sled, bodies, wished);
			const left = {
				...setting,
				fineForeM: setting.fineForeM + missedM.fineForeM,
				gimbalM: setting.gimbalM + missedM.gimbalM
			};
			const seen = seenPoised(left, payload.version, dropTimeS);
			await log(
				person,
				{ supportId: sled.id, payload, state: { ...state, setting: left, seen }, note: words },
				daysAgo
			);
		}
		for (const { person, daysAgo, ...entry } of each.entries)
			await note(person, sled.id, entry, new Date(Date.now() - daysAgo * 24 * 3600 * 1000));
	}
}

/** Left so, it was let go in both planes, timed, and seen to be right: the hand knows more than the shelf does. */
const seenPoised = (setting: SledSetting, payloadVersion: number, dropTimeS: number): SledSeen[] => [
	...sledPlanes.map((plane) => ({
		kind: 'rest' as const,
		plane,
		leanRad: 0,
		sigmaRad: radFromDeg(0.5),
		setting,
		payloadVersion
	})),
	...sledPlanes.map((plane) => ({
		kind: 'spin' as const,
		plane,
		leanRad: 0,
		sigmaRad: radFromDeg(1),
		spinRadPerS: Math.PI,
		setting,
		payloadVersion
	})),
	{ kind: 'drop', plane: 'fore', dropTimeS, sigmaS: 0.05, runsS: [dropTimeS], setting, payloadVersion }
];
