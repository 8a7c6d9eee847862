import { scenario } from '@poise/demo';
import { completePositions, solveBench } from '$lib/supports/gimbal/figures';
import type { GimbalRecord } from '$lib/supports/gimbal/model';
import type { Part } from '$lib/model/part';
import { mountedBodies, type Payload, type StandingPart, standingParts } from '$lib/model/payload';
import type { Positions, Gimbal } from '$lib/supports/gimbal/model';

/** The demo scenario as the application holds it, for the unit tests; names stand in for ids. */
export const shelf: readonly Part[] = scenario.parts.map((part) => ({ ...part, id: part.name }) as unknown as Part);

const partNamed = new Map(shelf.map((part) => [part.name, part]));

export function part(name: string): Part {
	const found = partNamed.get(name);
	if (found === undefined) throw new Error(`The scenario has no part called ${name}`);
	return found;
}

export function payload(word: string): Payload {
	const found = scenario.payloads.find(({ name }) => name.includes(word));
	if (found === undefined) throw new Error(`The scenario has no payload like ${word}`);
	return {
		id: found.name,
		name: found.name,
		version: 1,
		updatedAt: '2026-01-01T00:00:00.000Z',
		platePartId: found.plate,
		placements: found.placements.map(({ part, positionM }, index) => ({
			id: `${part} ${index}`,
			partId: part,
			positionM: positionM as unknown as readonly [number, number, number]
		}))
	};
}

export const standing = (of: Payload): StandingPart[] => standingParts(of, partNamed);
export const bodies = (of: Payload) => mountedBodies(standing(of));

export function rig(word: string): Gimbal {
	const found = scenario.rigs.find(({ name }) => name.includes(word));
	if (found === undefined) throw new Error(`The scenario has no gimbal like ${word}`);
	return { id: found.name, ...found } as unknown as Gimbal;
}

export const targetsOf = (on: Gimbal, of: Payload): Positions =>
	Object.fromEntries(solveBench(on, bodies(of)).slides.map(({ id, positionM }) => [id, positionM]));

/** A record of that payload on that gimbal, as logged with these positions. */
export function record(of: Payload, on: Gimbal, positionsM: Positions): GimbalRecord {
	return {
		id: 'record',
		kind: 'gimbal',
		payloadId: of.id,
		supportId: on.id,
		payloadName: of.name,
		supportName: on.name,
		payloadMassKg: bodies(of).reduce((sum, { body }) => sum + body.massKg, 0),
		placed: true,
		poised: true,
		struck: false,
		note: '',
		personName: 'Maren Olt',
		loggedAt: '2026-01-02T00:00:00.000Z',
		snapshot: { payload: of, parts: shelf },
		support: on,
		positionsM: completePositions(on, positionsM),
		axes: [],
		nudges: [],
		found: on.geometry.slides.map(({ id }) => id)
	};
}
