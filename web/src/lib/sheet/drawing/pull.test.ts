import { describe, expect, it, vi } from 'vitest';
import { arrowStep, Pull } from './pull.svelte';

// The library asks once, when it is loaded, whether there are pointers here.
vi.hoisted(() => {
	vi.stubGlobal('document', { createElement: () => null, pointerLockElement: null });
	vi.stubGlobal('window', { document, navigator: {}, onpointerdown: null });
	vi.stubGlobal('HTMLElement', class {});
});

/** As much of an element of a drawing as a pull asks for: the drawing's corner lies at 100, 50. */
class Element extends EventTarget {
	readonly ownerSVGElement = { getBoundingClientRect: () => ({ left: 100, top: 50 }) };
	readonly #captured = new Set<number>();
	setPointerCapture = (id: number) => void this.#captured.add(id);
	hasPointerCapture = (id: number) => this.#captured.has(id);
	releasePointerCapture = (id: number) => void this.#captured.delete(id);
	tell(type: string, clientX: number, clientY: number, { buttons = 1, pointerId = 1 } = {}) {
		const event = new Event(`pointer${type}`, { cancelable: true });
		this.dispatchEvent(Object.assign(event, { clientX, clientY, buttons, pointerId, pointerType: 'mouse' }));
	}
}

function pulled<What>(what: () => What | null) {
	const told: unknown[] = [];
	const pull = new Pull<What>({
		start: (held, at) => told.push(['start', held, [at.x, at.y]]),
		pull: (held, { at, by }) => told.push([held, [at.x, at.y], [by.x, by.y]]),
		settle: () => told.push('settled')
	});
	const hold = () => {
		const element = new Element();
		return { element, drop: pull.hold(what)(element as unknown as SVGElement) };
	};
	return { told, pull, hold };
}

describe('something pulled about on a drawing', () => {
	it('tells where the hand is and how far, only while it holds something, and when it lets go', () => {
		const { told, pull, hold } = pulled(() => 'nose');
		const { element } = hold();
		element.tell('move', 110, 60);
		expect(told).toEqual([]);
		element.tell('down', 110, 60);
		expect(pull.pulled).toBe('nose');
		element.tell('move', 120, 85);
		element.tell('up', 120, 85);
		element.tell('move', 150, 85);
		expect(told).toEqual([['start', 'nose', [10, 10]], ['nose', [20, 35], [10, 25]], 'settled']);
		expect(pull.pulled).toBeNull();
	});
	it('is not grabbed by another button than the first, nor where nothing can be pulled', () => {
		const { told, pull, hold } = pulled(() => 3);
		hold().element.tell('down', 0, 0, { buttons: 2 });
		expect(pull.pulled).toBeNull();
		const nothing = pulled<number>(() => null);
		const { element } = nothing.hold();
		element.tell('down', 0, 0);
		element.tell('move', 30, 0);
		expect([told, nothing.told]).toEqual([[], []]);
	});
	it('holds the number 0 like any other thing', () => {
		const { pull, hold } = pulled(() => 0);
		hold().element.tell('down', 0, 0);
		expect(pull.pulled).toBe(0);
	});
	it('holds one thing at a time, and the second hand neither moves nor settles it', () => {
		let next = 0;
		const { told, pull, hold } = pulled(() => (next += 1));
		const [one, two] = [hold().element, hold().element];
		one.tell('down', 100, 50);
		two.tell('down', 100, 50, { pointerId: 2 });
		two.tell('move', 140, 50, { pointerId: 2 });
		two.tell('up', 140, 50, { pointerId: 2 });
		expect([pull.pulled, told]).toEqual([1, [['start', 1, [0, 0]]]]);
		one.tell('move', 101, 52);
		expect(told.at(-1)).toEqual([1, [1, 2], [1, 2]]);
	});
	it('hears nothing more of an element that is gone', () => {
		const { told, hold } = pulled(() => 'arm');
		const { element, drop } = hold();
		drop();
		element.tell('down', 0, 0);
		expect(told).toEqual([]);
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
