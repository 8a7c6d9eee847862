import {
	aimAxes,
	type AxisPeaks,
	type CameraPose,
	cameraPose,
	type KeyedMove,
	PhysicsInputError,
	readPath,
	type Vec3
} from '@poise/core';
import { leastLegS } from './limits';
import { type Axis, type BaseAxis, headAxes, type HeadAxis, type Knot, type Move, type Values } from './model';
import { lensOffset } from '$lib/model/lensAt';
import { barOf } from './panBar';
import { behaves } from './supports';

/** Between two knots the head is told where the subject is so often, at most, and all knots together may hold. */
const [perLeg, altogether] = [32, 192];

/** A move as it runs: what carries the head, and how the head turns, each a spline through its own points. */
export interface Run {
	readonly startS: number;
	readonly endS: number;
	/** Every axis is in one of them. */
	readonly moves: readonly KeyedMove[];
	/** The same, read. */
	readonly paths: readonly ReturnType<typeof readPath>[];
	readonly peaks: Readonly<Partial<Record<Axis, AxisPeaks>>>;
}

/** Why a move cannot run, in words, and where. */
export interface NoRun {
	readonly words: string;
	readonly knotId: string | null;
}

export const axesOf = (move: Pick<Move, 'support'>): readonly BaseAxis[] =>
	Object.keys(behaves(move.support).axes(move.support)) as BaseAxis[];

const stopped = (knots: readonly Knot[], k: number) => k === 0 || k === knots.length - 1 || knots[k]!.dwellS > 0;

/** What is wrong with the knots before anything is reckoned; null: nothing. */
function wrongKnots({ knots }: Pick<Move, 'knots'>): NoRun | null {
	if (knots.length === 0) return { words: 'Put the first knot.', knotId: null };
	for (let k = 1; k < knots.length; k += 1) {
		const [before, here] = [knots[k - 1]!, knots[k]!];
		if (here.tS - before.tS - before.dwellS < leastLegS - 1e-9)
			return {
				words: `“${here.name}” comes ${leastLegS} s after “${before.name}” and its rest at the earliest.`,
				knotId: here.id
			};
	}
	return null;
}

/** How far along its own time a stretch between two stops is, by its tempo; of times and shares 0 to 1. */
function tempoShare(move: Pick<Move, 'tempo' | 'rampInS' | 'rampOutS'>, share: number, lastsS: number): number {
	switch (move.tempo) {
		case 'even':
			return share;
		case 'soft':
			return share ** 3 * (10 + share * (6 * share - 15));
		case 'build':
			return share * share;
		case 'ramps': {
			// Ramps longer than the stretch share it.
			const fit = Math.min(1, lastsS / Math.max(1e-9, move.rampInS + move.rampOutS));
			const [rampIn, rampOut] = [(move.rampInS * fit) / lastsS, (move.rampOutS * fit) / lastsS];
			const top = 1 / (1 - (rampIn + rampOut) / 2);
			if (share < rampIn) return (top * share * share) / (2 * rampIn);
			if (share <= 1 - rampOut) return top * (share - rampIn / 2);
			return 1 - (top * (1 - share) ** 2) / (2 * rampOut);
		}
	}
}

interface Instant {
	readonly tS: number;
	readonly dwellS: number;
	/** The time of the knots' own path. */
	readonly pathS: number;
}

/** The times at which the head is told where to look: every knot, and between them. */
function instantsOf(move: Move): Instant[] {
	const { knots } = move;
	if (knots.length === 1) return [{ tS: knots[0]!.tS, dwellS: knots[0]!.dwellS, pathS: knots[0]!.tS }];
	const every = Math.max(4, Math.min(perLeg, Math.floor(altogether / (knots.length - 1))));
	const instants: Instant[] = [{ tS: knots[0]!.tS, dwellS: knots[0]!.dwellS, pathS: knots[0]!.tS }];
	let from = 0;
	for (let to = 1; to < knots.length; to += 1) {
		if (!stopped(knots, to)) continue;
		const [startS, endS] = [knots[from]!.tS + knots[from]!.dwellS, knots[to]!.tS];
		const steps = every * (to - from);
		for (let step = 1; step <= steps; step += 1) {
			const share = step / steps;
			const last = step === steps;
			instants.push({
				tS: last ? endS : startS + share * (endS - startS),
				dwellS: last ? knots[to]!.dwellS : 0,
				pathS: startS + tempoShare(move, share, endS - startS) * (endS - startS)
			});
		}
		from = to;
	}
	return instants;
}

/**
 * A move as it runs, or why it cannot. What the knots say goes through them by one spline; what follows from them, a subject
 * held, a bar beside the rail, a tempo, goes by a spline through points so close together that what is shown, proven and sent is one thing.
 */
export function runOf(move: Move): Run | NoRun {
	const wrong = wrongKnots(move);
	if (wrong !== null) return wrong;
	try {
		return reckoned(move);
	} catch (thrown) {
		if (!(thrown instanceof PhysicsInputError)) throw thrown;
		return { words: 'These figures cannot be worked out together: undo the last change.', knotId: null };
	}
}
export const runs = (run: Run | NoRun): run is Run => 'moves' in run;

