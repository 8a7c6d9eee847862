import {
	axisStates,
	type AxisState,
	balanceGimbal,
	balanceSteps,
	type BalanceStep,
	type Covariance,
	type GimbalBalance,
	type GimbalChain,
	mountPayload,
	predictReadings
} from '@poise/core';
import type { Positions, Gimbal } from './model';
import type { Look } from '$lib/supports/gimbal/model';
import type { MountedBody } from '$lib/model/payload';
import { frictionBandM, heldLooks, type Hunt, looksAsked, readLooks } from './looks';
import { printablePosition } from './reading';
import { usualZeroSigmaM } from './taught';

/** Everything the gimbal bench shows, worked out from a gimbal, a payload and where the slides stand. */
export interface BenchFigures {
	readonly massKg: number;
	readonly fit: 'fits' | 'tooLight' | 'tooHeavy';
	readonly solution: GimbalBalance;
	/** Where the slides belong, at readings that a hand can set. */
	readonly targetsM: Positions;
	readonly steps: readonly BalanceStep[];
	readonly axes: readonly AxisState[];
	/** As computed: every slide in its place, every axis within what friction forgives. */
	readonly placed: boolean;
	/** Slides at which the axis was let go and seen to hold, with everything standing where it stands now. */
	readonly seen: ReadonlySet<string>;
	/** Those that were seen to hold, and have to be once more: friction holds them over so little. */
	readonly seenOnce: ReadonlySet<string>;
	/** Half the width over which friction holds each axis; 0: nobody knows. */
	readonly frictionM: Readonly<Record<string, number>>;
	/** As seen: in place, and every axis let go and seen to hold. */
	readonly poised: boolean;
	/** The slide whose turn it is; null when every slide stands where it should. */
	readonly next: BalanceStep | null;
	/** Searches by falls and holds. */
	readonly hunts: readonly Hunt[];
	readonly sigmasM: Readonly<Record<string, number>>;
	readonly drawn: SolvedBench['drawn'];
}

/** A gimbal solved for a payload: everything that does not depend on where the slides stand today. */
export interface SolvedBench {
	readonly chain: GimbalChain;
	readonly solution: GimbalBalance;
	readonly hunts: readonly Hunt[];
	/** How sure each foretold reading is, one standard deviation, by slide id; no entry once somebody has looked. */
	readonly sigmasM: Readonly<Record<string, number>>;
	/** The looks that count. */
	readonly looks: readonly Look[];
	/** Where the slides belong by the drawing alone, and how sure it is of each. */
	readonly drawn: { readonly positionsM: Positions; readonly sigmasM: Readonly<Record<string, number>> };
}

/** Where the slides belong by the figures alone. */
export const solveBench = (rig: Gimbal, bodies: readonly MountedBody[]): GimbalBalance =>
	solve(rig, bodies, []).solution;

function solve(
	rig: Gimbal,
	bodies: readonly MountedBody[],
	looks: readonly Look[],
	sigmasM: Readonly<Record<string, number>> = {}
) {
	const { chain, hunts } = readLooks(rig, mountPayload({ rig: rig.geometry, payload: bodies }), looks, sigmasM);
	const payloadIds = chain.parts.map(({ id }) => id).filter((id) => id.startsWith('payload:'));
	const alternatives = (rig.geometry.alternatives ?? []).map((each) => ({
		...each,
		moves: each.moves.flatMap((id) => (id === 'payload' ? payloadIds : [id]))
	}));
	const { counterweightPlaces } = rig.geometry;
	return { chain, hunts, solution: balanceGimbal({ chain, options: { counterweightPlaces, alternatives } }) };
}

/** How surely the figures foretell each reading, one standard deviation, by slide id; `learned`: what balances told of them together. */
export function foretoldSigmasM(
	rig: Pick<Gimbal, 'id' | 'geometry'>,
	bodies: readonly MountedBody[],
	learned: Covariance | null
): Readonly<Record<string, number>> {
	const zeroSigmaM = Object.fromEntries(
		rig.geometry.slides.map(({ id, zeroSigmaM: sigma = usualZeroSigmaM }) => [id, sigma])
	);
	const payload = bodies.map(({ of, sigmaM = [0, 0, 0] as const, ...part }) => ({ ...part, ...of, sigmaM }));
	const told = predictReadings({
		...{ rig: rig.geometry, payload, zeroSigmaM },
		...(learned === null ? {} : { learned: { rigId: rig.id, covariance: learned } })
	});
	return Object.fromEntries(told.map(({ id, sigmaM }) => [id, sigmaM]));
}

/** Where the slides belong by the figures and by what was seen of the loose axes. */
export function solveWithLooks(
	rig: Gimbal,
	bodies: readonly MountedBody[],
	looks: readonly Look[],
	learned: Covariance | null = null
): SolvedBench {
	const counted = looks.filter(({ struck }) => struck !== true);
	const looked = new Set(
		counted.flatMap((look) => (look.kind === 'way' ? [look.slideId] : look.seen.map(({ slideId }) => slideId)))
	);
	const drawn = foretoldSigmasM(rig, bodies, learned);
	const sigmasM = Object.fromEntries(Object.entries(drawn).filter(([id]) => !looked.has(id)));
	const solved = solve(rig, bodies, counted, drawn);
	const byDrawing = counted.length === 0 ? solved.solution : solveBench(rig, bodies);
	return {
		...solved,
		sigmasM,
		looks: counted,
		drawn: { positionsM: positionsOf(byDrawing), sigmasM: drawn }
	};
}

