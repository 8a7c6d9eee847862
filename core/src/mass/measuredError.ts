import { checksFor } from '../input';
import { chiSquarePoint } from '../numeric/chiSquare';
import { cgFromHang, type Hang } from './cgFromHang';
import { cgFromTwoScales } from './cgFromTwoScales';
import { offsetFromScale } from './offsetFromScale';
import { offsetFromSwing } from './offsetFromSwing';
import type { Spread } from './spread';

/**
 * How far off one reading may be, one standard deviation, metres: `randomM` is another one at each reading and goes down with their
 * number; `systematicM` is the same in all of them (an edge, a gain, an inertia that was guessed) and stays.
 */
export interface MeasuredError {
	readonly randomM: number;
	readonly systematicM: number;
}

/**
 * The error of `cgFromTwoScales`, counted from an end that edge A stands `edgeM` well measured from.
 *
 * `errors`: `scaleKg` of one reading of either scale; `gainShare` how far each scale reads all too much or too little; `spanM` and
 * `edgeM` of the two distances. One standard deviation each, at least 0. Throws `PhysicsInputError` otherwise.
 *
 * First order in each, which do not depend on one another: with `d = span b/(a + b)` a reading moves it by `∂d/∂a = −d/(a + b)` and
 * `∂d/∂b = (span − d)/(a + b)`.
 *
 * @example
 * errorOfTwoScales({ scaleAKg: 1, scaleBKg: 1, spanM: 0.4, errors: { scaleKg: 0, gainShare: 0, spanM: 0, edgeM: 0.001 } }).systematicM; // 0.001
 */
export function errorOfTwoScales(input: {
	readonly scaleAKg: number;
	readonly scaleBKg: number;
	readonly spanM: number;
	readonly errors: {
		readonly scaleKg: number;
		readonly gainShare: number;
		readonly spanM: number;
		readonly edgeM: number;
	};
}): MeasuredError {
	const check = checksFor('errorOfTwoScales');
	const { scaleAKg, scaleBKg, spanM } = input;
	cgFromTwoScales({ scaleAKg, scaleBKg, spanM });
	const own = errorsOf(check, input.errors, ['scaleKg', 'gainShare', 'spanM', 'edgeM']);
	const [scaleKg, gainShare, ofSpanM, edgeM] = own as [number, number, number, number];
	const totalKg = scaleAKg + scaleBKg;
	return {
		randomM: (spanM * scaleKg * Math.hypot(scaleAKg, scaleBKg)) / totalKg ** 2,
		systematicM: Math.hypot(
			edgeM,
			(ofSpanM * scaleBKg) / totalKg,
			(gainShare * Math.SQRT2 * spanM * scaleAKg * scaleBKg) / totalKg ** 2
		)
	};
}

/**
 * The error of `offsetFromScale`: `readingKg` of one reading, `leverM` of the distance, `massShare` of what the axis carries,
 * `gainShare` of the scale. One standard deviation each, at least 0. Throws `PhysicsInputError` otherwise.
 *
 * The offset is a product: `σ²/r² = Σ (σ_k/x_k)²`.
 *
 * @example
 * errorOfScale({ readingKg: 0.06, leverM: 0.2, carriedKg: 1.5, errors: { readingKg: 0.003, leverM: 0, massShare: 0, gainShare: 0 } }).randomM; // 0.0004
 */
export function errorOfScale(input: {
	readonly readingKg: number;
	readonly leverM: number;
	readonly carriedKg: number;
	readonly errors: {
		readonly readingKg: number;
		readonly leverM: number;
		readonly massShare: number;
		readonly gainShare: number;
	};
}): MeasuredError {
	const check = checksFor('errorOfScale');
	const { readingKg, leverM, carriedKg } = input;
	const { offsetM } = offsetFromScale({ readingKg, leverM, carriedKg });
	const own = errorsOf(check, input.errors, ['readingKg', 'leverM', 'massShare', 'gainShare']);
	const [ofReadingKg, ofLeverM, massShare, gainShare] = own as [number, number, number, number];
	return {
		randomM: (ofReadingKg * leverM) / carriedKg,
		systematicM: offsetM * Math.hypot(ofLeverM / leverM, massShare, gainShare)
	};
}

