/* eslint-disable max-lines -- one model from its parts to its answers, and the noise on them. */
import { normal, type Random } from '../numeric/random';
import { correctSled } from './correctSled';
import { dropConstant } from './dropTime';
import { estimateSled } from './estimateSled';
import { type SledLook, sledLookMiss } from './sledLook';
import type { RandomSled } from './randomSled';
import { type Sled, type SledPlane, sledPlanes, sledTotals, withShifts } from './sled';
import { sledReport } from './sledReport';
import { solveSled } from './solveSled';
import { spinPlane, steadyLean } from './steadyLean';

/** How well a hand sets and an eye sees: one standard deviation each. */
export interface SledHand {
	readonly plateM: number;
	readonly batteryM: number;
	readonly gimbalM: number;
	readonly restLeanRad: number;
	/** One timed drop, and what is left of the thumb's lag once allowed for. */
	readonly thumbS: number;
	readonly allowanceS: number;
	readonly spinLeanRad: number;
	/** Of the lean and of the rate seen. */
	readonly spinShare: number;
}

export const carefulSledHand: SledHand = {
	plateM: 0.0002,
	batteryM: 0.0005,
	gimbalM: 0.0003,
	restLeanRad: 0.009,
	thumbS: 0.12,
	allowanceS: 0.03,
	spinLeanRad: 0.005,
	spinShare: 0.15
};

/** Good enough to shoot on. */
export const sledTolerance = { staticM: 0.0005, dropS: 0.15, leanRad: (0.3 * Math.PI) / 180 } as const;

export type SledWay = 'assistant' | 'moveAndSee';

export interface SledOutcome {
	/** Slips carried out until the hand stopped; one slip is two or three moves made together. */
	readonly slips: number;
	/** Slips after which the truth was, and stayed, within tolerance; null: it never was. */
	readonly slipsToPoised: number | null;
	readonly moves: number;
	readonly staticM: number;
	readonly dropErrorS: number;
	readonly leanRad: number;
	readonly poised: boolean;
	/** After each slip: the worst of static, drop and lean as a share of its tolerance, whether all that was seen just before was what was foretold, and whether it was said to clash. */
	readonly trail: readonly { readonly error: number; readonly agreed: boolean; readonly clash: boolean }[];
}

/** All that was seen together lies within this many of its own errors of what was foretold, root mean square. */
const agreesWithin = 1.5;

const mostSlips = 40;
/** Lean, drop and static offset must be within tolerance by so many standard deviations, or it is looked at again, so many times at most. */
const sure = 2;
const mostAgain = 12;
const drops = 3;
const turns = 6;
/** Brisk: gravity has little say any more, and the lean is the principal axis's own, the other way. */
const spinOfCritical = 2.5;

/**
 * One simulated operator with one hidden sled, by the slips of the bench or by moving the battery and seeing.
 *
 * Deterministic with `random`. The assistant looks after every slip (rest lean in both planes, three timed drops, some brisk
 * turns), estimates what the drawing has wrong and moves again until it believes itself within half of {@link sledTolerance}.
 * The other way corrects one thing at a time from what it sees, by steps that halve when it has gone too far, and ends when all was seen to be
 * right twice in a row. Both have the same sled, hand, eye and thumb, and as many looks as they like. The sled is
 * truly poised when static offset, drop time and principal lean are all within tolerance. `statedSigmaM` is how sure the
 * assistant is told the camera's centre is; the hidden truth need not keep to it.
 */
export function simulateSledBench(input: {
	readonly bench: RandomSled;
	readonly way: SledWay;
	readonly random: Random;
	readonly hand?: SledHand;
	readonly statedSigmaM?: number;
}): SledOutcome {
	const { bench, random, hand = carefulSledHand, statedSigmaM = 0.008 } = input;
	const world = new World(bench, random, hand);
	const good: boolean[] = [];
	const trail: SledOutcome['trail'][number][] = [];
	const slip = (moves: Moves, agreed = false, clash = false) => {
		world.move(moves);
		good.push(world.poised());
		const { staticM, dropErrorS, leanRad } = world.errors();
		const { staticM: most, dropS, leanRad: lean } = sledTolerance;
		trail.push({ agreed, clash, error: Math.max(staticM / most, dropErrorS / dropS, leanRad / lean) });
	};
	if (input.way === 'assistant') assist(bench, world, statedSigmaM, slip);
	else moveAndSee(bench, world, slip);
	const lastBad = good.lastIndexOf(false);
	const { staticM, dropErrorS, leanRad } = world.errors();
	return {
		slips: good.length,
		slipsToPoised: good.length > 0 && good[good.length - 1] === true ? lastBad + 2 : null,
		moves: world.moves,
		staticM,
		dropErrorS,
		leanRad,
		poised: world.poised(),
		trail
	};
}

