import { checksFor } from '../input';
import { type Body, dot, length, type Vec3 } from '../mass/body';
import { normal, type Random } from '../numeric/random';
import { agreedLooks } from './agreedLooks';
import type { AxisLoad } from './chain';
import { moveForOffset } from './moveForOffset';
import { nextNudge } from './nextNudge';
import type { GimbalRig, RigSlide } from './rig';
import { bandOf, carefulOperator, type HiddenTruth, type Operator, SimulatedBench } from './simulatedBench';
import type { Tried } from './tried';

export type BenchWay = 'oneLook' | 'fallsHolds' | 'halving';

export interface SimulatedAxis {
	readonly axisId: string;
	/** Times something was moved for this axis; moving its two slides after one look counts once. */
	readonly nudges: number;
	readonly looks: number;
	readonly poised: boolean;
	/** How far its load's centre really ends from the axis. */
	readonly offsetM: number;
}

export interface SimulatedSlide {
	readonly slideId: string;
	readonly axisId: string;
	readonly nudges: number;
	/** What is really left of its axis's offset along it. */
	readonly errorM: number;
}

const mostNudges = 40;

/**
 * One balancing of a simulated gimbal by a simulated operator, innermost axis first.
 *
 * `payload` is what is believed, `truth` what is; `way` is how the operator goes about it: `oneLook` reads where a loose
 * axis comes to rest and times its swing (a pocket scale where friction leaves no swing) and moves both slides of the axis
 * at once; `fallsHolds` brackets each slide with `nextNudge` to `toleranceM`, or to half
 * of what friction forgives where that is less; `halving` goes to the middle of what is left
 * of the travel until it holds, as is done by hand, from mid-travel instead of the predicted reading. Nothing is drawn except from
 * `random`. Throws `PhysicsInputError` for a gimbal or payload without sense.
 *
 * The same rules hold for every way: after a first round over all axes each is let go once more, innermost first, and gone about again
 * where it is seen to fall; one look in so many is wrong, whichever it is, that last one too; positions are read off a scale and
 * never known; where friction is small two looks have to agree before an axis is believed, and it is measured three times for every move
 * (`agreedLooks`); a way ends where it believes itself done. What is truly poised is counted afterwards.
 */
export function simulateBench(input: {
	readonly rig: GimbalRig;
	readonly payload: readonly { readonly id: string; readonly body: Body }[];
	readonly truth: HiddenTruth;
	readonly way: BenchWay;
	readonly random: Random;
	readonly operator?: Operator;
	readonly toleranceM?: number;
}): { readonly axes: readonly SimulatedAxis[]; readonly slides: readonly SimulatedSlide[]; readonly poised: boolean } {
	const check = checksFor('simulateBench');
	const { rig, payload, truth, way, random } = input;
	const toleranceM = check.positive('toleranceM', input.toleranceM ?? 0.001);
	const bench = new SimulatedBench(rig, payload, truth, input.operator ?? carefulOperator, random);
	if (way === 'halving') rig.slides.forEach((slide) => bench.toMiddle(slide));

	const counts = new Map(rig.axes.map(({ id }) => [id, none]));
	const bySlide = new Map<string, number>();
	const goAbout = (axisId: string) => {
		const done = ways[way](bench, axisId, toleranceM, (slide) =>
			bySlide.set(slide.id, (bySlide.get(slide.id) ?? 0) + 1)
		);
		counts.set(axisId, sum(counts.get(axisId) ?? none, done));
	};
	const innermostFirst = rig.axes.map(({ id }) => id).reverse();
	for (const axisId of innermostFirst) goAbout(axisId);
	// A helper moved for an outer axis may have taken an inner one out again.
	for (const axisId of innermostFirst) {
		const last = letGo(bench, axisId);
		counts.set(axisId, sum(counts.get(axisId) ?? none, { nudges: 0, looks: last.looks }));
		if (!last.holds) goAbout(axisId);
	}

	const axes = innermostFirst.map((axisId) => ({
		axisId,
		...(counts.get(axisId) ?? none),
		poised: bench.truly(axisId),
		offsetM: length(bench.trueOffset(axisId).offsetM)
	}));
	const slides = innermostFirst.flatMap((axisId) =>
		bench.slidesOf(axisId).map((slide) => ({
			slideId: slide.id,
			axisId,
			nudges: bySlide.get(slide.id) ?? 0,
			errorM: Math.abs(dot(bench.trueOffset(axisId).offsetM, slide.direction))
		}))
	);
	return { axes, slides, poised: axes.every(({ poised }) => poised) };
}

interface Counts {
	readonly nudges: number;
	readonly looks: number;
}
const none: Counts = { nudges: 0, looks: 0 };
const sum = (a: Counts, b: Counts): Counts => ({ nudges: a.nudges + b.nudges, looks: a.looks + b.looks });

/** Goes about one axis until it believes itself done; `moved` hears of every slide that is. */
type GoAbout = (bench: SimulatedBench, axisId: string, toleranceM: number, moved: (slide: RigSlide) => void) => Counts;

