import {
	correctChain,
	type GimbalChain,
	holdingBand,
	nextNudge,
	type Nudge,
	type SeenOffset,
	type Tried
} from '@poise/core';
import type { Look } from '$lib/model/balance';
import type { Positions, Rig, RigSlide } from '$lib/model/rig';

/** A search for the middle of a holding band by falls and holds, along one slide. */
export interface Hunt {
	readonly slideId: string;
	readonly history: readonly Tried[];
	readonly nudge: Nudge;
	/** Somebody is still looking: go to `nudge.positionM` and let go again. */
	readonly open: boolean;
}

/** Slides that stand within this of where they stood have not moved. */
const sameM = 0.0005;
/** The band's middle is looked for to this. */
const toleranceM = 0.001;

/**
 * What the looks at loose axes say: the chain corrected by what was measured or found to hold, and the searches that are
 * still open. Searches by falls and holds begin anew once another slide that matters to the axis has moved.
 */
export function readLooks(
	rig: Rig,
	chain: GimbalChain,
	looks: readonly Look[]
): { readonly chain: GimbalChain; readonly hunts: readonly Hunt[] } {
	const hunts = rig.geometry.slides.flatMap((slide) => huntOf(rig, chain, slide, looks) ?? []);
	const seen = looks.flatMap((look, index): SeenOffset[] => {
		if (look.kind === 'measured')
			return look.seen.flatMap(({ slideId, offsetM }) => {
				const slide = rig.geometry.slides.find(({ id }) => id === slideId);
				return slide === undefined
					? []
					: [{ axisId: look.axisId, direction: slide.direction, offsetM, positionsM: known(rig, look.positionsM) }];
			});
		const last = looks.findLastIndex((each) => each.kind === 'way' && each.slideId === look.slideId) === index;
		const hunt = hunts.find(({ slideId }) => slideId === look.slideId);
		const slide = rig.geometry.slides.find(({ id }) => id === look.slideId);
		if (!last || hunt === undefined || hunt.open || slide === undefined) return [];
		const positionsM = { ...known(rig, look.positionsM), [slide.id]: hunt.nudge.positionM };
		return [{ axisId: slide.balances, direction: slide.direction, offsetM: 0, positionsM }];
	});
	return { chain: seen.length === 0 ? chain : correctChain({ chain, seen }), hunts };
}

/** The rig may have lost a slide since the look. */
const known = (rig: Rig, positionsM: Positions): Positions =>
	Object.fromEntries(rig.geometry.slides.map(({ id }) => [id, positionsM[id] ?? 0]));

function huntOf(rig: Rig, chain: GimbalChain, slide: RigSlide, looks: readonly Look[]): Hunt | null {
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
	const axis = chain.axes.find(({ id }) => id === slide.balances);
	const carriedKg = chain.parts.reduce((sum, { body, hangsOn }) => {
		const depth = chain.axes.findIndex(({ id }) => id === hangsOn);
		return depth >= chain.axes.findIndex(({ id }) => id === slide.balances) ? sum + body.massKg : sum;
	}, 0);
	const bandM =
		carriedKg > 0 && (axis?.frictionNm ?? 0) > 0
			? holdingBand({ massKg: carriedKg, frictionNm: axis?.frictionNm ?? 0 }).holdingBandM
			: 0;
	const nudge = nextNudge({ history, rangeM: slide.rangeM, toleranceM, firstStepM: 4 * toleranceM, bandM });
	// A look that holds is good enough, unless the person goes on to look for the middle.
	const seeking = still.some(({ seek }) => seek === true);
	if (last.observation === 'holds' && !seeking) {
		const standsM = history[history.length - 1]?.positionM ?? 0;
		return { slideId: slide.id, history, nudge: { ...nudge, positionM: standsM }, open: false };
	}
	return { slideId: slide.id, history, nudge, open: !nudge.done };
}

const within = ({ rangeM }: RigSlide, positionM: number) => Math.min(rangeM[1], Math.max(rangeM[0], positionM));

/** Moving it changes where the other belongs: it balances the same axis along the same line, or an axis inside. */
const matters = (other: RigSlide, slide: RigSlide) =>
	Math.abs(other.direction.reduce((sum, part, k) => sum + part * (slide.direction[k] ?? 0), 0)) > 0.1;
