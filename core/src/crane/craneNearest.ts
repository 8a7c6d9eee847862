import { type CraneInVenueInput, measured, type Near } from './craneInVenue';

/** Nearest distances are found to this. */
const withinM = 0.03;

/** How near a crane comes to something, and in which pose. 0 or less: it strikes. */
export interface Nearest {
	readonly id: string;
	readonly distanceM: number;
	readonly swingRad: number;
	readonly boomRad: number;
}

/**
 * How near a crane comes to each thing within its reach over its swings and booms, the nearest after what is to be kept first.
 *
 * By the same bound as {@link craneClearPoses}: a block of poses that cannot come nearer than what is found already is
 * not looked into. Found to 3 cm; where it strikes, how deep is not. `done` hears which share of the things is found. Throws alike.
 *
 * @example
 * craneNearest({ reach: { noseM: [3, 0], tailM: [-1, 0], lensM: [0, 0], keptLevel: true }, pivotM: [0, 0, 1.5], headingRad: 0, radiiM: { tube: 0, head: 0, camera: 0, weights: 0 }, swingRangeRad: [-1, 1], boomRangeRad: [0, 0], shapes: [{ id: 'wall', outlineM: [[4, -9], [4, 9]], closed: false, bottomM: 0, topM: 9, keepM: 0.5 }] })[0].distanceM; // 1
 */
export function craneNearest(input: CraneInVenueInput, done: (share: number) => void = () => {}): readonly Nearest[] {
	const { swingRange, boomRange, poseAt, distance, near, moves } = measured('craneNearest', input);
	return near
		.map((each, index) => {
			const found = nearestTo(each);
			done((index + 1) / near.length);
			return { keepM: each.keepM, found };
		})
		.sort((one, two) => one.found.distanceM - one.keepM - (two.found.distanceM - two.keepM))
		.map(({ found }) => found);

	function nearestTo(each: Near): Nearest {
		type Block = readonly [s0: number, s1: number, b0: number, b1: number];
		let best: Nearest = { id: each.shape.id, distanceM: Infinity, swingRad: 0, boomRad: 0 };
		/** By what it could come to, the least first: a plain list is short enough. */
		let waiting: { readonly box: Block; readonly bound: number }[] = [];
		const look = (box: Block) => {
			const [s0, s1, b0, b1] = box;
			const [swing, boom] = [(s0 + s1) / 2, (b0 + b1) / 2];
			const distanceM = distance(each, poseAt(swing, boom), Infinity);
			if (distanceM < best.distanceM) best = { ...best, distanceM, swingRad: swing, boomRad: boom };
			const bound = distanceM - moves(s1 - s0, b1 - b0);
			if (bound < best.distanceM - withinM) waiting.push({ box, bound });
		};
		const parts = Math.max(1, Math.ceil((swingRange[1] - swingRange[0]) / 0.4));
		for (let part = 0; part < parts; part += 1) {
			const at = (index: number) => swingRange[0] + ((swingRange[1] - swingRange[0]) * index) / parts;
			look([at(part), at(part + 1), ...boomRange]);
		}
		// Where it strikes, how deep says nothing more.
		while (waiting.length > 0 && best.distanceM > 0) {
			const round = waiting.filter(({ bound }) => bound < best.distanceM - withinM);
			waiting = [];
			// The likeliest first, so that the rest is cut off soon.
			for (const { box, bound } of round.sort((one, two) => one.bound - two.bound)) {
				if (bound >= best.distanceM - withinM) break;
				const [s0, s1, b0, b1] = box;
				if (s1 - s0 >= b1 - b0) {
					look([s0, (s0 + s1) / 2, b0, b1]);
					look([(s0 + s1) / 2, s1, b0, b1]);
				} else {
					look([s0, s1, b0, (b0 + b1) / 2]);
					look([s0, s1, (b0 + b1) / 2, b1]);
				}
			}
		}
		return best;
	}
}
