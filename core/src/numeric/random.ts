/** A source of numbers from 0 up to 1, such as `Math.random`; passed in, so that every run can be had again. */
export type Random = () => number;

/**
 * A seeded source of numbers in [0, 1): the 32-bit counter-and-mix generator of Weyl sequence and xorshift-multiply
 * rounds. Good enough for simulation, not for secrets.
 *
 * @example seededRandom(7)() - seededRandom(7)(); // 0
 */
export function seededRandom(seed: number): Random {
	let state = seed >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let mixed = Math.imul(state ^ (state >>> 15), state | 1);
		mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
	};
}

/** A normal deviate of mean 0 and standard deviation 1, by the Box–Muller transform. */
export const normal = (random: Random): number =>
	Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

export const between = (random: Random, least: number, greatest: number): number =>
	least + (greatest - least) * random();
