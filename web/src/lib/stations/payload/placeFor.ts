import type { Vec3 } from '@poise/core';
import type { Part, PartKind } from '$lib/model/part';
import { cornersM, type StandingPart } from '$lib/model/payload';

/**
 * Where a part of this kind usually sits, given what stands on the plate already: a camera in the middle, a lens before
 * it on its axis, filters before the lens, batteries behind, monitors and microphones on top, motors beside the lens.
 * A start for the hand, not a claim.
 */
export function placeFor(part: Part, standing: readonly StandingPart[]): Vec3 {
	const [length, width, height] = part.shape.sizeM;
	const last = (...kinds: PartKind[]) => standing.findLast(({ part: { kind } }) => kinds.includes(kind));
	const camera = last('camera');
	const lens = last('lens');
	const topOf = (standing: StandingPart) => cornersM(standing)[1][2];
	const frontOf = (standing: StandingPart) => cornersM(standing)[1][0];
	const rearOf = (standing: StandingPart) => cornersM(standing)[0][0];
	const axisOf = ({ part: { shape }, positionM }: StandingPart) => positionM[2] + shape.sizeM[2] / 2;

	if ((part.kind === 'lens' || part.kind === 'adapter') && camera) {
		const behind = part.kind === 'lens' ? (last('adapter') ?? camera) : camera;
		// The optical axis lies a little below the middle of a body that carries a viewfinder.
		const axis = behind === camera ? camera.positionM[2] + camera.part.shape.sizeM[2] * 0.48 : axisOf(behind);
		return [frontOf(behind) + length / 2, camera.positionM[1], Math.max(0, axis - height / 2)];
	}
	if ((part.kind === 'filter' || part.kind === 'matte box') && lens)
		return [frontOf(lens) + length / 2, lens.positionM[1], Math.max(0, axisOf(lens) - height / 2)];
	if (part.kind === 'motor' && lens)
		return [lens.positionM[0], lens.positionM[1] - lens.part.shape.sizeM[1] / 2 - width / 2, axisOf(lens) - height / 2];
	if (part.kind === 'battery' && camera) return [rearOf(camera) - length / 2, camera.positionM[1], camera.positionM[2]];
	if ((part.kind === 'monitor' || part.kind === 'microphone') && camera)
		return [camera.positionM[0], camera.positionM[1], topOf(camera) + 0.004];
	if (part.kind === 'cage' && camera) return camera.positionM;
	return [0, 0, 0];
}
