import { describe, expect, it } from 'vitest';
import { arrowStep, Pull } from './pull.svelte';

const svg = { setPointerCapture: () => {}, getBoundingClientRect: () => ({ left: 100, top: 50 }) };
const event = (x: number, y: number, button = 0) =>
	({
		button,
		pointerId: 1,
		clientX: x,
		clientY: y,
		preventDefault: () => {},
		currentTarget: { ...svg, ownerSVGElement: svg }
	}) as unknown as PointerEvent;

describe('something pulled about on a drawing', () => {
	it('tells where the hand is from the drawing’s corner, only while it holds something, and when it lets go', () => {
		const told: unknown[] = [];
		const pull = new Pull<string>(
			(what, at) => told.push([what, at.x, at.y]),
			() => told.push('settled')
		);
		pull.move(event(110, 60));
		pull.end();
		expect(told).toEqual([]);
		pull.grab(event(110, 60), 'nose');
		expect(pull.pulled).toBe('nose');
		pull.move(event(120, 80));
		pull.end();
		pull.end();
		expect(told).toEqual([['nose', 20, 30], 'settled']);
		expect(pull.pulled).toBeNull();
	});
	it('is not grabbed by another button than the first', () => {
		const pull = new Pull<number>(
			() => {},
			() => {}
		);
		pull.grab(event(0, 0, 2), 3);
		expect(pull.pulled).toBeNull();
		// The number 0 is a thing like any other.
		pull.grab(event(0, 0), 0);
		expect(pull.pulled).toBe(0);
	});
	it.each([
		['ArrowLeft', false, [-0.1, 0]],
		['ArrowUp', true, [0, 1]],
		['ArrowDown', false, [0, -0.1]],
		['Enter', false, null]
	])('takes %s as a step on the plan', (key, shiftKey, step) => {
		expect(arrowStep({ key, shiftKey } as KeyboardEvent, 0.1, 1)).toEqual(step);
	});
});
