/* eslint-disable max-lines -- everything that is said of one move is reckoned from one run. */
import { type AxisLimit, type AxisPeaks, frameOf, readPath, type Vec3 } from '@poise/core';
import type { AxisFigures } from '$lib/model/head';
import { lensUnsure } from '$lib/model/lensAt';
import { axisWords } from './axes';
import { insideLens, ringAt, sharpAt, zoomRingAt } from './lens';
import type { Axis, Move, Values } from './model';
import { evenly, type NoRun, type PoseAt, poseOf, type Run, runOf, runs, sample, type Sampled, valuesAt } from './path';
import { tryFigures } from '$lib/supports/tryFigures';
import { behaves } from './supports';
import { hardEnds } from './tempo';

/** So many moments of a move are looked at for drawing and for what has no peak of its own. */
const moments = 61;
/** A full width of the frame in not less than this: what an eye follows at 24 frames a second with a half-open shutter. */
export const calmWidthsPerS = 1 / 7;

/** What an axis is asked for, beside what it can do. */
export interface Band {
	readonly axis: Axis;
	readonly words: string;
	/** Of its limit; null: nobody has said what it can do. */
	readonly share: number | null;
	readonly by: 'speed' | 'acceleration';
	readonly atS: number;
	readonly peaks: AxisPeaks;
	/** The share at every moment looked at. */
	readonly curve: readonly number[];
	readonly limit: AxisLimit | null;
	/** Turns of the lens motor, where that is what is limited. */
	readonly turns: boolean;
}

export interface Beyond {
	readonly axis: Axis;
	readonly value: number;
	readonly range: readonly [number, number];
	readonly atS: number;
}

interface FocusAt {
	readonly subjectM: number;
	readonly focusM: number;
	readonly nearM: number;
	readonly farM: number | null;
	readonly sharp: boolean;
}

export interface Figures {
	readonly run: Run;
	readonly sampled: Sampled;
	readonly poses: readonly PoseAt[];
	readonly bands: readonly Band[];
	/** So many times longer it has to last; below 1 it could be quicker. */
	readonly scale: number;
	readonly binding: Band | null;
	readonly bindingAtS: number | null;
	readonly lastsS: number;
	/** Where its speed is there or gone at once: what the axis that takes longest needs before the start or past the end; null: from rest to rest. */
	readonly runUp: { readonly axis: Axis; readonly lastsS: number; readonly way: number } | null;
	/** Rests as they are; null: nothing that moves has a limit. */
	readonly shortestS: number | null;
	readonly beyond: readonly Beyond[];
	/** The far background over the picture, and what is in focus. */
	readonly pictureWidthsPerS: readonly number[];
	readonly peakPicture: { readonly widthsPerS: number; readonly atS: number };
	readonly focus: readonly FocusAt[];
	/** The focus pull, m/s at its fastest. */
	readonly pullMPerS: number;
	/** When the subject is out of the picture first; null: never. */
	readonly lostAtS: number | null;
	readonly insideLensAtS: number | null;
	readonly tooCloseAtS: number | null;
}

/** What every axis of a move can do. */
export function limitsOf(move: Move): Partial<Record<Axis, AxisFigures>> {
	const { head } = move;
	const motors = head.kind === 'motors' || head.kind === 'gimbal';
	const { pan, tilt, roll } = head.figures;
	return {
		...behaves(move.support).axes(move.support),
		...(motors ? { panRad: pan, tiltRad: tilt, ...(roll === null ? {} : { rollRad: roll }) } : {})
	};
}

const limitOf = ({ maxRate, maxAccel }: AxisFigures): AxisLimit => ({ maxRate, maxAccel });
/** A lens motor comes to its speed in a tenth of a second. */
const ringLimit = (maxTurnsPerS: number): AxisLimit => ({ maxRate: maxTurnsPerS, maxAccel: maxTurnsPerS / 0.1 });

/** What the lens motors turn, as a path of its own: rings are not even in metres. */
interface Rings {
	readonly path: ReturnType<typeof readPath>;
	readonly limits: Readonly<Record<string, AxisLimit>>;
}
export function ringsOf(move: Move, run: Run): Rings | null {
	const { focus, zoom } = move.head.figures;
	if ((focus === null && zoom === null) || run.endS - run.startS < 0.01) return null;
	const atS = evenly(run, 96);
	const { values } = sample(run, atS);
	const zooms = zoom === null ? null : values.focalM!.map((focalM) => zoomRingAt(move.camera, zoom.turns, focalM));
	const ofZoom = zooms !== null && zooms.every((each) => each !== null) ? (zooms as number[]) : null;
	return {
		path: readPath({
			keys: atS.map((tS, k) => ({
				tS,
				values: {
					...(focus === null ? {} : { focusM: ringAt(move.camera, focus.turns, values.focusM![k]!) }),
					...(ofZoom === null ? { held: 0 } : { focalM: ofZoom[k]! })
				}
			})),
			ends: 'natural',
			angles: 'asGiven'
		}),
		limits: {
			...(focus === null ? {} : { focusM: ringLimit(focus.maxTurnsPerS) }),
			...(zoom === null || ofZoom === null ? {} : { focalM: ringLimit(zoom.maxTurnsPerS) })
		}
	};
}

