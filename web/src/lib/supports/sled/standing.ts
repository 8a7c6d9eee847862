import {
	type Body,
	boxInertia,
	combineBodies,
	cylinderInertia,
	type Sled,
	type SledPart,
	type SledRange,
	type Vec3
} from '@poise/core';
import type { ItemSetting, PostSection, SledGeometry, SledItem, SledSetting, Travel } from './model';

/** The part that rides on the plate: the payload, its own plate, and the stage's moving half. */
export const cameraId = 'camera';

const plainItem: ItemSetting = { foreM: 0, sideM: 0, upM: 0, tiltRad: 0 };

const clamp = (value: number, travel: Travel | null) =>
	travel === null ? 0 : Math.min(travel[1], Math.max(travel[0], value));

/** Everything at mid-travel, the gimbal high: as it is docked before the camera comes on. */
export const dockedSetting = ({ items, gimbalM }: SledGeometry): SledSetting => ({
	gimbalM: gimbalM[1],
	pulledOutM: 0,
	coarseForeM: 0,
	fineForeM: 0,
	fineSideM: 0,
	items: Object.fromEntries(items.map(({ id, foreM }) => [id, { ...plainItem, foreM: clamp(0, foreM) }])),
	weights: []
});

/** A kept setting on a sled that may have changed since: what is missing stands at its middle, nothing past its end. */
export function settledOn(geometry: SledGeometry, kept: SledSetting | null): SledSetting {
	const fresh = dockedSetting(geometry);
	if (kept === null) return fresh;
	const { stage } = geometry;
	return {
		gimbalM: clamp(kept.gimbalM, gimbalTravel(geometry, kept.pulledOutM)),
		pulledOutM: clamp(kept.pulledOutM, [0, geometry.pullOutM]),
		coarseForeM: clamp(kept.coarseForeM, stage.coarseForeM),
		fineForeM: clamp(kept.fineForeM, stage.fineForeM),
		fineSideM: clamp(kept.fineSideM, stage.fineSideM),
		items: Object.fromEntries(
			geometry.items.map((item) => {
				const at = kept.items[item.id] ?? plainItem;
				return [
					item.id,
					{
						foreM: clamp(at.foreM, item.foreM),
						sideM: clamp(at.sideM, item.sideM),
						upM: clamp(at.upM, item.upM),
						tiltRad: item.tilts === true ? at.tiltRad : 0
					}
				];
			})
		),
		weights: kept.weights.filter(({ placeId }) => geometry.places.some(({ id }) => id === placeId))
	};
}

export const itemAt = (setting: SledSetting, id: string): ItemSetting => setting.items[id] ?? plainItem;

/** The post's whole length as it is pulled out today. */
export const postLengthM = ({ sections }: Pick<SledGeometry, 'sections'>, pulledOutM: number) =>
	sections.reduce((sum, { lengthM }) => sum + lengthM, 0) + pulledOutM;

/** The clamp rides on the upper section, so it goes up with it. */
export const gimbalTravel = ({ gimbalM }: SledGeometry, pulledOutM: number): Travel => [
	gimbalM[0],
	gimbalM[1] + pulledOutM
];

/** Each section between its ends; what is pulled out shows between the first and the rest. */
export function sectionsStanding(geometry: SledGeometry, pulledOutM: number) {
	let fromM = 0;
	return geometry.sections.map((section: PostSection, index) => {
		if (index === 1) fromM += pulledOutM;
		const start = fromM;
		fromM += section.lengthM;
		return { section, fromM: start, toM: fromM };
	});
}

/** Middles of an item's one or two bodies. On swing arms the way forward is round a circle about the post. */
export function middlesOf(item: SledItem, at: ItemSetting): Vec3[] {
	const [x, y, z] = item.atM;
	const up = z + at.upM;
	if (item.pair !== true) return [[x + at.foreM, y + at.sideM, up]];
	const radius = item.swingM ?? null;
	const outM = radius === null ? 0 : swingOutM(radius, at.foreM);
	return [
		[x + at.foreM, y + outM, up],
		[x + at.foreM, -y - outM, up]
	];
}

/** How far out to its side an arm of that radius stands, so far forward of straight back. */
const swingOutM = (radiusM: number, foreM: number): number =>
	Math.sqrt(Math.max(0, radiusM * radiusM - (radiusM - foreM) ** 2));
export const swingRad = (radiusM: number, foreM: number): number =>
	Math.acos(Math.max(-1, Math.min(1, (radiusM - foreM) / radiusM)));

/** Size of the box around an item tipped about the y axis. */
function tippedSizeM([x, y, z]: Vec3, tiltRad: number): Vec3 {
	const [c, s] = [Math.abs(Math.cos(tiltRad)), Math.abs(Math.sin(tiltRad))];
	return [x * c + z * s, y, x * s + z * c];
}

function bodiesOf(item: SledItem, at: ItemSetting): Body[] {
	const { massKg } = item;
	const box = boxInertia({ massKg, sizeM: item.sizeM });
	// Tipped back by τ: a right-handed turn about −y.
	const [c, s] = [Math.cos(at.tiltRad), Math.sin(at.tiltRad)];
	const inertiaKgM2 = {
		...box,
		xx: box.xx * c * c + box.zz * s * s,
		zz: box.zz * c * c + box.xx * s * s,
		xz: (box.zz - box.xx) * s * c
	};
	return middlesOf(item, at).map((cgM) => ({ massKg, cgM, inertiaKgM2 }));
}

