import { type Checks, checksFor } from '../input';

/** One axis of a head as it stands: radians or metres, a second, a second squared. */
export interface HeadAxis {
	readonly position: number;
	readonly rate: number;
	/** Its soft ends. */
	readonly range: readonly [number, number];
	readonly maxRate: number;
	readonly maxAccel: number;
	/** How late it takes up a speed, s; absent: at once, within its acceleration. */
	readonly lagS?: number;
}
export interface SteppedHead {
	readonly axes: Readonly<Record<string, HeadAxis>>;
}

/** What is asked of a head: rest; speeds; or places with the speed they are passed at. An axis that is not named rests. */
export type HeadCommand =
	| { readonly kind: 'rest' }
	| { readonly kind: 'rates'; readonly rates: Readonly<Record<string, number>> }
	| {
			readonly kind: 'follow';
			readonly at: Readonly<Record<string, number>>;
			readonly rates: Readonly<Record<string, number>>;
			/** How fast a place that was missed is made up for, of itself a second. */
			readonly gainPerS?: number;
	  };

const mostAxes = 16;

/**
 * A head a moment later: every axis takes up what is asked of it with its lag, within its acceleration and its speed, and
 * brakes in time for its soft ends, `|v| ≤ √(2 a · room)`, whatever is asked. A figure that is none asks for rest. The step is
 * exact for an axis that goes evenly faster or slower to a speed and keeps it, so that no step, however long, ends beyond an
 * end: with v the speed toward an end, room what is left, `m = room − v²/2a` and w the speed after the step, braking takes
 * `v²/2a + w (dt − (v − w)/a) ≤ room`, getting faster `w (dt + v/a) ≤ room + v²/2a`. An axis found beyond an end may only go back.
 * Jerk is not limited. Throws `PhysicsInputError` for a head that is none: an axis without place, ends or limits, a step not above 0.
 *
 * @example
 * stepHead({ head: { axes: { panRad: { position: 0, rate: 0, range: [-1, 1], maxRate: 1, maxAccel: 2 } } }, command: { kind: 'rates', rates: { panRad: 9 } }, dtS: 0.25 }).axes.panRad.rate; // 0.5
 */
export function stepHead(input: {
	readonly head: SteppedHead;
	readonly command: HeadCommand;
	readonly dtS: number;
}): SteppedHead {
	const check = checksFor('stepHead');
	const dtS = check.positive('dtS', input.dtS);
	const entries = Object.entries(input.head?.axes ?? check.fail('head.axes', 'must be axes', input.head));
	if (entries.length === 0 || entries.length > mostAxes)
		check.fail('head.axes', `must hold 1 to ${mostAxes} axes`, entries.length);
	return {
		axes: Object.fromEntries(entries.map(([name, axis]) => [name, stepAxis(check, name, axis, input.command, dtS)]))
	};
}

function wantedRate(axis: HeadAxis, name: string, command: HeadCommand): number {
	const figure = (value: unknown) => (typeof value === 'number' && Number.isFinite(value) ? value : null);
	const read = (of: Readonly<Record<string, number>> | undefined) =>
		of !== undefined && of !== null && Object.hasOwn(of, name) ? figure(of[name]) : null;
	if (command?.kind === 'rates') return read(command.rates) ?? 0;
	if (command?.kind !== 'follow') return 0;
	const at = read(command.at);
	if (at === null) return 0;
	const gain = figure(command.gainPerS) ?? 8;
	const asked = (read(command.rates) ?? 0) + Math.max(0, gain) * (at - axis.position);
	return Number.isFinite(asked) ? asked : 0;
}

function stepAxis(check: Checks, name: string, axis: HeadAxis, command: HeadCommand, dtS: number): HeadAxis {
	const path = `head.axes.${name}`;
	const position = check.number(`${path}.position`, axis?.position);
	const v = check.number(`${path}.rate`, axis.rate);
	const [from, to] = check.range(`${path}.range`, axis.range);
	const a = check.positive(`${path}.maxAccel`, axis.maxAccel);
	const most = check.positive(`${path}.maxRate`, axis.maxRate);
	const lagS = check.atLeastZero(`${path}.lagS`, axis.lagS ?? 0);

	const asked = Math.max(-most, Math.min(most, wantedRate(axis, name, command)));
	const taken = lagS === 0 ? asked : v + (asked - v) * -Math.expm1(-dtS / lagS);
	// Within its acceleration.
	let next = Math.max(v - a * dtS, Math.min(v + a * dtS, taken));
	// Within both ends: seen from each, toward it.
	next = Math.min(next, fastest(v, to - position, a, dtS));
	next = Math.max(next, -fastest(-v, position - from, a, dtS));
	const goneS = Math.abs(next - v) / a;
	const way = ((v + next) / 2) * goneS + next * Math.max(0, dtS - goneS);
	let at = position + way;
	// Rounding stays inside too; what stood outside comes no further out.
	if (at > to && at > position) [at, next] = [Math.max(to, position), 0];
	if (at < from && at < position) [at, next] = [Math.min(from, position), 0];
	return { ...axis, position: at, rate: next };
}

/** The greatest speed toward an end after a step, so that it can still brake before that end. */
function fastest(v: number, room: number, a: number, dtS: number): number {
	// Found beyond it: brake, then only back.
	if (room <= 0) return Math.max(0, v - a * dtS) > 0 ? v - a * dtS : 0;
	if (v < 0) {
		// Going away: it has to turn round first, which only adds room.
		const turnS = -v / a;
		return turnS >= dtS ? Infinity : fastest(0, room + (v * v) / (2 * a), a, dtS - turnS);
	}
	const brakes = (v * v) / (2 * a);
	const spare = room - brakes;
	if (spare <= 0) return Math.max(0, v - a * dtS);
	const faster = (room + brakes) / (dtS + v / a);
	if (faster >= v) return faster;
	const late = v / a - dtS;
	return Math.max(0, Math.min(v, ((late + Math.sqrt(late * late + (4 * spare) / a)) * a) / 2));
}
