import type { WalkSine } from './feelAt';
import { pushedBy, rmsOf, walkAngle } from './walkShake';

/** Coarser than the response itself: for finding what the response then judges. */
const h = 0.002;
/** What is looked at of a walk while it is searched, s. */
const [fromS, toS] = [1.7, 5.05] as const;
const settled = 0.02;

interface SteppedPlant {
	readonly inertia: number;
	readonly damping: number;
	readonly coupling: number;
	readonly delay: number;
	readonly moment: number;
	readonly maxRateRadPerS: number;
	readonly maxAccelRadPerS2: number;
}
type Point = readonly [follow: number, deadband: number, smooth: number, natural: number];

/**
 * One axis stepped fast, for a search: the same law as `followResponse` at 2 ms, by the midpoint method, with nothing made anew but the
 * series. What is found by it is judged by the response itself.
 */
export function steppedFeel(plant: SteppedPlant, walk: readonly WalkSine[], turnRad: number) {
	const count = Math.round(toS / h);
	const walkAt = Float64Array.from({ length: 2 * count + 2 }, (_, k) => walkAngle(walk, (k * h) / 2));
	const camera = new Float64Array(count);
	const reference = new Float64Array(count + 1);
	const rate = new Float64Array(count + 1);
	let last: readonly number[] = [];

	const accelOf = ([follow, deadband, smooth]: Point, handle: number, r: number, v: number) => {
		const error = handle - r;
		const excess = error > deadband ? error - deadband : error < -deadband ? error + deadband : 0;
		const asked = follow * excess;
		const wanted =
			asked > plant.maxRateRadPerS
				? plant.maxRateRadPerS
				: asked < -plant.maxRateRadPerS
					? -plant.maxRateRadPerS
					: asked;
		const accel = (wanted - v) / smooth;
		return accel > plant.maxAccelRadPerS2
			? plant.maxAccelRadPerS2
			: accel < -plant.maxAccelRadPerS2
				? -plant.maxAccelRadPerS2
				: accel;
	};
	/** The reference over so many steps of a handle that is known at every half step. */
	function follow(
		point: Point,
		handle: (half: number) => number,
		steps: number,
		r: Float64Array,
		v: Float64Array
	): void {
		[r[0], v[0]] = [0, 0];
		for (let n = 0; n < steps; n += 1) {
			const half = accelOf(point, handle(2 * n), r[n]!, v[n]!);
			const [rm, vm] = [r[n]! + (h / 2) * v[n]!, v[n]! + (h / 2) * half];
			v[n + 1] = v[n]! + h * accelOf(point, handle(2 * n + 1), rm, vm);
			r[n + 1] = r[n]! + h * vm;
		}
	}
	/** The camera held to it, late as its loop is; a loop that runs away is told by its size. */
	function held(
		natural: number,
		handle: (half: number) => number,
		steps: number,
		r: Float64Array,
		v: Float64Array,
		out: Float64Array
	): void {
		const [k, d] = [natural ** 2, 2 * plant.damping * natural];
		const drag = plant.coupling / plant.inertia;
		const late = plant.delay / h;
		let [c, w] = [0, handle(0) === 0 ? 0 : drag * handle(0)];
		const motor = new Float64Array(steps);
		for (let n = 0; n < steps; n += 1) {
			out[n] = c;
			motor[n] = k * (r[n]! - c) + d * (v[n]! - w);
			const turning = (handle(2 * n + 2) - handle(2 * n)) / h;
			const place = n + 0.5 - late;
			const [cm, wm0] = [c + (h / 2) * w, w];
			let push: number;
			if (late < 0.5) {
				const wm = wm0 + (h / 2) * (motor[n]! + drag * (turning - wm0));
				const rm = (r[n]! + r[n + 1]!) / 2;
				const vm = (v[n]! + v[n + 1]!) / 2;
				push = k * (rm - cm) + d * (vm - wm);
				w += h * (push + drag * (turning - wm));
				c += h * wm;
				continue;
			}
			const low = Math.floor(place);
			push = place <= 0 ? 0 : motor[low]! + (motor[Math.min(n, low + 1)]! - motor[low]!) * (place - low);
			const wm = wm0 + (h / 2) * (push + drag * (turning - wm0));
			w += h * (push + drag * (turning - wm));
			c += h * wm;
			if (!(Math.abs(w) < 1e4)) {
				out.fill(1e3, n + 1);
				return;
			}
		}
	}

	return {
		shake(point: Point): number {
			const handle = (half: number) => walkAt[half]!;
			if (last[0] !== point[0] || last[1] !== point[1] || last[2] !== point[2]) {
				follow(point, handle, count, reference, rate);
				last = point;
			}
			held(point[3], handle, count, reference, rate, camera);
			const natural = { inertiaKgM2: plant.inertia, naturalRadPerS: point[3], damping: plant.damping };
			const pushed = pushedBy({ ...natural, couplingNmS: plant.coupling, firstMomentKgM: plant.moment }, walk);
			return Math.hypot(rmsOf(camera, Math.round(fromS / h)), pushed);
		},
		/** After a quick turn: when it stands within 2 % for good, and how far it swings past; looked at for so long. */
		turn(point: Point, forS: number): { readonly settleS: number; readonly overshootRad: number } {
			const steps = Math.round(forS / h);
			const [r, v, c] = [new Float64Array(steps + 1), new Float64Array(steps + 1), new Float64Array(steps)];
			const handle = () => turnRad;
			follow(point, handle, steps, r, v);
			held(point[3], handle, steps, r, v, c);
			const rest = Math.max(0, turnRad - point[1]);
			let [end, over] = [steps - 1, 0];
			while (end >= 0 && Math.abs(c[end]! - rest) <= settled * turnRad) end -= 1;
			for (let n = 0; n < steps; n += 1) over = Math.max(over, c[n]! - rest);
			return { settleS: end === steps - 1 ? Infinity : (end + 1) * h, overshootRad: over };
		}
	};
}
