import {
	balanceGimbal,
	balanceSteps,
	type BenchWay,
	combineBodies,
	type GimbalRig,
	median,
	midTravel,
	mountPayload,
	randomBench,
	seededRandom,
	simulateBench
} from '@poise/core';
import { foretellErrors } from './foretell';
import { scenario } from '@poise/demo';
import { benchCranes } from './cranes';
import { benchFeel } from './feel';
import { benchLearning } from './learning';
import { benchMoves } from './moves';
import { sledFigures } from './sleds';

/** Times the core's calls on the demo scenario and prints one JSON line a figure. Run by `./poise bench`. */

const rig = scenario.rigs[1]!.geometry as unknown as GimbalRig;
const build = scenario.payloads[3]!;
const shelf = new Map(scenario.parts.map((part) => [part.name, part]));
const plate = shelf.get(build.plate)!;
const plateM = plate.shape.sizeM[2]!;
const payload = [
	{ id: 'plate', body: { massKg: plate.massKg, cgM: [0, 0, plateM / 2] as const } },
	...build.placements.map(({ part, positionM: [x, y, z] }, index) => {
		const { massKg, shape } = shelf.get(part)!;
		return { id: String(index), body: { massKg, cgM: [x!, y!, z! + plateM + shape.sizeM[2]! / 2] as const } };
	})
];
const chain = mountPayload({ rig, payload });
const stuck = { ...chain, slides: chain.slides.map((slide) => ({ ...slide, rangeM: [-0.01, 0.01] as const })) };
if (!balanceGimbal({ chain }).balanced || balanceGimbal({ chain: stuck }).balanced)
	throw new Error('The scenario no longer shows what these figures are named for.');
const positionsM = midTravel(rig.slides);
const targetsM = Object.fromEntries(balanceGimbal({ chain }).slides.map(({ id, positionM }) => [id, positionM]));

function time(figure: string, call: () => unknown): void {
	for (let warm = 0; warm < 500; warm += 1) call();
	const rounds: number[] = [];
	for (let round = 0; round < 30; round += 1) {
		const start = performance.now();
		for (let count = 0; count < 100; count += 1) call();
		rounds.push(((performance.now() - start) / 100) * 1000);
	}
	rounds.sort((a, b) => a - b);
	console.log(JSON.stringify({ figure, unit: 'µs per call', median: round(rounds[15]!), worst: round(rounds[29]!) }));
}
const round = (value: number) => Number(value.toPrecision(3));

time('combineBodies, 8 parts', () => combineBodies({ bodies: payload.map(({ body }) => body) }));
time('balanceGimbal, balanced, 4 slides and 15 parts', () => balanceGimbal({ chain }));
time('balanceGimbal, out of travel, with remedies', () =>
	balanceGimbal({ chain: stuck, options: { counterweightPlaces: rig.counterweightPlaces } })
);
time('balanceSteps, a drag of a slide', () => balanceSteps({ rig, payload, positionsM, targetsM }));

const share = (sorted: readonly number[], part: number) => sorted[Math.floor((sorted.length - 1) * part)]!;
/** From rough to nearly none, by hand, and where it is nearly none by knobs. */
const rigs = [
	{ friction: 'three times', frictionShare: 3, knobPitchM: null },
	{ friction: 'as drawn', frictionShare: 1, knobPitchM: null },
	{ friction: 'a third', frictionShare: 0.3, knobPitchM: null },
	{ friction: 'a tenth', frictionShare: 0.1, knobPitchM: null },
	{ friction: 'a tenth, knobs of 1 mm a turn', frictionShare: 0.1, knobPitchM: 0.001 }
] as const;
for (const { friction, frictionShare, knobPitchM } of rigs) {
	const benches = Array.from({ length: 200 }, (_, seed) =>
		randomBench({ random: seededRandom(seed + 1), frictionShare, knobPitchM })
	);
	for (const way of ['oneLook', 'fallsHolds', 'halving'] as const satisfies readonly BenchWay[]) {
		const outcomes = benches.map((bench, seed) => simulateBench({ ...bench, way, random: seededRandom(seed + 5000) }));
		const nudges = outcomes.flatMap(({ axes }) => axes.map((axis) => axis.nudges)).sort((a, b) => a - b);
		const looks = outcomes.flatMap(({ axes }) => axes.map((axis) => axis.looks)).sort((a, b) => a - b);
		const errorsMm = outcomes.flatMap(({ slides }) => slides.map(({ errorM }) => errorM * 1000)).sort((a, b) => a - b);
		console.log(
			JSON.stringify({
				figure: `200 simulated benches, friction ${friction}, ${way}`,
				unit: 'nudges an axis',
				median: median(nudges),
				p95: share(nudges, 0.95),
				worst: share(nudges, 1),
				looks: { median: median(looks), p95: share(looks, 0.95) },
				poisedRigs: outcomes.filter(({ poised }) => poised).length,
				errorMm: { median: round(median(errorsMm)), p95: round(share(errorsMm, 0.95)) }
			})
		);
	}
}
const foretold = foretellErrors(200);
console.log(
	JSON.stringify({
		figure: 'reading foretold for a new lens, after 3 logged balances on the same gimbal, centres 8 mm off',
		unit: 'mm',
		medianUntaught: round(median(foretold.untaughtM) * 1000),
		median: round(median(foretold.taughtM) * 1000),
		p95: round(
			share(
				[...foretold.taughtM].sort((a, b) => a - b),
				0.95
			) * 1000
		)
	})
);

sledFigures(time);
benchCranes();
benchFeel();
benchLearning();
benchMoves();
