/* eslint-disable max-lines -- one model from its parts to its answers, and the noise on them. */
import { checksFor } from '../input';
import { add, type Body, cross, dot, length, scale, standardGravityMPerS2, subtract, type Vec3 } from '../mass/body';
import { offsetFromRest } from '../mass/offsetFromRest';
import { offsetFromScale } from '../mass/offsetFromScale';
import { offsetFromSwing } from '../mass/offsetFromSwing';
import { between, normal, type Random } from '../numeric/random';
import { spreadOf } from '../mass/spread';
import { ellipticK } from '../numeric/ellipticK';
import { stateOf } from './axisState';
import { type AxisLoad, axisLoads, type GimbalChain } from './chain';
import { motorDemand } from './motorDemand';
import { moveForOffset } from './moveForOffset';
import { nextNudge } from './nextNudge';
import type { Observation, Tried } from './tried';
import { type GimbalRig, mountPayload, positionAt, type RigSlide } from './rig';
import { predictReadings } from './predictReadings';

/** What nobody on the bench knows: the parts as they really are, and how far each scale's zero is off. */
export interface HiddenTruth {
	readonly bodies: Readonly<Record<string, Body>>;
	readonly zeroErrorM: Readonly<Record<string, number>>;
}

/** How well a hand and an eye do; every figure one standard deviation. */
export interface Operator {
	readonly angleSigmaRad: number;
	readonly tapSigmaS: number;
	readonly scaleSigmaKg: number;
	readonly moveSigmaM: number;
	/** Chance of a look that says the wrong thing, 0 to 1. */
	readonly wrongLook: number;
}

/** A careful hand: a degree and a half, four hundredths of a second, two grams, a quarter of a millimetre. */
export const carefulOperator: Operator = {
	angleSigmaRad: (1.5 * Math.PI) / 180,
	tapSigmaS: 0.04,
	scaleSigmaKg: 0.002,
	moveSigmaM: 0.00025,
	wrongLook: 0.01
};

export type BenchWay = 'oneLook' | 'fallsHolds' | 'halving';

export interface SimulatedAxis {
	readonly axisId: string;
	/** Times something was moved for this axis; moving its two slides after one look counts once. */
	readonly nudges: number;
	readonly looks: number;
	readonly poised: boolean;
	/** How far its load's centre really ends from the axis. */
	readonly offsetM: number;
}

export interface SimulatedSlide {
	readonly slideId: string;
	readonly axisId: string;
	readonly nudges: number;
	/** What is really left of its axis's offset along it. */
	readonly errorM: number;
}

const mostNudges = 40;
/** Nobody moves a slide for less than this. */
const handM = 0.0004;
/** A swing is let go from here, and counted until it has come down to there. */
const releaseRad = (40 * Math.PI) / 180;
const lastRad = (10 * Math.PI) / 180;
const mostSwings = 6;

/**
 * One balancing of a simulated gimbal by a simulated operator, innermost axis first, from the readings the bench predicts.
 *
 * `payload` is what is believed, `truth` what is; `way` is how the operator goes about it: `oneLook` reads where a loose
 * axis comes to rest and times its swing (a pocket scale where friction leaves no swing) and moves both slides of the axis
 * at once; `fallsHolds` brackets each slide with `nextNudge` to `toleranceM`; `halving` goes to the middle of what is left
 * of the travel until it holds, as is done by hand. Nothing is drawn except from `random`. Throws `PhysicsInputError` for
 * a gimbal or payload without sense.
 *
 * The truth obeys the same mechanics as the bench: a pendulum with dry friction, which leaves its period alone and takes
 * `2 τ/(m g r)` of its amplitude each half swing, and stops anywhere friction holds.
 */
