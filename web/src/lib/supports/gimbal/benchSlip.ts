/* eslint-disable max-lines -- one answer: every case of the slip in the order in which it is asked. */
import type { BalanceStep, Observation, Remedy } from '@poise/core';
import type { Look } from '$lib/supports/gimbal/model';
import type { UnitSystem } from '$lib/model/person';
import type { Gimbal, RigSlide } from './model';
import { showLength, showMass, showMove, showTurns, together } from '$lib/sheet/units/display';
import type { BenchFigures } from './figures';
import { beyondSigmas, type Hunt } from './looks';
import { printedReading } from '$lib/sheet/units/printed';

/** What the slip says: a plain lead and the bold part for the hand, then why, and what it upsets. */
export interface BenchSlip {
	readonly kind: 'move' | 'look' | 'remedy' | 'placed' | 'poised' | 'waived' | 'tooHeavy' | 'tooLight';
	readonly heading: string;
	readonly lead: string;
	readonly strong: string;
	/** Turns of the knob and the reading to stop at. */
	readonly detail: string | null;
	readonly why: string;
	readonly upsets: string | null;
	/** The slide whose turn it is. */
	readonly step: BalanceStep | null;
	/** The remedy it names, when the gimbal runs out of travel, and the other ways out. */
	readonly remedy: Remedy | null;
	readonly others: readonly { readonly text: string; readonly remedy: Remedy }[];
	/** The same as a move of everything on the plate, where that is what the slip asks for. */
	readonly moveAllForwardM: number | null;
}

export const slideOf = (rig: Gimbal, id: string): RigSlide => {
	const slide = rig.geometry.slides.find((each) => each.id === id);
	if (slide === undefined) throw new Error(`This gimbal has no slide called ${id}.`);
	return slide;
};

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
const wayOf = (slide: RigSlide, moveM: number) => (moveM > 0 ? slide.plusWord : slide.minusWord);
/** What an axis does when that side of it is heavy: with the lens pointing up, height is which side drops. */
export function fallsWord(slide: RigSlide, side: 1 | -1): string {
	if (Math.abs(slide.direction[2]) > 0.7) return side === 1 ? 'top side drops' : 'underside drops';
	return `falls ${side === 1 ? slide.plusWord : slide.minusWord}`;
}
export const moveInWords = (slide: RigSlide, moveM: number, units: UnitSystem) =>
	`${wayOf(slide, moveM)} ${together(showMove(moveM, units))}`;

