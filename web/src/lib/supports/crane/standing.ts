import {
	type ArmReach,
	combineBodies,
	type CraneArm,
	type CranePart,
	type EnvelopeInput,
	type Vec3,
	windForce
} from '@poise/core';
import { type Flex, flexOf } from '$lib/model/flex';
import type { CraneGeometry, CraneGround, CraneSetting, Hung } from './model';

export interface MountedBody {
	readonly id: string;
	readonly body: { readonly massKg: number; readonly cgM: Vec3 };
}

const plateId = 'plates';

/** Every section on, nothing hung, trim in its middle, pivot low, arm level. */
export const bareSetting = ({ sections, plates, trim, pivotHeightM }: CraneGeometry): CraneSetting => ({
	fitted: sections.map(({ id }) => id),
	pulledOutM: 0,
	hung: plates.map(() => 0),
	shareSecond: 0,
	trimU: (trim.rangeU[0] + trim.rangeU[1]) / 2,
	pivotHeightM: pivotHeightM[0],
	boomRad: 0,
	swingRad: 0
});

const clamp = (value: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, value));

/** A kept setting on a crane that may have changed since. The first section always stays on. */
export function settledOn(geometry: CraneGeometry, kept: CraneSetting | null): CraneSetting {
	const fresh = bareSetting(geometry);
	if (kept === null) return fresh;
	const fitted = geometry.sections
		.filter(({ id }, index) => index === 0 || kept.fitted.includes(id))
		.map(({ id }) => id);
	return {
		fitted,
		pulledOutM: clamp(kept.pulledOutM, [0, pullsOutM(geometry, fitted)]),
		hung: geometry.plates.map(({ count }, index) => clamp(Math.round(kept.hung[index] ?? 0), [0, count])),
		shareSecond: geometry.hanger.secondVM === null ? 0 : clamp(kept.shareSecond, [0, 1]),
		trimU: clamp(kept.trimU, geometry.trim.rangeU),
		pivotHeightM: clamp(kept.pivotHeightM, geometry.pivotHeightM),
		boomRad: clamp(kept.boomRad, geometry.boomRangeRad),
		swingRad: Math.atan2(Math.sin(kept.swingRad), Math.cos(kept.swingRad))
	};
}

export const fittedSections = ({ sections }: Pick<CraneGeometry, 'sections'>, fitted: readonly string[]) =>
	sections.filter(({ id }) => fitted.includes(id));

export const pullsOutM = (geometry: Pick<CraneGeometry, 'sections'>, fitted: readonly string[]): number =>
	fittedSections(geometry, fitted).reduce((sum, { pullsOutM: each }) => sum + (each ?? 0), 0);

/** Pivot to nose hinge. */
export const noseU = (
	geometry: CraneGeometry,
	{ fitted, pulledOutM }: Pick<CraneSetting, 'fitted' | 'pulledOutM'>
): number => fittedSections(geometry, fitted).reduce((sum, { lengthM }) => sum + lengthM, 0) + pulledOutM;

/** How far its nose gives as it stands, with all that carries it. */
export const craneFlex = (geometry: CraneGeometry, setting: Pick<CraneSetting, 'fitted' | 'pulledOutM'>): Flex =>
	flexOf(geometry.givesM, { by: 'arm', reachM: noseU(geometry, setting) });

export const hungKg = ({ plates }: Pick<CraneGeometry, 'plates'>, hung: Hung): number =>
	plates.reduce((sum, { massKg }, index) => sum + massKg * (hung[index] ?? 0), 0);

/** Down for a hung head, up for a standing one. */
export const headSign = ({ nose }: CraneGeometry): -1 | 1 => (nose.head === 'hung' ? -1 : 1);

/** The payload as one load on the nose; its centre counts from the hinge, forward and up. */
function cameraLoad(geometry: CraneGeometry, payload: readonly MountedBody[]) {
	const { massKg, cgM } = combineBodies({ bodies: payload.map(({ body }) => body) });
	const up = headSign(geometry) * geometry.head.plateM + (geometry.nose.head === 'hung' ? -cgM[2] : cgM[2]);
	return { massKg, offsetM: [cgM[0], up] as const };
}

/** The tubes, the rod, nose and hanger: what is on before anything is loaded. */
export function bareParts(geometry: CraneGeometry, setting: Pick<CraneSetting, 'fitted' | 'pulledOutM'>): CranePart[] {
	const { tubeVM, rear, hanger, nose } = geometry;
	let from = 0;
	const sections = fittedSections(geometry, setting.fitted);
	const pulled = sections.reduce((sum, { pullsOutM: each }) => sum + (each ?? 0), 0);
	const tubes = sections.map(({ id, massKg, lengthM, pullsOutM: each }): CranePart => {
		// What pulls out does so all alike, each by its share.
		from += pulled === 0 ? 0 : (setting.pulledOutM * (each ?? 0)) / pulled;
		const middle = from + lengthM / 2;
		from += lengthM;
		return { id, massKg, uM: middle, vM: tubeVM };
	});
	const reach = noseU(geometry, setting);
	return [
		...tubes,
		{ id: 'rear', massKg: rear.massKg, uM: -rear.lengthM / 2, vM: tubeVM },
		{ id: 'rod', massKg: geometry.rodKgPerM * reach, uM: reach / 2, vM: 0 },
		{ id: 'nose', massKg: nose.massKg, uM: reach, vM: nose.vM },
		{ id: 'hanger', massKg: hanger.massKg, uM: hanger.uM, vM: hanger.vM }
	];
}

