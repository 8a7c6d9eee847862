import { panLinkage } from '@poise/core';
import type { Move, Values } from './model';

/** A rail this steep stands on end: a bar beside it turns the tilt. */
const onEndRad = Math.PI / 4;

/** How a bar beside the rail turns the camera as the carriage goes. */
export function barOf(
	move: Move
): (trackM: number, locked: Values) => { readonly panRad: number; readonly tiltRad: number } {
	const { support, head, subject, camera, knots } = move;
	if (support.kind !== 'rail') throw new Error('A pan bar stands beside a rail.');
	const [from, to] = support.travelM;
	const [middle, halfTravelM] = [(from + to) / 2, (to - from) / 2];
	const [dx, dy] = [subject.atM[0] - support.startM[0], subject.atM[1] - support.startM[1]];
	const side = Math.cos(support.headingRad) * dy - Math.sin(support.headingRad) * dx >= 0 ? 1 : -1;
	// A hung head's axes turn the other way round.
	const sense = support.stance === 'hung' ? -1 : 1;
	const { crankM, distanceM, choose, setting } = head.bar;
	const { skewRad } = panLinkage({
		crankM,
		distanceM,
		halfTravelM,
		choose,
		setting,
		focalM: knots[0]!.values.focalM,
		sensorWidthM: camera.sensorWidthM,
		atM: []
	});
	const way = setting === 'holding' ? -1 : 1;
	return (trackM, locked) => {
		const x = Math.max(-halfTravelM, Math.min(halfTravelM, trackM - middle));
		/** Towards the rail's far end. */
		const turned = way * Math.asin(Math.max(-1, Math.min(1, (x * Math.tan(skewRad)) / crankM)));
		if (Math.abs(support.inclineRad) > onEndRad)
			return { panRad: locked.panRad, tiltRad: sense * Math.sign(support.inclineRad) * turned };
		return { panRad: sense * side * (Math.PI / 2 - turned), tiltRad: locked.tiltRad };
	};
}
