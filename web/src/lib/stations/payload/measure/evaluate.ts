import {
	cgFromHang,
	cgFromTwoScales,
	degFromRad,
	gFromKg,
	mmFromM,
	offsetFromSwing,
	type Spread,
	spreadOf
} from '@poise/core';
import type { FoundCoordinate } from '$lib/model/measurement';
import type { Subject } from './subject';

type Axis = 0 | 1 | 2;
/** The plane a hang or a swing is seen in: from the side, or from the front. */
export type Plane = 'side' | 'front';

/** What was read, way by way. Distances count from the rear, the right or the underside of the thing. */
export type Readings =
	| { readonly way: 'rod'; readonly axis: Axis; readonly fromEndM: readonly number[] }
	| {
			readonly way: 'scales';
			readonly axis: Axis;
			readonly edgeAFromEndM: number;
			readonly spanM: number;
			readonly pairsKg: readonly (readonly [a: number, b: number])[];
	  }
	| {
			readonly way: 'hang';
			readonly plane: Plane;
			readonly first: { readonly acrossM: number; readonly upM: number; readonly turnsRad: readonly number[] };
			readonly second: { readonly acrossM: number; readonly upM: number; readonly turnsRad: readonly number[] };
	  }
	| {
			readonly way: 'swing';
			readonly plane: Plane;
			readonly pinAcrossM: number;
			readonly pinUpM: number;
			readonly turnsRad: readonly number[];
			readonly periodsS: readonly number[];
			readonly amplitudeRad: number;
	  };

export interface Evaluated {
	readonly found: readonly FoundCoordinate[];
	/** Mean and spread of each thing that was read more than once, in words. */
	readonly notes: readonly string[];
}

/** A balance point found on a rod is marked to about this; a pocket scale reads to that. */
const markSigmaM = 0.001;
const scaleSigmaKg = 0.003;
const angleSigmaRad = (1 * Math.PI) / 180;

/** A single reading is taken to be as good as the instrument; repeated ones as their own scatter, never better than it. */
const sigmaOfMean = ({ standardError }: Spread, instrument: number, count: number) =>
	Math.max(instrument / Math.sqrt(count), standardError ?? instrument);

