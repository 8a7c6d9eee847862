import { checksFor } from '../input';

/** How finely the travel is looked through for its worst error, and the skew for the least of them. */
const samples = 400;

/**
 * A passive pan bar beside a rail: the carriage's crank has its pin in a bar that stands at a skew, so the camera turns as it travels.
 *
 * Pan is positive towards the far end (+x). The simple law reads the bar at the carriage, `θ = −asin(x tan ε / c)`, and is up to 0.2° off the
 * exact one for a crank along the rail; sweeping outwards turns the other way. Held on a subject straight off the centre at D the ideal is
 * `−atan(x/D)`: `ends` matches it at both ends, `tan ε = c/√(D² + X²)`, `leastWorst` makes the worst framing error along the travel as
 * small as it can be. Errors in per cent of the frame's width, `tan(θ − θ*) · focal / sensorWidth`; of a sweeping bar against the same
 * angles the other way. Throws `PhysicsInputError` for lengths not above 0, or a crank too short to follow the bar to its ends.
 *
 * @example
 * panLinkage({ crankM: 0.1, distanceM: 0.8, halfTravelM: 0.6, focalM: 0.05, sensorWidthM: 0.036, choose: 'ends', setting: 'holding', atM: [0] }).panRad[0] === 0 ? 1 : 0; // 1
 */
export function panLinkage(input: {
	readonly crankM: number;
	readonly distanceM: number;
	readonly halfTravelM: number;
	readonly focalM: number;
	readonly sensorWidthM: number;
	readonly choose: 'ends' | 'leastWorst';
	readonly setting: 'holding' | 'sweeping';
	readonly atM: readonly number[];
}): {
	readonly skewRad: number;
	readonly worstErrorPercent: number;
	readonly panRad: number[];
	readonly errorPercent: number[];
} {
	const check = checksFor('panLinkage');
	const crank = check.positive('crankM', input.crankM);
	const distance = check.positive('distanceM', input.distanceM);
	const half = check.positive('halfTravelM', input.halfTravelM);
	const onScreen = (check.positive('focalM', input.focalM) / check.positive('sensorWidthM', input.sensorWidthM)) * 100;
	if (input.choose !== 'ends' && input.choose !== 'leastWorst')
		check.fail('choose', 'must be ends or leastWorst', input.choose);
	if (input.setting !== 'holding' && input.setting !== 'sweeping')
		check.fail('setting', 'must be holding or sweeping', input.setting);
	if (!Array.isArray(input.atM)) check.fail('atM', 'must be a list of places', input.atM);
	if (input.atM.length > 100_000) check.fail('atM', 'must be at most 100000', input.atM.length);
	input.atM.forEach((at, k) => {
		if (Math.abs(check.number(`atM[${k}]`, at)) > half * (1 + 1e-9))
			check.fail(`atM[${k}]`, 'must lie on the travel', at);
	});
	const way = input.setting === 'holding' ? -1 : 1;
	const pan = (x: number, tangent: number) => way * Math.asin(Math.max(-1, Math.min(1, (x * tangent) / crank)));
	const error = (x: number, tangent: number) => Math.tan(pan(x, tangent) - way * Math.atan(x / distance)) * onScreen;
	const worst = (tangent: number) => {
		let most = 0;
		// Either half of the travel is the other's mirror.
		for (let k = 1; k <= samples; k += 1) most = Math.max(most, Math.abs(error((half * k) / samples, tangent)));
		return most;
	};
	const matched = crank / Math.hypot(distance, half);
	/** The bar at the end of the travel stands no further out than the crank is long. */
	const steepest = crank / half;
	let tangent = matched;
	if (input.choose === 'leastWorst') {
		let [low, high] = [0.5 * matched, Math.min(2 * matched, steepest)];
		const golden = (Math.sqrt(5) - 1) / 2;
		for (let k = 0; k < 80; k += 1) {
			const [a, b] = [high - golden * (high - low), low + golden * (high - low)];
			if (worst(a) < worst(b)) high = b;
			else low = a;
		}
		tangent = (low + high) / 2;
	}
	return {
		skewRad: Math.atan(tangent),
		worstErrorPercent: refinedWorst(),
		panRad: input.atM.map((x) => pan(x, tangent) + 0),
		errorPercent: input.atM.map((x) => error(x, tangent) + 0)
	};

	/** The worst error itself, between the samples too. */
	function refinedWorst(): number {
		let at = half;
		for (let k = 1; k <= samples; k += 1) {
			const x = (half * k) / samples;
			if (Math.abs(error(x, tangent)) > Math.abs(error(at, tangent))) at = x;
		}
		let [low, high] = [Math.max(0, at - half / samples), Math.min(half, at + half / samples)];
		for (let k = 0; k < 80; k += 1) {
			const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
			if (Math.abs(error(a, tangent)) < Math.abs(error(b, tangent))) low = a;
			else high = b;
		}
		return Math.max(Math.abs(error((low + high) / 2, tangent)), Math.abs(error(half, tangent)));
	}
}
