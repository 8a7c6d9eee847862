import { degFromRad, standardGravityMPerS2, type CounterweightChoice, type StabilityEnvelope } from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import type { CraneBenchState, CraneGeometry, CraneSetting, Hung } from './model';
import { showMass, showMove, together } from '$lib/sheet/units/display';
import { type CraneFigures, leastReserve } from './figures';

export interface CraneLine {
	readonly id: string;
	readonly lead: string;
	readonly strong: string;
	readonly detail: string | null;
}

export interface CraneSlip {
	readonly kind: 'move' | 'placed' | 'poised' | 'tooHeavy' | 'tips' | 'short';
	readonly heading: string;
	readonly lines: readonly CraneLine[];
	readonly target: CraneSetting;
	readonly why: string;
	/** Said in red, before anything else. */
	readonly danger: string | null;
	/** Level it is right, but not at every height: how hard it pulls there, and the cure. */
	readonly pulls: string | null;
}

export const degrees = (radians: number): string => `${Math.abs(degFromRad(radians)).toFixed(0)}°`;

/** A plate by its own name: whole kilograms without their zeros. */
export const plateInWords = (massKg: number, units: UnitSystem): string =>
	units === 'imperial' ? together(showMass(massKg, units)) : `${Number(massKg.toFixed(2))} kg`;

/** "2 × 10 kg and 1 × 5 kg" */
export function platesInWords(geometry: Pick<CraneGeometry, 'plates'>, counts: Hung, units: UnitSystem): string {
	const parts = geometry.plates.flatMap(({ massKg }, index) => {
		const count = counts[index] ?? 0;
		return count === 0 ? [] : [`${count} × ${plateInWords(massKg, units)}`];
	});
	if (parts.length === 0) return 'no plate';
	return parts.length === 1 ? (parts[0] as string) : `${parts.slice(0, -1).join(', ')} and ${parts[parts.length - 1]}`;
}

export const countsOf = ({ plates }: Pick<CounterweightChoice, 'plates'>): Hung => plates.map(({ count }) => count);

/** A trim that a hand can set: to its graduation's half. */
export const settableTrim = ({ trim }: CraneGeometry, trimU: number): number => {
	const step = trim.graduationM / 2;
	return Math.min(trim.rangeU[1], Math.max(trim.rangeU[0], Math.round(trimU / step) * step));
};

export const targetOf = (
	geometry: CraneGeometry,
	setting: CraneSetting,
	choice: CounterweightChoice
): CraneSetting => ({
	...setting,
	hung: countsOf(choice),
	trimU: settableTrim(geometry, choice.trimUM)
});

/** What comes off before what goes on: the arm is held all the while. */
export function linesBetween(
	geometry: CraneGeometry,
	from: CraneSetting,
	to: CraneSetting,
	units: UnitSystem
): CraneLine[] {
	const off = from.hung.map((count, index) => Math.max(0, count - (to.hung[index] ?? 0)));
	const on = to.hung.map((count, index) => Math.max(0, count - (from.hung[index] ?? 0)));
	const some = (counts: Hung) => counts.some((count) => count > 0);
	const lines: CraneLine[] = [];
	const nothingHung = !some(from.hung);
	if (some(off))
		lines.push({
			id: 'off',
			lead: 'Take off ',
			strong: platesInWords(geometry, off, units),
			detail: 'somebody holds the tail while they come off'
		});
	if (some(on))
		lines.push({
			id: 'on',
			lead: 'Hang ',
			strong: platesInWords(geometry, on, units),
			detail: nothingHung ? null : `${platesInWords(geometry, to.hung, units)} in all`
		});
	const trim = to.trimU - from.trimU;
	if (Math.abs(trim) >= geometry.trim.graduationM / 4)
		lines.push({
			id: 'trim',
			lead: 'Set the trim weight ',
			strong: `${together(showMove(-to.trimU, units))} behind the pivot`,
			detail: `${trim < 0 ? 'back' : 'forward'} ${together(showMove(trim, units))}`
		});
	if (to.shareSecond !== from.shareSecond)
		lines.push({
			id: 'share',
			lead: 'Hang on the upper line ',
			strong: `${(to.shareSecond * 100).toFixed(0)} %`,
			detail: 'of the plates, the rest on the lower'
		});
	return lines;
}

export const lineInWords = ({ lead, strong }: CraneLine): string => `${lead}${strong}`;

