import type { SliderGeometry, SliderSetting } from './model';

const clamp = (value: number, least: number, greatest: number) => Math.min(greatest, Math.max(least, value));

/** Nearer than this two supports are one. */
export const apartM = 0.1;
/** Where a support may stand without changing places with the other: what is half typed must not move that one. */
export function roomFor(
	{ rail }: Pick<SliderGeometry, 'rail'>,
	{ supportsM }: Pick<SliderSetting, 'supportsM'>,
	index: number
): readonly [least: number, most: number] {
	const other = supportsM[1 - index];
	if (other === undefined) return [0, rail.lengthM];
	return index === 0 ? [0, other - apartM] : [other + apartM, rail.lengthM];
}

/** As steep as a rail stands. */
const steepestRad = Math.PI / 2;

/** Level on two supports a fifth in from its ends, the carriage in the middle of its travel. */
export const freshSetting = ({ rail, carriage }: SliderGeometry): SliderSetting => ({
	supportsM: [round(rail.lengthM * 0.2), round(rail.lengthM * 0.8)],
	inclineRad: 0,
	atM: (carriage.travelM[0] + carriage.travelM[1]) / 2,
	hung: false,
	looks: 'across',
	reachM: 0
});

/** To whole millimetres, which is what a hand sets. */
const round = (metres: number) => Math.round(metres * 1000) / 1000;

/** A kept setting on a slider that may have changed since: everything on the rail, the nearer support first. */
export function settledOn({ rail, carriage }: SliderGeometry, kept: SliderSetting): SliderSetting {
	const [one, two] = [...kept.supportsM].sort((a, b) => a - b).map((u) => clamp(u, 0, rail.lengthM));
	const first = one ?? rail.lengthM / 2;
	const supportsM =
		two === undefined
			? ([first] as const)
			: two - first < apartM
				? ([clamp(first, 0, rail.lengthM - apartM), clamp(first, 0, rail.lengthM - apartM) + apartM] as const)
				: ([first, two] as const);
	return {
		...kept,
		supportsM,
		inclineRad: clamp(kept.inclineRad, -steepestRad, steepestRad),
		atM: clamp(kept.atM, ...carriage.travelM)
	};
}
