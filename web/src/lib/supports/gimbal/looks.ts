import {
	agreedLooks,
	axisStates,
	correctChain,
	dot,
	type GimbalChain,
	holdingBand,
	nextNudge,
	type Nudge,
	type SeenOffset,
	type Tried
} from '@poise/core';
import type { BenchState, Look } from '$lib/supports/gimbal/model';
import type { Positions, Gimbal, RigSlide } from './model';

/** A search for the middle of a holding band by falls and holds, along one slide. */
export interface Hunt {
	readonly slideId: string;
	readonly history: readonly Tried[];
	readonly nudge: Nudge;
	/** Somebody is still looking: go to `nudge.positionM` and let go again. */
	readonly open: boolean;
	/** Where the drawing alone has it hold, and how sure it is; null where nobody asked. */
	readonly foretold: { readonly meanM: number; readonly sigmaM: number } | null;
	/** Half the width over which friction holds, as the gimbal's profile has it; 0: not known. */
	readonly bandM: number;
}

/** What counts of all that was seen: nothing struck out, and nothing at all while the drawing is believed. */
export const countedLooks = ({ looks = none, believeDrawing }: Pick<BenchState, 'looks' | 'believeDrawing'>) =>
	believeDrawing === true
		? none
		: looks.some(({ struck }) => struck)
			? looks.filter(({ struck }) => struck !== true)
			: looks;
/** One and the same empty list, so that nothing is solved anew for it. */
const none: readonly Look[] = [];

/** Looks that lie further from the drawing than this many of its own doubts: it is wrong, not unsure. */
export const beyondSigmas = 2;

/** Slides that stand within this of where they stood have not moved. */
const sameM = 0.0005;
/** The band's middle is looked for to this. */
const toleranceM = 0.001;

/**
 * What the looks at loose axes say: the chain corrected by what was measured, found to hold, or found to lie past the end
 * of a slide, and the searches that are still open. Searches by falls and holds begin anew once another slide that matters
 * to the axis has moved. `sigmasM` is how sure the drawing is of each slide, which tells a search how far to go.
 */
export function readLooks(
	rig: Gimbal,
	chain: GimbalChain,
	allLooks: readonly Look[],
	sigmasM: Readonly<Record<string, number>> = {}
): { readonly chain: GimbalChain; readonly hunts: readonly Hunt[] } {
	const looks = allLooks.filter(({ struck }) => struck !== true);
	const hunts: Hunt[] = [];
	let corrected = chain;
	// Innermost first: what an inner axis taught foretells the outer ones.
	for (const axis of [...chain.axes].reverse()) {
		const measured = looks.flatMap((look): SeenOffset[] => {
			if (look.kind !== 'measured' || look.axisId !== axis.id) return [];
			return look.seen.flatMap(({ slideId, offsetM }) => {
				const slide = rig.geometry.slides.find(({ id }) => id === slideId);
				return slide === undefined
					? []
					: [{ axisId: axis.id, direction: slide.direction, offsetM, positionsM: known(rig, look.positionsM) }];
			});
		});
		if (measured.length > 0) corrected = correctChain({ chain: corrected, seen: measured });
		for (const slide of rig.geometry.slides.filter(({ balances }) => balances === axis.id)) {
			const hunt = huntOf(rig, corrected, slide, looks, sigmasM[slide.id]);
			if (hunt === null) continue;
			hunts.push(hunt);
			const last = looks.findLast((look) => look.kind === 'way' && look.slideId === slide.id);
			const middleM = middleOf(hunt, slide);
			if (last === undefined || middleM === null) continue;
			const positionsM = { ...known(rig, last.positionsM), [slide.id]: middleM };
			corrected = correctChain({
				chain: corrected,
				seen: [{ axisId: axis.id, direction: slide.direction, offsetM: 0, positionsM }]
			});
		}
	}
	return { chain: corrected, hunts };
}

/** An axis that still falls at the end of the travel holds this far past it at least, and further than friction forgives. */
const pastEnd = ({ bandM }: Hunt) => Math.max(0.002, 1.3 * bandM);

/** Where a search has found the axis to hold; null while it goes on. */
function middleOf(hunt: Hunt, { rangeM }: RigSlide): number | null {
	const { outOfTravel, reckoned } = hunt.nudge;
	if (outOfTravel === 'least') return Math.min(rangeM[0] - pastEnd(hunt), reckoned?.centreM ?? Infinity);
	if (outOfTravel === 'greatest') return Math.max(rangeM[1] + pastEnd(hunt), reckoned?.centreM ?? -Infinity);
	return hunt.open ? null : hunt.nudge.positionM;
}

/** The gimbal may have lost a slide since the look. */
const known = (rig: Gimbal, positionsM: Positions): Positions =>
	Object.fromEntries(rig.geometry.slides.map(({ id }) => [id, positionsM[id] ?? 0]));

