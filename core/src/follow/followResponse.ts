import { checksFor } from '../input';
import {
	checkPlant,
	checkSettings,
	type FollowPlant,
	type FollowSettings,
	type HandleMotion,
	readHand
} from './settings';

export interface FollowResponseInput {
	readonly settings: FollowSettings;
	readonly handle: HandleMotion;
	/** Absent: the camera is where the reference is. */
	readonly plant?: FollowPlant;
	readonly endS: number;
	/** When angles are asked for; in any order. */
	readonly atS: readonly number[];
}

export interface FollowResponse {
	/** From the end of the turn until the camera is within 2 % of the turn of where it rests, for good. Null: not by the end. */
	readonly settleS: number | null;
	/** How far the camera goes beyond where it rests. */
	readonly overshootRad: number;
	/** Of the reference. */
	readonly peakRateRadPerS: number;
	/** Where the camera stands at the end. */
	readonly restRad: number;
	/** How far the camera is behind the handle when the turn stops. */
	readonly lagRad: number;
	readonly handleRad: readonly number[];
	readonly referenceRad: readonly number[];
	readonly cameraRad: readonly number[];
}

/** The finest and the usual step, s; a response no longer than the most. */
const stepS = 0.001;
const mostEndS = 600;
const settled = 0.02;

/** The same angle within half a turn. */
const wrap = (angle: number) =>
	Math.abs(angle) <= Math.PI ? angle : angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));
const clamp = (value: number, most: number) => (value > most ? most : value < -most ? -most : value);

/**
 * What one axis does when the hand turns its handle, from rest at 0; angles in rad, times in s.
 *
 * The reference follows the handle: beyond the dead band by `followPerS` a second, no faster than `maxRate`, taking up
 * another rate within `smoothS` and no quicker than `maxAccel`; more than half a turn it goes the short way. The camera is
 * held to the reference by the motor, `I c'' = K (r − c) + D (r' − c') + b (h' − c') + torque` with `K = I ωn²`,
 * `D = 2 ζ ωn I`, the motor acting `delayS` late. Stepped with the classical fourth-order method at 1 ms, finer where a
 * time constant asks for it, and never longer than a loop is late, whose torque is taken between the steps it was worked out at.
 *
 * Throws `PhysicsInputError` for a time constant or limit that is not above 0, a dead band or follow rate below 0, times
 * that are not finite, or an end beyond ten minutes.
 *
 * @example
 * followResponse({ settings: { followPerS: 3, deadbandRad: 0.05, maxRateRadPerS: 9, maxAccelRadPerS2: 90, smoothS: 0.06 }, handle: { kind: 'step', angleRad: 0.7, atS: 0 }, endS: 12, atS: [] }).restRad; // 0.65
 */
export function followResponse(input: FollowResponseInput): FollowResponse {
	const check = checksFor('followResponse');
	const settings = checkSettings(check, input.settings);
	const plant = input.plant === undefined ? null : checkPlant(check, input.plant);
	const hand = readHand('followResponse', input.handle);
	const endS = check.positive('endS', input.endS);
	if (endS > mostEndS) check.fail('endS', `must be at most ${mostEndS}`, endS);
	if (!Array.isArray(input.atS)) check.fail('atS', 'must be a list of times', input.atS);
	input.atS.forEach((time, k) => check.atLeastZero(`atS[${k}]`, time));

	const path = stepped(settings, plant, hand, endS);
	const at = (list: Float64Array, time: number) => {
		const place = Math.min(list.length - 1, Math.max(0, time / path.stepS));
		const low = Math.floor(place);
		const next = list[Math.min(list.length - 1, low + 1)]!;
		return list[low]! + (next - list[low]!) * (place - low);
	};

	const { camera } = path;
	const restRad = camera[camera.length - 1]!;
	const turnRad = restRad < 0 ? -Math.abs(hand.turnRad) : Math.abs(hand.turnRad);
	const sense = Math.sign(wrap(hand.turnRad)) || 1;
	const from = Math.min(camera.length - 1, Math.round(hand.endsS / path.stepS));
	const band = settled * Math.abs(turnRad);
	let last = camera.length - 1;
	while (last >= from && Math.abs(camera[last]! - restRad) <= band) last -= 1;
	/** What a camera that is still turning has before it, by what it makes good a second. */
	const rateRadPerS = (restRad - camera[camera.length - 2]!) / path.stepS;
	const underWay = settings.followPerS === 0 ? 0 : Math.abs(rateRadPerS) / settings.followPerS;
	// A loop that swings on lies within the band for a moment at a time: it stands only once it has stayed there.
	const stands = camera.length - 1 - last > stayed * (camera.length - from);
	let overshootRad = 0;
	for (let k = from; k < camera.length; k += 1) overshootRad = Math.max(overshootRad, sense * (camera[k]! - restRad));
	// What is left of the way to rest when the time is up is no overshoot.
	if (overshootRad < restSlackRad) overshootRad = 0;
	return {
		settleS: underWay > band || !stands ? null : Math.max(0, (last + 1) * path.stepS - hand.endsS),
		overshootRad,
		peakRateRadPerS: path.peakRateRadPerS,
		restRad,
		lagRad: wrap(hand.angleAt(hand.endsS) - at(camera, hand.endsS)),
		handleRad: input.atS.map((time) => hand.angleAt(time)),
		referenceRad: input.atS.map((time) => at(path.reference, time)),
		cameraRad: input.atS.map((time) => at(camera, time))
	};
}
const restSlackRad = 1e-9;
/** The share of the time after the turn that it must have stayed within the band. */
const stayed = 0.05;

interface Path {
	readonly stepS: number;
	readonly reference: Float64Array;
	readonly camera: Float64Array;
	readonly peakRateRadPerS: number;
}

