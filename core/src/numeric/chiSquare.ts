/**
 * A point of the χ² law with so many degrees of freedom, at so many standard deviations of the normal law (1.645: its 95 % point).
 * Wilson and Hilferty's cube: within 1 % from one degree on.
 */
export function chiSquarePoint(degrees: number, deviations: number): number {
	const k = 2 / (9 * degrees);
	return degrees * (1 - k + deviations * Math.sqrt(k)) ** 3;
}
