import type { TurningAxis } from '$lib/model/turning';

/** From where each axis is looked at, so that what is drawn is what is seen from there. */
export const dialView: Readonly<Record<TurningAxis, string>> = {
	pan: 'From above',
	tilt: 'From the right',
	roll: 'From behind'
};

/** Where an angle points on the page, right and up: pan 0 up the page and to the left when it grows, tilt 0 ahead and up when it grows, roll as the clock. */
export function dialAt(axis: TurningAxis, angle: number): readonly [right: number, up: number] {
	const [c, s] = [Math.cos(angle), Math.sin(angle)];
	return axis === 'pan' ? [-s, c] : axis === 'tilt' ? [c, s] : [s, c];
}
