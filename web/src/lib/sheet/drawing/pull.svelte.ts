import { DragGesture } from '@use-gesture/vanilla';
import type { PagePoint } from './projection';

/** How far a hand is, in dots of the page. */
interface Pulled {
	/** From the drawing's corner. */
	readonly at: PagePoint;
	/** From where the thing was taken hold of. */
	readonly by: PagePoint;
}

interface Does<What> {
	/** Something was taken hold of, there. */
	readonly start?: (what: What, at: PagePoint) => void;
	readonly pull: (what: What, to: Pulled) => void;
	/** It was let go. */
	readonly settle: () => void;
}

/**
 * Something pulled about on a drawing, by mouse or finger. `what` says which thing; while it is held, `pulled` is that,
 * and the drawing may stand still under the hand. Attach {@link hold} to what can be pulled.
 */
export class Pull<What> {
	pulled = $state.raw<What | null>(null);
	readonly #does: Does<What>;

	constructor(does: Does<What>) {
		this.#does = does;
	}

	/** Of an element of a drawing: asked at the press what it is; null: nothing that can be pulled now. */
	readonly hold = (what: () => What | null) => (element: SVGElement) => {
		let held: What | null = null;
		const gesture = new DragGesture(
			element,
			({ first, last, event, xy: [x, y], movement, delta, cancel }) => {
				const { left, top } = (element.ownerSVGElement ?? element).getBoundingClientRect();
				const at = { x: x - left, y: y - top };
				if (first) {
					// One thing at a time, whatever a second finger takes hold of.
					held = this.pulled === null ? what() : null;
					if (held === null) return cancel();
					event.preventDefault();
					this.pulled = held;
					this.#does.start?.(held, at);
				} else if (held !== null && (delta[0] !== 0 || delta[1] !== 0)) {
					this.#does.pull(held, { at, by: { x: movement[0], y: movement[1] } });
				}
				if (!last || held === null) return;
				held = null;
				this.pulled = null;
				this.#does.settle();
			},
			{ eventOptions: { passive: false }, pointer: { keys: false } }
		);
		return () => gesture.destroy();
	};
}

/** What an arrow key means on a plan, x to the right and y up; null: it is none. With Shift the longer step. */
export function arrowStep(event: KeyboardEvent, step: number, longer: number): readonly [x: number, y: number] | null {
	const far = event.shiftKey ? longer : step;
	switch (event.key) {
		case 'ArrowLeft':
			return [-far, 0];
		case 'ArrowRight':
			return [far, 0];
		case 'ArrowUp':
			return [0, far];
		case 'ArrowDown':
			return [0, -far];
		default:
			return null;
	}
}
