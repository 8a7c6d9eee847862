import type { Vec3 } from '@poise/core';
import { cornersM, type StandingPart } from '$lib/model/payload';
import type { Positions, Gimbal, RigStroke } from './model';

const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

/** How far a part or axis of the gimbal has been carried by the slides as they stand. */
export function carriedBy(rig: Gimbal, id: string, positionsM: Positions): Vec3 {
	return rig.geometry.slides.reduce<Vec3>(
		(sum, slide) =>
			slide.moves.includes(id)
				? plus(sum, slide.direction.map((part) => part * (positionsM[slide.id] ?? 0)) as unknown as Vec3)
				: sum,
		[0, 0, 0]
	);
}

/** Where the payload's frame stands: the middle of the plate's top. */
export function payloadOriginM(rig: Gimbal, positionsM: Positions, plateThicknessM: number): Vec3 {
	return plus(plus(rig.geometry.mountM, [0, 0, plateThicknessM]), carriedBy(rig, 'payload', positionsM));
}

/** The gimbal's strokes where the slides put them. */
export function strokesAt(rig: Gimbal, positionsM: Positions): RigStroke[] {
	return rig.geometry.strokes.map((stroke) => {
		const by = carriedBy(rig, stroke.partId, positionsM);
		return stroke.kind === 'tube'
			? { ...stroke, pointsM: stroke.pointsM.map((point) => plus(point, by)) }
			: { ...stroke, atM: plus(stroke.atM, by) };
	});
}

/** Outer corners of a stroke, for the size of the sheet. */
export function cornersOfStroke(stroke: RigStroke): Vec3[] {
	if (stroke.kind === 'tube') {
		const half = stroke.widthM / 2;
		return stroke.pointsM.flatMap((point) => [plus(point, [-half, -half, -half]), plus(point, [half, half, half])]);
	}
	const half: Vec3 =
		stroke.kind === 'box'
			? (stroke.sizeM.map((edge) => edge / 2) as unknown as Vec3)
			: [
					stroke.axis === 'x' ? stroke.lengthM / 2 : stroke.radiusM,
					stroke.axis === 'y' ? stroke.lengthM / 2 : stroke.radiusM,
					stroke.axis === 'z' ? stroke.lengthM / 2 : stroke.radiusM
				];
	return [plus(stroke.atM, half.map((edge) => -edge) as unknown as Vec3), plus(stroke.atM, half)];
}

export const cornersOfPart = (standing: StandingPart, originM: Vec3): Vec3[] =>
	cornersM(standing).map((corner) => plus(corner, originM));
