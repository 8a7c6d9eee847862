import { checksFor } from '../input';
import { add, type Body, subtract, type Vec3, zeroInertia } from '../mass/body';
import type { Sled, SledTotals } from './sled';

/** What the drawn sled has wrong, as a whole. */
export interface SledCorrection {
	/** Σ m r: the true less the drawn, sled frame. Taken up by the part that is known least. */
	readonly firstMomentKgM: Vec3;
	/** Products beside what that part's moved centre brings. */
	readonly xzKgM2: number;
	readonly yzKgM2: number;
}

export const noSledCorrection: SledCorrection = { firstMomentKgM: [0, 0, 0], xzKgM2: 0, yzKgM2: 0 };

/** The id of the massless part that carries products nobody has drawn. */
export const unseenPartId = 'unseen';

/**
 * The sled as drawn, put right by a correction: the centre of `carrierId` takes up the first moment, a massless part the
 * products. Throws `PhysicsInputError` for a carrier that is not there or weighs nothing.
 *
 * @example
 * const sled = { parts: [{ id: 'all', body: { massKg: 2, cgM: [0, 0, 0.5] } }], gimbalHeightM: 0.6 };
 * const correction = { ...noSledCorrection, firstMomentKgM: [0.02, 0, 0] };
 * correctSled({ sled, correction, carrierId: 'all' }).parts[0].body.cgM[0]; // 0.01
 */
export function correctSled(input: {
	readonly sled: Sled;
	readonly correction: SledCorrection;
	readonly carrierId: string;
}): Sled {
	const { sled, correction, carrierId } = input;
	const check = checksFor('correctSled');
	check.number('sled.gimbalHeightM', sled.gimbalHeightM);
	sled.parts.forEach(({ body }, index) => check.body(`sled.parts[${index}].body`, body));
	const carrier = sled.parts.find(({ id }) => id === carrierId);
	if (carrier === undefined || !(carrier.body.massKg > 0))
		return check.fail('carrierId', 'must be a part of the sled with some mass', carrierId);
	const [x, y, z] = check.vector('correction.firstMomentKgM', correction.firstMomentKgM);
	const xz = check.number('correction.xzKgM2', correction.xzKgM2);
	const yz = check.number('correction.yzKgM2', correction.yzKgM2);
	const { massKg, cgM } = carrier.body;
	const moved = { ...carrier.body, cgM: [cgM[0] + x / massKg, cgM[1] + y / massKg, cgM[2] + z / massKg] as const };
	return {
		...sled,
		parts: [
			...sled.parts.map((part) => (part === carrier ? { ...part, body: moved } : part)),
			{ id: unseenPartId, body: { massKg: 0, cgM: [0, 0, 0], inertiaKgM2: { ...zeroInertia, xz, yz } } }
		]
	};
}

/**
 * The totals of {@link correctSled}'s sled, from those of the sled as drawn: the carrier's second moments follow its centre
 * (parallel axes), everything else stays.
 */
export function correctedTotals(drawn: SledTotals, carrier: Body, correction: SledCorrection): SledTotals {
	const { massKg, cgM, inertiaKgM2, dropHeightM } = drawn;
	const shift = correction.firstMomentKgM.map((moment) => moment / massKg) as unknown as Vec3;
	const moved = correction.firstMomentKgM.map((moment) => moment / carrier.massKg) as unknown as Vec3;
	const from = subtract(carrier.cgM, cgM);
	/** Change of Σ m a b about the centre of gravity, which itself moves. */
	const change = (a: 0 | 1 | 2, b: 0 | 1 | 2) =>
		carrier.massKg * ((from[a] + moved[a]) * (from[b] + moved[b]) - from[a] * from[b]) - massKg * shift[a] * shift[b];
	const [xx, yy, zz] = [change(0, 0), change(1, 1), change(2, 2)];
	return {
		massKg,
		cgM: add(cgM, shift),
		dropHeightM: dropHeightM - shift[2],
		inertiaKgM2: {
			xx: inertiaKgM2.xx + yy + zz,
			yy: inertiaKgM2.yy + zz + xx,
			zz: inertiaKgM2.zz + xx + yy,
			xy: inertiaKgM2.xy + change(0, 1),
			xz: inertiaKgM2.xz + change(0, 2) + correction.xzKgM2,
			yz: inertiaKgM2.yz + change(1, 2) + correction.yzKgM2
		}
	};
}