export function simulateBench(input: {
	readonly rig: GimbalRig;
	readonly payload: readonly { readonly id: string; readonly body: Body }[];
	readonly truth: HiddenTruth;
	readonly way: BenchWay;
	readonly random: Random;
	readonly operator?: Operator;
	readonly toleranceM?: number;
}): { readonly axes: readonly SimulatedAxis[]; readonly slides: readonly SimulatedSlide[]; readonly poised: boolean } {
	const check = checksFor('simulateBench');
	const { rig, payload, truth, way, random } = input;
	const operator = input.operator ?? carefulOperator;
	const toleranceM = check.positive('toleranceM', input.toleranceM ?? 0.001);

	const believed = mountPayload({ rig, payload });
	const real = mountPayload({ rig, payload: payload.map(({ id, body }) => ({ id, body: truth.bodies[id] ?? body })) });
	const bench: Bench = {
		rig,
		believed,
		real,
		positionsM: startAt(rig, payload, truth),
		operator,
		random,
		toleranceM
	};
	const axisIds = rig.axes.map(({ id }) => id).reverse();
	const counted = axisIds.map((axisId) => {
		const own = rig.slides.filter(({ balances }) => balances === axisId);
		if (way === 'oneLook') return { axisId, ...oneLook(bench, axisId, own), perSlide: [] };
		const perSlide = own.map((slide) => (way === 'fallsHolds' ? fallsHolds(bench, slide) : halving(bench, slide)));
		return { axisId, ...total(perSlide), perSlide };
	});
	// A helper moved for an outer axis may have taken an inner one out again: let every axis go once more.
	const again = (axisId: string): Counts =>
		way === 'oneLook'
			? oneLook(
					bench,
					axisId,
					rig.slides.filter(({ balances }) => balances === axisId)
				)
			: { nudges: 0, looks: 0 };
	const all = counted.map((first) => ({ ...first, ...total([first, again(first.axisId)]) }));

	const axes = all.map(({ axisId, nudges, looks }) => {
		const { load, offsetM } = trueOffset(bench, axisId);
		return { axisId, nudges, looks, poised: length(offsetM) <= bandOf(load), offsetM: length(offsetM) };
	});
	const slides = all.flatMap(({ axisId, nudges, perSlide }) =>
		rig.slides
			.filter(({ balances }) => balances === axisId)
			.map((slide, index) => ({
				slideId: slide.id,
				axisId,
				nudges: perSlide[index]?.nudges ?? nudges,
				errorM: Math.abs(dot(trueOffset(bench, axisId).offsetM, slide.direction))
			}))
	);
	return { axes, slides, poised: axes.every(({ poised }) => poised) };
}

interface Bench {
	readonly rig: GimbalRig;
	readonly believed: GimbalChain;
	readonly real: GimbalChain;
	/** Where the slides really stand. */
	positionsM: number[];
	readonly operator: Operator;
	readonly random: Random;
	readonly toleranceM: number;
}
interface Counts {
	readonly nudges: number;
	readonly looks: number;
}

const total = (counts: readonly Counts[]): Counts => ({
	nudges: counts.reduce((sum, { nudges }) => sum + nudges, 0),
	looks: counts.reduce((sum, { looks }) => sum + looks, 0)
});

/** The slides are set to the predicted readings on scales whose zeros are off. */
function startAt(rig: GimbalRig, payload: readonly { id: string; body: Body }[], truth: HiddenTruth): number[] {
	const known = payload.map((part) => ({ ...part, sigmaM: [0, 0, 0] as const }));
	return predictReadings({ rig, payload: known, zeroSigmaM: {} }).map(({ readingM }, s) => {
		const slide = rig.slides[s] as RigSlide;
		return within(slide, positionAt(slide, readingM - (truth.zeroErrorM[slide.id] ?? 0)));
	});
}

const within = ({ rangeM }: RigSlide, positionM: number) => Math.min(rangeM[1], Math.max(rangeM[0], positionM));
const bandOf = (load: AxisLoad) => (load.axis.frictionNm ?? 0) / (load.carriedKg * standardGravityMPerS2);

function trueOffset(bench: Bench, axisId: string): { load: AxisLoad; offsetM: Vec3 } {
	const load = axisLoads('simulateBench', bench.real).find(({ axis }) => axis.id === axisId) as AxisLoad;
	return { load, offsetM: stateOf(load, bench.positionsM).offsetM };
}