interface Moves {
	readonly camera?: { readonly foreM: number; readonly sideM: number };
	readonly battery?: { readonly foreM: number; readonly sideM: number };
	readonly gimbalM?: number;
}

/** The sled as it truly is, under a hand that nearly does what it means to. */
class World {
	/** As the operator believes it stands. */
	believed: Sled;
	moves = 0;
	#true: Sled;
	readonly #lagS: number;

	constructor(
		readonly bench: RandomSled,
		readonly random: Random,
		readonly hand: SledHand
	) {
		this.believed = bench.sled;
		this.#true = { ...bench.sled, parts: bench.sled.parts.map((part, i) => ({ ...part, body: bench.truth[i]! })) };
		this.#lagS = hand.allowanceS * normal(random);
	}

	move({ camera, battery, gimbalM }: Moves): void {
		const off = (sigmaM: number) => sigmaM * normal(this.random);
		for (const [id, shift, sigmaM] of [
			['camera', camera, this.hand.plateM],
			['battery', battery, this.hand.batteryM]
		] as const) {
			if (shift === undefined) continue;
			this.moves += 1;
			this.believed = withShifts(this.believed, { [id]: shift });
			const truly = { foreM: shift.foreM + off(sigmaM), sideM: shift.sideM + off(sigmaM) };
			this.#true = withShifts(this.#true, { [id]: truly });
		}
		if (gimbalM !== undefined) {
			this.moves += 1;
			const change = gimbalM - this.believed.gimbalHeightM + off(this.hand.gimbalM);
			this.believed = { ...this.believed, gimbalHeightM: gimbalM };
			this.#true = { ...this.#true, gimbalHeightM: this.#true.gimbalHeightM + change };
		}
	}

