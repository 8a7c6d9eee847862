import type { BenchFigures } from './figures';
import type { BenchState } from '$lib/supports/gimbal/model';
import type { UnitSystem } from '$lib/model/person';
import type { Gimbal, RigSlide } from './model';
import { showLength, showTurns, together } from '$lib/sheet/units/display';
import { moveInWords, onceMore } from './benchSlip';
import { printedReading } from '$lib/sheet/units/printed';

/** Where one slide's turn stands: to be set, to be looked at, or done. */
type Stage = 'set' | 'look' | 'done';

export interface GuideStep {
	readonly slide: RigSlide;
	readonly stage: Stage;
	/** "Tilt", and "roll and pan". */
	readonly free: string;
	readonly held: string;
	readonly camera: string;
	readonly right: string;
	readonly upsets: string;
	readonly caution: string;
	/** What to do now, one sentence, and the part of it for the hand. */
	readonly lead: string;
	readonly strong: string;
	readonly detail: string | null;
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
const sameM = 0.0005;

/**
 * The sequence with the power off, one slide after the other. A slide is done once it stands where it belongs and its
 * axis was seen to hold there, or measured within what friction forgives.
 */
export function guideSteps(
	rig: Gimbal,
	figures: BenchFigures,
	state: Pick<BenchState, 'positionsM'>,
	units: UnitSystem
): GuideStep[] {
	return figures.steps.map((step): GuideStep => {
		const slide = rig.geometry.slides.find(({ id }) => id === step.slideId) as RigSlide;
		const labels = rig.geometry.axes.map(({ id, label }) => ({ id, label }));
		const free = labels.find(({ id }) => id === slide.balances)?.label ?? slide.balances;
		const held = labels.filter(({ id }) => id !== slide.balances).map(({ label }) => lower(label));
		const hunt = figures.hunts.find((each) => each.slideId === slide.id);
		const placed = Math.abs(step.moveM) <= sameM;
		const hunting = hunt?.open === true;
		const toMove = hunting ? !placed : !placed && !step.placed;
		const stage: Stage = !hunting && figures.seen.has(slide.id) ? 'done' : toMove ? 'set' : 'look';
		const target = figures.targetsM[slide.id] ?? 0;
		const turns = slide.knobPitchM === null ? null : showTurns(step.moveM, slide.knobPitchM);
		const upset = step.upsets
			.map(({ axisId, offsetM }) => {
				const label = lower(labels.find(({ id }) => id === axisId)?.label ?? axisId);
				return `${label} by ${together(showLength(offsetM, units))}`;
			})
			.join(' and ');
		return {
			slide,
			stage,
			free,
			held: held.length === 0 ? 'nothing else' : held.join(' and '),
			camera: cameraPoints(slide),
			right: `Right: ${lower(free)} stays wherever you put it, ${rightLooks(slide)}.`,
			upsets: upset === '' ? 'Upsets nothing set before.' : `Upsets ${upset}: its turn comes after.`,
			caution: careFor(slide),
			...(stage === 'set'
				? {
						lead: `Slide the ${lower(slide.label)} `,
						strong: moveInWords(slide, step.moveM, units),
						detail: `${turns === null ? '' : `${turns}, `}to reading ${printedReading(slide, target)}${slide.lock ? `; ${slide.lock}` : ''}`
					}
				: stage === 'look'
					? {
							lead: figures.seenOnce.has(slide.id) ? 'Once more, let go of ' : 'Tighten it, then let go of ',
							strong: lower(free),
							detail: `${slide.label} at ${printedReading(slide, state.positionsM[slide.id] ?? 0)}${figures.seenOnce.has(slide.id) ? `. ${onceMore(figures.frictionM[slide.balances] ?? 0, units)}` : ''}`
						}
					: {
							lead: '',
							strong: `${free} was seen to hold`,
							detail: `${slide.label} at ${printedReading(slide, state.positionsM[slide.id] ?? 0)}`
						})
		};
	});
}

const isVertical = ({ direction }: RigSlide) => Math.abs(direction[2]) > 0.7;

function cameraPoints(slide: RigSlide): string {
	if (slide.balances === 'tilt') return isVertical(slide) ? 'Lens straight up.' : 'Lens level.';
	if (slide.balances === 'roll') return 'Lens level, camera upright.';
	return 'Lean the whole gimbal forward a quarter; lens level with the arm.';
}

function rightLooks(slide: RigSlide): string {
	if (slide.balances === 'tilt')
		return isVertical(slide) ? 'lens up, down or anywhere between' : 'lens level, no nod either way';
	if (slide.balances === 'roll') return 'no side dropping';
	return 'and the arm does not swing downhill';
}

function careFor(slide: RigSlide): string {
	if (slide.balances === 'tilt')
		return isVertical(slide)
			? 'Keep a hand round the lens while it points up; tighten before letting go.'
			: 'Hold the camera while the plate is loose; tighten before letting go.';
	if (slide.balances === 'roll')
		return 'The cradle drops to its heavy side: hold it, keep fingers out of the arms, tighten before letting go.';
	return 'The arm swings down when it is loose: hold it clear of faces and lenses, tighten before letting go.';
}

/** What the browser reads aloud for a step. */
export const spoken = (step: GuideStep): string =>
	`${step.lead}${step.strong}. ${step.stage === 'set' ? (step.detail ?? '') : step.camera}`.replace(/\u00a0/g, ' ');
