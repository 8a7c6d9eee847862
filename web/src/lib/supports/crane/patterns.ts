import { radFromDeg } from '@poise/core';
import type { CraneDraft, CraneGeometry, Span } from './model';

export interface CranePattern {
	readonly id: string;
	readonly name: string;
	readonly words: string;
	readonly payloadKg: Span;
	readonly geometry: CraneGeometry;
}

/** Feet on a circle, the first ahead to the left, counter-clockwise. */
const ring = (count: number, radiusM: number, turnRad: number): (readonly [number, number])[] =>
	Array.from({ length: count }, (_, index) => {
		const angle = turnRad + (2 * Math.PI * index) / count;
		return [radiusM * Math.cos(angle), radiusM * Math.sin(angle)] as const;
	});
const box = (halfLengthM: number, halfWidthM: number): (readonly [number, number])[] => [
	[halfLengthM, halfWidthM],
	[-halfLengthM, halfWidthM],
	[-halfLengthM, -halfWidthM],
	[halfLengthM, -halfWidthM]
];
const limits = (panDeg: number, tiltDeg: number) => ({
	panRadPerS: radFromDeg(panDeg),
	tiltRadPerS: radFromDeg(tiltDeg),
	panRadPerS2: radFromDeg(2 * panDeg),
	tiltRadPerS2: radFromDeg(2 * tiltDeg)
});

const handBuilt: CraneGeometry = {
	pattern: 'handBuilt',
	sections: [
		{ id: 'inner', label: 'Inner tube', massKg: 1.9, lengthM: 1.3 },
		{ id: 'outer', label: 'Outer tube', massKg: 1.4, lengthM: 1.1 }
	],
	rear: { lengthM: 1.1, massKg: 1.6 },
	tubeVM: 0.03,
	tubeAcrossM: 0.06,
	rodKgPerM: 0.18,
	nose: { massKg: 0.5, vM: 0.01, kept: 'level', head: 'hung' },
	head: { name: 'Small pan-tilt head', massKg: 1.3, cgM: 0.1, plateM: 0.2, limits: limits(45, 30) },
	hanger: { massKg: 0.6, uM: -1.05, vM: -0.1, secondVM: null },
	trim: { massKg: 1.2, rangeU: [-0.85, -0.25], vM: 0.05, graduationM: 0.01 },
	plates: [
		{ massKg: 5, count: 2 },
		{ massKg: 2.5, count: 2 },
		{ massKg: 1.25, count: 4 },
		{ massKg: 0.5, count: 2 }
	],
	boomRangeRad: [radFromDeg(-35), radFromDeg(55)],
	pivotHeightM: [1.2, 1.5],
	base: { kind: 'tripod', feetM: ring(3, 0.62, radFromDeg(30)), massKg: 9, cgM: [0, 0, 0.5], liftsKg: null },
	linkage: { linkM: 0.12, rearPivotM: [0, -0.12], rodLongerM: 0, mPerTurn: 0.00125 }
};

const sectional: CraneGeometry = {
	pattern: 'sectional',
	sections: [
		{ id: 'first', label: 'First section', massKg: 8.4, lengthM: 1.8 },
		{ id: 'second', label: 'Second section', massKg: 6.2, lengthM: 1.8 },
		{ id: 'third', label: 'Third section', massKg: 4.9, lengthM: 1.6 },
		{ id: 'fourth', label: 'Fourth section', massKg: 3.6, lengthM: 1.4 }
	],
	rear: { lengthM: 1.6, massKg: 9.5 },
	tubeVM: 0.05,
	tubeAcrossM: 0.14,
	rodKgPerM: 0.5,
	nose: { massKg: 1.8, vM: 0.02, kept: 'level', head: 'hung' },
	head: { name: 'Remote head, three-axis', massKg: 9.5, cgM: 0.22, plateM: 0.38, limits: limits(90, 60) },
	otherHeads: [{ name: 'Light remote head', massKg: 5.4, cgM: 0.16, plateM: 0.3, limits: limits(60, 45) }],
	hanger: { massKg: 3.5, uM: -1.5, vM: -0.18, secondVM: 0.16 },
	trim: { massKg: 4, rangeU: [-1.3, -0.4], vM: 0.1, graduationM: 0.01 },
	plates: [
		{ massKg: 20, count: 8 },
		{ massKg: 10, count: 6 },
		{ massKg: 5, count: 4 },
		{ massKg: 2.5, count: 4 },
		{ massKg: 1.25, count: 2 }
	],
	boomRangeRad: [radFromDeg(-40), radFromDeg(50)],
	pivotHeightM: [1.35, 1.35],
	base: { kind: 'dolly', feetM: box(0.75, 0.62), massKg: 85, cgM: [0, 0, 0.35], liftsKg: null },
	linkage: { linkM: 0.2, rearPivotM: [0, -0.2], rodLongerM: 0, mPerTurn: 0.0015 }
};

const studioJib: CraneGeometry = {
	pattern: 'studioJib',
	sections: [{ id: 'arm', label: 'Arm, tube in tube', massKg: 7.5, lengthM: 1.5, pullsOutM: 0.7 }],
	rear: { lengthM: 0.75, massKg: 5.5 },
	tubeVM: 0.04,
	tubeAcrossM: 0.11,
	rodKgPerM: 0.4,
	nose: { massKg: 1.4, vM: 0.02, kept: 'level', head: 'standing' },
	head: { name: 'Pan-tilt head', massKg: 4.2, cgM: 0.08, plateM: 0.16, limits: limits(60, 60) },
	hanger: { massKg: 2.2, uM: -0.7, vM: -0.12, secondVM: null },
	trim: { massKg: 3, rangeU: [-0.6, -0.15], vM: 0.08, graduationM: 0.005 },
	plates: [
		{ massKg: 10, count: 4 },
		{ massKg: 5, count: 4 },
		{ massKg: 2.5, count: 2 },
		{ massKg: 1, count: 3 }
	],
	boomRangeRad: [radFromDeg(-35), radFromDeg(40)],
	pivotHeightM: [0.95, 1.45],
	base: { kind: 'column', feetM: ring(3, 0.58, radFromDeg(60)), massKg: 70, cgM: [0, 0, 0.3], liftsKg: 65 },
	linkage: { linkM: 0.15, rearPivotM: [0, -0.15], rodLongerM: 0, mPerTurn: 0.001 }
};

export const cranePatterns: readonly CranePattern[] = [
	{
		id: 'handBuilt',
		name: 'Light hand-built tube',
		words: 'about 3.5 m, two tubes on a tripod',
		payloadKg: [0.3, 3],
		geometry: handBuilt
	},
	{
		id: 'sectional',
		name: 'Sectional arm',
		words: '3 to 9 m in four sections on a wheeled dolly, remote head hung',
		payloadKg: [3, 18],
		geometry: sectional
	},
	{
		id: 'studioJib',
		name: 'Studio jib',
		words: 'short, tube in tube, on a counterbalanced column',
		payloadKg: [1.5, 12],
		geometry: studioJib
	}
];

export const craneFromPattern = ({ payloadKg, geometry }: CranePattern, name: string): CraneDraft => ({
	name,
	leastPayloadKg: payloadKg[0],
	greatestPayloadKg: payloadKg[1],
	geometry
});