function huntOf(
	rig: Gimbal,
	chain: GimbalChain,
	slide: RigSlide,
	looks: readonly Look[],
	sigmaM: number | undefined
): Hunt | null {
	const lastMeasured = looks.findLastIndex(
		(look) => look.kind === 'measured' && look.seen.some(({ slideId }) => slideId === slide.id)
	);
	const ways = looks
		.slice(lastMeasured + 1)
		.flatMap((look) => (look.kind === 'way' && look.slideId === slide.id ? [look] : []));
	const last = ways[ways.length - 1];
	if (last === undefined) return null;
	const others = rig.geometry.slides.filter((other) => other.id !== slide.id && matters(other, slide));
	const still = ways.filter((look) =>
		others.every(({ id }) => Math.abs((look.positionsM[id] ?? 0) - (last.positionsM[id] ?? 0)) <= sameM)
	);
	const history = still.map(({ positionsM, observation }) => ({
		positionM: within(slide, positionsM[slide.id] ?? 0),
		observation
	}));
	const bandM = frictionBandM(chain, slide.balances);
	// A look that holds is good enough, unless the person goes on to look for the middle.
	const seeking = still.some(({ seek }) => seek === true);
	const meanM = balancedAt(chain, slide, known(rig, last.positionsM));
	const foretold = meanM === null || sigmaM === undefined ? null : { meanM, sigmaM: Math.max(sigmaM, toleranceM / 2) };
	const nudge = nextNudge({
		history,
		rangeM: slide.rangeM,
		toleranceM,
		firstStepM: 4 * toleranceM,
		bandM,
		// Both edges are looked for on purpose: what was foretold has no say in that.
		...(seeking || foretold === null ? {} : { prior: foretold })
	});
	if (last.observation === 'holds' && !seeking) {
		const standsM = history[history.length - 1]?.positionM ?? 0;
		return { slideId: slide.id, history, nudge: { ...nudge, positionM: standsM }, open: false, foretold, bandM };
	}
	return { slideId: slide.id, history, nudge, open: !nudge.done && nudge.outOfTravel === null, foretold, bandM };
}

/** Where along a slide its axis is balanced by the chain, everything else left where it stands; null: it does not move it. */
function balancedAt(chain: GimbalChain, slide: RigSlide, positionsM: Positions): number | null {
	const offsetAt = (positionM: number) => {
		const state = axisStates({ chain, positionsM: { ...positionsM, [slide.id]: positionM } }).find(
			({ id }) => id === slide.balances
		);
		return state === undefined ? 0 : dot(state.offsetM, slide.direction);
	};
	// First moments are linear in a slide, so two places tell all of them.
	const stepM = 0.01;
	const perM = (offsetAt(stepM) - offsetAt(0)) / stepM;
	return Math.abs(perM) < 1e-6 ? null : -offsetAt(0) / perM;
}

const within = ({ rangeM }: RigSlide, positionM: number) => Math.min(rangeM[1], Math.max(rangeM[0], positionM));

/**
 * How often, the last looks one after the other, the axis was let go with this slide, and every other that matters to it, standing as they
 * stand now, and was seen to hold, or was measured within what friction forgives.
 */
export function heldLooks(
	rig: Gimbal,
	slide: RigSlide,
	bandM: number,
	looks: readonly Look[],
	positionsM: Positions
): number {
	const inside = rig.geometry.slides.filter((other) => other.id === slide.id || isInside(rig, other, slide));
	const held = (look: Look): boolean =>
		inside.every(({ id }) => Math.abs((look.positionsM[id] ?? 0) - (positionsM[id] ?? 0)) <= sameM) &&
		(look.kind === 'way'
			? look.observation === 'holds'
			: Math.abs(look.seen.find(({ slideId }) => slideId === slide.id)?.offsetM ?? Infinity) <= bandM);
	const own = looks.filter(
		(look) =>
			look.struck !== true &&
			(look.kind === 'way' ? look.slideId === slide.id : look.seen.some(({ slideId }) => slideId === slide.id))
	);
	const fell = own.findLastIndex((look) => !held(look));
	return own.length - 1 - fell;
}

/** How often an axis has to be seen to hold: by what its friction really forgives, not by what a scale can be read to. */
export const looksAsked = (chain: GimbalChain, axisId: string): 1 | 2 =>
	agreedLooks({ bandM: frictionBandM(chain, axisId) });

/** Half the width over which friction holds an axis with all that hangs on it; 0: nobody knows. */
export function frictionBandM(chain: GimbalChain, axisId: string): number {
	const inside = chain.axes.findIndex(({ id }) => id === axisId);
	const massKg = chain.parts.reduce((sum, { body, hangsOn }) => {
		const depth = chain.axes.findIndex(({ id }) => id === hangsOn);
		return depth >= inside ? sum + body.massKg : sum;
	}, 0);
	const frictionNm = chain.axes[inside]?.frictionNm ?? 0;
	return massKg > 0 && frictionNm > 0 ? holdingBand({ massKg, frictionNm }).holdingBandM : 0;
}

/** Balances an axis inside, or the same one, along the same line: moving it takes this one's axis out again. */
function isInside(rig: Gimbal, other: RigSlide, slide: RigSlide): boolean {
	const depth = (axisId: string) => rig.geometry.axes.findIndex(({ id }) => id === axisId);
	return matters(other, slide) && depth(other.balances) >= depth(slide.balances);
}

/** Moving it changes where the other belongs: it balances the same axis along the same line, or an axis inside. */
const matters = (other: RigSlide, slide: RigSlide) =>
	Math.abs(other.direction.reduce((sum, part, k) => sum + part * (slide.direction[k] ?? 0), 0)) > 0.1;
