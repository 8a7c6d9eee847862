import { legClearance, type LegClearance, type ReachPoint, reachTrade, type Sled, sledReport } from '@poise/core';
import type { SledGeometry, SledItem, SledSetting, WornSetup } from './model';
import { cameraId, cornersOf, gimbalTravel, itemAt, plateMove, rangesFrom } from './standing';

/** What can be carried further out. */
export const reachable = (geometry: SledGeometry): SledItem[] => geometry.items.filter(({ foreM }) => foreM !== null);

/** What moves against it: an allowed mover, else any other slide with some weight. */
export function counterOf(geometry: SledGeometry, partId: string, movers: readonly string[]): string | null {
	const others = reachable(geometry).filter(({ id }) => id !== partId);
	const heaviest = [...others].sort((a, b) => b.massKg - a.massKg);
	return (others.find(({ id }) => movers.includes(id)) ?? heaviest[0])?.id ?? null;
}

const points = 31;

/** The trade over the whole travel of one part: at every place the sled is balanced anew by the counter-part and the plate. */
export function reachCurve(
	geometry: SledGeometry,
	setting: SledSetting,
	sled: Sled,
	dropTimeS: number,
	partId: string,
	counterId: string
): ReachPoint[] {
	const ranges = rangesFrom(geometry, setting);
	const [back, forward] = ranges[partId]?.foreM ?? [0, 0];
	const shiftsM = Array.from({ length: points }, (_, index) => back + ((forward - back) * index) / (points - 1));
	return reachTrade({
		sled,
		partId,
		shiftsM,
		dropTimeS,
		foreSlides: [counterId, cameraId],
		ranges,
		gimbalRangeM: gimbalTravel(geometry, setting.pulledOutM)
	});
}

/** The setting that one place of the curve stands for. */
export function settingAt(
	geometry: SledGeometry,
	setting: SledSetting,
	sled: Sled,
	partId: string,
	point: ReachPoint
): SledSetting {
	const moved = (id: string, byM: number) => ({ ...itemAt(setting, id), foreM: itemAt(setting, id).foreM + byM });
	const items = { ...setting.items, [partId]: moved(partId, point.shiftM) };
	for (const [id, byM] of Object.entries(point.shifts)) if (id !== cameraId) items[id] = moved(id, byM);
	return {
		...setting,
		...plateMove(geometry, setting, point.shifts[cameraId] ?? 0),
		items,
		gimbalM: sledReport({ sled }).cgM[2] + point.dropHeightM
	};
}

const legRadiusM = 0.09;

export interface Legs extends LegClearance {
	readonly gimbalHeightM: number;
}

/** How near the lower end comes to the leading leg, whichever way it is panned. */
export const legsOf = (geometry: SledGeometry, setting: SledSetting, { stance }: WornSetup): Legs => ({
	...legClearance({
		cornersM: cornersOf(geometry, setting),
		gimbalHeightM: setting.gimbalM,
		...stance,
		legRadiusM
	}),
	gimbalHeightM: setting.gimbalM
});