/**
 * The error of `offsetFromSwing`, of its nearer distance: `periodS` of one timing, `inertiaShare` and `massShare` of what swings,
 * `amplitudeRad` of how far it goes. One standard deviation each, at least 0. Throws `PhysicsInputError` otherwise, and for a swing that is
 * not feasible.
 *
 * `r² − q r + I/m = 0` with `q = g (T/4K)²` gives `dr = (d(I/m) − r dq)/(q − 2r)`. Near the shortest period, where both distances meet
 * and that has no bound, the error is at most the way to there: `|k − r|` with the radius of gyration k, or `r` for a point mass.
 *
 * @example
 * const swing = { massKg: 2, inertiaCgKgM2: 0, periodS: 2, amplitudeRad: 0.1 };
 * errorOfSwing({ ...swing, errors: { periodS: 0, inertiaShare: 0.5, massShare: 0.1, amplitudeRad: 0 } }).systematicM; // 0
 */
export function errorOfSwing(input: {
	readonly massKg: number;
	readonly inertiaCgKgM2: number;
	readonly periodS: number;
	readonly amplitudeRad: number;
	readonly errors: {
		readonly periodS: number;
		readonly inertiaShare: number;
		readonly massShare: number;
		readonly amplitudeRad: number;
	};
}): MeasuredError {
	const check = checksFor('errorOfSwing');
	const { massKg, inertiaCgKgM2, periodS, amplitudeRad } = input;
	const swing = { massKg, inertiaCgKgM2, periodS, amplitudeRad };
	const told = offsetFromSwing(swing);
	if (!told.feasible) return check.fail('periodS', 'must be a swing that some offset gives', periodS);
	const own = errorsOf(check, input.errors, ['periodS', 'inertiaShare', 'massShare', 'amplitudeRad']);
	const [ofPeriodS, inertiaShare, massShare, ofAmplitudeRad] = own as [number, number, number, number];
	const r = told.offsetM;
	const gyration2 = inertiaCgKgM2 / massKg;
	const q = r + gyration2 / r;
	const slope = gyration2 === 0 ? -r : q - 2 * r;
	// d ln q by the amplitude, through the exact quarter period.
	const stepRad = Math.min(1e-4, amplitudeRad / 2, (Math.PI - amplitudeRad) / 2);
	const point = (amplitude: number) => {
		const at = offsetFromSwing({ massKg: 1, inertiaCgKgM2: 0, periodS, amplitudeRad: amplitude });
		return at.feasible ? Math.log(at.offsetM) : 0;
	};
	const byAmplitude = (point(amplitudeRad + stepRad) - point(amplitudeRad - stepRad)) / (2 * stepRad);
	const most = gyration2 === 0 ? r : Math.abs(Math.sqrt(gyration2) - r);
	const bounded = (square: number) => {
		const first = Math.abs(slope) > 0 ? Math.sqrt(square) / Math.abs(slope) : Infinity;
		return Math.min(first, Math.max(most, Math.sqrt(Math.sqrt(square) * 2)));
	};
	return {
		randomM: bounded(((2 * r * q * ofPeriodS) / periodS) ** 2),
		systematicM: bounded(
			(gyration2 * Math.hypot(inertiaShare, massShare)) ** 2 + (r * q * byAmplitude * ofAmplitudeRad) ** 2
		)
	};
}

