import { describe, expect, it } from 'vitest';
import {
	axisStates,
	balanceGimbal,
	balanceSteps,
	disturbance,
	midTravel,
	mountPayload,
	positionAt,
	readingAt
} from '../index';
import { samplePayload, sampleRig } from '../testing/sampleRig';

const chain = mountPayload({ rig: sampleRig, payload: samplePayload });
const targetsM = Object.fromEntries(balanceGimbal({ chain }).slides.map(({ id, positionM }) => [id, positionM]));
const stepsAt = (positionsM: Record<string, number>) =>
	balanceSteps({ rig: sampleRig, payload: samplePayload, positionsM, targetsM });

describe('balanceSteps', () => {
	it('walks a gimbal from mid-travel to poised, one slide at a time, in order', () => {
		const positionsM = midTravel(sampleRig.slides);
		const order: string[] = [];
		for (let guard = 0; guard < 10; guard += 1) {
			const next = stepsAt(positionsM).steps.find(({ placed }) => !placed);
			if (next === undefined) break;
			order.push(next.slideId);
			positionsM[next.slideId] = positionsM[next.slideId]! + next.moveM;
		}
		expect(order).toEqual(['plate', 'cradleHeight', 'crossbar', 'panArm']);
		expect(stepsAt(positionsM).poised).toBe(true);
	});

	it('reports the offset of the axis as it stands, heavy side positive', () => {
		const [plate] = stepsAt({}).steps;
		expect(plate!.offsetM).toBeCloseTo(axisStates({ chain, positionsM: {} })[2]!.offsetM[0], 12);
		expect(plate!.offsetM).toBeGreaterThan(0);
		expect(plate!.moveM).toBeLessThan(0);
	});

	it('says what a move upsets, in step with the disturbance of that slide', () => {
		const [plate] = stepsAt({}).steps;
		const pan = disturbance({ chain, slideId: 'plate' }).axes.find(({ id }) => id === 'pan')!;
		expect(plate!.upsets).toEqual([
			{ axisId: 'pan', offsetM: expect.closeTo((Math.abs(plate!.moveM) * pan.offsetM[0]) / 0.001, 12) as number }
		]);
	});

	it('lets friction forgive what it holds', () => {
		// Tilt carries 1.6 kg with 0.012 N·m of friction: 0.012 / (1.6 · 9.80665) = 0.765 mm.
		const [plate] = stepsAt(targetsM).steps;
		expect(plate!.bandM).toBeCloseTo(0.000765, 6);
		expect(stepsAt({ ...targetsM, plate: targetsM.plate! + 0.0009 }).steps[0]!.placed).toBe(true);
		expect(stepsAt({ ...targetsM, plate: targetsM.plate! + 0.0012 }).steps[0]!.placed).toBe(false);
	});
});

describe('scales', () => {
	it('read back where a slide stands, counting either way', () => {
		for (const slide of sampleRig.slides) expect(positionAt(slide, readingAt(slide, 0.0123))).toBeCloseTo(0.0123, 15);
		const crossbar = sampleRig.slides[2]!;
		expect(readingAt(crossbar, 0.01)).toBeCloseTo(0.05, 15);
	});
});
