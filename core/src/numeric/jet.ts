/** A value with its first and second derivative. */
export type Jet = readonly [value: number, first: number, second: number];

/** One shifted by a constant. */
export const plus = ([value, first, second]: Jet, by: number): Jet => [value + by, first, second];
export const less = (a: Jet, b: Jet): Jet => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const times = (a: Jet, b: Jet): Jet => [
	a[0] * b[0],
	a[1] * b[0] + a[0] * b[1],
	a[2] * b[0] + 2 * a[1] * b[1] + a[0] * b[2]
];
/** A plane vector turned by an angle, from its first axis to its second. */
export function turned(x: Jet, y: Jet, [angle, rate, accel]: Jet): readonly [Jet, Jet] {
	const [c, s] = [Math.cos(angle), Math.sin(angle)];
	const cos: Jet = [c, -s * rate, -c * rate * rate - s * accel];
	const sin: Jet = [s, c * rate, -s * rate * rate + c * accel];
	const [xs, yc] = [times(x, sin), times(y, cos)];
	return [less(times(x, cos), times(y, sin)), [xs[0] + yc[0], xs[1] + yc[1], xs[2] + yc[2]]];
}
/** The angle of a plane vector, with its derivatives. */
export function angleOf(y: Jet, x: Jet): Jet {
	const square = x[0] * x[0] + y[0] * y[0];
	const cross = x[0] * y[1] - y[0] * x[1];
	return [
		Math.atan2(y[0], x[0]),
		cross / square,
		(x[0] * y[2] - y[0] * x[2]) / square - (2 * cross * (x[0] * x[1] + y[0] * y[1])) / (square * square)
	];
}