function stepped(
	settings: Required<FollowSettings>,
	plant: Required<FollowPlant> | null,
	hand: ReturnType<typeof readHand>,
	endS: number
): Path {
	const { followPerS, deadbandRad, maxRateRadPerS, maxAccelRadPerS2, smoothS, joystickRadPerS } = settings;
	const fastest = Math.max(
		1 / smoothS,
		followPerS,
		plant === null ? 0 : 2 * (1 + plant.damping) * plant.naturalRadPerS
	);
	// No step is longer than a loop is late: what the motor does within one is then known when it begins.
	const lateS = plant === null || plant.delayS < leastLateS ? Infinity : plant.delayS;
	const h = Math.max(endS / mostSteps, Math.min(stepS, 0.25 / fastest, endS / 10, lateS));
	const count = Math.ceil(endS / h) + 1;
	const reference = new Float64Array(count);
	const camera = new Float64Array(count);

	const accelOf = (handle: number, r: number, rate: number) => {
		const error = wrap(handle - r);
		const excess = error > deadbandRad ? error - deadbandRad : error < -deadbandRad ? error + deadbandRad : 0;
		const wanted = clamp(followPerS * excess + joystickRadPerS, maxRateRadPerS);
		return clamp((wanted - rate) / smoothS, maxAccelRadPerS2);
	};
	// Every handle angle and rate that is asked for: at a step's beginning, in its middle and just before its end, so that
	// corners fall between steps.
	const angles = new Float64Array(3 * count);
	const rates = new Float64Array(3 * count);
	for (let n = 0; n < count; n += 1)
		for (let part = 0; part < 3; part += 1) {
			const t = (n + (part === 2 ? 1 - 1e-9 : part / 2)) * h;
			angles[3 * n + part] = hand.angleAt(t);
			if (plant !== null) rates[3 * n + part] = hand.rateAt(t);
		}

	const inertia = plant?.inertiaKgM2 ?? 1;
	const k = plant === null ? 0 : plant.naturalRadPerS ** 2;
	const d = plant === null ? 0 : 2 * plant.damping * plant.naturalRadPerS;
	const drag = (plant?.couplingNmS ?? 0) / inertia;
	const push = (plant?.torqueNm ?? 0) / inertia;
	const late = plant === null ? 0 : plant.delayS / h;
	/** The motor's part of the camera's acceleration at every step, for a loop that is late. */
	const motor = late > 0 ? new Float64Array(count) : null;
	const motorAt = (index: number, part: number) => {
		const place = Math.min(index, index + part - late);
		if (motor === null || place <= 0) return 0;
		const low = Math.floor(place);
		return motor[low]! + (motor[Math.min(index, low + 1)]! - motor[low]!) * (place - low);
	};
	// What is proportional to the camera's own angle and rate, of a loop that is not late.
	const prompt = motor === null ? 1 : 0;

	let r = 0;
	let v = 0;
	let c = 0;
	let w = 0;
	let peakRateRadPerS = 0;
	const half = h / 2;
	const sixth = h / 6;
	const jumpIndex = hand.jump === null ? -1 : Math.round(hand.jump.atS / h);
	for (let n = 0; n < count; n += 1) {
		// A jump of the handle drags the camera along at once: the impulse of b·h'.
		if (n === jumpIndex && hand.jump !== null) w += drag * hand.jump.angleRad;
		reference[n] = r;
		if (Math.abs(v) > peakRateRadPerS) peakRateRadPerS = Math.abs(v);
		const h1 = angles[3 * n + 1]!;
		const a1 = accelOf(angles[3 * n]!, r, v);
		const v2 = v + half * a1;
		const a2 = accelOf(h1, r + half * v, v2);
		const v3 = v + half * a2;
		const a3 = accelOf(h1, r + half * v2, v3);
		const v4 = v + h * a3;
		const a4 = accelOf(angles[3 * n + 2]!, r + h * v3, v4);
		if (plant !== null) {
			camera[n] = c;
			if (motor !== null) motor[n] = k * (r - c) + d * (v - w);
			const [s1, s2, s4] = [push + motorAt(n, 0), push + motorAt(n, 0.5), push + motorAt(n, 1)];
			const [kk, dd] = [prompt * k, prompt * d];
			const g1 = rates[3 * n + 1]!;
			const b1 = kk * (r - c) + dd * (v - w) + drag * (rates[3 * n]! - w) + s1;
			const w2 = w + half * b1;
			const b2 = kk * (r + half * v - c - half * w) + dd * (v2 - w2) + drag * (g1 - w2) + s2;
			const w3 = w + half * b2;
			const b3 = kk * (r + half * v2 - c - half * w2) + dd * (v3 - w3) + drag * (g1 - w3) + s2;
			const w4 = w + h * b3;
			const b4 = kk * (r + h * v3 - c - h * w3) + dd * (v4 - w4) + drag * (rates[3 * n + 2]! - w4) + s4;
			c += h * w + sixth * h * (b1 + b2 + b3);
			w += sixth * (b1 + 2 * b2 + 2 * b3 + b4);
			// A loop that runs away is stopped where no camera turns any more.
			if (!(Math.abs(w) < mostRate)) {
				c = camera[n]!;
				w = 0;
			}
		}
		r += h * v + sixth * h * (a1 + a2 + a3);
		v += sixth * (a1 + 2 * a2 + 2 * a3 + a4);
	}
	return { stepS: h, reference, camera: plant === null ? reference : camera, peakRateRadPerS };
}
/** Less late than this a loop counts as late by the step's own beginning. */
const leastLateS = 5e-5;
const mostSteps = 2_000_000;
const mostRate = 1e4;
