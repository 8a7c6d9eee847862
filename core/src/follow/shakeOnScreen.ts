import { checksFor } from '../input';

export interface Sway {
	readonly amplitudeM: number;
	readonly frequencyHz: number;
}

/** What one axis holds against a walk. */
export interface ShakeInput {
	readonly inertiaKgM2: number;
	readonly naturalRadPerS: number;
	readonly damping: number;
	readonly couplingNmS: number;
	/** Mass times how far the centre of gravity is off the axis, square to the way that the walk moves it, kg·m. */
	readonly firstMomentKgM: number;
	/** What the handle does along that way, as sums of sines: bounce, sway, heel strike. */
	readonly walk: readonly Sway[];
	readonly focalM: number;
	readonly sensorWidthM: number;
}

/**
 * How much a walk shakes the picture: the steady RMS of the image's displacement, in per cent of its width.
 *
 * A handle that moves by `Σ A sin ωt` pushes a camera whose centre lies off its axis: `I c'' = −K c − (D + b) c' + m e a`
 * with `a = −A ω² sin ωt`, so each sine turns it by `m e A ω² / |K − I ω² + i ω (D + b)|`. What the picture shows is
 * `focal · tan c`; the RMS is taken to fourth order in the angle, `E tan² c ≈ E c² + ⅔ E c⁴`, sines of different
 * frequencies counted as unrelated. Throws `PhysicsInputError` for lengths, rates or an inertia not above 0, an empty or
 * overlong walk, or a shake of more than a radian, of which a picture says nothing.
 *
 * @example
 * shakeOnScreen({ inertiaKgM2: 0.01, naturalRadPerS: 20, damping: 0.7, couplingNmS: 0, firstMomentKgM: 0, walk: [{ amplitudeM: 0.03, frequencyHz: 2 }], focalM: 0.05, sensorWidthM: 0.036 }).rmsPercent; // 0
 */
export function shakeOnScreen(input: ShakeInput): { readonly rmsPercent: number; readonly rmsRad: number } {
	const check = checksFor('shakeOnScreen');
	const inertia = check.positive('inertiaKgM2', input.inertiaKgM2);
	const natural = check.positive('naturalRadPerS', input.naturalRadPerS);
	const damping = check.atLeastZero('damping', input.damping);
	const coupling = check.atLeastZero('couplingNmS', input.couplingNmS);
	const moment = check.number('firstMomentKgM', input.firstMomentKgM);
	const focal = check.positive('focalM', input.focalM);
	const sensor = check.positive('sensorWidthM', input.sensorWidthM);
	const walk = check.list('walk', input.walk);
	if (walk.length > 64) check.fail('walk', 'must be at most 64 sines', walk.length);
	const stiffness = inertia * natural ** 2;
	const drag = 2 * damping * natural * inertia + coupling;
	const angles = walk.map(({ amplitudeM, frequencyHz }, k) => {
		check.number(`walk[${k}].amplitudeM`, amplitudeM);
		const omega = 2 * Math.PI * check.positive(`walk[${k}].frequencyHz`, frequencyHz);
		const held = Math.hypot(stiffness - inertia * omega ** 2, drag * omega);
		// Undamped and shaken at its own rate it would swing without end.
		return held === 0 ? Infinity : Math.abs((moment * amplitudeM * omega ** 2) / held);
	});
	const most = angles.reduce((sum, angle) => sum + angle, 0);
	if (!(most < 1))
		check.fail('naturalRadPerS', 'must hold the camera to less than a radian of shake', input.naturalRadPerS);
	const square = angles.reduce((sum, angle) => sum + angle ** 2 / 2, 0);
	const fourth = 3 * square ** 2 - (3 / 8) * angles.reduce((sum, angle) => sum + angle ** 4, 0);
	return {
		rmsPercent: (100 * focal * Math.sqrt(square + (2 / 3) * fourth)) / sensor,
		rmsRad: Math.sqrt(square)
	};
}