/** The next thing to do. `waived`: the person carries on although the gimbal cannot be balanced fully. */
export function benchSlip(rig: Gimbal, figures: BenchFigures, units: UnitSystem, waived: boolean): BenchSlip {
	const none = { detail: null, upsets: null, step: null, remedy: null, others: [], moveAllForwardM: null };
	const { massKg, fit, solution, steps, next, placed, poised } = figures;

	if (fit === 'tooHeavy')
		return {
			...none,
			kind: 'tooHeavy',
			heading: 'Too heavy · motors off',
			lead: 'Take off ',
			strong: `${together(showMass(massKg - rig.greatestPayloadKg, units))} or more`,
			why: `The payload is ${together(showMass(massKg, units))}; this gimbal carries at most ${together(showMass(rig.greatestPayloadKg, units))}. A larger rig is the other way. The maker’s manual decides.`
		};

	if (fit === 'tooLight' && !solution.balanced && !waived)
		return {
			...none,
			kind: 'tooLight',
			heading: 'Too light · motors off',
			lead: 'Add ',
			strong: `${together(showMass(rig.leastPayloadKg - massKg, units))} or more`,
			why: `The payload is ${together(showMass(massKg, units))}; this gimbal wants at least ${together(showMass(rig.leastPayloadKg, units))} to outweigh its own arms. Fix a weight over the middle of the plate, or take a smaller rig.`
		};

	if (!solution.balanced && !waived) {
		const [first, ...rest] = solution.remedies;
		if (first !== undefined) {
			const { lead, strong } = remedyInWords(rig, first, units);
			return {
				...none,
				kind: 'remedy',
				heading: 'Out of travel · motors off',
				lead,
				strong,
				why: outOfTravel(rig, figures),
				remedy: first,
				moveAllForwardM: moveOfPayload(rig, first),
				others: rest.slice(0, 3).map((remedy) => {
					const words = remedyInWords(rig, remedy, units);
					return { text: `Or ${lower(words.lead)}${words.strong}.`, remedy };
				})
			};
		}
		return {
			...none,
			kind: 'remedy',
			heading: 'Out of travel · motors off',
			lead: 'This gimbal cannot balance it: ',
			strong: 'change the payload',
			why: `${outOfTravel(rig, figures)} No single slide or counterweight cures it.`
		};
	}

	if (next !== null) {
		const slide = slideOf(rig, next.slideId);
		const number = steps.indexOf(next) + 1;
		const target = figures.targetsM[slide.id] ?? 0;
		const turns = slide.knobPitchM === null ? null : showTurns(next.moveM, slide.knobPitchM);
		const sigmaM = figures.sigmasM[slide.id];
		const sure = sigmaM === undefined || sigmaM < 0.0005 ? '' : `, give or take ${together(showLength(sigmaM, units))}`;
		const reading = `to reading ${printedReading(slide, target)}${sure}`;
		const hunt = figures.hunts.find(({ slideId, open }) => open && slideId === slide.id);
		if (hunt !== undefined && Math.abs(next.moveM) <= leastMoveM)
			return {
				...none,
				kind: 'look',
				heading: `Step ${number} of ${steps.length} · ${slide.purpose} · motors off`,
				lead: 'Tighten, let go: ',
				strong: 'what does it do?',
				why: huntInWords(slide, hunt),
				step: next
			};
		return {
			...none,
			kind: 'move',
			heading: `Step ${number} of ${steps.length} · ${slide.purpose} · motors off`,
			lead: `Slide the ${lower(slide.label)} `,
			strong: moveInWords(slide, next.moveM, units),
			detail:
				turns === null ? `${reading.charAt(0).toUpperCase()}${reading.slice(1)}` : `${turns} of its knob, ${reading}`,
			why: hunt === undefined ? cautionFor(slide) : huntInWords(slide, hunt),
			upsets: upsetInWords(rig, steps, next, units),
			step: next
		};
	}

	if (poised)
		return {
			...none,
			kind: 'poised',
			heading: 'Every axis was let go and held · motors still off',
			lead: '',
			strong: 'Poised',
			why: 'As seen, with every slide where it stands now. Log it; then power on, with the camera on.'
		};
	const unseen = steps.find(({ slideId }) => !figures.seen.has(slideId));
	if (placed && unseen !== undefined) {
		const slide = slideOf(rig, unseen.slideId);
		const held = steps.length - steps.filter(({ slideId }) => !figures.seen.has(slideId)).length;
		const sigmaM = figures.sigmasM[slide.id];
		const sure =
			sigmaM === undefined || sigmaM < 0.0005 ? '' : `, give or take ${together(showLength(sigmaM, units))} here`;
		return {
			...none,
			kind: 'placed',
			heading: `In place, as computed · ${held} of ${steps.length} seen to hold · motors off`,
			lead: figures.seenOnce.has(slide.id) ? 'Once more, let go of ' : 'Now let go of ',
			strong: `${lower(axisLabel(rig, slide.balances))}, ${poseFor(slide)}`,
			why: `${
				figures.seenOnce.has(slide.id)
					? onceMore(figures.frictionM[slide.balances] ?? 0, units)
					: `By the figures it holds${sure}; nobody has seen it yet.`
			} ${cautionFor(slide)}`,
			step: unseen
		};
	}
	if (placed || waived)
		return {
			...none,
			kind: 'waived',
			heading: 'As near as this gimbal comes · motors still off',
			lead: 'Placed, but ',
			strong: 'not poised',
			why: `${outOfTravel(rig, figures)} The motors have to hold it all the time: they run warm and the shot shakes sooner.`
		};
	return {
		...none,
		kind: 'remedy',
		heading: 'Out of travel · motors off',
		lead: 'Every slide is placed, ',
		strong: 'and it still leans',
		why: outOfTravel(rig, figures)
	};
}

