import { checksFor } from '../input';

/** One hang: the point it hung from, and how far the body's own `x` axis had turned from level, anticlockwise. */
export interface Hang {
	readonly atM: readonly [x: number, y: number];
	readonly turnRad: number;
}

export type HangResult =
	| {
			readonly feasible: true;
			readonly cgM: readonly [x: number, y: number];
			/** Metres of error that one radian of error in a turn brings, at most. */
			readonly metresPerRad: number;
	  }
	| { readonly feasible: false; readonly crossingRad: number };

/** Plumb lines that cross at less than this say nothing about where along them the centre lies. */
const leastCrossingRad = (10 * Math.PI) / 180;

/**
 * Where the centre of gravity lies in one plane of a body, from hanging it from two points of that plane.
 *
 * Frame of the body: two of its axes, metres, `x` to the right and `y` up as drawn. Hung from a point, the plumb line
 * through it passes the centre; turned by `turnRad`, the plumb line points along `(−sin turn, −cos turn)` in the body's
 * frame. The two lines cross at the centre. `feasible: false` when they cross at less than 10°: choose points further
 * apart. `metresPerRad` is the longer string over the sine of the crossing. Throws `PhysicsInputError` for numbers that
 * are not finite.
 *
 * @example
 * cgFromHang({ first: { atM: [0, 0.1], turnRad: 0 }, second: { atM: [-0.1, 0], turnRad: -Math.PI / 2 } }).cgM[0]; // 0
 */
export function cgFromHang(input: { readonly first: Hang; readonly second: Hang }): HangResult {
	const check = checksFor('cgFromHang');
	const lines = (['first', 'second'] as const).map((which) => {
		const { atM, turnRad } = input[which] ?? check.fail(which, 'must be a hang { atM, turnRad }', input[which]);
		const turn = check.number(`${which}.turnRad`, turnRad);
		if (!Array.isArray(atM) || atM.length !== 2) check.fail(`${which}.atM`, 'must be two numbers [x, y]', atM);
		const at = [check.number(`${which}.atM[0]`, atM[0]), check.number(`${which}.atM[1]`, atM[1])] as const;
		return { at, down: [-Math.sin(turn), -Math.cos(turn)] as const };
	});
	const [a, b] = lines as [(typeof lines)[0], (typeof lines)[0]];
	const cross = a.down[0] * b.down[1] - a.down[1] * b.down[0];
	const crossingRad = Math.asin(Math.min(1, Math.abs(cross)));
	if (crossingRad < leastCrossingRad) return { feasible: false, crossingRad };
	const [dx, dy] = [b.at[0] - a.at[0], b.at[1] - a.at[1]];
	const alongA = (dx * b.down[1] - dy * b.down[0]) / cross;
	const alongB = (dx * a.down[1] - dy * a.down[0]) / cross;
	return {
		feasible: true,
		cgM: [a.at[0] + alongA * a.down[0], a.at[1] + alongA * a.down[1]],
		metresPerRad: Math.max(Math.abs(alongA), Math.abs(alongB)) / Math.abs(cross)
	};
}
