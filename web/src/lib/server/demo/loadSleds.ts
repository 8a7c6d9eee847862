import { radFromDeg, sledPlanes } from '@poise/core';
import { scenario } from '@poise/demo';
import { v7 as newId } from 'uuid';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import type { Part } from '$lib/model/part';
import type { SledDraft, SledEntry, SledSeen, SledSetting, SledShot } from '$lib/model/sled';
import { sledFromPattern, sledPatterns } from '$lib/supports/sled/patterns';
import { poisedFrom } from '$lib/supports/sled/poisedFrom';
import { freshSledState } from '$lib/supports/sled/state';
import { validated } from '../api';
import { addSledEntry, createSled } from '../db/sleds';
import { logSledBalance } from '../logSledBalance';
import { sledDraft, sledEntry } from '../schemas/sled';

/** The scenario's sleds with what was logged on them, through the same doors as anything typed. */
export async function loadSleds(
	crewId: string,
	personIds: ReadonlyMap<string, string>,
	payloads: ReadonlyMap<string, Payload>,
	shelf: ReadonlyMap<string, Part>
): Promise<void> {
	for (const each of scenario.sleds) {
		const pattern = sledPatterns.find(({ id }) => id === each.pattern);
		if (pattern === undefined) throw new Error(`The scenario has a sled of no known pattern: ${each.pattern}`);
		const sled = await createSled(crewId, validated<SledDraft>(sledFromPattern(pattern, each.name), sledDraft));
		const ago = (days: number) => new Date(Date.now() - days * 24 * 3600 * 1000).toISOString();
		const idOf = (name: string) => {
			const id = personIds.get(name);
			if (id === undefined) throw new Error(`The scenario names somebody who is not in the crew: ${name}`);
			return id;
		};
		for (const { person, payload: name, daysAgo, dropTimeS, shots, missedM, note } of each.balances) {
			const payload = payloads.get(name);
			if (payload === undefined) throw new Error(`The scenario balances something it does not hold: ${name}`);
			const bodies = mountedBodies(standingParts(payload, shelf));
			const state = poisedFrom(sled, bodies, {
				...freshSledState(sled),
				dropTimeS,
				shots: shots as readonly SledShot[]
			});
			const { setting } = state;
			const left = {
				...setting,
				fineForeM: setting.fineForeM + missedM.fineForeM,
				gimbalM: setting.gimbalM + missedM.gimbalM
			};
			await logSledBalance(
				crewId,
				idOf(person),
				{
					id: newId(),
					payloadId: payload.id,
					sledId: sled.id,
					payloadVersion: payload.version,
					state: { ...state, setting: left, seen: seenPoised(left, payload.version, dropTimeS) },
					note
				},
				ago(daysAgo)
			);
		}
		for (const { person, daysAgo, ...entry } of each.entries)
			await addSledEntry(crewId, idOf(person), sled.id, {
				...validated<SledEntry>(entry, sledEntry),
				at: ago(daysAgo)
			});
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