/** Why one look that held is not enough. */
export const onceMore = (bandM: number, units: UnitSystem): string =>
	bandM > 0
		? `Seen to hold once. Friction holds it over no more than ± ${together(showLength(bandM, units))}, and one look in ten is wrong.`
		: 'Seen to hold once. Nobody knows how much friction holds it, and one look in ten is wrong.';

const axisLabel = (rig: Gimbal, axisId: string) => rig.geometry.axes.find(({ id }) => id === axisId)?.label ?? axisId;

/** How the camera is held while that axis is let go. */
export function poseFor(slide: RigSlide): string {
	if (slide.balances === 'tilt') return Math.abs(slide.direction[2]) > 0.7 ? 'lens straight up' : 'lens level';
	return slide.balances === 'roll' ? 'camera upright' : 'the gimbal leaned forward';
}

/** Below this a hand cannot tell a move from none. */
const leastMoveM = 0.0003;

/** What the drawing has, what was seen, and what is reckoned now, for one slide that somebody looked at. */
export interface SeenWords {
	readonly drawing: string;
	readonly seen: string;
	readonly reckoned: string;
	/** The looks lie beyond what the drawing admits: they count, and it does not. */
	readonly beyond: boolean;
}

export function seenInWords(
	rig: Gimbal,
	slide: RigSlide,
	figures: BenchFigures,
	looks: readonly Look[],
	units: UnitSystem
): SeenWords | null {
	const own = looks.filter((look) =>
		look.kind === 'way' ? look.slideId === slide.id : look.seen.some(({ slideId }) => slideId === slide.id)
	);
	const last = own[own.length - 1];
	const drawnM = figures.drawn.positionsM[slide.id];
	if (last === undefined || drawnM === undefined) return null;
	const within = (sigmaM: number | undefined) =>
		sigmaM === undefined || sigmaM < 0.00025 ? '' : ` ± ${together(showLength(sigmaM, units))}`;
	const hunt = figures.hunts.find(({ slideId }) => slideId === slide.id);
	const at = printedReading(slide, last.positionsM[slide.id] ?? 0);
	const more = own.length > 1 ? `, ${own.length} looks in all` : '';
	const reckonedM =
		hunt?.nudge.outOfTravel == null ? (figures.targetsM[slide.id] ?? drawnM) : (hunt.nudge.reckoned?.centreM ?? drawnM);
	const drawnSigmaM = figures.drawn.sigmasM[slide.id];
	return {
		drawing: `reading ${printedReading(slide, drawnM)}${within(drawnSigmaM)}`,
		seen:
			last.kind === 'way' ? `${didInWords(slide, last.observation)} at ${at}${more}` : `${last.how} at ${at}${more}`,
		reckoned:
			hunt?.nudge.outOfTravel == null
				? `reading ${printedReading(slide, reckonedM)}${hunt?.open === true ? within(hunt.nudge.reckoned?.sigmaM) : ''}`
				: `past the end of its travel, about ${printedReading(slide, reckonedM)}`,
		beyond: drawnSigmaM !== undefined && Math.abs(reckonedM - drawnM) > Math.max(beyondSigmas * drawnSigmaM, 0.001)
	};
}

const didInWords = (slide: RigSlide, observation: Observation): string =>
	observation === 'holds'
		? 'held'
		: fallsWord(slide, observation === 'falls+' ? 1 : -1)
				.replace(/^falls/, 'fell')
				.replace('drops', 'dropped');

