import { checksFor } from '../input';
import { add, type Body, dot, type Vec3 } from '../mass/body';
import { axisLoads, type GimbalChain } from './chain';
import { type GimbalRig, mountPayload, readingAt } from './rig';
import { solvePositions } from './solvePositions';
import { type Covariance, varianceOf } from './covariance';
import { type Turn, turnVector } from '../mass/turnBody';

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
 * uncertainty. `learned` is what balances have told of parts and of this gimbal's zeros together (`learnFromBalances`): the figures
 * it names are unsure as it says, jointly, instead of each for itself; a part is found there by `partId` (else its `id`), in whose own
 * frame `turn` stands, and the zeros by `rigId`. `ownKg`: the mass whose centre `sigmaM` is about, where the body holds more (its arm); absent: all of it. Throws `PhysicsInputError` for a gimbal or payload without sense.
 *
 * The solved positions are linear in the centres while no slide is at its end, with gradient g in all figures:
 * `σ² = Σ (g σ)² + gᵀ C g` over those apart and those learned together. Two centres that were only ever weighed together are each
 * unsure, and the reading they share is not.
 */
export function predictReadings(input: {
	readonly rig: GimbalRig;
	readonly payload: readonly {
		readonly id: string;
		readonly body: Body;
		readonly sigmaM: Vec3;
		readonly partId?: string;
		readonly turn?: Turn;
		readonly ownKg?: number;
	}[];
	readonly zeroSigmaM: Readonly<Record<string, number>>;
	readonly learned?: { readonly rigId: string; readonly covariance: Covariance };
}): PredictedReading[] {
	const check = checksFor('predictReadings');
	const { rig, payload } = input;
	payload.forEach(({ body, ownKg = body.massKg }, index) => check.atLeastZero(`payload[${index}].ownKg`, ownKg));
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
	const names = ['x', 'y', 'z'] as const;
	const known = new Map(input.learned?.covariance.keys.map((key, index) => [key, index]));
	return rig.slides.map((slide, s) => {
		/** How much each figure that was learned moves this reading; a part that stands twice moves it twice. */
		const gradient = new Float64Array(known.size);
		let apart = 0;
		for (const { id, partId = id, body, sigmaM, turn, ownKg = body.massKg } of payload) {
			const share = ownKg / totalKg;
			// Along the scale: a zero that is off has a sign beside it.
			const per = perMetre.map((each) => slide.scale.sense * share * (each[s] ?? 0)) as unknown as Vec3;
			([0, 1, 2] as const).forEach((axis) => {
				const index = known.get(`part:${partId}.${names[axis]}`);
				if (index === undefined) apart += (per[axis] * sigmaM[axis]) ** 2;
				else {
					const unit = names.map((_, k) => (k === axis ? 1 : 0)) as unknown as Vec3;
					gradient[index] = (gradient[index] as number) + dot(per, turn === undefined ? unit : turnVector(turn, unit));
				}
			});
		}
		const zero = check.atLeastZero(`zeroSigmaM.${slide.id}`, input.zeroSigmaM[slide.id] ?? 0);
		const zeroIndex = known.get(`zero:${input.learned?.rigId ?? ''}.${slide.id}`);
		if (zeroIndex === undefined) apart += zero * zero;
		else gradient[zeroIndex] = 1;
		const positionM = inRange[s] as number;
		return {
			id: slide.id,
			positionM,
			readingM: readingAt(slide, positionM),
			sigmaM: Math.sqrt(apart + varianceOf(input.learned?.covariance, gradient))
		};
	});
}
