import { describe, expect, it } from 'vitest';
import {
	type Mount,
	moveClearance,
	type MovingBody,
	type Obstacle,
	toPose,
	type Way,
	wayOfLeg,
	withCoasting
} from '../index';
import { between, seededRandom } from '../numeric/random';
import { wayAt, type WayAxis } from './way';
import { rounds } from '../testing/rounds';

const level = { headingRad: 0, tiltRad: 0, rollRad: 0 };
const mounts: Readonly<Record<string, { readonly mount: Mount; readonly names: readonly string[] }>> = {
	tripod: { mount: { kind: 'fixed', centreM: [0, 0, 1], base: level }, names: ['panRad', 'tiltRad'] },
	rail: {
		mount: { kind: 'track', startM: [0, 0, 1], headingRad: 0.4, inclineRad: 0.1, base: level },
		names: ['trackM', 'panRad', 'tiltRad']
	},
	crane: {
		mount: { kind: 'crane', pivotM: [0, 0, 1.2], headingRad: 0, armM: 2, noseToCentreM: [0.1, -0.2], keptLevel: true },
		names: ['swingRad', 'boomRad', 'panRad', 'tiltRad']
	}
};
const camera: MovingBody = { id: 'camera', on: 'camera', fromM: [-0.25, 0, 0], toM: [0.25, 0, 0], radiusM: 0.12 };

describe.each(Object.keys(mounts))('what a head may coast to that loses its link, on a %s', (key) => {
	const { mount, names } = mounts[key]!;
	const bodies =
		mount.kind === 'crane' ? [camera, { id: 'arm', on: 'arm', tailM: 0.5, radiusM: 0.06 } as const] : [camera];

	it.each(['pose', 'keys', 'one axis alone'] as const)('to a %s: nowhere nearer than was told', (kind) => {
		const random = seededRandom(key.length * 31 + kind.length);
		let [needed, driven] = [0, 0];
		for (let world = 0; world < rounds(40, 30); world += 1) {
			const axes = Object.fromEntries(
				names.map((name): [string, WayAxis] => {
					const ends = [between(random, -2.5, -1), between(random, 1, 2.5)] as const;
					return [name, { range: ends, maxRate: between(random, 0.3, 1.5), maxAccel: between(random, 0.4, 3) }];
				})
			);
			const goes = kind === 'one axis alone' ? [names[world % names.length]!] : names;
			const places = () =>
				Object.fromEntries(
					names.map((name) => [name, goes.includes(name) ? between(random, ...axes[name]!.range) : 0.3])
				);
			const keys = [0, 4, 7].map((tS) => ({ tS: tS + 3, values: places() }));
			const way =
				kind === 'pose' || random() < 0.3
					? toPose(places(), places(), axes)
					: wayOfLeg({
							...{ from: keys[0]!.values, axes },
							leg: { kind: 'keyed', name: '', keys, ends: random() < 0.5 ? 'still' : 'natural', restS: 0 }
						});
			// Past its soft ends it is no way.
			if (typeof way === 'string') continue;
			driven += 1;
			const shapes: Obstacle[] = [
				{
					id: 'ball',
					kind: 'sphere',
					centreM: [between(random, -2.5, 2.5), between(random, -2.5, 2.5), between(random, 0.5, 2)],
					radiusM: 0.1
				}
			];
			const { move, strays } = withCoasting({ way, axes });
			const told = moveClearance({ mount, moves: [move], strays, bodies, shapes, eachWithinM: 9 })[0]!.clearanceM;
			const plain = moveClearance({ mount, moves: [{ ...move, keys: keysOf(way) }], bodies, shapes })[0]!.clearanceM;
			for (let loss = 0; loss < 60; loss += 1) {
				const lostS = random() * way.durationS;
				const onS = Math.min(way.durationS, lostS + 0.2 * random());
				const { values, rates } = wayAt(way, onS);
				// Each axis brakes by itself, as hard as it can or by a third less, and stops at its soft end.
				const rests = Object.fromEntries(
					Object.entries(values).map(([name, value]) => {
						const { range, maxAccel } = axes[name]!;
						const brake = (between(random, 1, 1.5) * rates[name]! ** 2) / (2 * maxAccel);
						const at = value + Math.sign(rates[name]!) * brake;
						return [name, Math.min(Math.max(range[1], value), Math.max(Math.min(range[0], value), at))];
					})
				);
				// Half way to rest too: some axes are there before others.
				const between01 = Object.fromEntries(
					Object.entries(values).map(([name, value]) => [name, value + random() * (rests[name]! - value)])
				);
				for (const at of [rests, between01]) {
					const moves = [{ keys: [{ tS: 0, values: at }], ends: 'still', angles: 'asGiven' } as const];
					const near = moveClearance({ mount, moves, bodies, shapes })[0]!.clearanceM;
					expect(told, `world ${world}`).toBeLessThanOrEqual(Math.max(near, -0.12) + 1e-9);
					if (near < plain - 0.002) needed += 1;
				}
			}
		}
		// Without what it coasts more would have been told than there is.
		if (key !== 'tripod' || kind !== 'one axis alone') expect(needed).toBeGreaterThan(0);
		expect(driven).toBeGreaterThan(10);
	});

	function keysOf(way: Way) {
		return Array.from({ length: 100 }, (_, k) => {
			const s = (way.durationS * k) / 99;
			return { tS: s, values: wayAt(way, s).values };
		});
	}
});
