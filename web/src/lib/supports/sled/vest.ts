import { type ArmSection, type Drift, type SocketSetup, socketTurn, type SocketTurn } from '@poise/core';
import type { LoggedSledEntry, SledArm } from './model';

/** What is felt for before a vest carries anything. */
export const vestFit = [
	{ id: 'hips', words: 'Hip belt on the hip bones, tight: the hips carry' },
	{ id: 'chest', words: 'Chest part snug, a full breath still goes in' },
	{ id: 'shoulders', words: 'Shoulder straps touch and carry little' },
	{ id: 'spar', words: 'Middle bar straight down the breastbone, not twisted' },
	{ id: 'block', words: 'Socket block at the height where the arm lies level' },
	{ id: 'release', words: 'Quick release tried today with nothing on it; the hand finds it blind' },
	{ id: 'spotter', words: 'A spotter named for stairs and for walking backwards' }
] as const;

export const driftWords: Readonly<Record<Drift, string>> = {
	away: 'falls away',
	into: 'comes into me',
	left: 'goes left',
	right: 'goes right',
	stays: 'stays'
};

export interface Threads {
	readonly inOut: number;
	readonly side: number;
}

export interface ThreadAdvice extends Omit<SocketTurn, 'threads'> {
	/** Counts to set now: the last ones with the turn made. */
	readonly threads: Threads;
	readonly way: SocketTurn['threads'];
	/** The screw has no thread left that way. */
	readonly atEnd: boolean;
	readonly byThreads: number;
}

type SocketLog = LoggedSledEntry & { readonly kind: 'socket' };
export const socketLog = (entries: readonly LoggedSledEntry[]): SocketLog[] =>
	entries.filter((entry): entry is SocketLog => entry.kind === 'socket');

const opposite: Readonly<Partial<Record<Drift, Drift>>> = { away: 'into', into: 'away', left: 'right', right: 'left' };

/**
 * What to turn after the newest look, from the count it was seen at; newest entry first. One thread at a time; half a
 * thread once the same screw was seen to be wrong the other way before. Null: nothing logged.
 */
export function threadAdvice(
	log: readonly SocketLog[],
	setup: SocketSetup,
	range: SledArm['threads']
): ThreadAdvice | null {
	const [latest, ...earlier] = log;
	if (latest === undefined) return null;
	const { inOut, side, drift } = latest;
	const turn = socketTurn({ drift, setup });
	if (turn.screw === null || turn.threads === null)
		return { ...turn, way: null, threads: { inOut, side }, atEnd: false, byThreads: 0 };
	// Only the looks of this fitting count: those since it last stayed.
	const since = earlier.slice(0, earlier.findIndex((each) => each.drift === 'stays') + 1 || earlier.length);
	const overshot = since.some((each) => each.drift === opposite[drift]);
	const byThreads = overshot ? 0.5 : 1;
	const wanted = latest[turn.screw] + (turn.threads === 'more' ? byThreads : -byThreads);
	const count = Math.min(range[1], Math.max(range[0], wanted));
	return {
		...turn,
		way: turn.threads,
		threads: { inOut, side, [turn.screw]: count },
		atEnd: count !== wanted,
		byThreads
	};
}

/** Half a kilogram's worth of a section's own adjustment, to a quarter: what a droop or a rise asks for first. */
export function liftTurn({ points: [a, b] }: ArmSection): number {
	const perKg = Math.abs((b.setting - a.setting) / (b.loadKg - a.loadKg));
	return Math.max(0.25, Math.round(perKg * 0.5 * 4) / 4);
}

/** A setting found right becomes one of the two known points: the one whose load is nearer, unless the other would then coincide. */
export function withKnownPoint<Section extends ArmSection>(section: Section, loadKg: number, setting: number): Section {
	const [a, b] = section.points;
	const nearer = Math.abs(a.loadKg - loadKg) <= Math.abs(b.loadKg - loadKg) ? 0 : 1;
	const kept = nearer === 0 ? b : a;
	if (Math.abs(kept.loadKg - loadKg) < 0.05) return section;
	const point = { loadKg, setting };
	return { ...section, points: nearer === 0 ? [point, b] : [a, point] };
}

export interface VestAdvice {
	/** Minutes in the vest since midnight. */
	readonly todayMinutes: number;
	/** The newest spell, and how long ago it ended. */
	readonly lastMinutes: number | null;
	readonly restedMinutes: number | null;
	/** Longest spell and the rest after it, by the rule of thumb. */
	readonly spellMinutes: number;
	readonly restMinutes: number;
	readonly rest: boolean;
}

/** Longest spell in minutes: three quarters of an hour with next to nothing on, a quarter with all a person carries. */
const spellFor = (loadKg: number) => Math.round(Math.min(45, Math.max(12, 52 - 1.6 * loadKg)));
const sameSpellMinutes = 5;

/**
 * How long it was worn today and whether to rest. A rule of thumb, not medicine: half as long off as on, five minutes at
 * least, and a spell no longer than the load allows.
 */
export function vestAdvice(entries: readonly LoggedSledEntry[], loadKg: number, now: Date): VestAdvice {
	const spells = entries
		.filter((entry): entry is LoggedSledEntry & { readonly kind: 'vest' } => entry.kind === 'vest')
		.map(({ minutes, at }) => ({ minutes, end: new Date(at).getTime() }))
		.filter(({ end }) => end <= now.getTime())
		.sort((a, b) => b.end - a.end);
	const midnight = new Date(now.getFullYear(), now.getMonth(), now.getDate()).getTime();
	const today = spells.filter(({ end }) => end >= midnight);
	const last = today[0];
	const spellMinutes = spellFor(loadKg);
	if (last === undefined)
		return {
			todayMinutes: 0,
			lastMinutes: null,
			restedMinutes: null,
			spellMinutes,
			restMinutes: Math.max(5, Math.round(spellMinutes / 2)),
			rest: false
		};
	// Spells with hardly a pause between them are one.
	let worn = last.minutes;
	let from = last.end - last.minutes * 60_000;
	for (const { minutes, end } of today.slice(1)) {
		if (from - end > sameSpellMinutes * 60_000) break;
		worn += minutes;
		from = end - minutes * 60_000;
	}
	const restedMinutes = Math.floor((now.getTime() - last.end) / 60_000);
	const restMinutes = Math.max(5, Math.round(worn / 2));
	return {
		todayMinutes: today.reduce((sum, { minutes }) => sum + minutes, 0),
		lastMinutes: worn,
		restedMinutes,
		spellMinutes,
		restMinutes,
		rest: restedMinutes < restMinutes
	};
}
