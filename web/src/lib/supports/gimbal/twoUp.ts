import {
	combineBodies,
	inFromM,
	kgFromG,
	lbFromKg,
	lbfFromN,
	lbIn2FromKgM2,
	mFromMm,
	mmFromM,
	mphFromMPerS,
	readingAt,
	sqFtFromM2,
	type Vec3
} from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import type { BalanceRecord } from '$lib/model/balance';
import { mountedBodies, standingParts } from '$lib/model/payload';

/** One line of two logged balances side by side; figures as printed, the difference second minus first. */
export interface TwoUpLine {
	readonly label: string;
	readonly unit: string;
	readonly decimals: number;
	/** Read off a scale that is printed in this unit: it stays so for everybody. */
	readonly printed?: boolean;
	readonly a: number | null;
	readonly b: number | null;
}

export interface TwoUp {
	readonly lines: readonly TwoUpLine[];
	/** Names of parts that only one of them carries. */
	readonly onlyA: readonly string[];
	readonly onlyB: readonly string[];
}

export function recordParts(record: BalanceRecord) {
	return standingParts(record.snapshot.payload, new Map(record.snapshot.parts.map((part) => [part.id, part])));
}

function centreOf(record: BalanceRecord): Vec3 {
	return combineBodies({ bodies: mountedBodies(recordParts(record)).map(({ body }) => body) }).cgM;
}

/** Slide readings, mass, centre and what each motor keeps, of two records, also of different rigs. */
export function twoUp(a: BalanceRecord, b: BalanceRecord): TwoUp {
	const slides = [
		...new Map([...a.rig.geometry.slides, ...b.rig.geometry.slides].map((slide) => [slide.id, slide.label]))
	];
	const reading = (record: BalanceRecord, id: string) => {
		const slide = record.rig.geometry.slides.find((each) => each.id === id);
		const positionM = record.positionsM[id];
		return slide === undefined || positionM === undefined
			? null
			: Math.round(mmFromM(readingAt(slide, positionM)) * 2) / 2;
	};
	const [centreA, centreB] = [centreOf(a), centreOf(b)];
	const axes = [...new Set([...a.axes, ...b.axes].map(({ id }) => id))].reverse();
	const shareOf = (record: BalanceRecord, id: string) => {
		const share = record.axes.find((axis) => axis.id === id)?.motorShare;
		return share === undefined || share === null ? null : share * 100;
	};
	const labelOf = (id: string) =>
		[...a.rig.geometry.axes, ...b.rig.geometry.axes].find((axis) => axis.id === id)?.label ?? id;
	const namesA = recordParts(a).map(({ part }) => part.name);
	const namesB = recordParts(b).map(({ part }) => part.name);
	return {
		lines: [
			...slides.map(([id, label]) => ({
				label: `${label} reads`,
				unit: 'mm',
				printed: true,
				decimals: 1,
				a: reading(a, id),
				b: reading(b, id)
			})),
			{ label: 'Mass on the plate', unit: 'g', decimals: 0, a: a.payloadMassKg * 1000, b: b.payloadMassKg * 1000 },
			...(['Centre forward of the plate’s middle', 'Centre left of it', 'Centre above its underside'] as const).map(
				(label, k) => ({ label, unit: 'mm', decimals: 1, a: mmFromM(centreA[k] ?? 0), b: mmFromM(centreB[k] ?? 0) })
			),
			...axes.map((id) => ({
				label: `${labelOf(id)} motor keeps`,
				unit: '%',
				decimals: 1,
				a: shareOf(a, id),
				b: shareOf(b, id)
			})),
			{ label: 'Nudges', unit: '', decimals: 0, a: a.nudges.length, b: b.nudges.length }
		],
		onlyA: namesLeft(namesA, namesB),
		onlyB: namesLeft(namesB, namesA)
	};
}

/** Names of the first list that the second does not hold as often. */
export function namesLeft(names: readonly string[], others: readonly string[]): string[] {
	const left = [...others];
	return names.filter((name) => {
		const at = left.indexOf(name);
		if (at >= 0) left.splice(at, 1);
		return at < 0;
	});
}

/** A line in somebody's own units; a printed scale stays as it is printed. */
export function inOwnUnits(line: TwoUpLine, units: UnitSystem): TwoUpLine {
	const other = units === 'imperial' && line.printed !== true ? own[line.unit] : undefined;
	if (other === undefined) return line;
	const [unit, decimals, of] = other;
	return { ...line, unit, decimals, a: line.a === null ? null : of(line.a), b: line.b === null ? null : of(line.b) };
}

const own: Readonly<Record<string, readonly [unit: string, decimals: number, of: (value: number) => number]>> = {
	mm: ['in', 2, (value) => inFromM(mFromMm(value))],
	g: ['lb', 2, (value) => lbFromKg(kgFromG(value))],
	'm/s': ['mph', 1, mphFromMPerS],
	'm²': ['ft²', 1, sqFtFromM2],
	N: ['lbf', 0, lbfFromN],
	'g·m²': ['lb·in²', 0, (value) => lbIn2FromKgM2(kgFromG(value))]
};
