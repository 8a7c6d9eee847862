import { describe, expect, it } from 'vitest';
import type { LoggedSledEntry, SledEntry } from './model';
import { sled } from '$lib/testing/sled';
import { liftTurn, socketLog, threadAdvice, vestAdvice, withKnownPoint } from './vest';

const now = new Date(2026, 4, 12, 15, 0);
const ago = (minutes: number) => new Date(now.getTime() - minutes * 60_000).toISOString();
let count = 0;
const entry = (minutes: number, of: SledEntry): LoggedSledEntry => ({
	...of,
	id: `entry${(count += 1)}`,
	personName: 'Pia Tolland',
	at: ago(minutes)
});
const socket = (minutes: number, inOut: number, side: number, drift: 'away' | 'into' | 'left' | 'right' | 'stays') =>
	entry(minutes, { kind: 'socket', inOut, side, drift, note: '' });
const right = { armSide: 'right', reversed: false } as const;

describe('the socket block', () => {
	const advice = (...log: readonly LoggedSledEntry[]) => threadAdvice(socketLog(log), right, [0, 20]);

	it('turns one thread from the count at which it was seen', () => {
		expect(advice(socket(1, 7, 5, 'away'))).toMatchObject({
			screw: 'inOut',
			way: 'more',
			threads: { inOut: 8, side: 5 }
		});
		expect(advice(socket(1, 9, 5, 'left'))).toMatchObject({
			screw: 'side',
			way: 'fewer',
			threads: { inOut: 9, side: 4 }
		});
		expect(advice(socket(1, 9, 6, 'stays'))).toMatchObject({ screw: null, threads: { inOut: 9, side: 6 } });
		expect(advice()).toBeNull();
	});
	it('goes back by half a thread once it has gone too far, within one fitting', () => {
		expect(advice(socket(1, 8, 5, 'into'), socket(2, 7, 5, 'away'))).toMatchObject({
			byThreads: 0.5,
			threads: { inOut: 7.5 }
		});
		// What was seen before it last stayed belongs to another day.
		expect(advice(socket(1, 8, 5, 'into'), socket(90, 8, 5, 'stays'), socket(95, 7, 5, 'away'))).toMatchObject({
			byThreads: 1,
			threads: { inOut: 7 }
		});
	});
	it('is the mirror image on the left, and says when a screw has no thread left', () => {
		const left = threadAdvice(socketLog([socket(1, 9, 5, 'left')]), { armSide: 'left', reversed: false }, [0, 20]);
		expect(left).toMatchObject({ screw: 'side', way: 'more', threads: { side: 6 } });
		expect(advice(socket(1, 20, 5, 'away'))).toMatchObject({ atEnd: true, threads: { inOut: 20 } });
	});
});

describe('the lift', () => {
	const [section] = sled('heavy').geometry.arm.sections;
	it('asks for half a kilogram’s worth of turns', () => expect(liftTurn(section!)).toBe(0.75));
	it('keeps a right setting as the nearer of the two known points', () => {
		expect(withKnownPoint(section!, 19, 13.5).points).toEqual([section!.points[0], { loadKg: 19, setting: 13.5 }]);
		expect(withKnownPoint(section!, 15, 7).points).toEqual([{ loadKg: 15, setting: 7 }, section!.points[1]]);
		// Never two points at one load.
		const close = { ...section!, points: [section!.points[0], { loadKg: 14.02, setting: 7 }] as const };
		expect(withKnownPoint(close, 14.01, 6.5)).toBe(close);
	});
});

describe('time in the vest', () => {
	const spell = (minutes: number, endedAgo: number) => entry(endedAgo, { kind: 'vest', minutes, loadKg: 20, note: '' });
	it('asks for half as long off as on, and lets go once it was rested', () => {
		expect(vestAdvice([spell(20, 3)], 20, now)).toMatchObject({ rest: true, restMinutes: 10, restedMinutes: 3 });
		expect(vestAdvice([spell(20, 12)], 20, now)).toMatchObject({ rest: false, todayMinutes: 20 });
	});
	it('counts spells with hardly a pause between them as one, and only today’s', () => {
		expect(vestAdvice([spell(15, 1), spell(15, 18)], 20, now)).toMatchObject({ lastMinutes: 30, restMinutes: 15 });
		expect(vestAdvice([spell(15, 1), spell(15, 60)], 20, now)).toMatchObject({ lastMinutes: 15, todayMinutes: 30 });
		expect(vestAdvice([spell(40, 16 * 60)], 20, now)).toMatchObject({ lastMinutes: null, todayMinutes: 0 });
	});
	it('allows shorter spells the heavier the load', () => {
		const spells = [4, 12, 20, 26].map((kg) => vestAdvice([], kg, now).spellMinutes);
		expect([...spells].sort((a, b) => b - a)).toEqual(spells);
		expect(new Set(spells).size).toBe(4);
	});
});
