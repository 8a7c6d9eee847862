import { checksFor } from '../input';

/** Friction that holds over less than this, either side of the middle, forgives no more than a careful hand strays. */
const smallBandM = 0.0004;

/**
 * How many looks have to agree before an axis is taken to hold: one, and two where friction holds over so little (`bandM`, half the width of
 * the holding band, metres) that a slide which strayed by less than a hand feels is out of it again. One look in ten may be wrong; two that agree
 * are in a hundred. A band that nobody knows (0) is taken to be small.
 *
 * Throws `PhysicsInputError` for a band that is negative or not finite.
 *
 * @example
 * agreedLooks({ bandM: 0.002 }); // 1
 * agreedLooks({ bandM: 0.0002 }); // 2
 */
export function agreedLooks({ bandM }: { readonly bandM: number }): 1 | 2 {
	return checksFor('agreedLooks').atLeastZero('bandM', bandM) < smallBandM ? 2 : 1;
}
