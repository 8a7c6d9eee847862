import { type Checks, checksFor } from '../input';
import { type AxisValues, readAxes } from './transition';
import { minimumJerk, minimumJerkRate, minimumJerkAccel } from '../motion/minimumJerk';

/** Of a pace, per second: from rest to full in a microsecond. */
const atOnce = 1e6;
/** How far along a stop is looked at where its path itself breaks a limit. */
const looks = 4000;

/**
 * How a head stops on its way instead of beside it: the time of a minimum-jerk path slows, `u = ds/dt` from 1 to 0, as hard as
 * every axis's acceleration allows. `alongS` is path time still travelled, `stopS` real time to rest. All axes share one share
 * `p(s)` of their ways, so that the hardest pressed axis decides with `A = min aᵢ/|dᵢ|`; there `p″u² + p′u̇ = −A` is the
 * derivative of the speed `v = p′u` itself: it falls evenly, the head rests after `v₀/A` and after `v₀²/2A` more of its way.
 * Where the path breaks the limit by itself (`p″u² < −A`), no `u̇ ≤ 0` keeps it: time runs on unslowed, `feasible` is false, and it
 * still rests before the path's end. Jerk is not limited. Before the path, at its end and where nothing moves: 0 and 0. Throws
 * `PhysicsInputError` for an axis without a limit or a limit not above 0.
 *
 * @example
 * stopOnPath({ deltas: { panRad: 1.875 }, durationS: 2, atS: 1, limits: { panRad: { maxAccel: 3.515625 } } }).stopS; // 0.5
 */
export function stopOnPath(input: {
	readonly deltas: AxisValues;
	readonly durationS: number;
	readonly atS: number;
	readonly limits: Readonly<Record<string, { readonly maxAccel: number }>>;
}): { readonly stopS: number; readonly alongS: number; readonly feasible: boolean } {
	const check = checksFor('stopOnPath');
	const axes = readAxes(check, 'deltas', input.deltas);
	const lastsS = check.positive('durationS', input.durationS);
	const atS = check.number('atS', input.atS);
	let most = Infinity;
	for (const axis of axes) {
		const accel = accelOf(check, input.limits, axis);
		const d = Math.abs(input.deltas[axis]!);
		if (d > 0) most = Math.min(most, accel / d);
	}
	if (atS <= 0 || atS >= lastsS || most === Infinity) return { stopS: 0, alongS: 0, feasible: true };

	const p = (s: number) => minimumJerk(s / lastsS);
	const first = (s: number) => minimumJerkRate(s / lastsS) / lastsS;
	const second = (s: number) => minimumJerkAccel(s / lastsS) / (lastsS * lastsS);
	let [s, u, stopS, feasible] = [atS, 1, 0, true];
	// At most: unslowed, braked, unslowed where the path bends hardest, braked to rest.
	for (let phase = 0; phase < 6; phase += 1) {
		if (second(s) * u * u < -most * (1 + 1e-12)) {
			feasible = false;
			const pace = u;
			const until = firstWhere((at) => second(at) * pace * pace + most, s, lastsS);
			stopS += (until - s) / u;
			s = until;
			if (s >= lastsS) break;
		}
		const v0 = first(s) * u;
		const from = p(s);
		const rest = from + (v0 * v0) / (2 * most);
		const speed2 = (at: number) => Math.max(0, v0 * v0 - 2 * most * (p(at) - from));
		// Braking, the same line of its speed holds until it rests, or until the path bends harder than the axis may.
		const end = rest >= 1 ? lastsS : inverse(p, rest, s, lastsS);
		const bends = (at: number) => -most * (1 + 1e-9) - (second(at) * speed2(at)) / first(at) ** 2;
		const until = firstWhere(bends, s, end);
		if (until >= end) return { stopS: stopS + v0 / most, alongS: end - atS, feasible };
		const v1 = Math.sqrt(speed2(until));
		stopS += (v0 - v1) / most;
		[s, u] = [until, v1 / first(until)];
	}
	return { stopS, alongS: Math.min(s, lastsS) - atS, feasible };
}

/** The first place from where `f` is above 0, within rounding; the end where it nowhere is. */
function firstWhere(f: (at: number) => number, from: number, to: number): number {
	let before = from;
	for (let k = 1; k < looks; k += 1) {
		const here = from + ((to - from) * k) / looks;
		if (f(here) > 0) {
			let [low, high] = [before, here];
			for (let halving = 0; halving < 60; halving += 1) {
				const middle = (low + high) / 2;
				if (f(middle) > 0) high = middle;
				else low = middle;
			}
			return high;
		}
		before = here;
	}
	return to;
}

function inverse(p: (at: number) => number, wanted: number, from: number, to: number): number {
	let [low, high] = [from, to];
	for (let halving = 0; halving < 100; halving += 1) {
		const middle = (low + high) / 2;
		if (p(middle) < wanted) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}

const accelOf = (
	check: Checks,
	limits: Readonly<Record<string, { readonly maxAccel: number }>> | undefined,
	axis: string
): number => check.positive(`limits.${axis}.maxAccel`, limits?.[axis]?.maxAccel);

/**
 * How hard the time of any path may be slowed and quickened at one moment, `u̇` per second: `brake`, never above 0, is the most negative
 * and `rise`, never below it, the most positive that keep `|q″u² + q′u̇| ≤ maxAccel` for every axis; 0 both where none does. The path's own rates `q′` and accelerations `q″` are of its
 * time, `u` its pace, 0 to 1. What a desk integrates to stop on a path that has no closed form. Throws `PhysicsInputError` as
 * {@link stopOnPath}.
 *
 * @example
 * paceBrake({ rates: { panRad: 0.5 }, accels: { panRad: 0.2 }, pace: 1, limits: { panRad: { maxAccel: 1 } } }).brake; // -2.4
 */
export function paceBrake(input: {
	readonly rates: AxisValues;
	readonly accels: AxisValues;
	readonly pace: number;
	readonly limits: Readonly<Record<string, { readonly maxAccel: number }>>;
}): { readonly brake: number; readonly rise: number; readonly feasible: boolean } {
	const check = checksFor('paceBrake');
	const u = check.atLeastZero('pace', input.pace);
	let [least, greatest] = [-Infinity, Infinity];
	for (const axis of readAxes(check, 'rates', input.rates)) {
		const accel = accelOf(check, input.limits, axis);
		const bend = check.number(`accels.${axis}`, input.accels[axis] ?? 0) * u * u;
		const rate = input.rates[axis]!;
		if (rate === 0) continue;
		const [one, other] = [(-accel - bend) / rate, (accel - bend) / rate];
		least = Math.max(least, Math.min(one, other));
		greatest = Math.min(greatest, Math.max(one, other));
	}
	if (least > Math.min(0, greatest)) return { brake: 0, rise: 0, feasible: false };
	// Nothing moves: it may stop, or start, at once.
	return { brake: Math.max(-atOnce, Math.min(0, least)), rise: Math.min(atOnce, greatest), feasible: true };
}