/** How long a move has to be at least, and what binds. */
export function fitOf(
	move: Move,
	run: Run,
	rings: Rings | null
): { readonly scale: number; readonly axis: Axis | null; readonly atS: number | null } {
	const limits = Object.fromEntries(Object.entries(limitsOf(move)).map(([axis, each]) => [axis, limitOf(each)]));
	const fits = [
		...run.paths.map((path) => path.fit(limits)),
		...(rings === null ? [] : [rings.path.fit(rings.limits)])
	];
	const hardest = fits.reduce((worst, each) => (each.scale > worst.scale ? each : worst));
	return { scale: hardest.scale, axis: hardest.bindingAxis as Axis | null, atS: hardest.bindingAtS };
}

/** Everything that is said of a move beside its picture. */
export function figuresOf(move: Move, run: Run): Figures {
	const atS = evenly(run, moments);
	const sampled = sample(run, atS);
	const each = atS.map((_, k) => valuesAt(sampled, k));
	const poses = each.map((values) => poseOf(move, values));
	const rings = ringsOf(move, run);
	const bands = bandsOf(move, run, sampled, rings);
	const fit = fitOf(move, run, rings);
	const rests = move.knots.reduce((sum, { dwellS }) => sum + dwellS, 0);
	const lastsS = run.endS - run.startS;
	const picture = pictureSpeeds(move, run, each, poses);
	const focus = each.map((values, k) => focusAt(move, values, poses[k]!));
	const first = (is: (k: number) => boolean) => {
		const k = atS.findIndex((_, index) => is(index));
		return k < 0 ? null : atS[k]!;
	};
	const peakAt = picture.reduce((best, speed, k) => (speed > picture[best]! ? k : best), 0);
	return {
		run,
		sampled,
		poses,
		bands,
		scale: fit.scale,
		binding: bands.find(({ axis }) => axis === fit.axis) ?? null,
		bindingAtS: fit.atS,
		lastsS,
		runUp: runUpOf(move, run),
		shortestS: fit.scale === 0 ? null : (lastsS - rests) * fit.scale + rests,
		beyond: beyondOf(move, run),
		pictureWidthsPerS: picture,
		peakPicture: { widthsPerS: picture[peakAt] ?? 0, atS: atS[peakAt] ?? 0 },
		focus,
		pullMPerS: run.peaks.focusM?.rate ?? 0,
		lostAtS: first((k) => !seesSubject(move, each[k]!, poses[k]!)),
		insideLensAtS: first((k) => insideLens(move, focus[k]!.subjectM)),
		tooCloseAtS: first((k) => focus[k]!.focusM < move.camera.closestM - 1e-6)
	};
}

/** By what each axis gains at most: `v / a` long and `v² / 2a` far. */
function runUpOf(move: Move, run: Run): Figures['runUp'] {
	const hard = hardEnds(move);
	// A hair inside, where it moves.
	const { rates } = sample(run, [...(hard.start ? [run.startS + 1e-9] : []), ...(hard.end ? [run.endS - 1e-9] : [])]);
	const all = Object.entries(limitsOf(move)).map(([name, { maxAccel }]) => {
		const rate = Math.max(0, ...(rates[name as Axis] ?? []).map(Math.abs));
		return { axis: name as Axis, lastsS: rate / maxAccel, way: rate ** 2 / (2 * maxAccel) };
	});
	const worst = all.sort((one, other) => other.lastsS - one.lastsS)[0];
	return worst === undefined || worst.lastsS < 0.02 ? null : worst;
}

function bandsOf(move: Move, run: Run, { atS, rates }: Sampled, rings: Rings | null): Band[] {
	const limits = limitsOf(move);
	const ringRates = rings?.path.at(atS).rates;
	return (Object.keys(run.peaks) as Axis[]).flatMap((axis): Band[] => {
		const turns = rings !== null && rings.limits[axis] !== undefined;
		const limit = turns ? rings.limits[axis]! : limits[axis] === undefined ? null : limitOf(limits[axis]);
		const peaks = turns ? rings.path.peaks[axis]! : run.peaks[axis]!;
		// Nothing that does not move has a band.
		if (peaks.rate < 1e-7 && peaks.accel < 1e-7) return [];
		const speeds = (turns ? ringRates![axis] : rates[axis])!;
		if (limit === null) {
			const top = Math.max(1e-9, peaks.rate);
			const curve = speeds.map((rate) => (Math.abs(rate) / top) * 0.5);
			return [
				{ axis, words: axisWords[axis].short, share: null, by: 'speed', atS: peaks.rateAtS, peaks, curve, limit, turns }
			];
		}
		const [bySpeed, byAccel] = [peaks.rate / limit.maxRate, peaks.accel / limit.maxAccel];
		const step = (atS[1] ?? 1) - (atS[0] ?? 0);
		const curve = speeds.map((rate, k) => {
			const accel = step <= 0 ? 0 : Math.abs((speeds[k + 1] ?? rate) - (speeds[k - 1] ?? rate)) / (2 * step);
			return Math.max(Math.abs(rate) / limit.maxRate, Math.min(accel, peaks.accel) / limit.maxAccel);
		});
		const speed = bySpeed >= byAccel;
		return [
			{
				axis,
				words: axisWords[axis].short,
				share: Math.max(bySpeed, byAccel),
				by: speed ? 'speed' : 'acceleration',
				atS: speed ? peaks.rateAtS : peaks.accelAtS,
				peaks,
				curve,
				limit,
				turns
			}
		];
	});
}