const ways: Readonly<Record<BenchWay, GoAbout>> = {
	oneLook: (bench, axisId, _toleranceM, moved) => {
		let [nudges, looks] = [0, 0];
		const own = bench.slidesOf(axisId);
		while (nudges < mostNudges && own.length > 0) {
			const seen = letGo(bench, axisId);
			looks += seen.looks;
			if (seen.holds) break;
			const { told, again } = measuredOffset(bench, axisId);
			looks += again;
			const { load } = bench.trueOffset(axisId);
			const slides = [...own, ...helpers(bench, load, own, told)];
			const moves = moveForOffset({
				chain: bench.believed,
				axisId,
				offsetM: told,
				slideIds: slides.map(({ id }) => id)
			});
			for (const slide of worthMoving(bench, load, slides, told)) {
				bench.move(slide, moves[slide.id] ?? 0);
				moved(slide);
			}
			nudges += 1;
		}
		return { nudges, looks };
	},
	fallsHolds: (bench, axisId, toleranceM, moved) =>
		eachOf(bench, axisId, (slide) => {
			const band = bandOf(bench.trueOffset(axisId).load);
			// A friction torque in a gimbal's profile is a measured one, good to a sixth.
			const bandM = band * Math.max(0.5, 1 + normal(bench.random) / 6);
			// Looked for to less than friction forgives.
			const to = Math.min(toleranceM, bandM / 2);
			const history: Tried[] = [];
			let nudges = 0;
			while (nudges < mostNudges && history.length < mostNudges) {
				const positionM = bench.read(slide);
				history.push({ positionM, observation: bench.seen(slide) });
				const next = nextNudge({ history, rangeM: slide.rangeM, toleranceM: to, firstStepM: 4 * to, bandM });
				const byM = next.positionM - positionM;
				// Nobody moves a slide for less than the hand strays.
				if (Math.abs(byM) > 1.5 * bench.handM(slide)) {
					bench.move(slide, byM);
					moved(slide);
					nudges += 1;
				}
				if (next.done || next.outOfTravel !== null) break;
			}
			return { nudges, looks: history.length };
		}),
	halving: (bench, axisId, _toleranceM, moved) =>
		eachOf(bench, axisId, (slide) => {
			let [least, greatest] = slide.rangeM;
			let [nudges, looks] = [0, 0];
			while (nudges < mostNudges && greatest - least > 1e-4) {
				looks += 1;
				const observation = bench.seen(slide);
				if (observation === 'holds') break;
				const at = bench.read(slide);
				if (observation === 'falls+') greatest = Math.max(least, Math.min(greatest, at));
				else least = Math.min(greatest, Math.max(least, at));
				bench.move(slide, (least + greatest) / 2 - at);
				moved(slide);
				nudges += 1;
			}
			return { nudges, looks };
		})
};

const eachOf = (bench: SimulatedBench, axisId: string, about: (slide: RigSlide) => Counts): Counts =>
	bench.slidesOf(axisId).reduce((counts, slide) => sum(counts, about(slide)), none);

/** Looks until as many agree, one after the other, as this axis's friction asks for. */
function letGo(bench: SimulatedBench, axisId: string): { readonly holds: boolean; readonly looks: number } {
	const needed = agreedLooks({ bandM: bandOf(bench.trueOffset(axisId).load) });
	let [holds, agree, looks] = [bench.seenToHold(axisId), 1, 1];
	while (agree < needed) {
		const again = bench.seenToHold(axisId);
		looks += 1;
		[holds, agree] = again === holds ? [holds, agree + 1] : [again, 1];
	}
	return { holds, looks };
}

/** What is made of the loose axis: where a slip would cost a nudge that friction does not forgive, the middle of three times. */
function measuredOffset(bench: SimulatedBench, axisId: string): { readonly told: Vec3; readonly again: number } {
	const first = bench.measured(axisId);
	if (agreedLooks({ bandM: bandOf(bench.trueOffset(axisId).load) }) === 1) return { told: first, again: 0 };
	const three = [first, bench.measured(axisId), bench.measured(axisId)];
	const middle = (k: number) => three.map((each) => each[k]!).sort((a, b) => a - b)[1]!;
	return { told: [middle(0), middle(1), middle(2)], again: 2 };
}

/** A slide along which the load already is where friction holds it stays: a hand would only spoil it. */
function worthMoving(
	bench: SimulatedBench,
	load: AxisLoad,
	slides: readonly RigSlide[],
	told: Vec3
): readonly RigSlide[] {
	const along = (slide: RigSlide) => Math.abs(dot(told, slide.direction));
	const leftAlone = bandOf(load) / 2;
	const out = slides.filter((slide) => along(slide) > Math.max(leftAlone, bench.handM(slide) / 2));
	if (out.length > 0) return out;
	return [...slides].sort((a, b) => along(b) - along(a)).slice(0, 1);
}

/**
 * Slides of inner axes that take care of what the axis's own cannot: the crossbar for a pan arm that leans sideways. They
 * are touched only where what is seen along them is more than half of what friction forgives.
 */
function helpers(bench: SimulatedBench, load: AxisLoad, own: readonly RigSlide[], told: Vec3): RigSlide[] {
	return bench.rig.slides.filter(
		(slide, s) =>
			!own.includes(slide) &&
			length(load.perSlideKgM[s] as Vec3) > 0 &&
			own.every(({ direction }) => Math.abs(dot(direction, slide.direction)) < 0.1) &&
			Math.abs(dot(told, slide.direction)) > bandOf(load) / 2
	);
}
