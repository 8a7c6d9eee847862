import type { Quantity } from '$lib/sheet/units/display';
import { allowed } from '$lib/sheet/units/allowed';
import type { Limit } from '$lib/model/limits';
import type { MoveField } from './moveField';
import { changedKnot } from './knots';
import { moveLimits } from './limits';
import type { ArmSupport, Knot, Move, Values } from './model';
import { poseOf } from './path';

/** Nearer than this a hand sets no arm. */
const nearEnoughM = 0.002;

/** Where an arm's lens is as a hand measures it: above the floor, out from its pivot, and which way from where the arm points. */
function lensOf(move: Move, arm: ArmSupport, values: Values) {
	const { centreM, positionM } = poseOf(move, values);
	const trackM = values.trackM ?? 0;
	const heading = arm.track?.headingRad ?? 0;
	const [dx, dy] = [
		centreM[0] - arm.pivotM[0] - trackM * Math.cos(heading),
		centreM[1] - arm.pivotM[1] - trackM * Math.sin(heading)
	];
	return { heightM: positionM[2], outM: Math.hypot(dx, dy) };
}

/**
 * The place of one axis within a range at which a figure is as wanted, where the figure grows or falls all along it; as near as it comes, and by how much
 * it misses.
 */
function solved(
	[from, to]: readonly [number, number],
	wanted: number,
	figure: (at: number) => number
): { readonly at: number; readonly miss: number } {
	const grows = figure(to) >= figure(from);
	let [low, high] = [from, to];
	for (let step = 0; step < 60; step += 1) {
		const middle = (low + high) / 2;
		if (figure(middle) < wanted === grows) low = middle;
		else high = middle;
	}
	const at = (low + high) / 2;
	return { at, miss: Math.abs(figure(at) - wanted) };
}

/** A knot of an arm by where its lens is: the boom for its height, what can be pulled out, or else the boom, for its reach, the swing for its bearing. */
export function lensFields(move: Move, knot: Knot): MoveField[] {
	const { support } = move;
	if (support.kind !== 'arm') return [];
	const { values } = knot;
	const now = lensOf(move, support, values);
	const boom = values.boomRad ?? 0;
	const { range: booms } = support.boom;
	const withAxis = (axis: 'boomRad' | 'extensionM' | 'swingRad', at: number): Values => ({ ...values, [axis]: at });
	const put = (axis: 'boomRad' | 'extensionM' | 'swingRad', at: number): Move =>
		changedKnot(move, knot.id, { values: withAxis(axis, at) });
	const bySolving = (
		[id, label]: readonly [string, string],
		value: number,
		limit: Limit,
		axis: 'boomRad' | 'extensionM',
		range: readonly [number, number],
		of: (values: Values) => number
	): MoveField => {
		const found = (wanted: number) => solved(range, wanted, (at) => of(withAxis(axis, at)));
		const ends = range.map((at) => of(withAxis(axis, at)));
		return {
			...{ id, label, value, quantity: 'distance' as Quantity },
			check: (wanted) =>
				allowed(limit, 'distance')(wanted) ??
				(found(wanted).miss <= nearEnoughM
					? null
					: `The ${axis === 'boomRad' ? 'boom' : 'arm'} ends before it: ${[Math.min(...ends), Math.max(...ends)].map((end) => end.toFixed(2).replace('-', '−')).join(' to ')} m here.`),
			put: (wanted) => put(axis, found(wanted).at)
		};
	};
	const outOf = (at: Values) => lensOf(move, support, at).outM;
	return [
		bySolving(
			['knot-lens-height', 'lens, above the floor'],
			now.heightM,
			moveLimits.height,
			'boomRad',
			booms,
			(at) => lensOf(move, support, at).heightM
		),
		support.extension !== null
			? bySolving(
					['knot-reach', 'reach from the pivot'],
					now.outM,
					moveLimits.arm,
					'extensionM',
					support.extension.range,
					outOf
				)
			: // Raised or lowered it reaches less: on the side of level on which it is.
				bySolving(
					['knot-reach', 'reach from the pivot'],
					now.outM,
					moveLimits.arm,
					'boomRad',
					boom < 0 ? [booms[0], Math.min(0, booms[1])] : [Math.max(0, booms[0]), booms[1]],
					outOf
				),
		{
			...{
				id: 'knot-bearing',
				label: 'bearing, to the left',
				value: values.swingRad ?? 0,
				quantity: 'angle' as Quantity
			},
			check: (turn) =>
				allowed(moveLimits.turn, 'angle')(turn) ??
				(turn >= support.swing.range[0] && turn <= support.swing.range[1] ? null : 'The swing stops before it.'),
			put: (turn) => put('swingRad', turn)
		}
	];
}