/**
 * The error of `cgFromHang` along x and along y: `turnRad` of one reading of either angle, `levelRad` how far both were read from a plumb
 * that was not quite one, `pointM` of where each point is, along x and along y. One standard deviation each, at least 0. Throws
 * `PhysicsInputError` otherwise, and for plumb lines that hardly cross.
 *
 * A turned line moves the crossing along the other one by its string over the sine of the crossing.
 *
 * @example
 * const hangs = { first: { atM: [0, 0.1], turnRad: 0 }, second: { atM: [-0.1, 0], turnRad: -Math.PI / 2 } };
 * errorOfHang({ ...hangs, errors: { turnRad: 0, levelRad: 0, pointM: 0.001 } })[0].systematicM; // 0.001
 */
export function errorOfHang(input: {
	readonly first: Hang;
	readonly second: Hang;
	readonly errors: { readonly turnRad: number; readonly levelRad: number; readonly pointM: number };
}): readonly [x: MeasuredError, y: MeasuredError] {
	const check = checksFor('errorOfHang');
	const { first, second } = input;
	const answer = cgFromHang({ first, second });
	if (!answer.feasible) return check.fail('second', 'must hang from a point further round', second);
	const own = errorsOf(check, input.errors, ['turnRad', 'levelRad', 'pointM']);
	const [turnRad, levelRad, pointM] = own as [number, number, number];
	const down = ({ turnRad: turn }: Hang) => [-Math.sin(turn), -Math.cos(turn)] as const;
	const [a, b] = [down(first), down(second)];
	const cross = a[0] * b[1] - a[1] * b[0];
	const along = (at: Hang, way: readonly [number, number]) =>
		(answer.cgM[0] - at.atM[0]) * way[0] + (answer.cgM[1] - at.atM[1]) * way[1];
	// How far a radian of each turn moves the crossing, along the other line; turned anticlockwise the line's foot goes to its own right.
	const [byFirst, bySecond] = [along(first, a) / cross, -along(second, b) / cross];
	const both = ([0, 1] as const).map((k) => ({
		randomM: turnRad * Math.hypot(byFirst * b[k], bySecond * a[k]),
		systematicM: Math.hypot(
			levelRad * (byFirst * b[k] + bySecond * a[k]),
			(pointM * Math.hypot(b[k], a[k])) / Math.abs(cross)
		)
	}));
	return [both[0] as MeasuredError, both[1] as MeasuredError];
}

/**
 * How far off the mean of some readings may be, one standard deviation, in their own unit.
 *
 * `told` is their mean and spread (`spreadOf`), `count` how many there were, `random` and `systematic` what their instrument is good to.
 * The instrument's own figure stands unless the readings scatter beyond it by more than one case in twenty does by chance: then their
 * scatter does. Only the random part goes down with their number. Throws `PhysicsInputError` for figures below 0 and a count below 1.
 *
 * @example
 * errorOfMean({ told: { mean: 1, spread: null, standardError: null, dropped: [] }, count: 1, random: 0.003, systematic: 0.004 }); // 0.005
 */
export function errorOfMean(input: {
	readonly told: Spread;
	readonly count: number;
	readonly random: number;
	readonly systematic: number;
}): number {
	const check = checksFor('errorOfMean');
	const { told } = input;
	check.number('told.mean', told.mean);
	const count = check.number('count', input.count) - told.dropped.length;
	if (!(count >= 1)) check.fail('count', 'must be at least 1 beside what was left out', input.count);
	const random = check.atLeastZero('random', input.random);
	const systematic = check.atLeastZero('systematic', input.systematic);
	const spread = told.spread === null ? 0 : check.atLeastZero('told.spread', told.spread);
	const scatters = count > 1 && spread ** 2 * (count - 1) > random ** 2 * chiSquarePoint(count - 1, 1.645);
	return Math.hypot((scatters ? spread : random) / Math.sqrt(count), systematic);
}

function errorsOf<Key extends string>(
	check: ReturnType<typeof checksFor>,
	errors: Readonly<Record<Key, number>> | undefined,
	keys: readonly Key[]
): number[] {
	return keys.map((key) => check.atLeastZero(`errors.${key}`, errors?.[key]));
}
