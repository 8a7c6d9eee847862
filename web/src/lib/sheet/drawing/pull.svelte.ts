import type { PagePoint } from './projection';

/**
 * Something pulled about on a drawing, by mouse or finger. `what` says which thing; while it is held, `pulled` is that,
 * and the drawing may stand still under the hand. Put `move` and `end` on the svg, `grab` on what can be pulled.
 */
export class Pull<What> {
	pulled = $state.raw<What | null>(null);
	readonly #pull: (what: What, at: PagePoint) => void;
	readonly #settle: () => void;

	/** `pull` is told where the hand is, in dots from the drawing's corner; `settle` that it has let go. */
	constructor(pull: (what: What, at: PagePoint) => void, settle: () => void) {
		this.#pull = pull;
		this.#settle = settle;
	}

	grab(event: PointerEvent, what: What): void {
		if (event.button !== 0) return;
		(event.currentTarget as SVGElement).ownerSVGElement?.setPointerCapture(event.pointerId);
		this.pulled = what;
		event.preventDefault();
	}
	readonly move = (event: PointerEvent): void => {
		if (this.pulled !== null) this.#pull(this.pulled, placeOn(event));
	};
	readonly end = (): void => {
		if (this.pulled === null) return;
		this.pulled = null;
		this.#settle();
	};
}

/** Where a pointer is on the drawing that the event was handled by, in dots from its corner. */
export function placeOn(event: PointerEvent | WheelEvent): PagePoint {
	const box = (event.currentTarget as Element).getBoundingClientRect();
	return { x: event.clientX - box.left, y: event.clientY - box.top };
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
