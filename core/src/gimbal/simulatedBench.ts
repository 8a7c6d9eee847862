import { add, type Body, cross, dot, length, scale, standardGravityMPerS2, subtract, type Vec3 } from '../mass/body';
import { offsetFromRest } from '../mass/offsetFromRest';
import { offsetFromScale } from '../mass/offsetFromScale';
import { offsetFromSwing } from '../mass/offsetFromSwing';
import { normal, type Random } from '../numeric/random';
import { spreadOf } from '../mass/spread';
import { ellipticK } from '../numeric/ellipticK';
import { stateOf } from './axisState';
import { type AxisLoad, axisLoads, type GimbalChain } from './chain';
import { motorDemand } from './motorDemand';
import type { Observation } from './tried';
import { type GimbalRig, mountPayload, positionAt, type RigSlide } from './rig';
import { predictReadings } from './predictReadings';

/** What nobody on the bench knows: the parts as they really are, and how far each scale's zero is off. */
export interface HiddenTruth {
	readonly bodies: Readonly<Record<string, Body>>;
	readonly zeroErrorM: Readonly<Record<string, number>>;
}

/** How well a hand and an eye do; every figure one standard deviation. */
export interface Operator {
	readonly angleSigmaRad: number;
	readonly tapSigmaS: number;
	readonly scaleSigmaKg: number;
	/** Of a move by hand along a bare slide, and of reading where it stands. */
	readonly moveSigmaM: number;
	readonly readSigmaM: number;
	/** Of a move by a knob, in turns of it. */
	readonly knobSigmaTurns: number;
	/** Chance of a look that says the wrong thing, 0 to 1: whatever is looked at, and whoever looks. */
	readonly wrongLook: number;
}

/** A careful hand: a degree and a half, four hundredths of a second, two grams, a quarter of a millimetre, a twentieth of a turn. */
export const carefulOperator: Operator = {
	angleSigmaRad: (1.5 * Math.PI) / 180,
	tapSigmaS: 0.04,
	scaleSigmaKg: 0.002,
	moveSigmaM: 0.00025,
	readSigmaM: 0.0002,
	knobSigmaTurns: 0.05,
	wrongLook: 0.01
};

/** A swing is let go from here, and counted until it has come down to there. */
const releaseRad = (40 * Math.PI) / 180;
const lastRad = (10 * Math.PI) / 180;
const mostSwings = 6;

/** A gimbal as it truly is, in the hands of an operator who believes what was drawn. Nothing is drawn except from `random`. */
export class SimulatedBench {
	readonly believed: GimbalChain;
	readonly #real: GimbalChain;
	/** Where the slides really stand. */
	readonly #positionsM: number[];