function move(bench: Bench, slide: RigSlide, byM: number): void {
	const index = bench.rig.slides.indexOf(slide);
	const hand = bench.operator.moveSigmaM * normal(bench.random);
	bench.positionsM[index] = within(slide, (bench.positionsM[index] as number) + byM + hand);
}

function oneLook(bench: Bench, axisId: string, own: readonly RigSlide[]): Counts {
	let [nudges, looks] = [0, 0];
	while (nudges < mostNudges) {
		looks += 1;
		const { load, offsetM } = trueOffset(bench, axisId);
		if (length(offsetM) <= bandOf(load) || own.length === 0) break;
		const told = lookAt(bench, load, offsetM);
		const slides = [...own, ...helpers(bench, load, own, told)];
		const moves = moveForOffset({
			chain: bench.believed,
			axisId,
			offsetM: told,
			slideIds: slides.map(({ id }) => id)
		});
		slides.forEach((slide) => move(bench, slide, moves[slide.id] ?? 0));
		nudges += 1;
	}
	return { nudges, looks };
}

/**
 * Slides of inner axes that take care of what the axis's own cannot: the crossbar for a pan arm that leans sideways. They
 * are touched only where what is seen along them is more than half of what friction forgives.
 */
function helpers(bench: Bench, load: AxisLoad, own: readonly RigSlide[], told: Vec3): RigSlide[] {
	return bench.rig.slides.filter(
		(slide, s) =>
			!own.includes(slide) &&
			length(load.perSlideKgM[s] as Vec3) > 0 &&
			own.every(({ direction }) => Math.abs(dot(direction, slide.direction)) < 0.1) &&
			Math.abs(dot(told, slide.direction)) > bandOf(load) / 2
	);
}

/** What the operator makes of a loose axis: rest and swing where it swings, the pocket scale where it hardly does. */
function lookAt(bench: Bench, load: AxisLoad, offsetM: Vec3): Vec3 {
	const { operator, random } = bench;
	const r = length(offsetM);
	const band = bandOf(load);
	const swings = Math.min(mostSwings, Math.floor((releaseRad - lastRad) / ((4 * band) / r)));
	if (swings < 1) {
		// Held at a hand's width, lifted and lowered three times: the mean leaves a third of the friction and of the noise.
		const leverM = 0.12;
		const carriedKg = load.carriedKg;
		const component = (trulyM: number) => {
			const readings = [0, 1, 2].map(() => {
				const blurM = (band / 3) * (2 * random() - 1);
				const seenKg = ((trulyM + blurM) * carriedKg) / leverM + (operator.scaleSigmaKg / Math.SQRT2) * normal(random);
				return Math.sign(seenKg) * offsetFromScale({ readingKg: Math.abs(seenKg), leverM, carriedKg }).offsetM;
			});
			return spreadOf({ values: readings }).mean;
		};
		const across = acrossOf(load.axis.direction);
		return across.reduce<Vec3>((sum, unit) => add(sum, scale(unit, component(dot(offsetM, unit)))), [0, 0, 0]);
	}
	const blurRad = (Math.asin(Math.min(1, band / r)) * (random() - random())) / 2;
	const turnedRad = operator.angleSigmaRad * normal(random) + blurRad;
	const inertia = (chain: GimbalChain) => {
		const positionsM = Object.fromEntries(bench.rig.slides.map(({ id }, s) => [id, bench.positionsM[s] as number]));
		const found = motorDemand({ chain, positionsM, rateRadPerS: 0, accelRadPerS2: 0 });
		return found.find(({ id }) => id === load.axis.id)?.inertiaKgM2 ?? 0;
	};
	const amplitudeRad = (releaseRad + lastRad) / 2;
	const quarter = ellipticK(Math.sin(amplitudeRad / 2));
	const truePeriodS = 4 * quarter * Math.sqrt(inertia(bench.real) / (load.carriedKg * standardGravityMPerS2 * r));
	const periodS = truePeriodS + (operator.tapSigmaS * Math.SQRT2 * normal(random)) / swings;
	// The bench believes its own model of the load for the inertia about its centre.
	const modelled = stateOf(
		axisLoads('simulateBench', bench.believed).find(({ axis }) => axis.id === load.axis.id) as AxisLoad,
		bench.positionsM
	);
	const inertiaCgKgM2 = Math.max(0, inertia(bench.believed) - load.carriedKg * length(modelled.offsetM) ** 2);
	const swing = offsetFromSwing({
		massKg: load.carriedKg,
		inertiaCgKgM2,
		periodS: Math.max(0.05, periodS),
		amplitudeRad
	});
	const distanceM = swing.feasible ? swing.offsetM : swing.fastestOffsetM;
	const [forward, up] = acrossOf(load.axis.direction);
	const hangsRad = Math.atan2(-dot(offsetM, forward), -dot(offsetM, up));
	const restAngleRad = wrapped(hangsRad + turnedRad);
	const told = offsetFromRest({ offsetM: distanceM, restAngleRad });
	return add(scale(forward, told.forwardM), scale(up, told.upM));
}

