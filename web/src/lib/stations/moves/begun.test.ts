import { describe, expect, it } from 'vitest';
import { supportKinds } from '$lib/supports/registry';
import { serverKind } from '$lib/server/kinds';
import type { Carrying } from '$lib/model/carrying';
import { fromPattern } from './fromPattern';
import { type Begun, begunWith, patternFor } from './gear';
import { headPatterns } from './headPatterns';
import { axesOf, runOf, runs } from './path';
import { movePatterns } from './patterns';
import { sideOf, smallMove } from './smallMove';

const arm: Carrying = {
	kind: 'arm',
	givesM: null,
	armM: 3.2,
	tailM: 1.1,
	tubeM: 0.1,
	noseToCentreM: [0.1, -0.3],
	keptLevel: true,
	hung: true,
	pivotHeightM: 1.7,
	boomRange: [-0.5, 0.7],
	swingStops: [-1, 1],
	standing: null,
	headPan: { maxRate: 1, maxAccel: 1 },
	headTilt: { maxRate: 1, maxAccel: 1 }
};
const nothing: Begun = { carrier: null, head: null, camera: null };
const begin = (begun: Begun) => begunWith(fromPattern(patternFor(begun), 'A move', null, null), begun);

describe('a move that is begun with what stands on the shelf', () => {
	it('stands on the crane of the bench, within its own stops, and runs', () => {
		const begun = { ...nothing, carrier: { id: 'c', name: 'Hall crane', carrying: arm } };
		expect(patternFor(begun).id).toBe('crane');
		const move = begin(begun);
		expect(move.support).toMatchObject({ kind: 'arm', gearId: 'c', gearName: 'Hall crane', armM: 3.2 });
		for (const { values } of move.knots) {
			expect(values.boomRad).toBeGreaterThanOrEqual(-0.5);
			expect(values.boomRad).toBeLessThanOrEqual(0.7);
			expect(Math.abs(values.swingRad ?? 9)).toBeLessThanOrEqual(1);
		}
		expect(runs(runOf(move))).toBe(true);
	});
	it('is turned by the head it was begun with, even on an arm with a head of its own, and stands still without a carrier', () => {
		const head = { id: 'h', name: 'Chapel head', head: headPatterns[0]!.head };
		expect(begin({ ...nothing, head }).support.kind).toBe('fixed');
		const both = begin({ ...nothing, head, carrier: { id: 'c', name: 'Hall crane', carrying: arm } });
		expect(both.head).toMatchObject({ gearId: 'h', gearName: 'Chapel head', figures: head.head });
	});
	it('carries what is in hand, with its own mass and lens', () => {
		const camera = { id: 'p', name: 'Loom film', massKg: 4.2, lensM: [0.2, 0, 0.05] as const };
		expect(begin({ ...nothing, camera }).camera).toMatchObject({ name: 'Loom film', massKg: 4.2 });
		expect(begin({ ...nothing, camera }).camera.lens?.atM).toEqual(camera.lensM);
	});
	it('is offered from the benches of those kinds that can carry one, and of no others', () => {
		for (const { key, carriesMoves } of supportKinds)
			expect([key, carriesMoves ?? false]).toEqual([key, serverKind(key).carrying !== undefined]);
	});
});

describe('a move drawn small', () => {
	it('is seen from above, but for what rises, hangs or stands at a wall', () => {
		const seen = Object.fromEntries(movePatterns.map((pattern) => [pattern.id, sideOf(drawn(pattern))]));
		expect(seen).toMatchObject({ slider: 'plan', dolly: 'plan', crane: 'plan', walk: 'plan', tripod: 'plan' });
		expect(seen).toMatchObject({ incline: 'front', overhead: 'front', under: 'front' });
		expect(seen).toMatchObject({ upright: 'side', ceiling: 'side', wall: 'side' });
	});
	it.each(movePatterns.map((pattern) => [pattern.id, pattern] as const))('%s lies on its drawing', (_, pattern) => {
		const small = smallMove(drawn(pattern), null, 160, 100);
		for (const { x, y } of [...small.knots, small.subject]) {
			expect(x).toBeGreaterThanOrEqual(0);
			expect(x).toBeLessThanOrEqual(160);
			expect(y).toBeGreaterThanOrEqual(0);
			expect(y).toBeLessThanOrEqual(100);
		}
		expect(small.way.split('L').length).toBe(33);
	});
	it('has its camera look at the subject where it holds it', () => {
		const small = smallMove(drawn(movePatterns[0]!), null, 160, 100);
		const [{ x, y }] = small.knots as [{ x: number; y: number }];
		const to = (Math.atan2(small.subject.y - y, small.subject.x - x) * 180) / Math.PI;
		expect(small.looksDeg).toBeCloseTo(to, 0);
	});
	it('draws a move that cannot run by its knots alone', () => {
		const move = drawn(movePatterns[0]!);
		const knots = move.knots.map((knot) => ({ ...knot, tS: 0 }));
		expect(axesOf(move)).toContain('trackM');
		expect(smallMove({ ...move, knots }, null, 160, 100).way.split('L').length).toBe(knots.length);
	});
});

function drawn(pattern: (typeof movePatterns)[number]) {
	return fromPattern(pattern, pattern.name, null, null);
}
