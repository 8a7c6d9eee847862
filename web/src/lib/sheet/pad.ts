/** Where a stick is, −1 to 1 along each axis: right and up positive. */
export interface Deflection {
	readonly x: number;
	readonly y: number;
}
export const centred: Deflection = { x: 0, y: 0 };

/** What of a game controller is read: the standard layout's left stick, whose second axis grows downwards. */
interface ReadPad {
	readonly connected: boolean;
	readonly id: string;
	readonly axes: readonly number[];
}

/** The first controller that is there, and its left stick; from axis 2 its right one. Null: none is. What is no number counts as centred. */
export function readPads(
	pads: readonly (ReadPad | null)[],
	from: 0 | 2 = 0
): { readonly id: string; readonly at: Deflection } | null {
	const pad = pads.find((each) => each !== null && each.connected);
	if (pad === undefined || pad === null) return null;
	const axis = (k: number) => {
		const value = pad.axes[k] ?? 0;
		return Number.isFinite(value) ? Math.max(-1, Math.min(1, value)) : 0;
	};
	return { id: pad.id, at: { x: axis(from), y: -axis(from + 1) + 0 } };
}

/** Where the arrow keys that are down hold a stick; with Shift half of the way. */
export function fromKeys(down: ReadonlySet<string>, half: boolean): Deflection {
	const size = half ? 0.5 : 1;
	const along = (plus: string, minus: string) => (Number(down.has(plus)) - Number(down.has(minus))) * size;
	return { x: along('ArrowRight', 'ArrowLeft'), y: along('ArrowUp', 'ArrowDown') };
}

/** A point on a round pad, kept within its rim. */
export function onPad(x: number, y: number): Deflection {
	const far = Math.hypot(x, y);
	return far <= 1 ? { x, y } : { x: x / far, y: y / far };
}
