import { describe, expect, it } from 'vitest';
import type { Look } from '$lib/supports/gimbal/model';
import { bodies, payload, rig } from '$lib/testing/scenario';
import { benchFigures, completePositions, solveWithLooks } from './figures';
import { guideSteps, spoken } from './guide';
import { setUpGimbal } from './setUp';

const small = rig('Small');
const build = bodies(payload('wide'));
const stepsAt = (positionsM: Record<string, number>, looks: Look[] = [], on = small) =>
	guideSteps(on, benchFigures(on, build, positionsM, solveWithLooks(on, build, looks)), { positionsM }, 'metric');
const start = completePositions(small, {});
const holds = (slideId: string, axisId: string, positionsM: Record<string, number>): Look => ({
	axisId,
	kind: 'way',
	slideId,
	observation: 'holds',
	positionsM
});

describe('the guided sequence', () => {
	it('names for each step what is free, what is held and how the camera points', () => {
		const [plate, cradle, crossbar, pan] = stepsAt(start);
		expect(plate).toMatchObject({ free: 'Tilt', held: 'pan and roll', camera: 'Lens level.', stage: 'set' });
		expect(cradle!.camera).toBe('Lens straight up.');
		expect(crossbar).toMatchObject({ free: 'Roll', held: 'pan and tilt' });
		expect(pan!.camera).toMatch(/Lean the whole gimbal/);
		for (const step of [plate, cradle, crossbar, pan]) expect(step!.caution).toMatch(/tighten before letting go/);
	});
	it('goes from setting to looking to done, and back when the slide is moved again', () => {
		const target = benchFigures(small, build, start).targetsM.plate!;
		const placed = { ...start, plate: target };
		expect(stepsAt(placed)[0]!.stage).toBe('look');
		const look = holds('plate', 'tilt', placed);
		expect(stepsAt(placed, [look])[0]!.stage).toBe('done');
		expect(stepsAt({ ...placed, plate: target + 0.004 }, [look])[0]!.stage).toBe('set');
	});
	it('turns a look that falls into the next place to set', () => {
		const target = benchFigures(small, build, start).targetsM.plate!;
		const placed = { ...start, plate: target };
		const [step] = stepsAt(placed, [{ ...holds('plate', 'tilt', placed), observation: 'falls+' } as Look]);
		expect(step!.stage).toBe('set');
		expect(step!.strong).toMatch(/^back \d/);
	});
	it('puts vertical tilt last in the other school', () => {
		const last = setUpGimbal(small, { order: 'verticalLast' });
		expect(stepsAt(start, [], last).map(({ slide }) => slide.id)).toEqual(['plate', 'crossbar', 'panArm', 'cradle']);
	});
	it('says aloud what the slip says', () => {
		const [plate] = stepsAt(start);
		expect(spoken(plate!)).toMatch(/^Slide the plate (forward|back) [\d.]+ mm\. to reading/);
	});
});
