import { describe, expect, it } from 'vitest';
import type { Positions, Gimbal } from './model';
import type { Payload } from '$lib/model/payload';
import { bodies, payload, rig, targetsOf } from '$lib/testing/scenario';
import { benchSlip, fallsWord, lightWarning, slideOf } from './benchSlip';
import { printedReading } from '$lib/sheet/units/printed';
import { printablePosition } from './reading';
import { benchFigures, completePositions } from './figures';

const small = rig('Small');
const large = rig('Large');
const slipOf = (on: Gimbal, of: Payload, positionsM: Positions, waived = false) =>
	benchSlip(on, benchFigures(on, bodies(of), positionsM), 'metric', waived);

describe('the slip of the gimbal bench', () => {
	it('asks for the slides in order, by how far and which way, and names the reading', () => {
		const wide = payload('wide');
		const positionsM = { ...completePositions(small, {}) };
		const asked: string[] = [];
		const next = () => slipOf(small, wide, positionsM);
		for (let slip = next(); slip.kind === 'move' && slip.step !== null; slip = next()) {
			asked.push(`${slip.lead}${slip.strong}, ${slip.detail}`);
			positionsM[slip.step.slideId] = positionsM[slip.step.slideId]! + slip.step.moveM;
			expect(asked.length).toBeLessThan(9);
		}
		expect(asked).toHaveLength(4);
		expect(asked[0]).toBe('Slide the plate back 13.5 mm, To reading 36.5');
		expect(asked.map((line) => line.split(' ')[2])).toEqual(['plate', 'cradle', 'crossbar', 'pan']);
		// All in place is not poised: it asks to let go, axis by axis, and names it.
		const end = next();
		expect([end.kind, end.lead, end.strong]).toEqual(['placed', 'Now let go of ', 'tilt, lens level']);
		expect(`${end.heading} ${end.why}`).not.toMatch(/poised|power/i);
	});

	it('counts turns where the slide has a knob', () => {
		const cine = payload('Cine');
		const slip = slipOf(large, cine, completePositions(large, {}));
		const turns = Math.round((Math.abs(slip.step!.moveM) / 0.004) * 4) / 4;
		expect(slip.detail).toContain(`${Math.floor(turns)}`);
		expect(slip.detail).toMatch(/turns of its knob, to reading \d/);
	});

	it('speaks inches to whoever wants them', () => {
		const figures = benchFigures(small, bodies(payload('wide')), completePositions(small, {}));
		expect(benchSlip(small, figures, 'imperial', false).strong).toBe('back 0.53 in');
	});

	it('says which later step a move upsets', () => {
		expect(slipOf(small, payload('wide'), completePositions(small, {})).upsets).toMatch(
			/^Upsets pan by \d.* mm, whose turn is step 4\.$/
		);
		const atTargets = targetsOf(small, payload('wide'));
		const crossbar = slipOf(small, payload('wide'), { ...atTargets, crossbar: 0 });
		expect(crossbar.heading).toContain('Step 3 of 4');
	});

	it('gives the least change first when the gimbal runs out of travel, and goes on when waived', () => {
		const tele = payload('tele');
		const slip = slipOf(small, tele, completePositions(small, {}));
		expect(`${slip.lead}${slip.strong}`).toBe('Move the camera on its plate back 12 mm');
		expect(slip.why).toContain('The plate runs out of travel; tilt keeps');
		expect(slip.moveAllForwardM).toBeCloseTo(-0.012, 12);
		expect(slip.others.map(({ text }) => text)).toEqual(['Or fix 145 g at the rear end of the plate.']);
		expect(slipOf(small, tele, completePositions(small, {}), true).kind).toBe('move');
		const waived = slipOf(small, tele, targetsOf(small, tele), true);
		expect(`${waived.lead}${waived.strong}`).toBe('Placed, but not poised');
	});

	it('refuses a payload that is too heavy before anything else, and warns of one that is too light', () => {
		const cine = payload('Cine');
		const slip = slipOf(small, cine, completePositions(small, {}));
		expect(slip.kind).toBe('tooHeavy');
		expect(slip.strong).toBe('7.11 kg or more');
		const slight = slipOf(large, payload('wide'), completePositions(large, {}));
		expect([slight.kind, slight.strong]).toEqual(['tooLight', '1.71 kg or more']);
		const choosy = { ...small, leastPayloadKg: 1.5 };
		const light = benchFigures(choosy, bodies(payload('wide')), completePositions(small, {}));
		expect(lightWarning(choosy, light, 'metric')).toContain('213 g');
		const right = benchFigures(large, bodies(cine), completePositions(large, {}));
		expect(lightWarning(large, right, 'metric')).toBeNull();
	});
});

describe('readings', () => {
	it('are printed to the half millimetre and can be set there', () => {
		const plate = slideOf(small, 'plate');
		expect(printedReading(plate, -0.01832)).toBe('36.5');
		expect(printablePosition(plate, -0.01832)).toBeCloseTo(-0.0185, 12);
		expect(printablePosition(plate, -0.0551)).toBe(-0.055);
	});
});

describe('what an axis does when it is let go', () => {
	const small = rig('Small');
	const side = (id: string) => ([1, -1] as const).map((way) => fallsWord(slideOf(small, id), way));

	it('is named for the side that goes down', () => {
		expect(side('plate')).toEqual(['falls forward', 'falls back']);
		expect(side('crossbar')).toEqual(['falls left', 'falls right']);
	});
	it('is named for top and underside where it is looked at lens up: what stands high falls over backwards', () => {
		expect(side('cradle')).toEqual(['top side drops', 'underside drops']);
	});
	it('is the plus side where the payload stands too far to plus', () => {
		const wide = payload('wide');
		const targets = targetsOf(small, wide);
		const far = { ...targets, plate: targets.plate! + 0.015 };
		const figures = benchFigures(small, bodies(wide), far);
		const row = figures.axes.find(({ id }) => id === slideOf(small, 'plate').balances)!;
		expect(row.offsetM[0]).toBeGreaterThan(0.005);
	});
});