export function craneSlip(
	crane: { readonly geometry: CraneGeometry; readonly greatestPayloadKg: number },
	state: Pick<CraneBenchState, 'setting' | 'noseBiasKg' | 'slips'>,
	figures: CraneFigures,
	units: UnitSystem
): CraneSlip {
	const { geometry } = crane;
	const { setting, noseBiasKg } = state;
	const target = targetOf(geometry, setting, figures.choice);
	const lines = linesBetween(geometry, setting, target, units);
	const move = !figures.balanced && lines.length > 0;
	// Before the weights hang it is the plan that is judged; the arm is held until then.
	const danger = dangerOf(move ? figures.envelopeThen : figures.envelope);
	const pulls = pullsInWords(figures, units);
	const kg = (mass: number) => together(showMass(Math.abs(mass), units));
	if (figures.fit === 'tooHeavy')
		return {
			kind: 'tooHeavy',
			heading: 'Too heavy for this crane',
			lines: [],
			target: setting,
			why: `Its head carries ${kg(crane.greatestPayloadKg)} at most, and this payload weighs ${kg(figures.payloadKg)}.`,
			danger,
			pulls: null
		};
	const short = figures.choice.remainingUKgM / figures.noseU;
	const now =
		Math.abs(figures.noseKg - noseBiasKg) <= figures.noseBandKg
			? `The nose is ${kg(figures.noseKg)} ${figures.noseKg >= 0 ? 'heavy' : 'light'}, as wanted.`
			: `Now the nose is ${kg(figures.noseKg)} ${figures.noseKg >= 0 ? 'heavy' : 'light'}; wanted ${kg(noseBiasKg)} ${noseBiasKg >= 0 ? 'heavy' : 'light'}.`;
	if (!figures.balanced && lines.length === 0)
		return {
			kind: 'short',
			heading: 'The plates at hand do not do it',
			lines: [],
			target: setting,
			why: `With all that helps hung, the nose stays ${kg(short)} ${short > 0 ? 'heavy' : 'light'}: bring more plates, take a section out, or lighten the head.`,
			danger,
			pulls: null
		};
	if (figures.balanced) {
		const against = { sinks: 'sink', rises: 'rise' } as const;
		const seen = figures.seen === 'stays' || figures.seen === null ? null : against[figures.seen];
		return {
			kind: danger !== null ? 'tips' : figures.poised ? 'poised' : 'placed',
			heading: figures.poised ? 'Let go and seen to stay' : 'In place, as computed · not let go yet',
			lines: [],
			target: setting,
			why:
				seen === null
					? `${now} ${staysInWords(figures, units)}`
					: `The figures have the nose ${kg(figures.noseKg)} ${figures.noseKg >= 0 ? 'heavy' : 'light'}; it was seen to ${seen}. Something weighs other than written: slide the trim ${seen === 'sink' ? 'back' : 'forward'} a little, type where it stands, let go again. Where it stays, the figures follow.`,
			danger,
			pulls
		};
	}
	return {
		kind: 'move',
		heading: `Slip ${state.slips.length + 1} · one holds the arm, nobody under it`,
		lines,
		target,
		why: `${now}${Math.abs(short) > figures.noseBandKg ? ` These plates leave it ${kg(short)} ${short > 0 ? 'heavy' : 'light'}.` : ''}`,
		danger,
		pulls: null
	};
}

/** How hard it pulls at its ends though it is right when level, and what would cure it; null: it stays throughout. */
export function pullsInWords(figures: CraneFigures, units: UnitSystem): string | null {
	if (figures.staysThroughout) return null;
	const [low, high] = figures.noseAtEndsKg;
	const worse = Math.abs(high) >= Math.abs(low) ? high : low;
	if (Math.abs(worse) <= figures.noseBandKg) return null;
	const { cure } = figures;
	const where = worse === high ? 'At full height' : 'All the way down';
	const cured =
		cure.shiftM === null
			? ''
			: cure.shareAbove !== null
				? ` Hang ${(cure.shareAbove * 100).toFixed(0)} % of the plates on the upper line.`
				: ` Cure: the weight line ${cure.shiftM > 0 ? 'up' : 'down'} ${together(showMove(cure.shiftM, units))}.`;
	return `${where} its nose pulls ${worse > 0 ? 'down' : 'up'} with ${together(showMass(Math.abs(worse), units))}.${cured}`;
}

/** Whether it stays where it is put, in a sentence. */
export function staysInWords(
	{ drift, staysThroughout, noseBandKg, frictionNm, noseU }: CraneFigures,
	units: UnitSystem = 'metric'
): string {
	if (staysThroughout)
		return `It stays at every boom: the pivot holds ${together(showMass(noseBandKg, units))} at the nose by itself.`;
	const least = frictionNm / (standardGravityMPerS2 * noseU);
	if (drift.kind === 'seeks')
		return `Let go high or low it comes back towards ${degreesSigned(drift.restBoomRad ?? 0)}${least > 0 ? '' : ', with no friction to hold it'}.`;
	if (drift.kind === 'runsAway')
		return `Let go high it goes on up, let go low it goes on down, away from ${degreesSigned(drift.restBoomRad ?? 0)}.`;
	return drift.kind === 'noseDown'
		? 'Let go, the nose sinks at every boom.'
		: drift.kind === 'noseUp'
			? 'Let go, the nose rises at every boom.'
			: '';
}

export const degreesSigned = (radians: number): string =>
	`${degFromRad(Math.abs(radians)).toFixed(0)}° ${radians >= 0 ? 'up' : 'down'}`;

/** Never that it is safe: only that it is not. */
export function dangerOf(envelope: StabilityEnvelope): string | null {
	if (envelope.reserve <= 0)
		return 'Not safe as drawn: with these weights and loads it tips over. Widen the base, put ballast on it, or take load and weights off together.';
	if (envelope.reserve < leastReserve)
		return `Not safe as drawn: only ${(envelope.reserve * 100).toFixed(0)} % of reserve is left before it tips. Widen the base or put ballast on it first.`;
	return null;
}
