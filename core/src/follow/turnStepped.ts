/** Within this share of the turn a camera stands. */
const settled = 0.02;
/** Nobody times a turn for longer. */
const longestS = 60;

/** One axis' law of following, with all that holds it back. */
export interface TurnLaw {
	readonly followPerS: number;
	readonly smoothS: number;
	readonly deadbandRad: number;
	readonly maxRateRadPerS: number;
	readonly maxAccelRadPerS2: number;
}

export interface TimedLook {
	readonly halfS: number;
	readonly endS: number;
	readonly restShortRad: number;
}

/** What is left of a turn once nothing holds it back any more: where it rests, and how far from there it is after so long, monotonously less. */
interface Tail {
	readonly restRad: number;
	readonly offAt: (afterS: number) => number;
}

/**
 * What a quick turn of the handle looks like when it is timed: when the camera has made half of its own way, when it stands within 2 % of the
 * turn for good, and how far short of the handle it rests (it may coast past the edge of its dead band, or stand anywhere within it).
 *
 * The law of `followResponse` from rest, `smooth·r'' + r' = follow·(beyond the dead band)` with its greatest rate and acceleration, stepped by the
 * midpoint method until one of two things is left, which are known in closed form: within the dead band the rate dies away as `e^(−t/smooth)`;
 * outside it, with neither limit in the way and too slow to reach the edge, what is left is the sum of the two exponentials of the linear law. A turn
 * that is not done by `mostS` ends there. All figures above 0; not checked.
 */
export function turnStepped(law: TurnLaw, angleRad: number, mostS: number = longestS): TimedLook {
	const { followPerS, smoothS, deadbandRad, maxRateRadPerS, maxAccelRadPerS2 } = law;
	const angle = Math.abs(angleRad);
	const h = Math.min(0.008, smoothS / 6);
	const beyond = (r: number) => {
		const error = angle - r;
		return error > deadbandRad ? error - deadbandRad : error < -deadbandRad ? error + deadbandRad : 0;
	};
	const accelOf = (r: number, v: number) => {
		const wanted = followPerS * beyond(r);
		const kept = wanted > maxRateRadPerS ? maxRateRadPerS : wanted < -maxRateRadPerS ? -maxRateRadPerS : wanted;
		const accel = (kept - v) / smoothS;
		return accel > maxAccelRadPerS2 ? maxAccelRadPerS2 : accel < -maxAccelRadPerS2 ? -maxAccelRadPerS2 : accel;
	};
	const way: number[] = [0];
	let [r, v] = [0, 0];
	let tail: Tail | null = null;
	for (let k = 0; k * h < mostS; k += 1) {
		tail = tailOf(law, angle, r, v, beyond(r));
		if (tail !== null) break;
		const [rm, vm] = [r + (h / 2) * v, v + (h / 2) * accelOf(r, v)];
		v += h * accelOf(rm, vm);
		r += h * vm;
		way.push(r);
	}
	const { restRad, offAt } = tail ?? { restRad: r, offAt: () => 0 };
	const stepped = h * (way.length - 1);
	const crossing = (k: number, level: number) => {
		const [one, two] = [way[k - 1]!, way[k]!];
		return h * (k - 1 + (one === two ? 0 : (level - one) / (two - one)));
	};
	/** When what is left has come down to so little. */
	const leftAt = (off: number) => {
		let [from, to] = [0, smoothS];
		while (Math.abs(offAt(to)) > off && to < mostS) [from, to] = [to, 2 * to];
		for (let round = 0; round < 24; round += 1) {
			const middle = (from + to) / 2;
			if (Math.abs(offAt(middle)) > off) from = middle;
			else to = middle;
		}
		return stepped + (from + to) / 2;
	};
	const half = way.findIndex((each) => each >= restRad / 2);
	const band = settled * angle;
	let endS: number;
	if (Math.abs(offAt(0)) > band) endS = leftAt(band);
	else {
		let last = way.length - 1;
		while (last > 0 && Math.abs(way[last]! - restRad) <= band) last -= 1;
		endS = last + 1 < way.length ? crossing(last + 1, restRad + Math.sign(way[last]! - restRad) * band) : h * last;
	}
	return {
		halfS: half < 0 ? leftAt(restRad / 2) : half === 0 ? h : crossing(half, restRad / 2),
		endS: Math.max(h, endS),
		restShortRad: Math.abs(angle - restRad)
	};
}

/** Null: something still holds it back, or it may come to the edge of its dead band. */
function tailOf(law: TurnLaw, angle: number, r: number, v: number, excess: number): Tail | null {
	const { followPerS, smoothS, deadbandRad, maxRateRadPerS, maxAccelRadPerS2 } = law;
	if (excess === 0) {
		const coast = v * smoothS;
		if (Math.abs(angle - r - coast) > deadbandRad || Math.abs(v) > maxAccelRadPerS2 * smoothS) return null;
		return { restRad: r + coast, offAt: (afterS) => coast * Math.exp(-afterS / smoothS) };
	}
	const damped = 1 - 4 * followPerS * smoothS;
	if (damped <= 1e-9 || followPerS * Math.abs(excess) > maxRateRadPerS) return null;
	// Signs as if it came from short of the handle: x is left of the way to the edge, u how fast it becomes less.
	const [x, u] = [Math.abs(excess), Math.sign(excess) * v];
	const root = Math.sqrt(damped);
	const [slow, fast] = [(1 - root) / (2 * smoothS), (1 + root) / (2 * smoothS)];
	if (u < 0 || u >= fast * x) return null;
	const ofFast = (u - slow * x) / (fast - slow);
	const ofSlow = x - ofFast;
	// Not now and not later.
	if (Math.abs(ofSlow) * slow * slow + Math.abs(ofFast) * fast * fast > maxAccelRadPerS2) return null;
	return {
		restRad: angle - Math.sign(excess) * deadbandRad,
		offAt: (afterS) => ofSlow * Math.exp(-slow * afterS) + ofFast * Math.exp(-fast * afterS)
	};
}
