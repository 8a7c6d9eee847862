import { cornersM, type StandingPart } from '$lib/model/payload';
import type { SliderGeometry, SliderSetting } from './model';

/** The outside of one part in the rail's plane: u along the rail, v off it. */
export interface RailBox {
	readonly id: string;
	readonly fromM: readonly [u: number, v: number];
	readonly toM: readonly [u: number, v: number];
}

/**
 * Every part's box as it is seen from beside the rail: forward is along it, or away from whoever looks, the camera's right then
 * towards the far end; hung, all is the other way up and its left towards the far end.
 */
export function boxesOn(
	{ carriage }: Pick<SliderGeometry, 'carriage'>,
	{ atM, reachM, hung, looks }: SliderSetting,
	parts: readonly StandingPart[]
): RailBox[] {
	const plateM = parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0;
	const along = ([x, y]: readonly [number, number, number]) => (looks === 'along' ? x : hung ? y : -y);
	const off = (z: number) => (hung ? -1 : 1) * (carriage.plateM + plateM + z);
	return parts.map((part) => {
		const [low, high] = cornersM(part);
		const u = [along(low), along(high)].map((each) => atM + reachM + each).sort((a, b) => a - b);
		const v = [off(low[2]), off(high[2])].sort((a, b) => a - b);
		return { id: part.id, fromM: [u[0] as number, v[0] as number], toM: [u[1] as number, v[1] as number] };
	});
}
