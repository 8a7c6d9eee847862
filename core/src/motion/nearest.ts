import type { Vec3 } from '../mass/body';

/** A stated distance lies no further under the true one than this. */
const withinM = 5e-4;
/** Looked at so often at most; past that what is left is stated by what is known of it, which is less. */
const mostLooks = 2_000_000;

/** A line that moves, and what stands about it. */
export interface Sweep {
	/** From when to when each leg goes; a leg of no length is looked at once. */
	readonly legsS: readonly (readonly [fromS: number, toS: number])[];
	readonly lineAt: (leg: number, tS: number) => readonly [a: Vec3, b: Vec3];
	/** No point of the line goes further than this over a share of a leg, which lies between two times. */
	readonly wayOver: (leg: number, share: number, fromS: number, toS: number) => number;
	/** From the line to each shape; 0 where they touch; `enough` for anything that far or further. */
	readonly distances: readonly ((a: Vec3, b: Vec3, enough: number) => number)[];
	/** Every shape is measured by itself as far as this; absent: only the nearest of all is. */
	readonly eachWithinM?: number;
	/** What lies further than this anyway, of all of them; default: nothing is known. */
	readonly knownM?: number;
}

/** Of one shape: never more than the true least distance, and at most half a millimetre less where it is the one asked for. */
export interface Found {
	readonly shape: number;
	readonly leastM: number;
	/** The least that was looked at, and when. */
	readonly foundM: number;
	readonly atS: number;
}

interface Stretch {
	readonly leg: number;
	readonly shape: number;
	readonly fromS: number;
	readonly toS: number;
	readonly share: number;
	readonly atFrom: number;
	readonly atTo: number;
	/** Within the stretch it is no nearer than this. */
	readonly bound: number;
}

/**
 * How near a moving line comes to each of the shapes, between the times that are looked at too: by conservative advancement.
 *
 * Over a stretch in which nothing goes further than `way`, the distance lies above `(d₀ + d₁ − way)/2`, whatever the path's
 * curve. The stretch with the least of these bounds is halved first, until the bounds left lie above what was found.
 */
export function nearest(sweep: Sweep): Found[] {
	const { legsS, lineAt, wayOver, distances, eachWithinM, knownM = Infinity } = sweep;
	const best = distances.map(() => Infinity);
	const bestAtS = distances.map(() => legsS[0]?.[0] ?? 0);
	const certified = distances.map(() => Infinity);
	let [least, looks] = [knownM, 0];
	/** Beyond this nobody asks: of all of them, or of each. */
	const asked = (shape: number) =>
		eachWithinM === undefined ? least - withinM : Math.min(best[shape]! - withinM, eachWithinM);
	/** No further than a stretch of so long a way could bring it to what is asked. */
	const look = (shape: number, a: Vec3, b: Vec3, tS: number, way: number): number => {
		looks += 1;
		const enough = asked(shape) + way + withinM;
		const distance = distances[shape]!(a, b, enough);
		// Only a bound: nothing was seen that near.
		if (distance >= enough) return enough;
		if (distance < best[shape]!) [best[shape], bestAtS[shape]] = [distance, tS];
		if (distance < least) least = distance;
		return distance;
	};
	const stretch = (
		leg: number,
		shape: number,
		[fromS, toS]: readonly [number, number],
		share: number,
		atFrom: number,
		atTo: number
	): Stretch => {
		const bound = Math.max(0, (atFrom + atTo - wayOver(leg, share, fromS, toS)) / 2);
		return { leg, shape, fromS, toS, share, atFrom, atTo, bound };
	};
	const waiting: Stretch[] = [];
	legsS.forEach((leg, k) => {
		const [fromS, toS] = leg;
		const [start, end] = [lineAt(k, fromS), lineAt(k, toS)];
		const way = wayOver(k, 1, fromS, toS);
		for (let shape = 0; shape < distances.length; shape += 1)
			waiting.push(stretch(k, shape, leg, 1, look(shape, ...start, fromS, way), look(shape, ...end, toS, way)));
	});
	// The likeliest first: what they find spares looking at the rest.
	waiting.sort((one, two) => two.bound - one.bound);
	for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
		const { leg, shape, fromS, toS, share, atFrom, atTo, bound } = next;
		const middleS = (fromS + toS) / 2;
		// A stretch that time cannot halve any more is as finely known as it gets.
		if (bound >= asked(shape) || looks >= mostLooks || !(middleS > fromS && middleS < toS)) {
			certified[shape] = Math.min(certified[shape]!, bound);
			continue;
		}
		const [a, b] = lineAt(leg, middleS);
		const atMiddle = look(shape, a, b, middleS, wayOver(leg, share / 2, fromS, middleS));
		const halves = [
			stretch(leg, shape, [fromS, middleS], share / 2, atFrom, atMiddle),
			stretch(leg, shape, [middleS, toS], share / 2, atMiddle, atTo)
		] as const;
		// The nearer half is looked at first.
		if (halves[0].bound < halves[1].bound) waiting.push(halves[1], halves[0]);
		else waiting.push(halves[0], halves[1]);
	}
	return distances.map((_, shape) => ({
		shape,
		leastM: Math.min(best[shape]!, certified[shape]!),
		foundM: best[shape]!,
		atS: bestAtS[shape]!
	}));
}