function reckoned(move: Move): Run {
	const { knots, support, subject, head } = move;
	const lensM = lensOffset(move.camera.lens);
	const base = axesOf(move);
	const motors = head.kind === 'motors' || head.kind === 'gimbal';
	const heldAim = motors && move.aim === 'subject';
	const barred = head.kind === 'bar' && support.kind === 'rail';
	const direct: Axis[] = [
		...base,
		'rollRad',
		'focalM',
		...(heldAim || barred || !motors ? [] : (['panRad', 'tiltRad'] as const)),
		...(move.focus === 'subject' ? [] : (['focusM'] as const))
	];
	const derived = headAxes.filter((axis) => !direct.includes(axis));
	const keyed = (of: (knot: Knot) => Record<string, number>): KeyedMove => ({
		keys: knots.map((knot) => ({ tS: knot.tS, dwellS: knot.dwellS, values: of(knot) })),
		ends: move.ends,
		angles: 'asGiven'
	});
	const asKnots = keyed(({ values }) => Object.fromEntries(direct.map((axis) => [axis, values[axis] ?? 0])));
	const instants = instantsOf(move);
	const pathS = instants.map((each) => each.pathS);
	const knotted = readPath(asKnots);
	const told = knotted.at(pathS).values;
	const dense = (of: (k: number) => Record<string, number>): KeyedMove => ({
		keys: instants.map(({ tS, dwellS }, k) => ({ tS, dwellS, values: of(k) })),
		ends: move.ends,
		angles: 'asGiven'
	});
	const carries =
		move.tempo === 'even' || instants.length === 1
			? asKnots
			: dense((k) => Object.fromEntries(direct.map((axis) => [axis, told[axis]![k]!])));
	const moves: KeyedMove[] = [carries];
	if (derived.length > 0) {
		const off = readPath(keyed((knot) => ({ ...knot.off }))).at(pathS).values;
		let near = { panRad: knots[0]!.values.panRad, tiltRad: knots[0]!.values.tiltRad };
		const bar = barred ? barOf(move) : null;
		const held = instants.map((_, k): Readonly<Record<HeadAxis, number>> => {
			const values = Object.fromEntries(direct.map((axis) => [axis, told[axis]![k]!])) as Partial<Values>;
			const mount = behaves(support).mount(support, values);
			const axes = { ...values, panRad: 0, tiltRad: 0 };
			const aim = aimAxes({ mount, axes, subjectM: subject.atM, near, lensM });
			if (heldAim) near = { panRad: aim.panRad, tiltRad: aim.tiltRad };
			const locked = knots[0]!.values;
			return {
				rollRad: 0,
				focalM: 0,
				...(heldAim
					? { panRad: aim.panRad + off['panRad']![k]!, tiltRad: aim.tiltRad + off['tiltRad']![k]! }
					: (bar?.(values.trackM ?? 0, locked) ?? { panRad: locked.panRad, tiltRad: locked.tiltRad })),
				focusM: Math.max(0.01, aim.focusM + off['focusM']![k]!)
			};
		});
		moves.push(dense((k) => Object.fromEntries(derived.map((axis) => [axis, held[k]![axis]]))));
	}
	const paths = moves.map((each) => (each === asKnots ? knotted : readPath(each)));
	const peaks = Object.assign({}, ...paths.map((each) => each.peaks)) as Run['peaks'];
	const last = knots[knots.length - 1]!;
	return { startS: knots[0]!.tS, endS: last.tS + last.dwellS, moves, paths, peaks };
}

/** Places and rates of every axis at the times asked for. */
export interface Sampled {
	readonly atS: readonly number[];
	readonly values: Readonly<Partial<Record<Axis, readonly number[]>>>;
	readonly rates: Readonly<Partial<Record<Axis, readonly number[]>>>;
}
export function sample(run: Run, atS: readonly number[]): Sampled {
	const read = run.paths.map((path) => path.at(atS));
	return {
		atS,
		values: Object.assign({}, ...read.map(({ values }) => values)) as Sampled['values'],
		rates: Object.assign({}, ...read.map(({ rates }) => rates)) as Sampled['rates']
	};
}
export const valuesAt = (sampled: Sampled, k: number): Values =>
	Object.fromEntries(Object.entries(sampled.values).map(([axis, list]) => [axis, list[k]!])) as unknown as Values;

export type PoseAt = CameraPose & { readonly centreM: Vec3 };
/** Where the lens is and looks. Under a hung head the camera is turned over, and its picture back again, so that it stands upright. */
export const poseOf = ({ support, camera }: Pick<Move, 'support' | 'camera'>, values: Values): PoseAt => {
	const over = support.kind === 'arm' ? support.hung : support.kind !== 'walk' && support.stance === 'hung';
	const mount = behaves(support).mount(support, values);
	const pose = cameraPose({ mount, axes: values, lensM: lensOffset(camera.lens) });
	if (!over) return pose;
	const { positionM } = pose;
	return { ...cameraPose({ mount, axes: { ...values, rollRad: values.rollRad + Math.PI } }), positionM };
};

/** So many times, evenly, the two ends among them. */
export const evenly = ({ startS, endS }: Pick<Run, 'startS' | 'endS'>, count: number): number[] =>
	Array.from({ length: count }, (_, k) => startS + ((endS - startS) * k) / Math.max(1, count - 1));