/** Where the centre lies by these readings, or what is wrong with them. */
export function evaluate(subject: Subject, readings: Readings): Evaluated | { readonly problem: string } {
	if (readings.way === 'rod') {
		if (readings.fromEndM.length === 0) return { problem: 'Type at least one balance point.' };
		const told = spreadOf({ values: readings.fromEndM, resolution: 0.0005 });
		const valueM = subject.leastM[readings.axis] + told.mean;
		const outside = outsideBox(subject, readings.axis, valueM);
		if (outside !== null) return { problem: outside };
		const sigmaM = sigmaOfMean(told, markSigmaM, readings.fromEndM.length);
		return { found: [{ axis: readings.axis, valueM, sigmaM }], notes: notesOf(told, 'mm', mmFromM) };
	}
	if (readings.way === 'scales') {
		if (readings.pairsKg.length === 0) return { problem: 'Type what both scales show.' };
		if (!(readings.spanM > 0)) return { problem: 'The two edges must stand apart.' };
		if (readings.pairsKg.some(([a, b]) => !(a >= 0 && b >= 0 && a + b > 0)))
			return { problem: 'A scale cannot read below 0, nor both read 0.' };
		const weighed = readings.pairsKg.map(([a, b]) =>
			cgFromTwoScales({ scaleAKg: a, scaleBKg: b, spanM: readings.spanM })
		);
		const told = spreadOf({ values: weighed.map(({ distanceFromAM }) => distanceFromAM), resolution: 0.0003 });
		const totalKg = weighed.reduce((sum, { massKg }) => sum + massKg, 0) / weighed.length;
		const valueM = subject.leastM[readings.axis] + readings.edgeAFromEndM + told.mean;
		const outside = outsideBox(subject, readings.axis, valueM);
		if (outside !== null) return { problem: outside };
		const instrument = Math.hypot((readings.spanM * scaleSigmaKg) / totalKg, markSigmaM / 2);
		const off = Math.abs(totalKg - subject.massKg);
		const heavier =
			off > 0.02 + 0.02 * subject.massKg
				? [
						`The scales together show ${gFromKg(totalKg).toFixed(0)} g; it is entered as ${gFromKg(subject.massKg).toFixed(0)} g.`
					]
				: [];
		return {
			found: [{ axis: readings.axis, valueM, sigmaM: sigmaOfMean(told, instrument, readings.pairsKg.length) }],
			notes: [...notesOf(told, 'mm', mmFromM), ...heavier]
		};
	}
	const acrossAxis: Axis = readings.plane === 'side' ? 0 : 1;
	if (readings.way === 'hang') {
		if (readings.first.turnsRad.length === 0 || readings.second.turnsRad.length === 0)
			return { problem: 'Give the angle for both hangs.' };
		const told = [readings.first, readings.second].map(({ turnsRad }) =>
			spreadOf({ values: turnsRad, resolution: 0.009 })
		);
		const hang = (at: (typeof readings)['first'], { mean }: Spread) => ({
			atM: [at.acrossM, at.upM] as const,
			turnRad: mean
		});
		const answer = cgFromHang({
			first: hang(readings.first, told[0] as Spread),
			second: hang(readings.second, told[1] as Spread)
		});
		if (!answer.feasible)
			return {
				problem: `The two plumb lines run within ${degFromRad(answer.crossingRad).toFixed(0)}° of each other. Hang it from a point further round.`
			};
		const sigmaRad = Math.hypot(
			sigmaOfMean(told[0] as Spread, angleSigmaRad, readings.first.turnsRad.length),
			sigmaOfMean(told[1] as Spread, angleSigmaRad, readings.second.turnsRad.length)
		);
		const sigmaM = Math.hypot(answer.metresPerRad * sigmaRad, markSigmaM);
		const outside = outsideBox(subject, acrossAxis, answer.cgM[0]) ?? outsideBox(subject, 2, answer.cgM[1]);
		if (outside !== null) return { problem: outside };
		return {
			found: [
				{ axis: acrossAxis, valueM: answer.cgM[0], sigmaM },
				{ axis: 2, valueM: answer.cgM[1], sigmaM }
			],
			notes: told.flatMap((each) => notesOf(each, '°', (angle) => degFromRad(angle)))
		};
	}
	if (readings.periodsS.length === 0) return { problem: 'Tap in time with the swing, or type how long it takes.' };
	if (readings.turnsRad.length === 0) return { problem: 'Give the angle at which it hangs.' };
	const period = spreadOf({ values: readings.periodsS, resolution: 0.01 });
	const turn = spreadOf({ values: readings.turnsRad, resolution: 0.009 });
	const inertiaCgKgM2 = readings.plane === 'side' ? subject.inertiaKgM2.yy : subject.inertiaKgM2.xx;
	const swingAt = (periodS: number) =>
		offsetFromSwing({ massKg: subject.massKg, inertiaCgKgM2, periodS, amplitudeRad: readings.amplitudeRad });
	const swing = swingAt(period.mean);
	if (!swing.feasible)
		return {
			problem: `Nothing of this size swings faster than ${swing.shortestPeriodS.toFixed(2)} s there and back. Count again: there and back is one.`
		};
	// A long body has two distances with one period; the one whose centre lies inside the body is meant.
	const [acrossDown, upDown] = [-Math.sin(turn.mean), -Math.cos(turn.mean)];
	const candidates = [swing.offsetM, swing.otherOffsetM].flatMap((distanceM) =>
		distanceM === null
			? []
			: [
					{
						distanceM,
						across: readings.pinAcrossM + distanceM * acrossDown,
						up: readings.pinUpM + distanceM * upDown
					}
				]
	);
	const inside = candidates.filter(
		({ across, up }) => outsideBox(subject, acrossAxis, across) === null && outsideBox(subject, 2, up) === null
	);
	const best = inside[inside.length - 1];
	if (best === undefined)
		return { problem: 'By this swing the centre would lie outside the thing. Count the swing again.' };
	const periodSigmaS = sigmaOfMean(period, 0.02, readings.periodsS.length);
	const later = swingAt(period.mean + periodSigmaS);
	const perPeriod = later.feasible
		? Math.abs(
				(best.distanceM === swing.offsetM ? later.offsetM : (later.otherOffsetM ?? later.offsetM)) - best.distanceM
			)
		: best.distanceM / 4;
	const turnSigma = sigmaOfMean(turn, angleSigmaRad, readings.turnsRad.length) * best.distanceM;
	const sigmaM = Math.hypot(perPeriod, turnSigma, markSigmaM);
	return {
		found: [
			{ axis: acrossAxis, valueM: best.across, sigmaM },
			{ axis: 2, valueM: best.up, sigmaM }
		],
		notes: [
			...notesOf(period, 's', (seconds) => seconds),
			inside.length > 1
				? 'Two centres fit this swing and both lie inside; the one further from the pin is taken. Swing it from another pin to be sure.'
				: ''
		].filter((note) => note !== '')
	};
}

function notesOf({ mean, spread, dropped }: Spread, unit: string, shown: (value: number) => number): string[] {
	if (spread === null) return [];
	const left = dropped.length === 0 ? '' : `; ${dropped.length} left out as a slip`;
	return [`Mean ${shown(mean).toFixed(1)} ${unit}, spread ${shown(spread).toFixed(1)} ${unit}${left}.`];
}

const names = ['forward', 'sideways', 'up'];
function outsideBox({ leastM, greatestM }: Subject, axis: Axis, valueM: number): string | null {
	if (valueM >= leastM[axis] - 0.001 && valueM <= greatestM[axis] + 0.001) return null;
	return `By this the centre would lie outside the thing, ${names[axis]}. Check the end it was measured from.`;
}
