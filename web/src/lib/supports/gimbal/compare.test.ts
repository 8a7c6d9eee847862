import { describe, expect, it } from 'vitest';
import { payload, record, rig, shelf, targetsOf } from '$lib/testing/scenario';
import { compareBalance } from './compare';

const small = rig('Small');
const wide = payload('wide');
const monitor = payload('monitor');

describe('from a logged balance to the present payload', () => {
	it('asks for nothing when nothing has changed, whatever was logged', () => {
		const targets = targetsOf(small, wide);
		const logged: Record<string, number> = { ...targets, plate: targets.plate! + 0.004 };
		const { slides, parts, massChangeKg } = compareBalance(record(wide, small, logged), small, wide, shelf);
		for (const { moveM, predictedM, slideId } of slides) {
			expect(moveM).toBeCloseTo(0, 12);
			expect(predictedM).toBeCloseTo(logged[slideId]!, 12);
		}
		expect(parts).toEqual([]);
		expect(massChangeKg).toBe(0);
	});

	it('adds the computed change to what was really read, so an error common to both cancels', () => {
		const [was, is] = [targetsOf(small, monitor), targetsOf(small, wide)];
		const readOffM = 0.003;
		const logged = Object.fromEntries(Object.entries(was).map(([id, value]) => [id, value + readOffM]));
		for (const { slideId, moveM, predictedM } of compareBalance(record(monitor, small, logged), small, wide, shelf)
			.slides) {
			expect(moveM).toBeCloseTo(is[slideId]! - was[slideId]!, 12);
			expect(predictedM).toBeCloseTo(is[slideId]! + readOffM, 12);
		}
	});

	it('says how short the travel is instead of pointing past the end', () => {
		const was = targetsOf(small, wide);
		const tele = payload('tele');
		const { slides } = compareBalance(record(wide, small, { ...was, plate: was.plate! - 0.01 }), small, tele, shelf);
		const plate = slides.find(({ slideId }) => slideId === 'plate')!;
		expect(plate.predictedM).toBe(-0.055);
		expect(plate.pastEndM).toBeCloseTo(0.01, 9);
	});

	it('names what was added, taken off, moved and weighed anew', () => {
		const heavier = shelf.map((part) =>
			part.name === 'Compact body' ? { ...part, massKg: part.massKg + 0.05 } : part
		);
		const { parts, massChangeKg } = compareBalance(record(monitor, small, {}), small, wide, heavier);
		expect(parts.map(({ name, change }) => `${name} ${change}`)).toEqual([
			'Compact body reweighed',
			'Compact body moved',
			'35 mm prime removed',
			'Small monitor removed',
			'Side microphone removed',
			'Wide zoom 16–35 added'
		]);
		expect(parts.reduce((sum, part) => sum + part.massChangeKg, 0)).toBeCloseTo(massChangeKg, 12);
		expect(parts[1]!.moveM![0]).toBeCloseTo(-0.006, 12);
	});
});