	errors() {
		const { staticOffsetM, dropTimeS, dynamic } = sledReport({ sled: this.#true });
		return {
			staticM: Math.max(Math.abs(staticOffsetM.fore), Math.abs(staticOffsetM.side)),
			dropErrorS: dropTimeS.fore === null ? Infinity : Math.abs(dropTimeS.fore - this.bench.dropTimeS),
			leanRad: Math.max(Math.abs(dynamic.foreLeanRad), Math.abs(dynamic.sideLeanRad))
		};
	}
	poised(): boolean {
		const { staticM, dropErrorS, leanRad } = this.errors();
		return staticM <= sledTolerance.staticM && dropErrorS <= sledTolerance.dropS && leanRad <= sledTolerance.leanRad;
	}

	/** Null: it does not hang, its weight is over the gimbal. */
	restLean(plane: SledPlane): number | null {
		const { dropHeightM, staticOffsetM } = sledReport({ sled: this.#true });
		if (dropHeightM <= 0) return null;
		return Math.atan2(staticOffsetM[plane], dropHeightM) + this.hand.restLeanRad * normal(this.random);
	}
	/** The mean of three timed drops. */
	dropTime(): number | null {
		const time = sledReport({ sled: this.#true }).dropTimeS.fore;
		if (time === null) return null;
		return Math.max(0.2, time + this.#lagS + (this.hand.thumbS / Math.sqrt(drops)) * normal(this.random));
	}
	spinLean(plane: SledPlane, spinRadPerS: number): number | null {
		const truly = spinRadPerS * (1 + (this.hand.spinShare / 2) * normal(this.random));
		const { leanRad } = steadyLean({ sled: this.#true, spinRadPerS: truly, plane });
		if (leanRad === null) return null;
		const seen = Math.hypot(this.hand.spinLeanRad, this.hand.spinShare * leanRad);
		return leanRad + seen * normal(this.random);
	}
}

const slides = ['battery', 'camera'] as const;

function assist(
	bench: RandomSled,
	world: World,
	statedSigmaM: number,
	slip: (moves: Moves, agreed: boolean, clash?: boolean) => void
): void {
	const looks: SledLook[] = [];

	const cameraKg = bench.sled.parts[0]!.body.massKg;
	// What is believed of the camera's centre, and of everything else's, in the units of the estimate.
	const momentKgM = cameraKg * statedSigmaM;
	const doubt = { firstMomentKgM: [momentKgM, momentKgM, momentKgM * 1.2] as const, productKgM2: momentKgM * 0.35 };
	let again = 0;
	let agreed = false;
	for (let count = 0; count < mostSlips; count += 1) {
		const estimate = estimateSled({ looks, doubt, carrierId: 'camera' });
		const sled = correctSled({ sled: world.believed, correction: estimate.correction, carrierId: 'camera' });
		const report = sledReport({ sled });
		const from = bench.sled.parts;
		const gone = (id: string, axis: 0 | 1) =>
			world.believed.parts.find((part) => part.id === id)!.body.cgM[axis] -
			from.find((part) => part.id === id)!.body.cgM[axis];
		const ranges = Object.fromEntries(
			slides.map((id) => {
				const left = (range: readonly [number, number], axis: 0 | 1) =>
					[range[0] - gone(id, axis), range[1] - gone(id, axis)] as const;
				const { foreM, sideM } = bench.ranges[id] as Required<RandomSled['ranges'][string]>;
				return [id, { foreM: left(foreM, 0), sideM: left(sideM, 1) }];
			})
		);
		const solution = solveSled({ ...bench, sled, ranges, foreSlides: slides, sideSlides: slides });
		const [battery, camera] = [solution.shifts[0]!, solution.shifts[1]!];
		const { fore, side } = report.staticOffsetM;
		const staticGood = Math.max(Math.abs(fore), Math.abs(side)) < sledTolerance.staticM / 2;
		const dropGood =
			report.dropTimeS.fore !== null && Math.abs(report.dropTimeS.fore - bench.dropTimeS) < sledTolerance.dropS / 2;
		const { foreLeanRad, sideLeanRad } = report.dynamic;
		const spinGood = Math.max(Math.abs(foreLeanRad), Math.abs(sideLeanRad)) < sledTolerance.leanRad / 2;
		if (looks.length > 0 && staticGood && dropGood && spinGood) {
			// Good as far as is known; known well enough only when another look would not say otherwise.
			const [x, y, z] = estimate.sigma.firstMomentKgM.map((sigma) => sigma / report.massKg) as [number, number, number];
			const doubtRad = Math.max(estimate.sigma.xzKgM2, estimate.sigma.yzKgM2) / lengthwise(sled);
			const doubtS = (bench.dropTimeS * z) / (2 * report.dropHeightM);
			const surely =
				Math.max(Math.abs(foreLeanRad), Math.abs(sideLeanRad)) + sure * doubtRad < sledTolerance.leanRad &&
				Math.abs((report.dropTimeS.fore ?? 0) - bench.dropTimeS) + sure * doubtS < sledTolerance.dropS &&
				Math.max(Math.abs(fore), Math.abs(side)) + sure * Math.max(x, y) < sledTolerance.staticM;
			if (surely || again === mostAgain) return;
			again += 1;
			looks.push(...(lookAt(world) ?? []));
			continue;
		}
		// Only what is out is touched: the battery for the spin, the plate with it; or the plate alone.
		const plateKg = cameraKg;
		const alone = { foreM: (-fore * report.massKg) / plateKg, sideM: (-side * report.massKg) / plateKg };
		slip(
			{
				...(spinGood ? {} : { battery }),
				...(spinGood ? (staticGood ? {} : { camera: alone }) : { camera }),
				...(dropGood && spinGood ? {} : { gimbalM: solution.gimbalHeightM })
			},
			agreed,
			estimate.looksClash
		);

		let seen = lookAt(world);
		// Where it stands on its head the gimbal goes up until it hangs.
		while (seen === null && world.believed.gimbalHeightM < bench.gimbalRangeM[1]) {
			slip({ gimbalM: Math.min(bench.gimbalRangeM[1], world.believed.gimbalHeightM + 0.012) }, false);
			seen = lookAt(world);
		}
		const { correction } = estimate;
		const misses = (seen ?? []).map((look) => sledLookMiss({ look, correction, carrierId: 'camera' }));
		agreed = misses.length > 0 && Math.hypot(...misses) < agreesWithin * Math.sqrt(misses.length);
		looks.push(...(seen ?? []));
	}
}

/** Three drops, the rest lean in both planes, some brisk turns; null: top-heavy. */
function lookAt(world: World): SledLook[] | null {
	const { hand, believed: sled } = world;
	const dropTimeS = world.dropTime();
	if (dropTimeS === null) return null;
	const sigmaS = Math.hypot(hand.thumbS / Math.sqrt(drops), hand.allowanceS);
	const leans = sledPlanes.map((plane) => [plane, world.restLean(plane) ?? 0] as const);
	const looks: SledLook[] = [
		{ kind: 'drop', plane: 'fore', sled, dropTimeS, sigmaS },
		...leans.map(([plane, leanRad]): SledLook => ({ kind: 'rest', plane, sled, leanRad, sigmaRad: hand.restLeanRad }))
	];
	// A post that leans far by itself says nothing of its spin.
	if (leans.some(([, leanRad]) => Math.abs(leanRad) > 0.2)) return looks;
	const spinRadPerS = spinOfCritical * criticalRate(dropTimeS);
	const spinSigmaRadPerS = (hand.spinShare / 2) * spinRadPerS;
	for (const plane of sledPlanes) {
		for (let turn = 0; turn < turns; turn += 1) {
			const leanRad = world.spinLean(plane, spinRadPerS);
			if (leanRad === null || Math.abs(leanRad) > 0.6) continue;
			const sigmaRad = Math.hypot(hand.spinLeanRad, hand.spinShare * leanRad);
			looks.push({ kind: 'spin', plane, sled, leanRad, sigmaRad, spinRadPerS, spinSigmaRadPerS });
		}
	}
	return looks;
}

const lengthwise = (sled: Sled) => spinPlane(sledTotals('simulateSledBench', sled), 'fore').lengthwiseKgM2;

/** A post is little heavier to tilt than it is long, so the drop time alone tells the critical rate: `ω_c ≈ K/T`. */
const criticalRate = (dropTimeS: number) => dropConstant / dropTimeS;

/** What a practised hand does without figures: the thing seen last is put right, and what that upsets comes next. */
function moveAndSee(bench: RandomSled, world: World, slip: (moves: Moves) => void): void {
	const feel = 0.25;
	const [restSeenRad, spinSeenRad] = [0.02, 0.006];
	let [gimbalStepM, gimbalWay] = [0.012, 0];
	const battery = { fore: { stepM: 0.015, way: 0 }, side: { stepM: 0.008, way: 0 } };
	const gain = sledReport({ sled: bench.sled }).massKg / bench.sled.parts[0]!.body.massKg;
	const felt = () => 1 + feel * normal(world.random);
	/** Nothing is believed after one look, here no more than with the assistant. */
	let again = 0;
	for (let count = 0; count < mostSlips; count += 1) {
		const time = world.dropTime();
		const [fore, side] = [world.restLean('fore'), world.restLean('side')];
		if (time === null || fore === null || side === null) {
			slip({ gimbalM: world.believed.gimbalHeightM + 0.006 });
			continue;
		}
		const late = time - bench.dropTimeS;
		const farOff = Math.abs(late) > 0.6;
		if (!farOff && Math.max(Math.abs(fore), Math.abs(side)) > restSeenRad) {
			// A practised hand feels how lively the sled is, and pushes a quick one further.
			const livelyM = 0.06 / (time * time);
			const back = (lean: number) => -Math.tan(Math.max(-1, Math.min(1, lean))) * livelyM * gain * felt();
			slip({ camera: { foreM: back(fore), sideM: back(side) } });
			continue;
		}
		if (Math.abs(late) > 0.8 * sledTolerance.dropS) {
			// A slow drop wants the gimbal higher.
			if (gimbalWay !== 0 && Math.sign(late) !== gimbalWay) gimbalStepM = Math.max(0.0005, gimbalStepM / 2);
			gimbalWay = Math.sign(late);
			slip({ gimbalM: world.believed.gimbalHeightM + gimbalWay * gimbalStepM });
			continue;
		}
		const rate = spinOfCritical * criticalRate(time);
		const seen = (plane: SledPlane) => {
			const leans = Array.from({ length: turns }, () => world.spinLean(plane, rate) ?? 0);
			return leans.reduce((sum, lean) => sum + lean, 0) / turns;
		};
		const out = { fore: seen('fore'), side: seen('side') };
		if (Math.max(Math.abs(out.fore), Math.abs(out.side)) <= spinSeenRad) {
			if (again === 1) return;
			again += 1;
			continue;
		}
		again = 0;
		// Leaning back on a brisk turn, the low weight goes forward; back again by half if that was too much.
		const step = (plane: SledPlane) => {
			if (Math.abs(out[plane]) <= spinSeenRad) return 0;
			const turn = battery[plane];
			const way = -Math.sign(out[plane]);
			if (turn.way !== 0 && way !== turn.way) turn.stepM = Math.max(0.001, turn.stepM / 2);
			turn.way = way;
			return way * turn.stepM;
		};
		slip({ battery: { foreM: step('fore'), sideM: step('side') } });
	}
}