const single = (bodies: readonly Body[]): Body =>
	bodies.length === 1 ? (bodies[0] as Body) : combineBodies({ bodies });

/** Where the middle of the plate's underside stands: what the payload counts from. */
export const mountM = (geometry: SledGeometry, setting: SledSetting): Vec3 => [
	setting.coarseForeM + setting.fineForeM,
	setting.fineSideM,
	postLengthM(geometry, setting.pulledOutM) + geometry.stage.sizeM[2]
];

/** The sled as its parts stand, with the payload's bodies counted from the underside of its plate. */
export function sledOf(
	geometry: SledGeometry,
	setting: SledSetting,
	payload: readonly { readonly body: Body }[]
): Sled {
	const { stage } = geometry;
	const topM = postLengthM(geometry, setting.pulledOutM);
	const [mx, my, mz] = mountM(geometry, setting);
	const plateSize: Vec3 = [stage.sizeM[0] * 0.6, stage.sizeM[1] * 0.8, stage.sizeM[2] / 3];
	const stageSize: Vec3 = [stage.sizeM[0], stage.sizeM[1], (stage.sizeM[2] * 2) / 3];
	const camera = single([
		...payload.map(({ body }) => ({
			...body,
			cgM: [body.cgM[0] + mx, body.cgM[1] + my, body.cgM[2] + mz] as const
		})),
		{
			massKg: stage.plateKg,
			cgM: [mx, my, mz - plateSize[2] / 2],
			inertiaKgM2: boxInertia({ massKg: stage.plateKg, sizeM: plateSize })
		}
	]);
	const parts: SledPart[] = [
		{ id: cameraId, body: camera },
		{
			id: 'stage',
			body: {
				massKg: stage.massKg,
				cgM: [0, 0, topM + stageSize[2] / 2],
				inertiaKgM2: boxInertia({ massKg: stage.massKg, sizeM: stageSize })
			}
		},
		...sectionsStanding(geometry, setting.pulledOutM).map(({ section, fromM, toM }) => ({
			id: `post${section.id}`,
			body: {
				massKg: section.massKg,
				cgM: [0, 0, (fromM + toM) / 2] as const,
				inertiaKgM2: cylinderInertia({
					massKg: section.massKg,
					radiusM: section.radiusM,
					lengthM: section.lengthM,
					axis: 'z'
				})
			}
		})),
		...geometry.items.map((item) => ({ id: item.id, body: single(bodiesOf(item, itemAt(setting, item.id))) })),
		...setting.weights.flatMap(({ placeId, massKg }, index) => {
			const place = geometry.places.find(({ id }) => id === placeId);
			return place === undefined ? [] : [{ id: `weight${index}`, body: { massKg, cgM: place.atM } }];
		})
	];
	return { parts, gimbalHeightM: setting.gimbalM };
}

/** How far each mover may go from where it stands, plate and items alike. */
export function rangesFrom(geometry: SledGeometry, setting: SledSetting): Record<string, SledRange> {
	const { stage } = geometry;
	const left = (travel: Travel, now: number): Travel => [travel[0] - now, travel[1] - now];
	const plateFore: Travel = [stage.coarseForeM[0] + stage.fineForeM[0], stage.coarseForeM[1] + stage.fineForeM[1]];
	const items = geometry.items.map((item): [string, SledRange] => {
		const at = itemAt(setting, item.id);
		return [
			item.id,
			{
				...(item.foreM === null ? {} : { foreM: left(item.foreM, at.foreM) }),
				...(item.sideM === null ? {} : { sideM: left(item.sideM, at.sideM) })
			}
		];
	});
	return Object.fromEntries([
		[
			cameraId,
			{
				foreM: left(plateFore, setting.coarseForeM + setting.fineForeM),
				sideM: left(stage.fineSideM, setting.fineSideM)
			}
		],
		...items
	]);
}

/**
 * A plate shift as a hand makes it: the knob alone where it is in reach of two thirds of its travel, else the clamp by whole
 * millimetres with the knob going back to its middle as far as it can.
 */
export function plateMove(geometry: SledGeometry, setting: SledSetting, foreM: number) {
	const { fineForeM, coarseForeM } = geometry.stage;
	const wanted = setting.coarseForeM + setting.fineForeM + foreM;
	const byKnob = setting.fineForeM + foreM;
	const inReach = byKnob >= fineForeM[0] * (2 / 3) && byKnob <= fineForeM[1] * (2 / 3);
	if (inReach) return { coarseForeM: setting.coarseForeM, fineForeM: byKnob };
	const clamped = Math.min(coarseForeM[1], Math.max(coarseForeM[0], Math.round(wanted * 1000) / 1000));
	return { coarseForeM: clamped, fineForeM: clamp(wanted - clamped, fineForeM) };
}

/** Corners of everything below and above, for drawing and for legs. */
export function cornersOf(geometry: SledGeometry, setting: SledSetting): Vec3[] {
	return geometry.items.flatMap((item) => {
		const at = itemAt(setting, item.id);
		const [x, y, z] = tippedSizeM(item.sizeM, at.tiltRad).map((edge) => edge / 2) as [number, number, number];
		return middlesOf(item, at).flatMap(([mx, my, mz]) =>
			[-x, x].flatMap((dx) => [-y, y].flatMap((dy) => [-z, z].map((dz): Vec3 => [mx + dx, my + dy, mz + dz])))
		);
	});
}
