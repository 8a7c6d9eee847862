import type { VenuePlan } from '$lib/model/venue';
import { fromPattern } from './fromPattern';
import { lookingAt } from './knots';
import { limit } from '$lib/model/limits';
import type { Move, Tempo } from './model';
import { movePatterns } from './patterns';

/** So far, in so long, past a subject so far off the line, with such a lens. */
export interface Sweep {
	readonly carries: 'slider' | 'dolly';
	readonly farM: number;
	readonly lastsS: number;
	/** Square off the middle of the line. */
	readonly subjectM: number;
	readonly focalM: number;
	readonly tempo: Tempo;
}
export const sweepLimits = {
	far: limit(0.05, 60, 'A hand’s breadth to a hall’s length.'),
	lasts: limit(0.5, 3600, 'Half a second to an hour.'),
	subject: limit(0.1, 200, 'Nearer it is inside the lens.'),
	focal: limit(0.004, 1.2, 'A lens of 4 to 1200 mm.')
} as const;
export const usualSweep: Sweep = { carries: 'slider', farM: 1, lastsS: 8, subjectM: 2, focalM: 0.035, tempo: 'smooth' };
/** What a carriage needs at either end of its rail. */
const spareM = { slider: 0.08, dolly: 0.4 } as const;

/** A move along a line as it is typed: the rail laid, its two knots put, the subject off its middle. */
export function sweepMove(sweep: Sweep, name: string, venueId: string | null, plan: VenuePlan | null): Move {
	const { carries, farM, lastsS, subjectM, focalM, tempo } = sweep;
	const bare = fromPattern(
		movePatterns.find(({ id }) => id === carries)!,
		name,
		venueId,
		plan
	);
	if (bare.support.kind !== 'rail') throw new Error('That pattern has no rail.');
	const spare = spareM[carries];
	const lengthM = farM + 2 * spare;
	const { headingRad, startM, supportsM, lengthM: wasM } = bare.support;
	const [c, s] = [Math.cos(headingRad), Math.sin(headingRad)];
	// About where the middle of the pattern's rail stands.
	const middle = (bare.support.travelM[0] + bare.support.travelM[1]) / 2;
	const [x, y, z] = [startM[0] + (middle - lengthM / 2) * c, startM[1] + (middle - lengthM / 2) * s, startM[2]];
	const half = lengthM / 2;
	const move: Move = {
		...bare,
		tempo,
		support: {
			...bare.support,
			startM: [x, y, z],
			lengthM,
			travelM: [spare, spare + farM],
			supportsM: supportsM.map((at) => (at / wasM) * lengthM)
		},
		subject: { ...bare.subject, atM: [x + half * c - subjectM * s, y + half * s + subjectM * c, z] }
	};
	const [first] = bare.knots;
	const at = (id: string, called: string, tS: number, trackM: number) => ({
		...first!,
		...{ id, name: called, tS },
		values: lookingAt(move, { ...first!.values, trackM, focalM })
	});
	return { ...move, knots: [at('k1', 'start', 0, spare), at('k2', 'end', lastsS, spare + farM)] };
}
