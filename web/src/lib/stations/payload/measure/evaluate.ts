import {
	cgFromHang,
	cgFromTwoScales,
	degFromRad,
	errorOfHang,
	errorOfMean,
	errorOfSwing,
	errorOfTwoScales,
	gFromKg,
	mmFromM,
	offsetFromSwing,
	radFromDeg,
	type MeasuredError,
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

/** What each instrument is good to, one standard deviation: another one at each reading, and, by `all`, the same in all of them. */
const rodErrors = { mark: 0.0008, all: { rodWidth: 0.0006 } };
const scaleErrors = { scaleKg: 0.003, gainShare: 0.003, spanM: 0.0005, edgeM: 0.0007 };
const hangErrors = { turnRad: radFromDeg(1), levelRad: radFromDeg(0.4), pointM: 0.001 };
/** The inertia is that of a box of even weight. */
const swingErrors = { periodS: 0.02, inertiaShare: 0.15, massShare: 0.01, amplitudeRad: radFromDeg(4) };
const pinM = 0.001;

const within = (told: Spread, { randomM, systematicM }: MeasuredError, count: number) =>
	errorOfMean({ told, count, random: randomM, systematic: systematicM });

/** Where the centre lies by these readings, or what is wrong with them. */
export function evaluate(subject: Subject, readings: Readings): Evaluated | { readonly problem: string } {
	if (readings.way === 'rod') {
		if (readings.fromEndM.length === 0) return { problem: 'Type at least one balance point.' };
		const told = spreadOf({ values: readings.fromEndM, resolution: 0.0005 });
		const valueM = subject.leastM[readings.axis] + told.mean;
		const outside = outsideBox(subject, readings.axis, valueM);
		if (outside !== null) return { problem: outside };
		const error = { randomM: rodErrors.mark, systematicM: rodErrors.all.rodWidth };
		const sigmaM = within(told, error, readings.fromEndM.length);
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
		const shareB = Math.min(1, Math.max(0, told.mean / readings.spanM));
		const error = errorOfTwoScales({
			...{ scaleAKg: totalKg * (1 - shareB), scaleBKg: totalKg * shareB, spanM: readings.spanM },
			errors: scaleErrors
		});
		const off = Math.abs(totalKg - subject.massKg);
		const heavier =
			off > 0.02 + 0.02 * subject.massKg
				? [
						`The scales together show ${gFromKg(totalKg).toFixed(0)} g; it is entered as ${gFromKg(subject.massKg).toFixed(0)} g.`
					]
				: [];
		return {
			found: [{ axis: readings.axis, valueM, sigmaM: within(told, error, readings.pairsKg.length) }],
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
		// Each angle by as many readings as it has: the one that is known least speaks for both.
		const turns = [readings.first, readings.second].map(({ turnsRad }, which) =>
			errorOfMean({ told: told[which] as Spread, count: turnsRad.length, random: hangErrors.turnRad, systematic: 0 })
		);
		const errors = errorOfHang({
			first: hang(readings.first, told[0] as Spread),
			second: hang(readings.second, told[1] as Spread),
			errors: { ...hangErrors, turnRad: Math.max(...turns) }
		});
		const [acrossSigmaM, upSigmaM] = errors.map(({ randomM, systematicM }) => Math.hypot(randomM, systematicM)) as [
			number,
			number
		];
		const outside = outsideBox(subject, acrossAxis, answer.cgM[0]) ?? outsideBox(subject, 2, answer.cgM[1]);
		if (outside !== null) return { problem: outside };
		return {
			found: [
				{ axis: acrossAxis, valueM: answer.cgM[0], sigmaM: acrossSigmaM },
				{ axis: 2, valueM: answer.cgM[1], sigmaM: upSigmaM }
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
	const error = errorOfSwing({
		...{ massKg: subject.massKg, inertiaCgKgM2, periodS: period.mean, amplitudeRad: readings.amplitudeRad },
		errors: {
			...swingErrors,
			periodS: errorOfMean({
				...{ told: period, count: readings.periodsS.length },
				...{ random: swingErrors.periodS, systematic: 0 }
			})
		}
	});
	const turnRad = errorOfMean({
		...{ told: turn, count: readings.turnsRad.length },
		...{ random: hangErrors.turnRad, systematic: hangErrors.levelRad }
	});
	// The distance strays along the plumb line, the angle across it; the pin both ways.
	const [alongM, asideM] = [Math.hypot(error.randomM, error.systematicM), turnRad * best.distanceM];
	const sigmaAlong = (down: number, side: number) => Math.hypot(alongM * down, asideM * side, pinM);
	const [acrossSigmaM, upSigmaM] = [sigmaAlong(acrossDown, upDown), sigmaAlong(upDown, acrossDown)];
	return {
		found: [
			{ axis: acrossAxis, valueM: best.across, sigmaM: acrossSigmaM },
			{ axis: 2, valueM: best.up, sigmaM: upSigmaM }
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
