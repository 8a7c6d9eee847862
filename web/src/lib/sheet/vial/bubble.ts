/** The proportions of a tube, as shares of half its length: where the tolerance marks stand, and half a bubble. */
export interface Tube {
	readonly markShare: number;
	readonly bubbleShare: number;
}

/** A tube long enough to read a distance off. */
export const longTube: Tube = { markShare: 0.25, bubbleShare: 0.1 };
/** A tube of a centimetre, which can only say "there", "left" or "right". */
export const tinyTube: Tube = { markShare: 0.42, bubbleShare: 0.3 };

/**
 * Where the middle of the bubble stands along the tube, −1 to 1, for an offset counted in tolerances.
 *
 * Inside the tolerance (|offset| ≤ 1) the whole bubble lies between the marks and moves in proportion. Outside it keeps
 * moving, ever slower, so that a large error still shows its side and a change of it still shows at all.
 */
export function bubblePlace(offsetInTolerances: number, { markShare, bubbleShare }: Tube = longTube): number {
	const size = Math.abs(offsetInTolerances);
	const inner = markShare - bubbleShare;
	const furthest = 0.98 - bubbleShare;
	const place = size <= 1 ? inner * size : inner + (furthest - inner) * (1 - 1 / (1 + (size - 1) / 8));
	return Math.sign(offsetInTolerances) * place;
}
