import type { TurningAxis } from '$lib/model/turning';
import { modePatterns, modesOf } from './modes';
import type { FeelState, ModeSheet } from './model';
import { assumedScales, middleSettings } from './scales';
import { freshStick } from './stick';

/** The sheet of a gimbal that nobody has written down: a pattern's modes and middling scales. */
export function freshSheet(motors: readonly TurningAxis[], key = 'oneButton'): ModeSheet {
	const pattern = modePatterns.find((each) => each.key === key) ?? modePatterns[0]!;
	const modes = modesOf(pattern, motors);
	return {
		pattern: pattern.key,
		modes,
		startsId: modes.find(({ kind }) => kind === pattern.starts)?.id ?? modes[0]?.id ?? null,
		resets: pattern.resets,
		byHand: pattern.byHand,
		calibration: pattern.calibration,
		scales: assumedScales,
		delayS: 0.005,
		damping: 0.7,
		fullDrawW: 18,
		runs: [],
		looks: [],
		stick: freshStick
	};
}

/** A payload that was never felt for: in the gimbal's first mode, its scales in their middle, walking behind somebody. */
export const freshFeel = (sheet: ModeSheet, axis: TurningAxis): FeelState => ({
	shotId: 'walkBehind',
	gesture: 'quarterTurn',
	axis,
	modeId: sheet.startsId,
	posture: 'upright',
	people: 1,
	focalM: 0.035,
	sensorWidthM: 0.036,
	now: middleSettings(sheet.scales),
	tried: null,
	calm: 0,
	slips: []
});
