import { checksFor } from '../input';

/** One kind of battery: so many of them, so many worn at once. */
export interface BatterySource {
	readonly id: string;
	/** As printed, each. */
	readonly capacityWh: number;
	readonly voltageV: number;
	readonly count: number;
	readonly atOnce: number;
	/** What is left of the printed capacity with age, more than 0 up to 1. */
	readonly ageFactor: number;
}

/** An outlet of a battery. */
export interface Tap {
	readonly id: string;
	readonly sourceId: string;
	readonly voltageV: number;
	readonly limitA: number;
	/** Power out over power in, more than 0 up to 1; a straight tap is 1. */
	readonly efficiency: number;
}

export interface PowerLoad {
	readonly id: string;
	readonly tapId: string;
	readonly drawW: number;
}

export interface SourcePlan {
	readonly id: string;
	/** Drawn from the cells, losses in the taps included. */
	readonly drawW: number;
	/** One set of batteries, from full down to the margin; null where nothing draws. */
	readonly setRunTimeS: number | null;
	readonly totalRunTimeS: number | null;
	/** Moments from the start at which to put on a fresh set, within the job. */
	readonly swapsS: readonly number[];
	readonly lastsTheJob: boolean;
	/** Further batteries of this kind that the job needs. */
	readonly missing: number;
}

/** W */
const leastDrawW = 1e-3;

/**
 * How long the batteries carry the loads, when to swap, and which outlet is asked for too much.
 *
 * `marginShare` (0 up to 1) of each set is left unused; `jobS` is the job's length in seconds. Throws `PhysicsInputError`
 * for ids that do not exist, a draw below 0, or capacities, voltages and limits that are not more than 0.
 *
 * Usable energy of a set `capacity · age · atOnce · (1 − margin)` over the drawn power `Σ W / efficiency`; constant draw:
 * cold, peaks and the sag of an old cell are left out, which is what the margin is for. A tap carries `Σ W / V`.
 *
 * @example
 * powerPlan({
 *   sources: [{ id: 'block', capacityWh: 98, voltageV: 14.4, count: 2, atOnce: 1, ageFactor: 0.9 }],
 *   taps: [{ id: 'tap', sourceId: 'block', voltageV: 14.4, limitA: 5, efficiency: 1 }],
 *   loads: [{ id: 'camera', tapId: 'tap', drawW: 35.28 }],
 *   marginShare: 0.2, jobS: 10800
 * }).sources[0].setRunTimeS; // 7200
 */
export function powerPlan(input: {
	readonly sources: readonly BatterySource[];
	readonly taps: readonly Tap[];
	readonly loads: readonly PowerLoad[];
	readonly marginShare: number;
	readonly jobS: number;
}): {
	readonly sources: readonly SourcePlan[];
	readonly taps: readonly { readonly id: string; readonly currentA: number; readonly overloaded: boolean }[];
	readonly lastsTheJob: boolean;
} {
	const check = checksFor('powerPlan');
	check.uniqueIds('sources', input.sources);
	check.uniqueIds('taps', input.taps);
	check.uniqueIds('loads', input.loads);
	const marginShare = check.atLeastZero('marginShare', input.marginShare);
	if (marginShare >= 1) check.fail('marginShare', 'must be less than 1', marginShare);
	const jobS = check.atLeastZero('jobS', input.jobS);
	const share = (path: string, value: number) =>
		check.positive(path, value) <= 1 ? value : check.fail(path, 'must be at most 1', value);

	input.loads.forEach(({ tapId, drawW }, index) => {
		check.atLeastZero(`loads[${index}].drawW`, drawW);
		if (!input.taps.some(({ id }) => id === tapId))
			check.fail(`loads[${index}].tapId`, 'must be the id of a tap', tapId);
	});
	const taps = input.taps.map((tap, index) => {
		check.positive(`taps[${index}].voltageV`, tap.voltageV);
		check.positive(`taps[${index}].limitA`, tap.limitA);
		share(`taps[${index}].efficiency`, tap.efficiency);
		if (!input.sources.some(({ id }) => id === tap.sourceId))
			check.fail(`taps[${index}].sourceId`, 'must be the id of a battery', tap.sourceId);
		const drawW = input.loads.reduce((sum, load) => (load.tapId === tap.id ? sum + load.drawW : sum), 0);
		const currentA = drawW / tap.voltageV;
		return { ...tap, drawW, currentA, overloaded: currentA > tap.limitA };
	});

	const sources = input.sources.map((source, index): SourcePlan => {
		const at = `sources[${index}]`;
		check.positive(`${at}.capacityWh`, source.capacityWh);
		check.positive(`${at}.voltageV`, source.voltageV);
		share(`${at}.ageFactor`, source.ageFactor);
		const atOnce = check.positive(`${at}.atOnce`, source.atOnce);
		const count = check.atLeastZero(`${at}.count`, source.count);
		if (!Number.isInteger(atOnce)) check.fail(`${at}.atOnce`, 'must be a whole number', atOnce);
		if (!Number.isInteger(count)) check.fail(`${at}.count`, 'must be a whole number', count);
		const drawW = taps.reduce((sum, tap) => (tap.sourceId === source.id ? sum + tap.drawW / tap.efficiency : sum), 0);
		// Less than any instrument tells from nothing is nothing: what it lasts would be no figure.
		if (drawW < leastDrawW)
			return {
				id: source.id,
				drawW,
				setRunTimeS: null,
				totalRunTimeS: null,
				swapsS: [],
				lastsTheJob: true,
				missing: 0
			};
		const usableJ = source.capacityWh * 3600 * source.ageFactor * atOnce * (1 - marginShare);
		const setRunTimeS = usableJ / drawW;
		const sets = Math.floor(count / atOnce);
		const totalRunTimeS = sets * setRunTimeS;
		// A job that ends to the second with a set needs no further one.
		const setsNeeded = Math.ceil(jobS / setRunTimeS - 1e-9);
		const swapsS = Array.from({ length: Math.max(0, Math.min(setsNeeded, sets) - 1) }, (_, k) => (k + 1) * setRunTimeS);
		return {
			id: source.id,
			drawW,
			setRunTimeS,
			totalRunTimeS,
			swapsS,
			lastsTheJob: sets >= setsNeeded,
			missing: Math.max(0, setsNeeded * atOnce - count)
		};
	});
	return {
		sources,
		taps: taps.map(({ id, currentA, overloaded }) => ({ id, currentA, overloaded })),
		lastsTheJob: sources.every(({ lastsTheJob }) => lastsTheJob)
	};
}
