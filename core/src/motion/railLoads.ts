import { checksFor } from '../input';
import { standardGravityMPerS2 } from '../mass/body';

/** A rail on one clamp or two supports, with a carriage somewhere along it. */
export interface RailLoadsInput {
	readonly railKg: number;
	readonly lengthM: number;
	/** Carriage and everything on it. */
	readonly carriedKg: number;
	/** Where the carriage stands, from the rail's start. */
	readonly atM: number;
	/** Its load's centre of gravity further along the rail than the carriage; 0 where it sits over it. */
	readonly overhangM?: number;
	/** The load's centre square to the rail; negative: it hangs below. */
	readonly standoffM?: number;
	/** From the rail's start: one clamp, or two supports in any order. */
	readonly supportsM: readonly number[];
	/** The rail's rise from its start, −π/2 to π/2. */
	readonly inclineRad: number;
}

export interface RailLoads {
	/** What each support gives, square to the rail, in the order given; negative: the rail lifts off unless it is clamped down. */
	readonly supportsN: readonly number[];
	/** What one clamp has to hold against turning; positive: the load turns the far end down. Null for two supports. */
	readonly momentNm: number | null;
	/** What the carriage's drive or brake holds along the rail, uphill positive. */
	readonly holdN: number;
	/** What the supports together hold along the rail, uphill positive. */
	readonly slipN: number;
}

/**
 * What a slider's rail asks of its supports and of its carriage's brake, at rest.
 *
 * The rail's frame: u along it from its start, uphill when it is inclined upwards; v square to it, away from the floor. The
 * rail weighs at L/2. The load weighs at U = at + overhang along it and h = standoff off it. Taken about the start,
 * `M0 = g [m_r (L/2) cos i + m_c (U cos i − h sin i)]`, and square to the rail `W = g (m_r + m_c) cos i`. Two supports share
 * it as `N2 = (M0 − W u1)/(u2 − u1)`, `N1 = W − N2`; one clamp bears `W` and the moment `M0 − W u`. Along the rail the
 * carriage holds `g m_c sin i` and the supports `g (m_r + m_c) sin i`. From the sums of forces and moments of a rigid body.
 *
 * Ignores what moves: a carriage that starts or stops adds its mass times its acceleration along the rail. Throws
 * PhysicsInputError for anything not finite, a length or mass below 0, a carriage or support beyond the rail's ends, and two
 * supports in one place.
 *
 * @example
 * railLoads({ railKg: 2, lengthM: 1, carriedKg: 4, atM: 0.75, supportsM: [0, 1], inclineRad: 0 }).supportsN[1]; // 39.2266
 */
export function railLoads({
	railKg,
	lengthM,
	carriedKg,
	atM,
	overhangM = 0,
	standoffM = 0,
	supportsM,
	inclineRad
}: RailLoadsInput): RailLoads {
	const check = checksFor('railLoads');
	check.atLeastZero('railKg', railKg);
	check.positive('lengthM', lengthM);
	check.atLeastZero('carriedKg', carriedKg);
	const along = (path: string, value: number) =>
		check.number(path, value) >= 0 && value <= lengthM ? value : check.fail(path, 'must lie on the rail', value);
	along('atM', atM);
	check.number('overhangM', overhangM);
	check.number('standoffM', standoffM);
	check.number('inclineRad', inclineRad);
	// A vertical rail given in rounded figures is still vertical.
	if (Math.abs(inclineRad) > Math.PI / 2 + 1e-9) check.fail('inclineRad', 'must be between -π/2 and π/2', inclineRad);
	const supports = check.list('supportsM', supportsM).map((value, index) => along(`supportsM[${index}]`, value));
	const [first, second, ...more] = supports as [number, ...number[]];
	if (more.length > 0) check.fail('supportsM', 'must be one clamp or two supports', supportsM);
	if (second !== undefined && Math.abs(second - first) < nearestM)
		check.fail('supportsM', 'must not both be in one place', supportsM);

	const [cosine, sine] = [Math.cos(inclineRad), Math.sin(inclineRad)];
	const railN = standardGravityMPerS2 * railKg;
	const carriedN = standardGravityMPerS2 * carriedKg;
	const momentAboutStart = railN * (lengthM / 2) * cosine + carriedN * ((atM + overhangM) * cosine - standoffM * sine);
	const squareN = (railN + carriedN) * cosine;
	const holdN = carriedN * sine;
	const slipN = (railN + carriedN) * sine;
	if (second === undefined) return { supportsN: [squareN], momentNm: momentAboutStart - squareN * first, holdN, slipN };
	const secondN = (momentAboutStart - squareN * first) / (second - first);
	return { supportsN: [squareN - secondN, secondN], momentNm: null, holdN, slipN };
}

/** Two supports closer than this are one. */
const nearestM = 0.001;
