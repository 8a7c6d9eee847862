import { type Checks, checksFor } from '../input';
import { minimumJerk, minimumJerkRate } from '../motion/minimumJerk';

/** What an axis can do at most: a second, a second squared, a second cubed; of radians or metres. */
export interface MotionLimit {
	readonly maxRate: number;
	readonly maxAccel: number;
	readonly maxJerk?: number;
}
export type AxisValues = Readonly<Record<string, number>>;

/** How many axes a head has at most. */
const mostAxes = 16;
const mostTimes = 200_000;

/** The largest slope, curvature and third derivative of {@link minimumJerk}. */
const peakRate = 1.875;
const peakAccel = 10 / Math.sqrt(3);
const peakJerk = 60;

export function readAxes(check: Checks, path: string, values: AxisValues | undefined): readonly string[] {
	if (typeof values !== 'object' || values === null) check.fail(path, 'must be values by axis', values);
	const axes = Object.keys(values!);
	if (axes.length === 0 || axes.length > mostAxes) check.fail(path, `must hold 1 to ${mostAxes} axes`, axes.length);
	for (const axis of axes) check.number(`${path}.${axis}`, values![axis]);
	return axes;
}

export interface Transition {
	readonly durationS: number;
	/** What makes it as long; null: nothing moves, or the wanted time does. */
	readonly bindingAxis: string | null;
	readonly bindingLimit: 'speed' | 'acceleration' | 'jerk' | 'wanted' | null;
	/** At the times asked for; held before and after. */
	readonly values?: Readonly<Record<string, readonly number[]>>;
	readonly rates?: Readonly<Record<string, readonly number[]>>;
}

/**
 * From one pose to another with all axes on one minimum-jerk clock: how long it takes at least within every axis's limits, s,
 * what makes it so long, and where the axes are at the times asked for. An axis that goes `d` needs
 * `T = max(1.875 d/v, √(10/√3 · d/a), ∛(60 d/j))`: the greatest slope, curvature and third derivative of
 * `10 s³ − 15 s⁴ + 6 s⁵` (roots of the next derivative at s = 1/2, (3 ± √3)/6 and 0). A longer wanted time is kept to; a
 * shorter one is not. Angles go the way they are given, not the short way round: a head has cables. Throws
 * `PhysicsInputError` for axes that the two ends do not share, an axis without limits, or a limit not above 0.
 *
 * @example
 * transition({ from: { panRad: 0 }, to: { panRad: 1 }, limits: { panRad: { maxRate: 0.5, maxAccel: 4 } } }).durationS; // 3.75
 */
export function transition(input: {
	readonly from: AxisValues;
	readonly to: AxisValues;
	readonly limits: Readonly<Record<string, MotionLimit>>;
	readonly wantedS?: number;
	readonly atS?: readonly number[];
}): Transition {
	const check = checksFor('transition');
	const axes = readAxes(check, 'from', input.from);
	const ends = readAxes(check, 'to', input.to);
	if (ends.length !== axes.length) check.fail('to', 'must have the axes of from', ends.join(', '));
	const wantedS = input.wantedS === undefined ? 0 : check.atLeastZero('wantedS', input.wantedS);
	let [durationS, bindingAxis, bindingLimit] = [0, null as string | null, null as Transition['bindingLimit']];
	for (const axis of axes) {
		if (!Object.hasOwn(input.to, axis)) check.fail('to', `must have ${axis}`, ends.join(', '));
		const limit = readLimit(check, input.limits, axis);
		const d = check.number(`to.${axis} − from.${axis}`, Math.abs(input.to[axis]! - input.from[axis]!));
		const needs = [
			['speed', (peakRate * d) / limit.maxRate],
			['acceleration', Math.sqrt((peakAccel * d) / limit.maxAccel)],
			['jerk', limit.maxJerk === undefined ? 0 : Math.cbrt((peakJerk * d) / limit.maxJerk)]
		] as const;
		for (const [what, lastsS] of needs)
			if (check.number(`limits.${axis}`, lastsS) > durationS)
				[durationS, bindingAxis, bindingLimit] = [lastsS, axis, what];
	}
	if (durationS > 0 && wantedS > durationS) [durationS, bindingAxis, bindingLimit] = [wantedS, null, 'wanted'];
	const found = { durationS, bindingAxis, bindingLimit };
	const { atS } = input;
	if (atS === undefined) return found;
	if (!Array.isArray(atS) || atS.length > mostTimes)
		check.fail('atS', `must be at most ${mostTimes} times`, atS.length);
	atS.forEach((t, k) => check.number(`atS[${k}]`, t));
	const [values, rates]: [Record<string, number[]>, Record<string, number[]>] = [{}, {}];
	for (const axis of axes) {
		const [from, to] = [input.from[axis]!, input.to[axis]!];
		const s = (t: number) => (durationS === 0 ? 0 : Math.min(1, Math.max(0, t / durationS)));
		values[axis] = atS.map((t) => from + (to - from) * minimumJerk(s(t)));
		rates[axis] = atS.map((t) => (durationS === 0 ? 0 : ((to - from) / durationS) * minimumJerkRate(s(t))));
	}
	return { ...found, values, rates };
}

function readLimit(
	check: Checks,
	limits: Readonly<Record<string, MotionLimit>> | undefined,
	axis: string
): MotionLimit {
	const limit = limits?.[axis];
	if (limit === undefined) return check.fail(`limits.${axis}`, 'must be given', limit);
	return {
		maxRate: check.positive(`limits.${axis}.maxRate`, limit.maxRate),
		maxAccel: check.positive(`limits.${axis}.maxAccel`, limit.maxAccel),
		...(limit.maxJerk === undefined ? {} : { maxJerk: check.positive(`limits.${axis}.maxJerk`, limit.maxJerk) })
	};
}
