import { normal, type Random, seededRandom } from '../numeric/random';
import type { ScaleLaw } from './timedTurn';
import { turnStepped } from './turnStepped';

/** All turns at one setting, through one angle, with one dead band: they look the same, and are stepped once. */
export interface SameTurns {
	/** Where the setting lies between the least that was timed and the greatest, 0 to 1. */
	readonly share: number;
	readonly angleRad: number;
	/** Of the dead band that is looked for; 0: none. */
	readonly bandTimes: number;
	readonly timed: readonly { readonly halfS: number; readonly endS: number; readonly restShortRad: number }[];
}

/** Logarithms: follow at the least setting and at the greatest (1/s), smoothing (s), greatest rate (rad/s) and acceleration (rad/s²), dead band (rad). */
export type Unknowns = readonly [low: number, high: number, smooth: number, rate: number, accel: number, band: number];
const count = 6;

/** What is usual before anything is timed, as logarithms, and how far it spreads. Follow's is where a first look has it. */
export const usualOf = (low: number, high: number, band: number): Unknowns => [
	...([low, high, Math.log(0.09), Math.log(4), Math.log(40), band] as const)
];
const spread: Unknowns = [0.8, 0.8, 1.1, 0.8, 1.2, 1.2];

/** A thumb's usual error, s, and an eye's for how far short a camera rests, as a share and at the least. */
const usualThumbS = 0.03;
const [restShare, restLeastRad] = [0.04, 0.0005] as const;
/** As how many looks what is usual counts: how good this thumb and this eye were is read off their own figures. */
const usualCounts = 8;
const leastBandRad = 1e-5;

/** So many answers are held at once, moved so often for every step from what is usual to what was timed, and three times as often at the end. */
const [held, moves] = [320, 5] as const;
/** How often a move goes by the other law. */
const otherLaw = 0.1;
const mostSteps = 60;

/** One answer: a law, and figures by it. */
export interface FollowAnswer {
	readonly law: ScaleLaw;
	readonly at: Unknowns;
}
interface Particle extends FollowAnswer {
	readonly told: number;
	readonly prior: number;
}

/** The logarithm of how likely so many misses are, squared and counted in what is usual, whatever their own size. */
const student = (squares: number, seen: number): number =>
	-0.5 * (usualCounts + seen) * Math.log(1 + squares / usualCounts);

/** By how fast an axis follows at a setting between the two ends. */
export const followOf = (law: ScaleLaw, low: number, high: number, share: number): number =>
	law === 'log' ? Math.exp(low + (high - low) * share) : Math.exp(low) + (Math.exp(high) - Math.exp(low)) * share;

const looked = (turn: SameTurns, { law, at }: FollowAnswer, mostS: number) => {
	const { share, angleRad, bandTimes } = turn;
	const deadbandRad = Math.min(0.98 * angleRad, Math.max(leastBandRad, Math.exp(at[5]) * bandTimes));
	const [smoothS, maxRateRadPerS, maxAccelRadPerS2] = [Math.exp(at[2]), Math.exp(at[3]), Math.exp(at[4])];
	const followPerS = followOf(law, at[0], at[1], share);
	return turnStepped({ followPerS, smoothS, deadbandRad, maxRateRadPerS, maxAccelRadPerS2 }, angleRad, mostS);
};

/** How far the times are from an answer, s, RMS. */
export function timesMissed(turns: readonly SameTurns[], answer: FollowAnswer): number {
	let [sum, moments] = [0, 0];
	for (const turn of turns) {
		const seen = looked(turn, answer, longestOf(turns));
		for (const { halfS, endS } of turn.timed) sum += (seen.halfS - halfS) ** 2 + (seen.endS - endS) ** 2;
		moments += 2 * turn.timed.length;
	}
	return Math.sqrt(sum / moments);
}
/** What goes on for longer than this is not what was timed. */
const longestOf = (turns: readonly SameTurns[]) =>
	2 * Math.max(...turns.flatMap(({ timed }) => timed.map(({ endS }) => endS))) + 2;

/**
 * Many answers that all fit the timed turns, each as often as it is likely, by either law.
 *
 * A dead band that rings, a greatest rate and a greatest acceleration look alike from a few times, so the misfit has many valleys, with steps
 * where an extreme just touches what counts as standing: no slope leads out of one. So a crowd goes from what is usual to what was timed in steps
 * that lose half of it at the most (sequential Monte Carlo, tempered): after each the likely ones are doubled, and every one tries to move by the
 * difference of two others (differential evolution), or by the other law, kept by the rule of Metropolis. The errors of this thumb and this eye are integrated out: with a
 * usual error that counts as some looks their likelihood is Student's. Seeded: the same turns give the same answer.
 */
