/** Within this share of its way a camera stands. */
const settled = 0.02;

/**
 * When a reference that nothing limits has made half of its way after a quick turn, and when it stands within 2 % of it for
 * good, s. The answer of `smooth·r'' + r' + follow·(r − target) = 0` from rest, by its roots, which are real up to
 * `follow·smooth = 1/4` and ring beyond. Both above 0; not checked.
 */
export function turnTimes(followPerS: number, smoothS: number): { readonly halfS: number; readonly endS: number } {
	const middle = 1 / (2 * smoothS);
	const square = middle * middle - followPerS / smoothS;
	const root = Math.sqrt(Math.abs(square));
	/** What is left of the way. */
	const left = (t: number): number => {
		if (root * t < 1e-6) return Math.exp(-middle * t) * (1 + middle * t);
		if (square < 0) return Math.exp(-middle * t) * (Math.cos(root * t) + (middle / root) * Math.sin(root * t));
		const [slow, fast] = [root - middle, -root - middle];
		return (slow * Math.exp(fast * t) - fast * Math.exp(slow * t)) / (slow - fast);
	};
	const between = (low: number, high: number, done: (t: number) => boolean) => {
		for (let k = 0; k < 52; k += 1) {
			const t = (low + high) / 2;
			if (done(t)) high = t;
			else low = t;
		}
		return (low + high) / 2;
	};
	// Slower than both time constants together nothing is left after so long.
	const long = 8 * (1 / followPerS + 2 * smoothS);
	const halfS = between(0, square < 0 ? Math.PI / root : long, (t) => left(t) <= 0.5);
	if (square >= 0) return { halfS, endS: between(0, long, (t) => left(t) <= settled) };
	// It swings: the extremes lie half a turn apart, each smaller by the same share, and the last one beyond 2 % counts.
	const half = Math.PI / root;
	const share = Math.exp(-middle * half);
	const beyond = Math.max(0, Math.floor(Math.log(settled) / Math.log(share) + 1e-12));
	// From the last extreme that lies outside the band, or from the start, to the next one, which lies inside.
	const from = beyond * half;
	return { halfS, endS: between(from, from + half, (t) => Math.abs(left(t)) <= settled) };
}
