import { fitFollow, followAt, type FollowFit, type OwnScale, settingFor, type TimedTurn, valueAt } from '@poise/core';
import { type Turning, turningAxes } from '$lib/model/turning';
import {
	type AllSettings,
	type ModeSheet,
	type OwnScaleSheet,
	type OwnSettings,
	type SettingName,
	settingNames
} from './model';

/** What a setting is called by whoever has no menu in front of them, what its figure means, and which way is which. */
export const settingWords: Readonly<
	Record<SettingName, { readonly name: string; readonly own: string; readonly ends: readonly [string, string] }>
> = {
	follow: { name: 'Follow', own: 'follow speed', ends: ['lazy', 'quick'] },
	deadband: { name: 'Dead band', own: 'dead zone', ends: ['narrow', 'wide'] },
	smooth: { name: 'Smoothing', own: 'smoothness', ends: ['direct', 'soft'] },
	stiffness: { name: 'Stiffness', own: 'motor strength', ends: ['sags', 'buzzes'] }
};

/** What is assumed of a gimbal that nobody has timed: middling values of the trade, and said so wherever they are used. */
export const assumedScales: Readonly<Record<SettingName, OwnScaleSheet>> = {
	follow: { name: settingWords.follow.own, least: 0, most: 100, law: 'log', atLeast: 0.6, atMost: 9, measured: null },
	deadband: {
		name: settingWords.deadband.own,
		least: 0,
		most: 100,
		law: 'linear',
		atLeast: 0,
		atMost: 0.5,
		measured: null
	},
	smooth: {
		name: settingWords.smooth.own,
		least: 0,
		most: 100,
		law: 'log',
		atLeast: 0.03,
		atMost: 0.8,
		measured: null
	},
	stiffness: {
		name: settingWords.stiffness.own,
		least: 0,
		most: 100,
		law: 'linear',
		atLeast: 0.02,
		atMost: 1,
		measured: null
	}
};

const coreScale = ({ law, least, most, atLeast, atMost }: OwnScaleSheet): OwnScale => ({
	law,
	least: { setting: least, value: atLeast },
	greatest: { setting: most, value: atMost }
});

/** In real units, what one setting of the gimbal is; one from before the scale was made shorter counts as its end. */
export const valueOf = (scale: OwnScaleSheet, setting: number): number =>
	valueAt({ scale: coreScale(scale), setting: keptOn(scale, setting) }).value;

/** The whole figure on the gimbal's own scale that comes nearest to a real value, or the next on one side of it. */
export function ownFor(
	scale: OwnScaleSheet,
	value: number,
	round: (setting: number) => number = Math.round
): { readonly setting: number; readonly within: boolean } {
	const { setting, within } = settingFor({ scale: coreScale(scale), value });
	// What is whole but for rounding is that figure, whichever way is rounded.
	const near = Math.round(setting);
	return { setting: keptOn(scale, Math.abs(setting - near) < 1e-6 ? near : round(setting)), within };
}
/** Why a figure stands nowhere on a scale, for its field; null: it does. */
export const offScale = ({ least, most }: Pick<OwnScaleSheet, 'least' | 'most'>, setting: number): string | null =>
	setting >= least && setting <= most ? null : `Between ${least} and ${most} on this gimbal.`;
export const keptOn = ({ least, most }: Pick<OwnScaleSheet, 'least' | 'most'>, setting: number): number =>
	Math.min(Math.max(least, most), Math.max(Math.min(least, most), setting));

/** Why a scale makes no sense, in words for its fields; null: it does. */
export function scaleProblem({ least, most, law, atLeast, atMost }: OwnScaleSheet): string | null {
	if (!(least < most)) return 'Its least figure must be below its greatest.';
	if (!(atLeast < atMost)) return 'The real value at the least must be below that at the greatest.';
	if (law === 'log' && !(atLeast > 0)) return 'A logarithmic scale does not begin at nothing.';
	return null;
}

/** In the middle of every scale, stiffness a little above, dead band low: where most gimbals leave the maker. */
export function middleSettings(scales: ModeSheet['scales']): AllSettings {
	const share: Record<SettingName, number> = { follow: 0.5, deadband: 0.1, smooth: 0.3, stiffness: 0.55 };
	const own = Object.fromEntries(
		settingNames.map((name) => {
			const { least, most } = scales[name];
			return [name, Math.round(least + share[name] * (most - least))];
		})
	) as OwnSettings;
	return Object.fromEntries(turningAxes.map((axis) => [axis, own])) as AllSettings;
}

