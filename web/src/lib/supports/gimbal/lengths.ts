import type { Vec3 } from '@poise/core';
import type { GimbalGeometry, RigStroke } from './model';
import { type ArmLengths, armGeometry, type AxisOrder } from './patterns';

/** The order of a gimbal's axes, outermost first. */
export function orderOf({ axes }: GimbalGeometry): AxisOrder {
	if (axes.length === 2) return 'two-axis';
	return axes[axes.length - 1]?.id === 'roll' ? 'pan-tilt-roll' : 'pan-roll-tilt';
}

const pivotOf = ({ axes }: GimbalGeometry, id: string): Vec3 | undefined => axes.find((axis) => axis.id === id)?.pivotM;

/** The arm lengths as they stand in the geometry. */
export function lengthsOf(geometry: GimbalGeometry): ArmLengths {
	const reach = Math.abs(pivotOf(geometry, 'roll')?.[0] ?? 0) || 0.15;
	const pan = pivotOf(geometry, 'pan');
	const sleeve = geometry.parts.find(({ id }) => id === 'panSleeve');
	const drop = Math.abs(pan?.[2] ?? sleeve?.body.cgM[2] ?? 0) || 0.15;
	const beside = Math.abs(pivotOf(geometry, 'tilt')?.[1] ?? 0);
	const widest = Math.max(
		...geometry.strokes.flatMap((stroke) =>
			(stroke.kind === 'tube' ? stroke.pointsM : [stroke.atM]).map(([, y]) =>
				stroke.partId === 'handle' || stroke.partId === 'handlebar' ? 0 : Math.abs(y)
			)
		)
	);
	return {
		reachM: reach,
		dropM: drop,
		halfWidthM: beside > 0.02 ? beside : widest,
		baseM: Math.abs(geometry.mountM[2]) || 0.06
	};
}

/**
 * The gimbal with one of its lengths changed: arms, motors and the centres of the parts on them stretch with it, along that
 * direction only; widths of tubes, masses and slides stay.
 */
export function withLength(geometry: GimbalGeometry, which: keyof ArmLengths, metres: number): GimbalGeometry {
	const factor = metres / lengthsOf(geometry)[which];
	if (!(factor > 0) || !Number.isFinite(factor)) return geometry;
	const innermost = geometry.axes[geometry.axes.length - 1]?.id ?? 'tilt';
	const outermost = geometry.axes[0]?.id ?? 'pan';
	const hangs = new Map(geometry.parts.map(({ id, hangsOn }) => [id, hangsOn]));
	/** Which parts a length reaches, and along which coordinate. */
	const [axis, reaches] = (
		{
			reachM: [0, (on) => on !== innermost],
			halfWidthM: [1, (on) => on !== null],
			dropM: [2, (on) => on === null || on === outermost],
			baseM: [2, (on) => on === innermost]
		} satisfies Record<keyof ArmLengths, [0 | 1 | 2, (on: string | null) => boolean]>
	)[which] as [0 | 1 | 2, (on: string | null) => boolean];
	const stretch = (at: Vec3): Vec3 => at.map((value, k) => (k === axis ? value * factor : value)) as unknown as Vec3;
	const ofPart = (id: string) => reaches(hangs.get(id) ?? null);
	const stroke = (each: RigStroke): RigStroke => {
		if (!ofPart(each.partId)) return each;
		if (each.kind === 'tube') return { ...each, pointsM: each.pointsM.map(stretch) };
		const moved = { ...each, atM: stretch(each.atM) };
		return moved.kind === 'box' && axis === 1 ? { ...moved, sizeM: stretch(moved.sizeM) } : moved;
	};
	const base = which === 'baseM';
	return {
		...geometry,
		axes: geometry.axes.map((each) => {
			const own = { reachM: 'roll', halfWidthM: 'tilt', dropM: 'pan', baseM: '' }[which];
			return each.id === own ? { ...each, pivotM: stretch(each.pivotM) } : each;
		}),
		parts: geometry.parts.map((part) =>
			reaches(part.hangsOn) ? { ...part, body: { ...part.body, cgM: stretch(part.body.cgM) } } : part
		),
		strokes: geometry.strokes.map(stroke),
		mountM: base ? stretch(geometry.mountM) : geometry.mountM,
		counterweightPlaces: base
			? geometry.counterweightPlaces.map((place) => ({ ...place, atM: stretch(place.atM) }))
			: geometry.counterweightPlaces,
		...(which === 'halfWidthM' && geometry.openingM
			? { openingM: [geometry.openingM[0] * factor, geometry.openingM[1], geometry.openingM[2]] as const }
			: {})
	};
}

/** The same gimbal with its axes in another order: arms anew, torques, frictions and scales kept where they still apply. */
export function withOrder(geometry: GimbalGeometry, order: AxisOrder): GimbalGeometry {
	if (orderOf(geometry) === order) return geometry;
	const armsKg = geometry.parts.reduce((sum, { body }) => sum + body.massKg, 0) / 1.42;
	const torqueNm = Math.max(...geometry.axes.map(({ motorTorqueNm = 1 }) => motorTorqueNm)) / 1.15;
	const above = (pivotOf(geometry, 'pan')?.[2] ?? -1) > 0;
	const made = armGeometry({ order, grip: above ? 'over' : 'under', lengths: lengthsOf(geometry), armsKg, torqueNm });
	return {
		...made,
		axes: made.axes.map((axis) => {
			const was = geometry.axes.find(({ id }) => id === axis.id);
			if (was === undefined) return axis;
			const { motorTorqueNm, frictionNm } = was;
			return {
				...axis,
				...(motorTorqueNm === undefined ? {} : { motorTorqueNm }),
				...(frictionNm === undefined ? {} : { frictionNm })
			};
		}),
		slides: made.slides.map((slide) => {
			const was = geometry.slides.find(({ id }) => id === slide.id);
			return was === undefined ? slide : { ...slide, rangeM: was.rangeM, scale: was.scale, knobPitchM: was.knobPitchM };
		}),
		...(geometry.modes === undefined ? {} : { modes: geometry.modes })
	};
}
