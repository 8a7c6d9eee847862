import {
	median,
	randomSled,
	seededRandom,
	simulateSledBench,
	simulateSpin,
	sledReport,
	sledTolerance,
	type SledWay,
	solveSled
} from '@poise/core';

const round = (value: number) => Number(value.toPrecision(3));

/** One JSON line a figure: 200 hidden sleds poised by the assistant's slips, and by moving the battery and seeing. */
export function sledFigures(time: (figure: string, call: () => unknown) => void): void {
	const { sled, ranges, gimbalRangeM, dropTimeS } = randomSled({ random: seededRandom(1) });
	const slides = ['battery', 'camera'] as const;
	time('sledReport, 6 parts', () => sledReport({ sled }));
	time('solveSled, both planes', () =>
		solveSled({ sled, dropTimeS, foreSlides: slides, sideSlides: slides, ranges, gimbalRangeM })
	);
	const start = performance.now();
	simulateSpin({ sled, spinRadPerS: 2, durationS: 60 });
	console.log(
		JSON.stringify({
			figure: 'simulateSpin, 60 s in steps of 1 ms',
			unit: 'ms',
			value: round(performance.now() - start)
		})
	);

	const seeds = Array.from({ length: 200 }, (_, index) => index + 1);
	for (const way of ['assistant', 'moveAndSee'] as const satisfies readonly SledWay[]) {
		const outcomes = seeds.map((seed) =>
			simulateSledBench({ bench: randomSled({ random: seededRandom(seed) }), way, random: seededRandom(seed + 7000) })
		);
		const never = Number.MAX_SAFE_INTEGER;
		const slips = outcomes.map(({ slipsToPoised }) => slipsToPoised ?? never).sort((a, b) => a - b);
		const at = (sorted: readonly number[], part: number) => sorted[Math.ceil(sorted.length * part) - 1]!;
		const said = (count: number) => (count === never ? 'never' : count);
		const p95 = (of: (outcome: (typeof outcomes)[number]) => number) => {
			const value = at(
				outcomes.map(of).sort((a, b) => a - b),
				0.95
			);
			return Number.isFinite(value) ? round(value) : 'top-heavy';
		};
		console.log(
			JSON.stringify({
				figure: `200 hidden sleds, ${way}`,
				unit: 'slips until static, drop and lean are all within tolerance and stay so',
				tolerance: sledTolerance,
				median: said(at(slips, 0.5)),
				p95: said(at(slips, 0.95)),
				poised: outcomes.filter(({ poised }) => poised).length,
				moves: median(outcomes.map(({ moves }) => moves)),
				p95StaticMm: p95(({ staticM }) => staticM * 1000),
				p95DropS: p95(({ dropErrorS }) => dropErrorS),
				p95LeanDeg: p95(({ leanRad }) => (leanRad * 180) / Math.PI)
			})
		);
	}
}