/** The lean at which a motor set to all it can gives all of its torque, rad. */
const fullLeanRad = 0.03;
/** What a motor is taken for that nobody knows: it holds what it carries at this rate, rad/s. */
const usualNaturalRadPerS = 55;

/** The stiffness of one axis at a setting, N·m/rad, and the rate it gives this payload, rad/s. */
export function loopOf(
	scale: OwnScaleSheet,
	setting: number,
	{ motorNm, inertiaKgM2 }: Pick<Turning, 'motorNm' | 'inertiaKgM2'>
) {
	const fullNmPerRad = motorNm === null ? inertiaKgM2 * usualNaturalRadPerS ** 2 : motorNm / fullLeanRad;
	const stiffnessNmPerRad = Math.max(1e-9, valueOf(scale, setting)) * fullNmPerRad;
	return { fullNmPerRad, stiffnessNmPerRad, naturalRadPerS: Math.sqrt(stiffnessNmPerRad / inertiaKgM2) };
}

/** The timed turns that count, as they are fitted; null while there are not two settings of them. */
export function turnsOf({ runs, scales }: Pick<ModeSheet, 'runs' | 'scales'>): readonly TimedTurn[] | null {
	const counted = runs.filter(({ struck }) => !struck);
	if (new Set(counted.map(({ follow }) => follow)).size < 2) return null;
	const { least } = scales.deadband;
	// Where none had one, nothing is known of its figures.
	const banded = counted.some(({ deadband }) => deadband > least);
	return counted.map(({ follow, deadband, angleRad, halfS, endS, restShortRad }) => ({
		...{ setting: follow, angleRad, halfS, endS, restShortRad },
		...(banded ? { deadbandFigure: Math.max(0, deadband - least) } : {})
	}));
}

/** The follow scale from what was timed; null while there are not two settings of it. Half a second of work: a worker's. */
export function fittedFollow(sheet: Pick<ModeSheet, 'runs' | 'scales'>): FollowFit | null {
	const tests = turnsOf(sheet);
	return tests === null ? null : fitFollow({ tests });
}

/**
 * The scales as the timed turns have them: follow by its fit, the dead band in proportion to its figures as the fit has
 * it (a camera may coast past its edge), smoothing moved as a whole so that it passes through what was found. What the turns cannot tell stays as it was.
 */
export function scalesFrom(sheet: ModeSheet, fit: FollowFit, stamp: OwnScaleSheet['measured']): ModeSheet['scales'] {
	const { follow, deadband, smooth, stiffness } = sheet.scales;
	const counted = sheet.runs.filter(({ struck }) => !struck);
	const at = (setting: number) => followAt({ scale: fit.scale, setting }).followPerS;
	const bounded = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

	// Through nothing at its least end: a dead band of 0 is none.
	const banded = counted.some((run) => run.deadband > deadband.least) && !fit.cannotTell.includes('deadbandRad');
	const perFigure = fit.deadbandPerFigureRad;
	const smoothAt = counted.reduce((sum, run) => sum + run.smooth, 0) / counted.length;
	const times = fit.smoothS / Math.max(1e-6, valueOf(smooth, smoothAt));
	const told = !fit.cannotTell.includes('smoothS');
	return {
		follow: {
			...follow,
			law: fit.scale.law,
			atLeast: bounded(at(follow.least), 0.01, 50),
			atMost: bounded(at(follow.most), 0.02, 60),
			measured: stamp
		},
		deadband: !banded
			? deadband
			: {
					...deadband,
					law: 'linear',
					atLeast: 0,
					atMost: bounded(perFigure * (deadband.most - deadband.least), 0.001, 1.6),
					measured: stamp
				},
		smooth: told
			? {
					...smooth,
					atLeast: bounded(smooth.atLeast * times, 0.001, 5),
					atMost: bounded(smooth.atMost * times, 0.002, 10),
					measured: stamp
				}
			: smooth,
		stiffness
	};
}
