import { degFromRad } from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import { type PictureSign, turnWords } from '$lib/model/turns';
import { showDistance, showLength, showSlow, showTurnRate, together } from '$lib/sheet/units/display';
import { bodyName } from '$lib/places/clearance';
import { axisWords } from './axes';
import type { Band } from './figures';
import type { Axis, HeadKind, RunSeen, SubjectShape, Tempo } from './model';

export const seconds = (time: number): string => `${(Math.round(time * 10) / 10).toFixed(1)} s`;
export const degrees = (radians: number): string =>
	`${degFromRad(radians)
		.toFixed(1)
		.replace('-', '−')
		.replace(/^−0\.0$/, '0.0')}°`;
/** Of a limit; ten times and more is no share any more. */
export const percent = (share: number): string =>
	share < 10 ? `${Math.round(share * 100)} %` : `${Math.round(share)} times`;
export const far = (metres: number, units: UnitSystem): string => together(showDistance(metres, units));
/** Millimetres of focal length are printed on lenses. */
export const focalWords = (focalM: number): string => `${Math.round(focalM * 1000)} mm`;

/** Where an axis stands; of pan and tilt where the camera looks. */
export function placeWords(axis: Axis, value: number, units: UnitSystem, sign: PictureSign): string {
	const turn = turnWords(axis, value, sign, 1);
	if (turn !== null) return turn;
	if (axis === 'focalM') return focalWords(value);
	return axisWords[axis].quantity === 'angle' ? degrees(value) : far(value, units);
}
/** So much of an axis, whichever way. */
export const sizeWords = (axis: Axis, value: number, units: UnitSystem): string =>
	axisWords[axis].quantity === 'angle' ? degrees(value) : together(showLength(value, units));
/** How fast an axis goes at its fastest. */
export function rateWords({ axis, peaks, turns }: Band, units: UnitSystem): string {
	if (turns) return `${peaks.rate.toFixed(2)} turns/s`;
	if (axis === 'focalM') return `${(peaks.rate * 1000).toFixed(1)} mm/s`;
	return together(axisWords[axis].quantity === 'angle' ? showTurnRate(peaks.rate) : showSlow(peaks.rate, units));
}
export function limitWordsOf({ axis, limit, turns }: Band, units: UnitSystem): string {
	if (limit === null) return '';
	if (turns) return `${limit.maxRate.toFixed(2)}`;
	return together(axisWords[axis].quantity === 'angle' ? showTurnRate(limit.maxRate) : showSlow(limit.maxRate, units));
}

export const headKindWords: Readonly<Record<HeadKind, string>> = {
	ball: 'Ball head, locked',
	bar: 'Pan bar beside the rail',
	motors: 'Motorised head',
	gimbal: 'Gimbal'
};
export const tempoWords: Readonly<Record<Tempo, string>> = {
	smooth: 'From rest to rest',
	soft: 'Soft at both ends',
	even: 'Even all the way',
	build: 'Building to a hard end',
	ramps: 'Own ramps'
};
/** What each asks, beside an even run of the same time. */
export const tempoMeans: Readonly<Record<Tempo, string>> = {
	smooth:
		'It starts and ends at rest, 1.5 times an even run’s speed half way: of these the least that is gained a second.',
	soft: 'It starts and ends at rest with the least jolt, 1.9 times an even run’s speed half way.',
	even: 'One speed from its very start to its very end. It has to come to it before the shot, and is cut while it goes.',
	build:
		'From rest to twice an even run’s speed at its very end: a stop takes the shock, and so does the camera. Cut before it.',
	ramps: 'It gains as long as the ramp in, loses as long as the ramp out, and goes evenly between.'
};
/** What each is called, and how tall one usually is. */
export const subjectKinds: Readonly<Record<SubjectShape, { readonly words: string; readonly tallM: number }>> = {
	ball: { words: 'a spot, a face', tallM: 0.3 },
	standing: { words: 'somebody standing', tallM: 1.75 },
	seated: { words: 'somebody seated', tallM: 1.3 },
	cake: { words: 'a cake', tallM: 0.3 },
	bottle: { words: 'a bottle', tallM: 0.32 },
	book: { words: 'a book', tallM: 0.24 },
	box: { words: 'a box of its own', tallM: 0.5 }
};
export const seenWords: Readonly<Record<RunSeen, string>> = {
	asPlanned: 'ran as planned',
	nearer: 'came nearer to something than drawn',
	struck: 'struck something',
	late: 'was late or early',
	lostSubject: 'lost the subject'
};
export const bodyWords = (bodyId: string): string => {
	const name = bodyName(bodyId);
	const words: Readonly<Record<string, string>> = {
		...{ camera: 'the camera', arm: 'the arm or its tail', head: 'the head', rail: 'the rail', leg: 'a leg' },
		...{ stand: 'a stand', carriage: 'the carriage', column: 'its column', dolly: 'the dolly' }
	};
	return words[name] ?? name;
};
