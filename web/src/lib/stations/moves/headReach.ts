import type { Reach } from '$lib/model/head';

/** A point of a dial, in dots from its middle; y down the page. */
interface DialPoint {
	readonly x: number;
	readonly y: number;
}

/** From above, straight ahead up the page: a pan to the left goes to the left. */
export const panPoint = (panRad: number, radius: number): DialPoint => ({
	x: -radius * Math.sin(panRad),
	y: -radius * Math.cos(panRad)
});
/** From its right side, straight ahead to the right: a tilt up goes up. */
export const tiltPoint = (tiltRad: number, radius: number): DialPoint => ({
	x: radius * Math.cos(tiltRad),
	y: -radius * Math.sin(tiltRad)
});

/** A range as a line round a dial; what goes further than once round is wound outwards, so that every turn can be counted. */
export function reachPath(
	[from, to]: Reach,
	point: (rad: number, radius: number) => DialPoint,
	radius: number,
	windPx = 4
): string {
	const steps = Math.min(400, Math.max(8, Math.ceil(((to - from) / (2 * Math.PI)) * 48)));
	return `M${Array.from({ length: steps + 1 }, (_, k) => {
		const rad = from + ((to - from) * k) / steps;
		const { x, y } = point(rad, radius + (windPx * Math.max(0, Math.abs(rad) - Math.PI)) / (2 * Math.PI));
		return `${x.toFixed(1)} ${y.toFixed(1)}`;
	}).join('L')}`;
}
