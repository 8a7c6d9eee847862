/**
 * All real roots of a polynomial within [least, greatest], ascending. Coefficients lowest power first.
 *
 * Between two neighbouring roots of the derivative a polynomial is monotone, so it holds at most one root there: the roots
 * of each derivative bracket those of the one above it, and bisection closes every bracket to the last bit. A root that only
 * touches zero is found when the derivative's own root evaluates to zero within rounding. A polynomial that is zero
 * throughout has the one root 0, if that lies within.
 */
export function realRoots(coefficients: readonly number[], least: number, greatest: number): number[] {
	const scale = Math.max(...coefficients.map(Math.abs));
	if (!(scale > 0)) return least <= 0 && greatest >= 0 ? [0] : [];
	let degree = coefficients.length - 1;
	while (degree > 0 && coefficients[degree] === 0) degree -= 1;
	if (degree === 0) return [];
	const own = coefficients.slice(0, degree + 1);
	const at = (x: number) => own.reduceRight((sum, coefficient) => sum * x + coefficient, 0);
	const derivative = own.slice(1).map((coefficient, power) => coefficient * (power + 1));
	const turns = degree === 1 ? [] : realRoots(derivative, least, greatest);
	const marks = [least, ...turns, greatest];
	const roots: number[] = [];
	const found = (root: number) => {
		const last = roots[roots.length - 1];
		if (last === undefined || root - last > 1e-12 * Math.max(1, Math.abs(root))) roots.push(root);
	};
	for (let index = 0; index < marks.length; index += 1) {
		const [x, next] = [marks[index] as number, marks[index + 1]];
		const value = at(x);
		if (Math.abs(value) <= 4e-16 * scale) found(x);
		else if (next !== undefined && value * at(next) < 0) found(bisect(at, x, next));
	}
	return roots;
}

function bisect(at: (x: number) => number, from: number, to: number): number {
	let [low, high] = [from, to];
	const rising = at(low) < 0;
	for (;;) {
		const middle = (low + high) / 2;
		if (middle <= low || middle >= high) return middle;
		if (at(middle) < 0 === rising) low = middle;
		else high = middle;
	}
}
