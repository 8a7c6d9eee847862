/** Half the distance between the tolerance marks, as a share of half the tube. */
export const markShare = 0.25;
/** Half a bubble, likewise. */
export const bubbleShare = 0.1;
const furthestShare = 1 - bubbleShare - 0.02;

/**
 * Where the middle of the bubble stands along the tube, −1 to 1, for an offset counted in tolerances.
 *
 * Inside the tolerance (|offset| ≤ 1) the whole bubble lies between the marks and moves in proportion. Outside it keeps
 * moving, ever slower, so that a large error still shows its side and a change of it still shows at all.
 */
export function bubblePlace(offsetInTolerances: number): number {
	const size = Math.abs(offsetInTolerances);
	const inner = markShare - bubbleShare;
	const place = size <= 1 ? inner * size : inner + (furthestShare - inner) * (1 - 1 / (1 + (size - 1) / 8));
	return Math.sign(offsetInTolerances) * place;
}
