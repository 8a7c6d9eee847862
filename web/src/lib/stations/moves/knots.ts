import { aimAxes, type Vec3 } from '@poise/core';
import { lensOffset } from '$lib/model/lensAt';
import { leastLegS, most, moveLimits } from './limits';
import { axisWords } from './axes';
import { ownName } from './names';
import { type Axis, type BaseAxis, headAxes, type Knot, type Move, type Values } from './model';
import { axesOf, type Run, sample, valuesAt } from './path';
import { behaves } from './supports';

const noOff = { panRad: 0, tiltRad: 0, focusM: 0 } as const;
const freshId = (knots: readonly Knot[]): string => {
	let number = knots.length + 1;
	while (knots.some(({ id }) => id === `k${number}`)) number += 1;
	return `k${number}`;
};
const inOrder = (knots: readonly Knot[]): Knot[] => [...knots].sort((one, two) => one.tS - two.tS);
export const withKnot = (move: Move, id: string, next: (knot: Knot) => Knot): Move => ({
	...move,
	knots: move.knots.map((knot) => (knot.id === id ? next(knot) : knot))
});
const toThousandth = (seconds: number) => Math.round(seconds * 1000) / 1000;
/** The first whole millisecond that is not before; what noise of adding has put after a whole one is that one. */
const notBefore = (seconds: number) => Math.ceil(seconds * 1000 - 1e-6) / 1000;
const notAfter = (seconds: number) => Math.floor(seconds * 1000 + 1e-6) / 1000;

/** As a knot: only the axes that the support has, and the head's. */
export function placed(move: Move, values: Partial<Values>): Values {
	const full = move.knots[0]?.values;
	return Object.fromEntries(
		[...axesOf(move), ...headAxes].map((axis) => [axis, values[axis] ?? full?.[axis] ?? 0])
	) as unknown as Values;
}

/** A spline swings past its knots, a knot does not: every axis within its own ends and within what can be kept. */
function withinReach(move: Move, values: Values): Values {
	const ranges = behaves(move.support).axes(move.support);
	return Object.fromEntries(
		(Object.entries(values) as [Axis, number][]).map(([axis, value]) => {
			const { least, most: greatest } = axisWords[axis].limit;
			const [from, to] = ranges[axis as BaseAxis]?.range ?? [least, greatest];
			return [axis, Math.min(to, Math.max(from, value))];
		})
	) as unknown as Values;
}

/** Where pan, tilt and focus stand to look at the subject from there. */
export function lookingAt(move: Move, values: Values, subjectM: Vec3 = move.subject.atM): Values {
	const mount = behaves(move.support).mount(move.support, values);
	const lensM = lensOffset(move.camera.lens);
	const { panRad, tiltRad, focusM, feasible } = aimAxes({ mount, axes: values, subjectM, near: values, lensM });
	return feasible ? { ...values, panRad, tiltRad, focusM: Math.max(0.01, focusM) } : values;
}

/** One more knot at a time: there, as the path has it; beyond its ends, where it ended or began. */
export function putAt(move: Move, run: Run | null, tS: number): { readonly move: Move; readonly id: string } | null {
	if (move.knots.length >= most.knots) return null;
	const at = toThousandth(Math.min(moveLimits.time.most, Math.max(0, tS)));
	const tooNear = move.knots.some((knot) => at > knot.tS - leastLegS && at < knot.tS + knot.dwellS + leastLegS);
	if (tooNear) return null;
	const id = freshId(move.knots);
	const values = withinReach(move, placed(move, run === null ? {} : valuesAt(sample(run, [at]), 0)));
	const before = inOrder(move.knots).filter((knot) => knot.tS < at).length;
	const name = ownName(move.knots, before);
	return {
		move: { ...move, knots: inOrder([...move.knots, { id, name, tS: at, dwellS: 0, values, off: noOff }]) },
		id
	};
}

/** Half way between two knots, in time. */
export function insertedAfter(move: Move, run: Run | null, id: string) {
	const k = move.knots.findIndex((knot) => knot.id === id);
	const [here, next] = [move.knots[k], move.knots[k + 1]];
	if (here === undefined || next === undefined) return null;
	return putAt(move, run, (here.tS + here.dwellS + next.tS) / 2);
}