const wrapped = (angleRad: number) => Math.atan2(Math.sin(angleRad), Math.cos(angleRad));

/** Two unit vectors square to an axis and to each other. */
function acrossOf(axis: Vec3): [Vec3, Vec3] {
	const start: Vec3 = Math.abs(axis[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
	const rest = subtract(start, scale(axis, dot(start, axis)));
	const first = scale(rest, 1 / length(rest));
	return [first, cross(axis, first)];
}

function seen(bench: Bench, slide: RigSlide): Observation {
	const { load, offsetM } = trueOffset(bench, slide.balances);
	const along = dot(offsetM, slide.direction);
	const truly: Observation = Math.abs(along) <= bandOf(load) ? 'holds' : along > 0 ? 'falls+' : 'falls-';
	if (bench.random() >= bench.operator.wrongLook) return truly;
	const others = (['holds', 'falls+', 'falls-'] as const).filter((each) => each !== truly);
	return others[Math.floor(between(bench.random, 0, 2))] as Observation;
}

function fallsHolds(bench: Bench, slide: RigSlide): Counts {
	const index = bench.rig.slides.indexOf(slide);
	const band = bandOf(trueOffset(bench, slide.balances).load);
	// A friction torque in a gimbal's profile is a measured one, good to a sixth.
	const believedBand = band * Math.max(0.5, 1 + normal(bench.random) / 6);
	const history: Tried[] = [];
	let [nudges, looks] = [0, 0];
	while (nudges < mostNudges) {
		const observation = seen(bench, slide);
		looks += 1;
		history.push({ positionM: bench.positionsM[index] as number, observation });
		const next = nextNudge({
			history,
			rangeM: slide.rangeM,
			toleranceM: bench.toleranceM,
			firstStepM: 4 * bench.toleranceM,
			bandM: believedBand
		});
		const byM = next.positionM - (bench.positionsM[index] as number);
		if (Math.abs(byM) > handM) {
			move(bench, slide, byM);
			nudges += 1;
		}
		if (next.done || next.outOfTravel !== null) break;
	}
	return { nudges, looks };
}

function halving(bench: Bench, slide: RigSlide): Counts {
	const index = bench.rig.slides.indexOf(slide);
	let [least, greatest] = slide.rangeM;
	let [nudges, looks] = [0, 0];
	// By hand nothing is predicted: it starts in the middle of the travel.
	bench.positionsM[index] = (least + greatest) / 2;
	while (nudges < mostNudges && greatest - least > 1e-4) {
		looks += 1;
		const observation = seen(bench, slide);
		if (observation === 'holds') break;
		const at = bench.positionsM[index] as number;
		if (observation === 'falls+') greatest = at;
		else least = at;
		move(bench, slide, (least + greatest) / 2 - at);
		nudges += 1;
	}
	return { nudges, looks };
}
