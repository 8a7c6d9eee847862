import type { PassKey } from '@poise/core';
import type { CranePass } from './model';

/** Nearer together in time than this no arm could do it. */
const leastGap = 0.04;
export const mostVia = 8;

/** Start, what is on the way, and end. */
export const keysOf = (pass: CranePass): readonly PassKey[] => [
	{ share: 0, swingRad: pass.fromSwingRad, boomRad: pass.fromBoomRad },
	...(pass.via ?? []),
	{ share: 1, swingRad: pass.toSwingRad, boomRad: pass.toBoomRad }
];

/** One key changed; the first and the last keep their time, the others stay between their neighbours. */
export function withKey(pass: CranePass, index: number, next: Partial<PassKey>): CranePass {
	const keys = keysOf(pass);
	const last = keys.length - 1;
	const key = { ...keys[index]!, ...next };
	if (index === 0) return { ...pass, fromSwingRad: key.swingRad, fromBoomRad: key.boomRad };
	if (index === last) return { ...pass, toSwingRad: key.swingRad, toBoomRad: key.boomRad };
	const [before, after] = [keys[index - 1]!.share + leastGap, keys[index + 1]!.share - leastGap];
	const share = Math.min(Math.max(key.share, before), Math.max(before, after));
	const via = (pass.via ?? []).map((each, k) => (k === index - 1 ? { ...key, share } : each));
	return { ...pass, via };
}

/** One more pose in the middle of the longest stretch; the pass as it is where there is no room for it. */
export function withAnother(pass: CranePass): CranePass {
	const keys = keysOf(pass);
	const gaps = keys.slice(1).map(({ share }, index) => share - keys[index]!.share);
	const at = gaps.indexOf(Math.max(...gaps));
	if (gaps[at]! < 2 * leastGap || (pass.via ?? []).length >= mostVia) return pass;
	const [one, two] = [keys[at]!, keys[at + 1]!];
	const middle: PassKey = {
		share: (one.share + two.share) / 2,
		swingRad: (one.swingRad + two.swingRad) / 2,
		boomRad: (one.boomRad + two.boomRad) / 2
	};
	const via = pass.via ?? [];
	return { ...pass, via: [...via.slice(0, at), middle, ...via.slice(at)] };
}

/** Without a pose on the way; start and end stay. */
export const withoutKey = (pass: CranePass, index: number): CranePass => ({
	...pass,
	via: (pass.via ?? []).filter((_, k) => k !== index - 1)
});

/** An angle counted on from another, so that a hand that goes round does not jump by a turn. */
export const countedFrom = (angle: number, from: number): number =>
	from + Math.atan2(Math.sin(angle - from), Math.cos(angle - from));

/**
 * The first of 1 to `most` steps that does, where every further one does too; null: not even the last. It asks for few of them:
 * each is a whole pass. Where more does not always help, it is a step that does after one that does not.
 */
export function firstThatDoes(most: number, does: (count: number) => boolean): number | null {
	if (!does(most)) return null;
	let [not, is] = [0, most];
	while (is - not > 1) {
		const middle = (not + is) >> 1;
		if (does(middle)) is = middle;
		else not = middle;
	}
	return is;
}
