import { combineBodies } from '@poise/core';
import { tryFigures } from '$lib/supports/tryFigures';
import type { Part } from '$lib/model/part';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import type { UnitSystem } from '$lib/model/person';
import type { SledBenchState, SledRig, SledSetting } from './model';
import { sledFigures } from './figures';
import { poisedFrom } from './poisedFrom';
import { type SledLine, linesBetween } from './slip';
import { freshSledState } from './state';
import { settledOn } from './standing';

/** One build on the sled: its mass, where everything stands once it is in place, and whether it then is. */
export interface SledBuild {
	readonly payload: Payload;
	readonly payloadKg: number;
	readonly setting: SledSetting;
	readonly poised: boolean;
	readonly dropTimeS: number | null;
}

/**
 * Every build as it would stand on the sled, solved by the same wishes and movers from one and the same start, so that only
 * the builds differ. Builds with nothing on the plate are left out.
 */
export function sledBuilds(
	sled: SledRig,
	payloads: readonly Payload[],
	shelf: readonly Part[],
	wishes: Pick<SledBenchState, 'dropTimeS' | 'shots' | 'movers' | 'setting'>
): SledBuild[] {
	const byId = new Map(shelf.map((part) => [part.id, part]));
	const start: SledBenchState = {
		...freshSledState(sled),
		dropTimeS: wishes.dropTimeS,
		shots: wishes.shots,
		movers: wishes.movers,
		// Weights, tilts and the post stay as they are; slides begin at their middle.
		setting: settledOn(sled.geometry, {
			...freshSledState(sled).setting,
			pulledOutM: wishes.setting.pulledOutM,
			weights: wishes.setting.weights,
			items: Object.fromEntries(
				Object.entries(wishes.setting.items).map(([id, at]) => [
					id,
					wishes.movers.includes(id) ? { ...at, foreM: 0, sideM: 0 } : at
				])
			)
		})
	};
	return payloads.flatMap((payload) => {
		const parts = standingParts(payload, byId);
		if (parts.length < 2) return [];
		const bodies = mountedBodies(parts);
		const found = tryFigures(() => {
			const state = poisedFrom(sled, bodies, start);
			return { state, figures: sledFigures(sled, bodies, state, null) };
		});
		if (found === null) return [];
		const { massKg } = combineBodies({ bodies: bodies.map(({ body }) => body) });
		return [
			{
				payload,
				payloadKg: massKg,
				setting: found.state.setting,
				poised: found.figures.placed && found.figures.fit !== 'tooHeavy',
				dropTimeS: found.figures.report.dropTimeS.fore
			}
		];
	});
}

/** From one build to another, in the hand's own lines. */
export const swapLines = (sled: SledRig, from: SledBuild, to: SledBuild, units: UnitSystem): SledLine[] =>
	linesBetween(sled.geometry, from.setting, to.setting, units);

/**
 * Where the other build goes from how this one truly stands: the computed change, added to what was found right. What
 * the figures have wrong about the sled itself cancels.
 */
export function carriedOver(sled: SledRig, standing: SledSetting, from: SledBuild, to: SledBuild): SledSetting {
	const add = (of: (setting: SledSetting) => number) => of(standing) + of(to.setting) - of(from.setting);
	return settledOn(sled.geometry, {
		...standing,
		gimbalM: add(({ gimbalM }) => gimbalM),
		coarseForeM: add(({ coarseForeM }) => coarseForeM),
		fineForeM: add(({ fineForeM }) => fineForeM),
		fineSideM: add(({ fineSideM }) => fineSideM),
		items: Object.fromEntries(
			Object.entries(standing.items).map(([id, at]) => {
				const by = (axis: 'foreM' | 'sideM' | 'upM') =>
					at[axis] + (to.setting.items[id]?.[axis] ?? 0) - (from.setting.items[id]?.[axis] ?? 0);
				return [id, { ...at, foreM: by('foreM'), sideM: by('sideM'), upM: by('upM') }];
			})
		)
	});
}