	constructor(
		readonly rig: GimbalRig,
		payload: readonly { readonly id: string; readonly body: Body }[],
		truth: HiddenTruth,
		readonly operator: Operator,
		readonly random: Random
	) {
		this.believed = mountPayload({ rig, payload });
		const real = payload.map(({ id, body }) => ({ id, body: truth.bodies[id] ?? body }));
		this.#real = mountPayload({ rig, payload: real });
		// The slides are set to the predicted readings, on scales whose zeros are off.
		const known = payload.map((part) => ({ ...part, sigmaM: [0, 0, 0] as const }));
		this.#positionsM = predictReadings({ rig, payload: known, zeroSigmaM: {} }).map(({ readingM }, s) => {
			const slide = rig.slides[s] as RigSlide;
			return within(slide, positionAt(slide, readingM - (truth.zeroErrorM[slide.id] ?? 0)));
		});
	}

	slidesOf(axisId: string): readonly RigSlide[] {
		return this.rig.slides.filter(({ balances }) => balances === axisId);
	}
	/** How far the load's centre really is from its axis. */
	trueOffset(axisId: string): { readonly load: AxisLoad; readonly offsetM: Vec3 } {
		const load = axisLoads('simulateBench', this.#real).find(({ axis }) => axis.id === axisId) as AxisLoad;
		return { load, offsetM: stateOf(load, this.#positionsM).offsetM };
	}
	/** Friction holds it there. */
	truly(axisId: string): boolean {
		const { load, offsetM } = this.trueOffset(axisId);
		return length(offsetM) <= bandOf(load);
	}

	/** How much a move of this slide strays, one standard deviation. */
	handM({ knobPitchM }: RigSlide): number {
		const { moveSigmaM, knobSigmaTurns } = this.operator;
		return knobPitchM === null ? moveSigmaM : Math.min(moveSigmaM, knobSigmaTurns * knobPitchM);
	}
	move(slide: RigSlide, byM: number): void {
		const index = this.rig.slides.indexOf(slide);
		this.#positionsM[index] = within(
			slide,
			(this.#positionsM[index] as number) + byM + this.handM(slide) * normal(this.random)
		);
	}
	/** Where it stands as it is read; to a knob's own turns where it has one. */
	read(slide: RigSlide): number {
		const sigmaM = Math.min(this.operator.readSigmaM, this.handM(slide));
		return within(slide, (this.#positionsM[this.rig.slides.indexOf(slide)] as number) + sigmaM * normal(this.random));
	}
	/** By hand nothing is predicted: it starts in the middle of its travel. */
	toMiddle(slide: RigSlide): void {
		this.#positionsM[this.rig.slides.indexOf(slide)] = (slide.rangeM[0] + slide.rangeM[1]) / 2;
	}

	#wrong = (): boolean => this.random() < this.operator.wrongLook;

	/** Let go: whether it is seen to hold. */
	seenToHold(axisId: string): boolean {
		return this.truly(axisId) !== this.#wrong();
	}
	/** Let go with the slide's own direction level: what it is seen to do. */
	seen(slide: RigSlide): Observation {
		const { load, offsetM } = this.trueOffset(slide.balances);
		const along = dot(offsetM, slide.direction);
		const truly: Observation = Math.abs(along) <= bandOf(load) ? 'holds' : along > 0 ? 'falls+' : 'falls-';
		if (!this.#wrong()) return truly;
		const others = (['holds', 'falls+', 'falls-'] as const).filter((each) => each !== truly);
		return others[Math.floor(2 * this.random())] as Observation;
	}

	/**
	 * What is made of a loose axis, as an offset: rest and swing where it swings, the pocket scale where it hardly does. A wrong look takes
	 * one side for the other. The truth obeys the same mechanics as the bench: a pendulum with dry friction, which leaves its period alone
	 * and takes `2 τ/(m g r)` of its amplitude each half swing, and stops anywhere friction holds.
	 */
	measured(axisId: string): Vec3 {
		const { load, offsetM } = this.trueOffset(axisId);
		const swings = Math.min(mostSwings, Math.floor((releaseRad - lastRad) / ((4 * bandOf(load)) / length(offsetM))));
		const told = swings < 1 ? this.#weighed(load, offsetM) : this.#swung(load, offsetM, swings);
		return this.#wrong() ? scale(told, -1) : told;
	}

	/** Held at a hand's width, lifted and lowered three times: the mean leaves a third of the friction and of the noise. */
	#weighed(load: AxisLoad, offsetM: Vec3): Vec3 {
		const { operator, random } = this;
		const leverM = 0.12;
		// What is divided by is what is believed to hang on the axis.
		const { carriedKg } = this.#modelled(load.axis.id);
		const component = (trulyM: number) => {
			const readings = [0, 1, 2].map(() => {
				const blurM = (bandOf(load) / 3) * (2 * random() - 1);
				const seenKg =
					((trulyM + blurM) * load.carriedKg) / leverM + (operator.scaleSigmaKg / Math.SQRT2) * normal(random);
				return Math.sign(seenKg) * offsetFromScale({ readingKg: Math.abs(seenKg), leverM, carriedKg }).offsetM;
			});
			return spreadOf({ values: readings }).mean;
		};
		return acrossOf(load.axis.direction).reduce<Vec3>(
			(sum, unit) => add(sum, scale(unit, component(dot(offsetM, unit)))),
			[0, 0, 0]
		);
	}

	#swung(load: AxisLoad, offsetM: Vec3, swings: number): Vec3 {
		const { operator, random } = this;
		const r = length(offsetM);
		const blurRad = (Math.asin(Math.min(1, bandOf(load) / r)) * (random() - random())) / 2;
		const turnedRad = operator.angleSigmaRad * normal(random) + blurRad;
		const inertia = (chain: GimbalChain) => {
			const positionsM = Object.fromEntries(this.rig.slides.map(({ id }, s) => [id, this.#positionsM[s] as number]));
			const found = motorDemand({ chain, positionsM, rateRadPerS: 0, accelRadPerS2: 0 });
			return found.find(({ id }) => id === load.axis.id)?.inertiaKgM2 ?? 0;
		};
		const amplitudeRad = (releaseRad + lastRad) / 2;
		const quarter = ellipticK(Math.sin(amplitudeRad / 2));
		const truePeriodS = 4 * quarter * Math.sqrt(inertia(this.#real) / (load.carriedKg * standardGravityMPerS2 * r));
		const periodS = truePeriodS + (operator.tapSigmaS * Math.SQRT2 * normal(random)) / swings;
		// The bench believes its own model of the load for the mass and for the inertia about its centre.
		const modelled = this.#modelled(load.axis.id);
		const modelledM = length(stateOf(modelled, this.#positionsM).offsetM);
		const inertiaCgKgM2 = Math.max(0, inertia(this.believed) - modelled.carriedKg * modelledM ** 2);
		const swing = offsetFromSwing({
			massKg: modelled.carriedKg,
			inertiaCgKgM2,
			periodS: Math.max(0.05, periodS),
			amplitudeRad
		});
		const distanceM = swing.feasible ? swing.offsetM : swing.fastestOffsetM;
		const [forward, up] = acrossOf(load.axis.direction);
		const hangsRad = Math.atan2(-dot(offsetM, forward), -dot(offsetM, up));
		const told = offsetFromRest({ offsetM: distanceM, restAngleRad: wrapped(hangsRad + turnedRad) });
		return add(scale(forward, told.forwardM), scale(up, told.upM));
	}
	#modelled = (axisId: string): AxisLoad =>
		axisLoads('simulateBench', this.believed).find(({ axis }) => axis.id === axisId) as AxisLoad;
}

const within = ({ rangeM }: RigSlide, positionM: number) => Math.min(rangeM[1], Math.max(rangeM[0], positionM));
/** How far off friction still holds. */
export const bandOf = (load: AxisLoad) => (load.axis.frictionNm ?? 0) / (load.carriedKg * standardGravityMPerS2);

const wrapped = (angleRad: number) => Math.atan2(Math.sin(angleRad), Math.cos(angleRad));

/** Two unit vectors square to an axis and to each other. */
function acrossOf(axis: Vec3): [Vec3, Vec3] {
	const start: Vec3 = Math.abs(axis[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
	const rest = subtract(start, scale(axis, dot(start, axis)));
	const first = scale(rest, 1 / length(rest));
	return [first, cross(axis, first)];
}
