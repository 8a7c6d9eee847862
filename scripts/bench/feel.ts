import { fitFollow, followResponse, seededRandom, solveFeel } from '@poise/core';

/** Times what Feel asks of the core: the response of an axis, and the search for settings. One JSON line a figure. */

const round = (value: number) => Number(value.toPrecision(3));
/** Rounds before the clock counts, as a page that is open has had. */
const warm = 30;
const settings = { followPerS: 4, deadbandRad: 0.05, maxRateRadPerS: 3, maxAccelRadPerS2: 15, smoothS: 0.1 };
const handle = { kind: 'ramp', rateRadPerS: -2, fromS: 0.3, toS: 1.1 } as const;
const plant = { inertiaKgM2: 0.02, naturalRadPerS: 40, damping: 0.7, couplingNmS: 0.01 };

function time(figure: string, budgetMs: number, rounds: number, call: (round: number) => unknown, before = warm): void {
	const times: number[] = [];
	for (let turn = 0; turn < rounds + before; turn += 1) {
		const start = performance.now();
		call(turn);
		if (turn >= before) times.push(performance.now() - start);
	}
	times.sort((a, b) => a - b);
	const [median, worst] = [times[Math.floor(times.length / 2)]!, times[times.length - 1]!];
	console.log(JSON.stringify({ figure, unit: 'ms', budget: budgetMs, median: round(median), worst: round(worst) }));
}

export function benchFeel(): void {
	time('response of 10 s at 1 ms', 4, 60, () => followResponse({ settings, handle, endS: 10, atS: [] }));
	time('response of 10 s at 1 ms, with the motor', 4, 60, () =>
		followResponse({ settings, handle, plant, endS: 10, atS: [] })
	);
	time('response of 10 s at 1 ms, with a motor that is late', 4, 60, () =>
		followResponse({ settings, handle, plant: { ...plant, delayS: 0.005 }, endS: 10, atS: [] })
	);
	const turn = (setting: number, halfS: number, endS: number) => ({
		...{ setting, halfS, endS, angleRad: 0.6, restShortRad: 0.03 }
	});
	time(
		'fitFollow, six timed turns',
		1000,
		6,
		(round) => {
			const late = 0.01 * (round % 5);
			const tests = [turn(10, 0.75 + late, 3.9), turn(50, 0.35, 1.7 + late), turn(90, 0.22, 0.8 + late)];
			return fitFollow({ tests: [...tests, ...tests.map((each) => ({ ...each, endS: each.endS + 0.04 }))] });
		},
		2
	);
	const random = seededRandom(7);
	const between = (low: number, high: number) => low + random() * (high - low);
	time('solveFeel, a seeded gimbal each', 150, 40, () =>
		solveFeel({
			plant: {
				inertiaKgM2: between(0.003, 0.05),
				damping: between(0.5, 1.1),
				couplingNmS: between(0, 0.05),
				delayS: between(0.002, 0.01),
				firstMomentKgM: between(-0.01, 0.01)
			},
			walk: [
				{ amplitudeM: 0.03, frequencyHz: 1.8, turnRad: between(0.03, 0.25) },
				{ amplitudeM: 0.02, frequencyHz: 0.9, turnRad: between(0.03, 0.25) },
				{ amplitudeM: 0.001, frequencyHz: 8, turnRad: between(0, 0.01) }
			],
			wanted: { lagRad: between(0.12, 0.5), settleS: between(0.8, 4), overshootRad: between(0.005, 0.05) },
			ranges: { followPerS: [0.5, 10], deadbandRad: [0, 0.3], smoothS: [0.02, 0.6], naturalRadPerS: [8, 80] }
		})
	);
}
