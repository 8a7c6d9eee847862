import {
	inFromM,
	kgFromG,
	lbFromKg,
	lbfFromN,
	lbfFtFromNm,
	lbIn2FromKgM2,
	mFromMm,
	mphFromMPerS,
	sqFtFromM2
} from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import type { PayloadSnapshot } from '$lib/model/balance';
import { standingParts } from '$lib/model/payload';

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

/** The parts of a logged payload as they stood. */
export const recordParts = ({ snapshot }: { readonly snapshot: PayloadSnapshot }) =>
	standingParts(snapshot.payload, new Map(snapshot.parts.map((part) => [part.id, part])));

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
	'N·m': ['lbf·ft', 1, lbfFtFromNm],
	'g·m²': ['lb·in²', 0, (value) => lbIn2FromKgM2(kgFromG(value))]
};