/** Where the search for the middle of the holding band stands. */
export function huntInWords(slide: RigSlide, { nudge, history }: Hunt): string {
	const [from, to] = nudge.bracketM.map((end) => printedReading(slide, end)) as [string, string];
	const ends = Number(from) <= Number(to) ? `${from} and ${to}` : `${to} and ${from}`;
	const looks = `${history.length} ${history.length === 1 ? 'look' : 'looks'} so far`;
	if (nudge.outOfTravel !== null)
		return `It still falls at the end of the travel: the slide is too short here. ${looks}.`;
	const at = nudge.doubted.map((index) => printedReading(slide, history[index]?.positionM ?? 0));
	const which =
		at.length === 0
			? 'One of the looks does'
			: at.length === 1
				? `The look at ${at[0]} does`
				: `The looks at ${at.join(', ')} do`;
	const outvoted = at.length > 1 ? 'they are outvoted, not lost' : 'it is outvoted, not lost';
	const doubt = nudge.contradictory || at.length > 0 ? `${which} not fit the others; ${outvoted}. ` : '';
	return `${doubt}It holds somewhere between ${ends}. ${looks}, ${Math.round(nudge.sure * 100)} % sure of the middle.`;
}

/** What the light gimbal wants added, as a warning beside the slip: it can be balanced, but may not stay still. */
export function lightWarning(rig: Gimbal, { fit, massKg, solution }: BenchFigures, units: UnitSystem): string | null {
	if (fit !== 'tooLight' || !solution.balanced) return null;
	const missing = together(showMass(rig.leastPayloadKg - massKg, units));
	return `Lighter than this gimbal is made for, by ${missing}. It balances, but the motors may buzz: add a weight over the plate’s middle.`;
}

function outOfTravel(rig: Gimbal, { solution, hunts }: BenchFigures): string {
	const ended = hunts.flatMap(({ slideId, nudge }) => {
		if (nudge.outOfTravel === null) return [];
		const slide = slideOf(rig, slideId);
		const fell = fallsWord(slide, nudge.outOfTravel === 'least' ? 1 : -1)
			.replace(/^falls/, 'fell')
			.replace('drops', 'dropped');
		return [`At the end of the ${lower(slide.label)} it was let go and still ${fell}.`];
	});
	const seen = ended.length === 0 ? '' : `${ended.join(' ')} `;
	const stopped = solution.slides.filter(({ atLimit }) => atLimit).map(({ id }) => lower(slideOf(rig, id).label));
	const leaning = solution.axes.filter(({ residualTorqueNm }, index) => {
		const axis = rig.geometry.axes[index];
		return residualTorqueNm > (axis?.frictionNm ?? 0);
	});
	const axes = leaning.map(({ id, motorShare }) => {
		const label = rig.geometry.axes.find((axis) => axis.id === id)?.label ?? id;
		return `${lower(label)}${motorShare === null ? '' : ` keeps ${Math.round(motorShare * 100)} % of its motor busy`}`;
	});
	const where =
		stopped.length === 0 ? 'No slide reaches far enough' : `The ${stopped.join(' and the ')} runs out of travel`;
	return `${seen}${axes.length === 0 ? `${where}.` : `${where}; ${axes.join(', ')}.`}`;
}

/** Rounded up: less would not reach. */
const wholeMillimetresM = (metres: number) => Math.ceil(metres * 1000 - 1e-6) / 1000;
const movesOnlyPayload = (slide: RigSlide) => slide.moves.every((id) => id === 'payload');

/** A slide that carries nothing but the payload reaches further when the payload is moved on its plate instead. */
export function moveOfPayload(rig: Gimbal, remedy: Remedy): number | null {
	if (remedy.kind !== 'extendSlide') return null;
	const slide = slideOf(rig, remedy.slideId);
	if (extensionReaches(slide, remedy)) return null;
	if (!movesOnlyPayload(slide) || slide.direction[0] !== 1) return null;
	return (remedy.end === 'least' ? -1 : 1) * wholeMillimetresM(remedy.middleByM);
}

