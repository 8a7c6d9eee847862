import { checksFor } from '../input';
import { add, type Body, type Vec3 } from '../mass/body';
import { axisLoads, type GimbalChain } from './chain';
import { type GimbalRig, mountPayload, readingAt } from './rig';
import { solvePositions } from './solvePositions';

export interface PredictedReading {
	readonly id: string;
	readonly positionM: number;
	readonly readingM: number;
	/** One standard deviation of where the scale will really read in balance. */
	readonly sigmaM: number;
}

/**
 * What the scales of a gimbal will read with this payload in balance, with how sure that is.
 *
 * Payload parts carry the standard deviation of their centre of gravity, metres along the payload's axes; `zeroSigmaM`
 * that of each scale's zero, by slide id (not named: exact). Ranges are kept for the reading and left out for its
 * uncertainty. Throws `PhysicsInputError` for a gimbal or payload without sense.
 *
 * The solved positions are linear in the centres while no slide is at its end: `σ² = σ_zero² + Σ (∂p/∂c σ_c)²`.
 */
export function predictReadings(input: {
	readonly rig: GimbalRig;
	readonly payload: readonly { readonly id: string; readonly body: Body; readonly sigmaM: Vec3 }[];
	readonly zeroSigmaM: Readonly<Record<string, number>>;
}): PredictedReading[] {
	const check = checksFor('predictReadings');
	const { rig, payload } = input;
	payload.forEach(({ sigmaM }, index) =>
		check
			.vector(`payload[${index}].sigmaM`, sigmaM)
			.forEach((sigma, axis) => check.atLeastZero(`payload[${index}].sigmaM[${axis}]`, sigma))
	);
	const solve = (chain: GimbalChain) => solvePositions(axisLoads('predictReadings', chain), chain);
	const inRange = solve(mountPayload({ rig, payload }));
	const free: GimbalRig = {
		...rig,
		slides: rig.slides.map((slide) => ({ ...slide, rangeM: [slide.rangeM[0] - 10, slide.rangeM[1] + 10] }))
	};
	const at = solve(mountPayload({ rig: free, payload }));
	// One error for the whole payload serves every part: a centimetre of one part moves the whole by its share of mass.
	const totalKg = payload.reduce((sum, { body }) => sum + body.massKg, 0);
	const stepM = 0.01;
	const perMetre = ([0, 1, 2] as const).map((axis) => {
		const byM = [0, 1, 2].map((k) => (k === axis ? stepM : 0)) as unknown as Vec3;
		const moved = payload.map((part) => ({ ...part, body: { ...part.body, cgM: add(part.body.cgM, byM) } }));
		return solve(mountPayload({ rig: free, payload: moved })).map((value, s) => (value - (at[s] as number)) / stepM);
	});
	return rig.slides.map((slide, s) => {
		const fromParts = payload.reduce((sum, { body, sigmaM }) => {
			const share = body.massKg / totalKg;
			return (
				sum +
				([0, 1, 2] as const).reduce<number>((inner, k) => inner + (share * sigmaM[k] * (perMetre[k]?.[s] ?? 0)) ** 2, 0)
			);
		}, 0);
		const zero = check.atLeastZero(`zeroSigmaM.${slide.id}`, input.zeroSigmaM[slide.id] ?? 0);
		const positionM = inRange[s] as number;
		return {
			id: slide.id,
			positionM,
			readingM: readingAt(slide, positionM),
			sigmaM: Math.sqrt(zero * zero + fromParts)
		};
	});
}
