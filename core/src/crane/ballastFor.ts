import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';
import { footprintOf } from './footprint';
import { type EnvelopeInput, stabilityEnvelope } from './stabilityEnvelope';
import { craneWeight } from './stability';

export type Ballast =
	| { readonly feasible: true; readonly massKg: number; readonly reserveBefore: number }
	| { readonly feasible: false; readonly reserveBefore: number; readonly mostReserve: number };

/** No base is loaded with more; a search that comes here has no answer. */
const mostKg = 5000;

/**
 * How much ballast at one place on the base brings the least reserve up to the wanted one.
 *
 * As {@link stabilityEnvelope}; `atM` in the ground frame. Not feasible where that place never gets there, with the most it can
 * give. Throws `PhysicsInputError` for a wanted reserve outside 0 to 1, or what the envelope refuses.
 *
 * Every edge's worst net moment N grows with m as its scale W c does, so each edge's reserve is monotone in m: halving finds the
 * least mass to a gram.
 *
 * @example
 * ballastFor({ footprintM: [[1, 1], [-1, 1], [-1, -1], [1, -1]], base: [{ massKg: 8, cgM: [0, 0, 0] }], pivotM: [0, 0, 1],
 *   arm: { parts: [{ id: 'nose', massKg: 2, uM: 2.5, vM: 0 }] }, boomRangeRad: [0, 0], atM: [0, 0, 0], wantedReserve: 0.75 }).massKg; // 10
 */
export function ballastFor(input: EnvelopeInput & { readonly atM: Vec3; readonly wantedReserve: number }): Ballast {
	const check = checksFor('ballastFor');
	const atM = check.vector('atM', input.atM);
	const wanted = check.number('wantedReserve', input.wantedReserve);
	if (!(wanted > 0 && wanted < 1)) check.fail('wantedReserve', 'must be between 0 and 1', wanted);
	footprintOf('ballastFor', input.footprintM);
	craneWeight('ballastFor', input);
	const reserveWith = (massKg: number) =>
		stabilityEnvelope({ ...input, base: [...input.base, { massKg, cgM: atM }] }).reserve;
	const reserveBefore = reserveWith(0);
	if (reserveBefore >= wanted) return { feasible: true, massKg: 0, reserveBefore };
	// The least reserve over edges is a least of functions (N + m g k)/((W + m g) c), each monotone in m.
	let [low, high] = [0, 1];
	while (high < mostKg && reserveWith(high) < wanted) high *= 2;
	if (reserveWith(high) < wanted)
		return { feasible: false, reserveBefore, mostReserve: Math.max(reserveBefore, reserveWith(mostKg)) };
	for (let step = 0; step < 80; step += 1) {
		const middle = (low + high) / 2;
		if (reserveWith(middle) < wanted) low = middle;
		else high = middle;
	}
	return { feasible: true, massKg: high, reserveBefore };
}