/** Where an axis goes past its own ends, between the moments that are drawn too. */
export function beyondOf(move: Move, { extents }: Pick<Run, 'extents'>): Beyond[] {
	return Object.entries(limitsOf(move)).flatMap(([name, { range }]): Beyond[] => {
		const axis = name as Axis;
		const extent = extents[axis];
		if (extent === undefined) return [];
		const { low, lowAtS, high, highAtS } = extent;
		const [under, over] = [range[0] - low, high - range[1]];
		if (Math.max(under, over) <= 1e-6) return [];
		return [under > over ? { axis, value: low, range, atS: lowAtS } : { axis, value: high, range, atS: highAtS }];
	});
}

const lensOf = ({ camera }: Move, { focalM }: Values) => ({
	focalM,
	sensorWidthM: camera.sensorWidthM,
	sensorHeightM: camera.sensorHeightM
});
const forwardOf = ({ headingRad, elevationRad }: PoseAt): Vec3 => [
	Math.cos(elevationRad) * Math.cos(headingRad),
	Math.cos(elevationRad) * Math.sin(headingRad),
	Math.sin(elevationRad)
];

/** How fast the picture goes over the frame: the faster of the far background and of what stands at the distance in focus. */
function pictureSpeeds(move: Move, run: Run, each: readonly Values[], poses: readonly PoseAt[]): number[] {
	const dt = Math.min(0.01, (run.endS - run.startS) / 1000);
	if (!(dt > 0)) return each.map(() => 0);
	const later = sample(
		run,
		evenly(run, each.length).map((tS) => Math.min(run.endS, tS + dt))
	);
	// Every other moment: a picture that turns is a smooth thing.
	const speeds: number[] = [];
	for (let k = 0; k < each.length; k += 2) {
		const values = each[k]!;
		const [pose, next] = [poses[k]!, poseOf(move, valuesAt(later, k))];
		const ahead = forwardOf(pose);
		const speedOf = (farM: number) => {
			const pointM: Vec3 = [0, 1, 2].map((axis) => pose.positionM[axis]! + ahead[axis]! * farM) as unknown as Vec3;
			const seen = frameOf({ pose: next, pointM, ...lensOf(move, values) });
			const tall = move.camera.sensorHeightM / move.camera.sensorWidthM;
			return seen.xWidths === null || seen.yHeights === null ? 0 : Math.hypot(seen.xWidths, seen.yHeights * tall) / dt;
		};
		const speed = Math.max(speedOf(Math.max(0.05, values.focusM)), speedOf(2000));
		speeds.push(speed);
		if (k + 1 < each.length) speeds.push(speed);
	}
	return speeds;
}

function focusAt(move: Move, values: Values, pose: PoseAt): FocusAt {
	const subjectM = Math.hypot(...pose.positionM.map((value, axis) => value - move.subject.atM[axis]!));
	const { nearM, farM } = sharpAt(move.camera, values.focalM, values.focusM);
	return {
		subjectM,
		focusM: values.focusM,
		nearM,
		farM,
		sharp: subjectM >= nearM && (farM === null || subjectM <= farM)
	};
}

const seesSubject = (move: Move, values: Values, pose: PoseAt): boolean =>
	frameOf({ pose, pointM: move.subject.atM, ...lensOf(move, values) }).inFrame;

/** What a move comes to, or why it does not. */
export function readMove(move: Move): { readonly figures: Figures | null; readonly problem: NoRun | null } {
	const run = runOf(move);
	if (!runs(run)) return { figures: null, problem: run };
	const figures = tryFigures(() => figuresOf(move, run));
	return {
		figures,
		problem: figures === null ? { words: 'These figures cannot be worked out together.', knotId: null } : null
	};
}

/** How much of the picture an unmeasured lens may be off, where it would be seen most; null: it was measured, nothing is aimed by it, or nobody would see it. */
export function lensUnsureIn({ camera, aim, focus }: Move, { focus: each, sampled }: Figures): number | null {
	if (aim !== 'subject' && focus !== 'subject') return null;
	const { sensorWidthM } = camera;
	const shares = each.map(
		({ subjectM }, k) =>
			lensUnsure({ lens: camera.lens, nearestM: subjectM, focalM: sampled.values.focalM![k]!, sensorWidthM }) ?? 0
	);
	const worst = Math.max(0, ...shares);
	return worst === 0 ? null : worst;
}
