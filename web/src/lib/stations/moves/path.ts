import {
	aimAxes,
	type AxisExtent,
	type AxisPeaks,
	type CameraPose,
	cameraPose,
	type KeyedMove,
	PhysicsInputError,
	readPath,
	type Vec3
} from '@poise/core';
import { leastLegS } from './limits';
import { turnsThatFit } from './panTurn';
import { asIs, instantsOf, Keys, placeAt, type Places, standsOf, stretchesOf } from './stretches';
import { lawOf } from './tempo';
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
	readonly extents: Readonly<Partial<Record<Axis, AxisExtent>>>;
}

/** Why a move cannot run, in words, and where. */
export interface NoRun {
	readonly words: string;
	readonly knotId: string | null;
}

export const axesOf = (move: Pick<Move, 'support'>): readonly BaseAxis[] =>
	Object.keys(behaves(move.support).axes(move.support)) as BaseAxis[];

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

/**
 * A move as it runs, or why it cannot. What the knots say goes through them by one spline from stop to stop, in the time that the tempo
 * gives it; what follows from them, a subject held, a bar beside the rail, goes through points so close together that what is shown, proven
 * and sent is one thing. Knots in a row that stand alike are a rest. Pan goes by the whole turns that its travel has room for.
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
	const { knots, support, subject, head, tempo } = move;
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
	const ends = tempo === 'smooth' ? 'still' : 'natural';
	const stands = standsOf(move, direct);
	const steps = Math.max(4, Math.min(perLeg, Math.floor(altogether / Math.max(1, stands.length - 1))));
	const locked = knots[0]!.values;
	const bar = barred ? barOf(move) : null;
	let near = { panRad: locked.panRad, tiltRad: locked.tiltRad };
	/** What follows from where the support stands: a subject held, or a bar beside the rail. */
	const held = (places: Places, off: Readonly<Record<string, number>>): Places => {
		const values = places as Partial<Values>;
		const mount = behaves(support).mount(support, values);
		const aim = aimAxes({ mount, axes: { ...values, panRad: 0, tiltRad: 0 }, subjectM: subject.atM, near, lensM });
		if (heldAim) near = { panRad: aim.panRad, tiltRad: aim.tiltRad };
		const all: Readonly<Record<HeadAxis, number>> = {
			rollRad: 0,
			focalM: 0,
			...(heldAim
				? { panRad: aim.panRad + off['panRad']!, tiltRad: aim.tiltRad + off['tiltRad']! }
				: (bar?.(values.trackM ?? 0, locked) ?? { panRad: locked.panRad, tiltRad: locked.tiltRad })),
			focusM: Math.max(0.01, aim.focusM + off['focusM']!)
		};
		return Object.fromEntries(derived.map((axis) => [axis, all[axis]]));
	};
	const placesOf = ({ values }: Knot): Places => Object.fromEntries(direct.map((axis) => [axis, values[axis] ?? 0]));
	const first = stands[0]!;
	const [carried, followed] = [
		new Keys(first, placesOf(first.knot)),
		new Keys(first, held(placesOf(first.knot), first.knot.off))
	];
	for (const stretch of stretchesOf(stands)) {
		const span = [stretch[0]!.tS + stretch[0]!.dwellS, stretch[stretch.length - 1]!.tS] as const;
		const law = lawOf(move, span[1] - span[0], [stretch[1]!.tS - span[0], span[1] - stretch[stretch.length - 2]!.tS]);
		// Every knot is passed at its own time, whatever the tempo: it lies as far along as the tempo has come by then.
		const pathAt = (tS: number, k: number) =>
			k === 0 || k === stretch.length - 1
				? span[k === 0 ? 0 : 1]
				: span[0] + law.at((tS - span[0]) / (span[1] - span[0]))[0] * (span[1] - span[0]);
		const through = (of: (knot: Knot) => Places) =>
			readPath({
				keys: stretch.map(({ knot, tS }, k) => ({ tS: pathAt(tS, k), values: of(knot) })),
				...{ ends, angles: 'asGiven', alike: 'stays' }
			});
		const [way, offs] = [through(placesOf), through(({ off }) => ({ ...off }))];
		const last = stretch[stretch.length - 1]!;
		const between = stretch.slice(1, -1).map(({ tS }) => tS);
		const dense = instantsOf(law, span, between, steps * (stretch.length - 1));
		// By its own time a spline is told by its knots alone.
		const own = tempo === 'even' || tempo === 'smooth';
		carried.add(way, own ? stretch.map(({ tS }, k) => asIs(k === 0 ? span[0] : tS)) : dense, last);
		if (derived.length === 0) continue;
		const pathS = evenly({ startS: span[0], endS: span[1] }, dense.length);
		const [places, off] = [way.at(pathS).values, offs.at(pathS).values];
		const keys = pathS.map((tS, k) => ({ tS, values: held(placeAt(places, k), placeAt(off, k)) }));
		followed.add(readPath({ keys, ends, angles: 'asGiven' }), own ? pathS.map(asIs) : dense, last);
	}
	if (heldAim) followed.shift('panRad', turnsThatFit(followed.rangeOf('panRad'), head.figures.pan.range));
	const moves = derived.length === 0 ? [carried.move()] : [carried.move(), followed.move()];
	const paths = moves.map((each) => readPath(each));
	const peaks = Object.assign({}, ...paths.map((each) => each.peaks)) as Run['peaks'];
	const extents = Object.assign({}, ...paths.map((each) => each.extents)) as Run['extents'];
	const end = knots[knots.length - 1]!;
	return { startS: knots[0]!.tS, endS: end.tS + end.dwellS, moves, paths, peaks, extents };
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
