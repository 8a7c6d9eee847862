import type { KeyedMove, MoveKey, readPath } from '@poise/core';
import type { Axis, Knot, Move } from './model';
import type { Law } from './tempo';

/** A knot, or some in a row that stand alike: the move rests there from the first to the last of them. */
export interface Stand {
	readonly knot: Knot;
	readonly tS: number;
	readonly dwellS: number;
}
export function standsOf({ knots }: Move, axes: readonly Axis[]): Stand[] {
	const near = (one: number, other: number) => Math.abs(one - other) < 1e-9;
	const alike = (one: Knot, other: Knot) =>
		axes.every((axis) => near(one.values[axis] ?? 0, other.values[axis] ?? 0)) &&
		(['panRad', 'tiltRad', 'focusM'] as const).every((axis) => near(one.off[axis], other.off[axis]));
	const stands: Stand[] = [];
	for (const knot of knots) {
		const before = stands[stands.length - 1];
		if (before !== undefined && alike(before.knot, knot))
			stands[stands.length - 1] = { ...before, dwellS: knot.tS + knot.dwellS - before.tS };
		else stands.push({ knot, tS: knot.tS, dwellS: knot.dwellS });
	}
	return stands;
}

/** The stands of each stretch from stop to stop. */
export function stretchesOf(stands: readonly Stand[]): (readonly Stand[])[] {
	const stops = stands.flatMap(({ dwellS }, k) => (k === 0 || k === stands.length - 1 || dwellS > 0 ? [k] : []));
	return stops.slice(1).map((to, k) => stands.slice(stops[k]!, to + 1));
}

/** Times of a stretch at which the head is told where to be: its share of the way there, and how fast that goes. */
export interface Instant {
	readonly tS: number;
	/** The time of the knots' own path. */
	readonly pathS: number;
	/** How fast that time goes. */
	readonly rate: number;
}
export function instantsOf(
	law: Law,
	[startS, endS]: readonly [number, number],
	betweenS: readonly number[],
	steps: number
): Instant[] {
	const even = Array.from({ length: steps + 1 }, (_, k) => k / steps);
	// What must be told exactly: knots, and where the acceleration jumps.
	const exact = [...law.corners, ...betweenS.map((tS) => (tS - startS) / (endS - startS))]
		.sort((one, other) => one - other)
		.filter((share, k, all) => share > 1e-6 && share < 1 - 1e-6 && (k === 0 || share - all[k - 1]! > 1e-6));
	const shares = [...even.filter((share) => exact.every((each) => Math.abs(share - each) > 0.1 / steps)), ...exact];
	return shares
		.sort((one, other) => one - other)
		.map((share) => {
			const [way, rate] = law.at(share);
			const at = (part: number) => (part === 1 ? endS : startS + part * (endS - startS));
			return { tS: at(share), pathS: at(way), rate };
		});
}

export type Places = Readonly<Record<string, number>>;
export const asIs = (tS: number): Instant => ({ tS, pathS: tS, rate: 1 });
export const placeAt = (values: Readonly<Record<string, readonly number[]>>, k: number): Places =>
	Object.fromEntries(Object.entries(values).map(([axis, list]) => [axis, list[k]!]));

/** The keys of a run as they come together, stretch by stretch, with their rates. */
export class Keys {
	#keys: MoveKey[];
	constructor({ tS, dwellS }: Stand, values: Places) {
		this.#keys = [{ tS, dwellS, values, rates: mapped(values, () => 0) }];
	}
	/** On to the last stand, along a path that is as long as they are. */
	add(path: ReturnType<typeof readPath>, instants: readonly Instant[], last: Stand): void {
		const { values, rates } = path.at(instants.map(({ pathS }) => pathS));
		const ratesAt = (k: number) => mapped(placeAt(rates, k), (rate) => rate * instants[k]!.rate);
		const before = this.#keys[this.#keys.length - 1]!;
		const leaves = ratesAt(0);
		this.#keys[this.#keys.length - 1] = (before.dwellS ?? 0) > 0 ? { ...before, leaves } : { ...before, rates: leaves };
		instants.slice(1).forEach(({ tS }, index) => {
			const k = index + 1;
			const dwellS = k === instants.length - 1 ? last.dwellS : 0;
			this.#keys.push({ tS, dwellS, values: placeAt(values, k), rates: ratesAt(k) });
		});
	}
	rangeOf(axis: string): readonly [number, number] {
		const all = this.#keys.map(({ values }) => values[axis]!);
		return [Math.min(...all), Math.max(...all)];
	}
	shift(axis: string, by: number): void {
		if (by !== 0)
			this.#keys = this.#keys.map((key) => ({ ...key, values: { ...key.values, [axis]: key.values[axis]! + by } }));
	}
	move(): KeyedMove {
		return { keys: this.#keys, ends: 'still', angles: 'asGiven' };
	}
}
const mapped = (places: Places, of: (value: number) => number): Places =>
	Object.fromEntries(Object.entries(places).map(([axis, value]) => [axis, of(value)]));
