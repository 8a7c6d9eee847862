import { checksFor } from '../input';

/**
 * How fast a stick asks the axis to turn, rad/s, of the stick's sign: nothing within the dead zone; beyond it
 * `d = (|x| − z)/(1 − z)` and `max · ((1 − e) d + e d³)`, so that it starts from 0 and ends at the full rate whatever the
 * curve. A deflection past ±1 is the stop. Throws `PhysicsInputError` for a dead zone outside 0 to less than 1, a curve
 * outside 0 to 1, or a rate below 0.
 *
 * @example
 * stickRate({ deflection: 0.5, deadZone: 0, expo: 1, maxRateRadPerS: 2 }).rateRadPerS; // 0.25
 */
export function stickRate(input: {
	readonly deflection: number;
	readonly deadZone: number;
	readonly expo: number;
	readonly maxRateRadPerS: number;
}): { readonly rateRadPerS: number } {
	const check = checksFor('stickRate');
	const x = Math.max(-1, Math.min(1, check.number('deflection', input.deflection)));
	const zone = check.atLeastZero('deadZone', input.deadZone);
	if (zone >= 1) check.fail('deadZone', 'must be less than 1', zone);
	const expo = check.atLeastZero('expo', input.expo);
	if (expo > 1) check.fail('expo', 'must be at most 1', expo);
	const most = check.atLeastZero('maxRateRadPerS', input.maxRateRadPerS);
	const d = Math.max(0, Math.abs(x) - zone) / (1 - zone);
	return { rateRadPerS: d === 0 ? 0 : Math.sign(x) * most * ((1 - expo) * d + expo * d ** 3) };
}

/**
 * The fastest a stick may turn the axis at this focal length so that the picture moves by no more than so many of its widths
 * a second, rad/s: `min(max, widthsPerS · sensorWidth / focal)`. Throws `PhysicsInputError` for a length not above 0 or a
 * rate below 0.
 *
 * @example
 * zoomRate({ maxRateRadPerS: 1, widthsPerS: 0.5, focalM: 0.1, sensorWidthM: 0.036 }).rateRadPerS; // 0.18
 */
export function zoomRate(input: {
	readonly maxRateRadPerS: number;
	readonly widthsPerS: number;
	readonly focalM: number;
	readonly sensorWidthM: number;
}): { readonly rateRadPerS: number } {
	const check = checksFor('zoomRate');
	const most = check.atLeastZero('maxRateRadPerS', input.maxRateRadPerS);
	const widths = check.atLeastZero('widthsPerS', input.widthsPerS);
	const focal = check.positive('focalM', input.focalM);
	const sensor = check.positive('sensorWidthM', input.sensorWidthM);
	return { rateRadPerS: Math.min(most, (widths * sensor) / focal) };
}