/** A load on the nose hinge: kept level it hangs from the hinge, fixed it turns with the arm. */
function onNose(
	geometry: CraneGeometry,
	reach: number,
	id: string,
	massKg: number,
	offsetM: readonly [number, number]
): CranePart {
	const { vM, kept } = geometry.nose;
	return kept === 'level'
		? { id, massKg, uM: reach, vM, kept, levelOffsetM: offsetM }
		: { id, massKg, uM: reach + offsetM[0], vM: vM + offsetM[1] };
}

export const headPart = (geometry: CraneGeometry, setting: CraneSetting): CranePart =>
	onNose(geometry, noseU(geometry, setting), 'head', geometry.head.massKg, [0, headSign(geometry) * geometry.head.cgM]);

export function cameraPart(geometry: CraneGeometry, setting: CraneSetting, payload: readonly MountedBody[]): CranePart {
	const { massKg, offsetM } = cameraLoad(geometry, payload);
	return onNose(geometry, noseU(geometry, setting), 'camera', massKg, offsetM);
}

/** Plates of so much mass, on one line or shared between two. */
export function plateParts(geometry: CraneGeometry, shareSecond: number, massKg: number, id = plateId): CranePart[] {
	const { uM, vM, secondVM } = geometry.hanger;
	if (massKg === 0) return [];
	if (secondVM === null || shareSecond === 0) return [{ id, massKg, uM, vM }];
	return [
		{ id, massKg: massKg * (1 - shareSecond), uM, vM },
		{ id: `${id}Second`, massKg: massKg * shareSecond, uM, vM: secondVM }
	];
}

export const trimPart = ({ trim }: CraneGeometry, trimU: number): CranePart => ({
	id: 'trim',
	massKg: trim.massKg,
	uM: trimU,
	vM: trim.vM
});

/** Everything but plates and trim: what the counterweights are chosen for. */
export const loadedArm = (
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[]
): CraneArm => ({
	parts: [...bareParts(geometry, setting), headPart(geometry, setting), cameraPart(geometry, setting, payload)]
});

export const armOf = (geometry: CraneGeometry, setting: CraneSetting, payload: readonly MountedBody[]): CraneArm => ({
	parts: [
		...loadedArm(geometry, setting, payload).parts,
		...plateParts(geometry, setting.shareSecond, hungKg(geometry, setting.hung)),
		trimPart(geometry, setting.trimU)
	]
});

/** Nose, tail and lens for reach. */
export function reachOf(geometry: CraneGeometry, setting: CraneSetting, payload: readonly MountedBody[]): ArmReach {
	const { offsetM } = cameraLoad(geometry, payload);
	return {
		noseM: [noseU(geometry, setting), geometry.nose.vM],
		tailM: [-geometry.rear.lengthM, geometry.tubeVM],
		lensM: offsetM,
		keptLevel: geometry.nose.kept === 'level'
	};
}

/** Side area that the wind finds, as drawn: tubes, head and camera, base and plates as boxes. */
export function drawnAreaM2(geometry: CraneGeometry, setting: CraneSetting): number {
	const tubes = (noseU(geometry, setting) + geometry.rear.lengthM) * geometry.tubeAcrossM;
	const column = setting.pivotHeightM * 0.14;
	return tubes + column + 0.12 + 0.1;
}

/** Everything about standing: feet, weight, wind and push. The wind acts at the pivot's height, where most of the area is. */
export function envelopeOf(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	ground: CraneGround,
	arm: CraneArm = armOf(geometry, setting, payload)
): EnvelopeInput {
	const { base } = geometry;
	const area = drawnAreaM2(geometry, setting) + ground.moreAreaM2;
	const { forceN } = windForce({ speedMPerS: ground.windMPerS, areaM2: area });
	return {
		footprintM: base.feetM,
		base: [
			{ massKg: base.massKg, cgM: base.cgM },
			...(ground.ballastKg > 0 ? [{ massKg: ground.ballastKg, cgM: [0, 0, 0.1] as const }] : [])
		],
		arm,
		pivotM: [0, 0, setting.pivotHeightM],
		boomRangeRad: geometry.boomRangeRad,
		slopeRad: ground.slopeRad,
		...(forceN > 0 ? { wind: { forceN, heightM: setting.pivotHeightM } } : {}),
		...(ground.pushN > 0 ? { push: { forceN: ground.pushN, heightM: ground.pushHeightM } } : {})
	};
}