export function followPosterior(turns: readonly SameTurns[], usual: Unknowns): readonly FollowAnswer[] {
	const random: Random = seededRandom(7);
	const longestS = longestOf(turns);
	const seenCount = turns.reduce((sum, { timed }) => sum + timed.length, 0);
	const priorOf = (at: Unknowns) => {
		let sum = 0;
		for (let k = 0; k < count; k += 1) sum -= 0.5 * ((at[k]! - usual[k]!) / spread[k]!) ** 2;
		return sum;
	};
	/** The logarithm of the likelihood, or −∞ as soon as it is below `least`. */
	const toldOf = (answer: FollowAnswer, least: number): number => {
		let [times, rest] = [0, 0];
		let told = 0;
		for (const turn of turns) {
			const seen = looked(turn, answer, longestS);
			for (const one of turn.timed) {
				times += (seen.halfS - one.halfS) ** 2 + (seen.endS - one.endS) ** 2;
				rest += ((seen.restShortRad - one.restShortRad) / (restLeastRad + restShare * one.restShortRad)) ** 2;
			}
			told = student(times / usualThumbS ** 2, 2 * seenCount) + student(rest, seenCount);
			// It only grows less.
			if (told < least) return -Infinity;
		}
		return told;
	};
	let crowd: Particle[] = Array.from({ length: held }, (_, index) => {
		const at = usual.map((middle, k) => middle + spread[k]! * normal(random)) as unknown as Unknowns;
		const answer = { law: index % 2 === 0 ? 'linear' : 'log', at } as const;
		return { ...answer, told: toldOf(answer, -Infinity), prior: priorOf(at) };
	});
	let heat = 0;
	for (let step = 0; step < mostSteps && heat < 1; step += 1) {
		const best = Math.max(...crowd.map(({ told }) => told));
		const weights = (to: number) => crowd.map(({ told }) => Math.exp((to - heat) * (told - best)));
		const next = step === mostSteps - 1 ? 1 : nextHeat(heat, weights);
		const weighed = weights(next);
		const sum = weighed.reduce((all, each) => all + each, 0);
		heat = next;
		crowd = drawn(crowd, weighed, sum, random);
		for (let move = 0; move < (heat === 1 ? 3 : 1) * moves; move += 1)
			crowd = crowd.map((one) => {
				const [a, b] = [crowd[Math.floor(random() * held)]!, crowd[Math.floor(random() * held)]!];
				// Now and then as far as from one valley to another.
				const far = random() < 0.1 ? 1 : (2.38 / Math.sqrt(2 * count)) * (0.3 + 0.9 * random());
				const at = one.at.map(
					(value, k) => value + far * (a.at[k]! - b.at[k]!) + 0.01 * normal(random)
				) as unknown as Unknowns;
				const law = random() < otherLaw ? (one.law === 'linear' ? 'log' : 'linear') : one.law;
				const prior = priorOf(at);
				const least = one.told + (Math.log(1 - random()) + one.prior - prior) / heat;
				const told = toldOf({ law, at }, least);
				return told >= least ? { law, at, told, prior } : one;
			});
	}
	return crowd;
}

/** As far as half of the crowd still counts. */
function nextHeat(heat: number, weights: (to: number) => readonly number[]): number {
	const counting = (to: number) => {
		let [sum, squares] = [0, 0];
		for (const weight of weights(to)) {
			sum += weight;
			squares += weight * weight;
		}
		return (sum * sum) / squares;
	};
	if (counting(1) >= held / 2) return 1;
	let [from, to] = [heat, 1];
	for (let round = 0; round < 30; round += 1) {
		const middle = (from + to) / 2;
		if (counting(middle) >= held / 2) from = middle;
		else to = middle;
	}
	return Math.max(from, Math.min(1, heat + 1e-6));
}

/** As many again, each as often as it weighs: one throw for all, so that none is lost by chance alone. */
function drawn(crowd: readonly Particle[], weights: readonly number[], sum: number, random: Random): Particle[] {
	const first = random() / held;
	let [k, upTo] = [0, weights[0]! / sum];
	return crowd.map((_, index) => {
		while (first + index / held > upTo && k < held - 1) {
			k += 1;
			upTo += weights[k]! / sum;
		}
		return crowd[k]!;
	});
}
