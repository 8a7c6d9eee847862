import type { Turning, Turnings } from '$lib/model/turning';
import { freshFeel, freshSheet } from '$lib/stations/feel/fresh';
import type { FeelState, ModeSheet } from '$lib/stations/feel/model';

/** A small gimbal with a light camera, balanced to what its bearings forgive. */
export const lightTurning: Turning = {
	inertiaKgM2: 0.02,
	residualNm: 0.02,
	frictionNm: 0.015,
	motorNm: 1.2,
	carriedKg: 1.6
};
export const lightTurnings: Turnings = { pan: lightTurning, tilt: lightTurning, roll: lightTurning };
export const threeMotors = ['pan', 'tilt', 'roll'] as const;

export const testSheet = (next: Partial<ModeSheet> = {}): ModeSheet => ({ ...freshSheet(threeMotors), ...next });
export const testFeel = (next: Partial<FeelState> = {}): FeelState => ({ ...freshFeel(testSheet(), 'pan'), ...next });
