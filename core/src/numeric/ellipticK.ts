/**
 * The complete elliptic integral of the first kind, of modulus k (not of the parameter k²), for 0 ≤ k < 1.
 *
 * `K(k) = π / (2 · agm(1, √(1 − k²)))`: the arithmetic-geometric mean doubles its correct digits each round, so a handful
 * of rounds reaches rounding. K(0) = π/2; K grows without bound towards k = 1.
 */
export function ellipticK(modulus: number): number {
	let [a, b] = [1, Math.sqrt((1 - modulus) * (1 + modulus))];
	while (Math.abs(a - b) > 1e-15 * a) [a, b] = [(a + b) / 2, Math.sqrt(a * b)];
	return Math.PI / (a + b);
}