const positionsOf = ({ slides }: GimbalBalance): Positions =>
	Object.fromEntries(slides.map(({ id, positionM }) => [id, positionM]));

/** As if the drawing were the truth. */
function solveExactly(rig: Gimbal, bodies: readonly MountedBody[]): SolvedBench {
	const solved = solve(rig, bodies, []);
	return { ...solved, sigmasM: {}, looks: [], drawn: { positionsM: positionsOf(solved.solution), sigmasM: {} } };
}

export function benchFigures(
	rig: Gimbal,
	bodies: readonly MountedBody[],
	positionsM: Positions,
	solved: SolvedBench = solveExactly(rig, bodies)
): BenchFigures {
	const { chain, solution, hunts, sigmasM, looks, drawn } = solved;
	const massKg = bodies.reduce((sum, { body }) => sum + body.massKg, 0);
	const hunted = Object.fromEntries(hunts.filter(({ open }) => open).map((hunt) => [hunt.slideId, hunt]));
	const wanted = withHeld(chain, positionsM, hunts) ?? solution;
	const targetsM = Object.fromEntries(
		rig.geometry.slides.map((slide, index) => [
			slide.id,
			printablePosition(slide, hunted[slide.id]?.nudge.positionM ?? wanted.slides[index]?.positionM ?? 0)
		])
	);
	const { steps, poised: within } = balanceSteps({ rig: rig.geometry, payload: bodies, positionsM, targetsM, chain });
	const placed = within && Object.keys(hunted).length === 0;
	const [seen, seenOnce] = [new Set<string>(), new Set<string>()];
	for (const { slideId, bandM } of steps) {
		const slide = rig.geometry.slides.find(({ id }) => id === slideId);
		if (slide === undefined) continue;
		// What was measured holds within what friction really forgives, which may be less than a scale is read to.
		const frictionM = frictionBandM(chain, slide.balances);
		const withinM = frictionM > 0 ? Math.min(bandM, frictionM) : bandM;
		const held = heldLooks(rig, slide, withinM, looks, positionsM);
		if (held >= looksAsked(chain, slide.balances)) seen.add(slideId);
		else if (held > 0) seenOnce.add(slideId);
	}
	return {
		massKg,
		fit: massKg < rig.leastPayloadKg ? 'tooLight' : massKg > rig.greatestPayloadKg ? 'tooHeavy' : 'fits',
		solution,
		targetsM,
		steps,
		axes: axisStates({ chain, positionsM }),
		placed,
		seen,
		seenOnce,
		frictionM: Object.fromEntries(chain.axes.map(({ id }) => [id, frictionBandM(chain, id)])),
		poised: placed && steps.every(({ slideId }) => seen.has(slideId)),
		next: nextStep(steps, within, hunted),
		hunts,
		sigmasM,
		drawn
	};
}

/** A slide that stands this near to where it was seen to hold has not been moved since. */
const heldM = 0.0005;

/**
 * The solution with every slide left where its axis was seen to hold: a hand's half millimetre on an inner slide is made
 * up for by the outer ones, not asked for again. Null where nothing was seen to hold.
 */
function withHeld(chain: GimbalChain, positionsM: Positions, hunts: readonly Hunt[]): GimbalBalance | null {
	const held = new Set(
		hunts
			.filter(({ open, slideId, nudge }) => !open && Math.abs((positionsM[slideId] ?? 0) - nudge.positionM) <= heldM)
			.map(({ slideId }) => slideId)
	);
	if (held.size === 0) return null;
	const slides = chain.slides.map((slide) => {
		const at = positionsM[slide.id] ?? 0;
		return held.has(slide.id) ? { ...slide, rangeM: [at, at] as const } : slide;
	});
	return balanceGimbal({ chain: { ...chain, slides } });
}

/** Below this a hand cannot tell a move from none. */
const leastMoveM = 0.0002;

/** The first slide out of place; once all are placed but an axis still leans, the one furthest from its target. */
function nextStep(
	steps: readonly BalanceStep[],
	within: boolean,
	hunted: Readonly<Record<string, Hunt>>
): BalanceStep | null {
	const out = steps.find(({ placed, slideId }) => !placed || hunted[slideId] !== undefined);
	if (out !== undefined || within) return out ?? null;
	const furthest = steps.reduce<BalanceStep | null>(
		(most, step) => (Math.abs(step.moveM) > Math.abs(most?.moveM ?? 0) ? step : most),
		null
	);
	return furthest !== null && Math.abs(furthest.moveM) > leastMoveM ? furthest : null;
}

/** Where every slide stands: what was read, and mid-travel for what was not. */
export function completePositions(rig: Gimbal, read: Positions): Positions {
	return Object.fromEntries(rig.geometry.slides.map(({ id, rangeM }) => [id, read[id] ?? (rangeM[0] + rangeM[1]) / 2]));
}