export function remedyInWords(rig: Gimbal, remedy: Remedy, units: UnitSystem): { lead: string; strong: string } {
	if (remedy.kind === 'addMass') {
		const place = rig.geometry.counterweightPlaces.find(({ id }) => id === remedy.placeId);
		// Rounded up to the next 5 g: less would not do.
		const kg = Math.ceil(remedy.massKg * 200 - 1e-9) / 200;
		return { lead: 'Fix ', strong: `${together(showMass(kg, units))} at ${place?.label ?? remedy.placeId}` };
	}
	if (remedy.kind !== 'extendSlide') {
		const label =
			rig.geometry.alternatives?.find(({ id }) => id === remedy.alternativeId)?.label ?? remedy.alternativeId;
		if (remedy.kind === 'swapPlate') return { lead: 'Swap in ', strong: label };
		return remedy.kind === 'useHole' ? { lead: 'Use ', strong: label } : { lead: 'Turn the cradle: ', strong: label };
	}
	const slide = slideOf(rig, remedy.slideId);
	const way = remedy.end === 'least' ? slide.minusWord : slide.plusWord;
	const shown = (metres: number) => together(showLength(wholeMillimetresM(metres), units));
	const [least, middle] = [shown(remedy.byM), shown(remedy.middleByM)];
	if (extensionReaches(slide, remedy)) return { lead: 'Fit ', strong: slide.extension?.label ?? 'the extension' };
	return movesOnlyPayload(slide)
		? { lead: 'Move the camera on its plate ', strong: `${way} ${middle}` }
		: {
				lead: `Extend the ${lower(slide.label)} `,
				strong: least === middle ? `${way} ${least}` : `${way} ${least} at least, ${middle} to its middle`
			};
}

/** The slide has an extension of its own that reaches far enough. */
function extensionReaches(slide: RigSlide, remedy: Remedy): boolean {
	if (remedy.kind !== 'extendSlide' || !slide.extension) return false;
	return (remedy.end === 'least' ? slide.extension.lessM : slide.extension.moreM) >= remedy.byM;
}

/** A remedy that the bench itself can put into effect, rather than the payload's page. */
export const appliesHere = (rig: Gimbal, remedy: Remedy): boolean =>
	remedy.kind !== 'extendSlide' || extensionReaches(slideOf(rig, remedy.slideId), remedy);

function upsetInWords(rig: Gimbal, steps: readonly BalanceStep[], step: BalanceStep, units: UnitSystem): string | null {
	const turn = (axisId: string) => steps.findIndex((each) => each.axisId === axisId) + 1;
	const parts = step.upsets.map(({ axisId, offsetM }) => {
		const label = rig.geometry.axes.find(({ id }) => id === axisId)?.label ?? axisId;
		const later = turn(axisId) > steps.indexOf(step) + 1;
		return `${lower(label)} by ${together(showLength(offsetM, units))}${later ? `, whose turn is step ${turn(axisId)}` : ', balanced before: check it again'}`;
	});
	return parts.length === 0 ? 'Upsets nothing set before.' : `Upsets ${parts.join('; ')}.`;
}

/** One sentence of care for the hand, by what comes loose. */
function cautionFor(slide: RigSlide): string {
	if (slide.balances === 'tilt' && slide.plusWord === 'up')
		return 'Point the lens up, hold the camera, loosen; tighten before letting go.';
	if (slide.balances === 'tilt') return 'Hold the camera level while it is loose; tighten before letting go.';
	if (slide.balances === 'roll')
		return 'Hold the cradle while it is loose: it drops to the heavy side. Tighten before letting go.';
	return 'Lean the gimbal a little and hold the arm while it is loose; tighten before letting go.';
}