/** A knot before the first (everything later by so much where there is no room) or after the last. */
export function extended(
	move: Move,
	end: 'start' | 'end',
	byS: number
): { readonly move: Move; readonly id: string } | null {
	const [first, last] = [move.knots[0], move.knots[move.knots.length - 1]];
	if (first === undefined || last === undefined || move.knots.length >= most.knots) return null;
	const id = freshId(move.knots);
	if (end === 'end') {
		const tS = toThousandth(last.tS + last.dwellS + byS);
		if (tS > moveLimits.time.most) return null;
		const name = ownName(move.knots, move.knots.length);
		return { move: { ...move, knots: [...move.knots, { ...last, id, name, tS, dwellS: 0 }] }, id };
	}
	const laterS = Math.max(0, byS - first.tS);
	const knots = move.knots.map((knot) => ({ ...knot, tS: knot.tS + laterS }));
	if (knots[knots.length - 1]!.tS > moveLimits.time.most) return null;
	return {
		move: {
			...move,
			knots: [{ ...knots[0]!, id, name: ownName(knots, 0), tS: toThousandth(knots[0]!.tS - byS), dwellS: 0 }, ...knots]
		},
		id
	};
}

export const without = (move: Move, id: string): Move =>
	move.knots.length <= 1 ? move : { ...move, knots: move.knots.filter((knot) => knot.id !== id) };

export const changedKnot = (move: Move, id: string, next: Partial<Knot>): Move =>
	withKnot(move, id, (knot) => ({ ...knot, ...next }));

/** One axis of one knot, the others as they are. A held subject's axis is corrected by how far it is off. */
export function axisAt(move: Move, id: string, axis: keyof Values, value: number): Move {
	return withKnot(move, id, (knot) => ({ ...knot, values: { ...knot.values, [axis]: value } }));
}

/** Between the neighbours, with room for them. */
export function timeRoom({ knots }: Pick<Move, 'knots'>, id: string): readonly [number, number] {
	const k = knots.findIndex((knot) => knot.id === id);
	const [before, here, after] = [knots[k - 1], knots[k]!, knots[k + 1]];
	return [
		before === undefined ? 0 : notBefore(before.tS + before.dwellS + leastLegS),
		after === undefined ? moveLimits.time.most - here.dwellS : notAfter(after.tS - here.dwellS - leastLegS)
	];
}
export function movedInTime(move: Move, id: string, tS: number): Move {
	const [from, to] = timeRoom(move, id);
	// Between two that leave no whole millisecond it stays where it is.
	return from > to ? move : changedKnot(move, id, { tS: toThousandth(Math.min(to, Math.max(from, tS))) });
}
/** This knot and all after it, so that the legs after it last as long as before. */
export function movedWithRest(move: Move, id: string, tS: number): Move {
	const k = move.knots.findIndex((knot) => knot.id === id);
	const here = move.knots[k];
	if (here === undefined) return move;
	const [from] = timeRoom(move, id);
	const by = Math.max(from, tS) - here.tS;
	return {
		...move,
		knots: move.knots.map((knot, index) => (index < k ? knot : { ...knot, tS: toThousandth(knot.tS + by) }))
	};
}
/** A rest of so long: what comes after comes later by the difference. */
export function restedAt(move: Move, id: string, dwellS: number): Move {
	const k = move.knots.findIndex((knot) => knot.id === id);
	const here = move.knots[k];
	if (here === undefined) return move;
	const restS = toThousandth(dwellS);
	const by = restS - here.dwellS;
	return {
		...move,
		knots: move.knots.map((knot, index) =>
			index === k ? { ...knot, dwellS: restS } : index > k ? { ...knot, tS: knot.tS + by } : knot
		)
	};
}
/** As long altogether, rests as they are. */
export function lastingFor(move: Move, totalS: number): Move {
	const first = move.knots[0];
	if (first === undefined) return move;
	const rests = move.knots.reduce((sum, { dwellS }) => sum + dwellS, 0);
	const last = move.knots[move.knots.length - 1]!;
	const now = last.tS + last.dwellS - first.tS - rests;
	return now <= 0 ? move : stretched(move, Math.max(0, totalS - rests) / now);
}
/** Every leg so many times as long, rests as they are. */
export function stretched(move: Move, factor: number, only: number | null = null): Move {
	let tS = move.knots[0]?.tS ?? 0;
	return {
		...move,
		knots: move.knots.map((knot, k) => {
			const before = move.knots[k - 1];
			if (before !== undefined) {
				const leg = knot.tS - before.tS - before.dwellS;
				tS += before.dwellS + Math.max(leastLegS, leg * (only === null || only === k - 1 ? factor : 1));
			}
			return { ...knot, tS };
		})
	};
}
