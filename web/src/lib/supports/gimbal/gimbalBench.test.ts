import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { stubServer, stubStorage } from '$lib/testing/browserStubs';
import { bodies, payload, rig, targetsOf } from '$lib/testing/scenario';
import { GimbalBench } from './gimbalBench.svelte';

const small = rig('Small');
const wide = payload('wide');
const newBench = (saved: ConstructorParameters<typeof GimbalBench>[3] = null) =>
	new GimbalBench(small, { id: wide.id, version: 1 }, bodies(wide), saved);
const saved = { status: 200, body: { saved: true } };

beforeEach(() => {
	vi.useFakeTimers();
	stubStorage();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('a gimbal bench', () => {
	it('starts at mid-travel, or where the scales were last read', () => {
		expect(newBench().positionsM.plate).toBeCloseTo(-0.005, 12);
		const bench = newBench({ positionsM: { plate: 0.02 }, nudges: [] });
		expect(bench.positionsM.plate).toBe(0.02);
		expect(bench.positionsM.cradle).toBeCloseTo(0.005, 12);
	});

	it('is in place after accepting each slip in turn, lists the moves that were made, and is poised once each axis was seen to hold', () => {
		stubServer(() => saved);
		const bench = newBench();
		for (let guard = 0; bench.figures!.next !== null && guard < 8; guard += 1) bench.accept();
		expect([bench.figures!.placed, bench.figures!.poised]).toEqual([true, false]);
		expect(bench.nudges.map(({ slideId }) => slideId)).toEqual(['plate', 'cradle', 'crossbar', 'panArm']);
		for (const { slideId, fromM, toM } of bench.nudges) {
			expect(fromM).not.toBe(toM);
			// A printed reading is at most a quarter of a millimetre from the solved one.
			expect(Math.abs(toM - targetsOf(small, wide)[slideId]!)).toBeLessThanOrEqual(0.00025 + 1e-12);
		}
		bench.accept();
		expect(bench.nudges).toHaveLength(4);
		const holds = (slideId: string, axisId: string) =>
			bench.look({ axisId, kind: 'way', slideId, observation: 'holds' });
		for (const [slideId, axisId] of [
			['plate', 'tilt'],
			['cradle', 'tilt'],
			['crossbar', 'roll']
		] as const)
			holds(slideId, axisId);
		expect([...bench.figures!.seen]).toEqual(['plate', 'cradle', 'crossbar']);
		expect(bench.figures!.poised).toBe(false);
		holds('panArm', 'pan');
		expect(bench.figures!.poised).toBe(true);
		// Moving an inner slide takes its own axis, and the one outside along the same line, back to unseen.
		bench.read('plate', bench.positionsM.plate! + 0.003, 'rule');
		expect(bench.figures!.seen.has('plate')).toBe(false);
		expect(bench.figures!.seen.has('panArm')).toBe(false);
		expect(bench.figures!.seen.has('crossbar')).toBe(true);
	});

	it('takes a reading as the truth without calling it a nudge, and undoes both', () => {
		stubServer(() => saved);
		const bench = newBench();
		bench.accept();
		bench.read('plate', 0.03, 'field plate');
		bench.read('plate', 0.031, 'field plate');
		bench.document.settle();
		expect([bench.positionsM.plate, bench.nudges.length]).toEqual([0.031, 1]);
		expect(bench.figures!.next!.slideId).toBe('plate');
		bench.document.undo();
		expect(bench.positionsM.plate).toBeCloseTo(targetsOf(small, wide).plate!, 3);
		bench.document.undo();
		expect([bench.positionsM.plate, bench.nudges.length]).toEqual([expect.closeTo(-0.005, 12), 0]);
		bench.document.redo();
		expect(bench.nudges).toHaveLength(1);
	});

	it('sends the last state once, and again after the link was lost', async () => {
		let linked = false;
		const requests = stubServer(() => (linked ? saved : 'no link'));
		const bench = newBench();
		bench.read('plate', 0.01, 'rule plate');
		bench.read('plate', 0.012, 'rule plate');
		await vi.advanceTimersByTimeAsync(500);
		expect([requests.length, bench.document.linkLost]).toEqual([1, true]);
		linked = true;
		await vi.advanceTimersByTimeAsync(3_500);
		expect(bench.document.linkLost).toBe(false);
		expect(requests.at(-1)!.body.wanted.positionsM.plate).toBe(0.012);
		await vi.advanceTimersByTimeAsync(10_000);
		expect(requests).toHaveLength(2);
	});

	it('takes up an unsent reading in a new page', async () => {
		stubServer(() => 'no link');
		const before = newBench();
		before.read('crossbar', -0.02, 'rule crossbar');
		await vi.advanceTimersByTimeAsync(500);
		before.document.stop();
		const after = newBench();
		after.document.restore();
		expect(after.positionsM.crossbar).toBe(-0.02);
		after.document.stop();
	});

	it('starts over with a clean roll, one undo away from where it was', () => {
		stubServer(() => saved);
		const bench = newBench();
		bench.accept();
		bench.waive(true);
		bench.startOver();
		expect([bench.nudges.length, bench.waived]).toEqual([0, false]);
		bench.document.undo();
		expect(bench.nudges).toHaveLength(1);
		bench.document.stop();
	});

	it('has no figures for a bare plate', () => {
		const bare = new GimbalBench(small, { id: 'x', version: 1 }, bodies({ ...wide, placements: [] }), null);
		expect(bare.figures).toBeNull();
	});
});

describe('what is seen and put on at a bench', () => {
	const tele = payload('tele');
	const teleBench = () => new GimbalBench(small, { id: tele.id, version: 1 }, bodies(tele), null);
	it('is one step each, undone and sent with the readings', async () => {
		const sent = stubServer(() => saved);
		const bench = newBench();
		bench.look({ axisId: 'tilt', kind: 'way', slideId: 'plate', observation: 'falls+' });
		expect(bench.looks[0]!.positionsM).toBe(bench.positionsM);
		bench.setOrder('verticalLast');
		expect(bench.rig.geometry.slides[3]!.id).toBe('cradle');
		await vi.advanceTimersByTimeAsync(1000);
		expect(sent[sent.length - 1]!.body).toMatchObject({
			wanted: { order: 'verticalLast', looks: [{ observation: 'falls+' }] }
		});
		bench.document.undo();
		expect(bench.rig.geometry.slides[1]!.id).toBe('cradle');
		bench.document.undo();
		expect(bench.looks).toEqual([]);
	});
	it('strikes out one thing seen, keeps it on the roll, and counts it again', () => {
		stubServer(() => saved);
		const bench = newBench();
		const plain = bench.figures!.targetsM.plate!;
		bench.look({ axisId: 'tilt', kind: 'way', slideId: 'plate', observation: 'falls+' });
		bench.look({ axisId: 'roll', kind: 'way', slideId: 'crossbar', observation: 'holds' });
		bench.strike(0, true);
		expect(bench.looks).toHaveLength(2);
		expect(bench.counted.map(({ axisId }) => axisId)).toEqual(['roll']);
		expect(bench.figures!.targetsM.plate).toBeCloseTo(plain, 6);
		bench.strike(0, false);
		expect(bench.counted).toHaveLength(2);
	});
	it('takes the drawing’s word for it when told to, and the looks’ again with the next look', () => {
		stubServer(() => saved);
		const bench = newBench();
		const plain = bench.figures!.targetsM.plate!;
		const falls = { axisId: 'tilt', kind: 'way', slideId: 'plate' } as const;
		bench.read('plate', plain, 'rule');
		bench.look({ ...falls, observation: 'falls+' });
		expect(bench.figures!.targetsM.plate!).toBeLessThan(plain - 0.0005);
		bench.believe(true);
		expect(bench.figures!.targetsM.plate).toBeCloseTo(plain, 6);
		expect(bench.looks).toHaveLength(1);
		bench.look({ ...falls, observation: 'falls+' });
		expect(bench.believeDrawing).toBe(false);
		expect(bench.figures!.targetsM.plate!).toBeLessThan(plain - 0.0005);
	});
	it('balances once its remedy is applied, and not once that is taken off', () => {
		stubServer(() => saved);
		const bench = teleBench();
		expect(bench.figures!.solution.balanced).toBe(false);
		const remedy = bench.figures!.solution.remedies.find(({ kind }) => kind === 'addMass')!;
		bench.apply(remedy);
		expect(bench.state.weights).toEqual([{ placeId: 'plateRear', massKg: 0.145 }]);
		expect(bench.figures!.solution.balanced).toBe(true);
		bench.takeOff({ weight: 0 });
		expect(bench.figures!.solution.balanced).toBe(false);
		bench.document.undo();
		expect(bench.figures!.solution.balanced).toBe(true);
	});
	it('fits an extension by its slide, and starts over with the chosen order', () => {
		stubServer(() => saved);
		const bench = teleBench();
		bench.setOrder('verticalLast');
		bench.apply({ kind: 'extendSlide', slideId: 'plate', end: 'least', byM: 0.01, middleByM: 0.02, positionsM: {} });
		expect(bench.state.alternativeIds).toEqual(['extensionplate']);
		bench.startOver();
		expect([bench.state.alternativeIds, bench.order, bench.looks.length]).toEqual([undefined, 'verticalLast', 0]);
	});
});
