import { outerSizeM, type Part } from '$lib/model/part';
import type { View } from './projection';

/**
 * How a part is drawn in a view, in px about the middle of its foot (side and front) or of its outline at its shortest
 * (top): an outline that takes the hatching, and finer lines on it. The outline always fills the part's box to scale; the
 * lines on it only say what kind of thing it is.
 */
export interface Glyph {
	readonly outline: string;
	readonly details: readonly string[];
	readonly hatched: boolean;
	/** The box of the drawing, for labels and for the pointer. */
	readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

type Pen = { readonly x: number; readonly y: number; readonly w: number; readonly h: number };

export function glyph(part: Part, view: View, pxPerM: number, extended = 1): Glyph {
	const [l, w, h] = part.shape.sizeM.map((edge) => edge * pxPerM) as [number, number, number];
	const outer = outerSizeM(part.shape, extended)[0] * pxPerM;
	const pen: Pen =
		view === 'side'
			? { x: -l / 2, y: -h, w: outer, h }
			: view === 'top'
				? { x: -l / 2, y: -w / 2, w: outer, h: w }
				: { x: -w / 2, y: -h, w, h };
	const draw = drawings[part.kind] ?? drawings.other;
	const shape = { ...part.shape, extensionM: part.shape.extensionM * extended };
	return { ...draw(pen, view, { ...part, shape }, pxPerM), box: { x: pen.x, y: pen.y, width: pen.w, height: pen.h } };
}

type Drawn = Omit<Glyph, 'box'>;
type Draw = (pen: Pen, view: View, part: Part, pxPerM: number) => Drawn;

const n = (value: number) => Number(value.toFixed(2));

function rectangle(x: number, y: number, w: number, h: number, round = 0): string {
	const r = Math.max(0, Math.min(round, w / 2, h / 2));
	if (r === 0) return `M${n(x)} ${n(y)}h${n(w)}v${n(h)}h${n(-w)}z`;
	const [a, b] = [n(w - 2 * r), n(h - 2 * r)];
	const q = n(r);
	return `M${n(x + r)} ${n(y)}h${a}a${q} ${q} 0 0 1 ${q} ${q}v${b}a${q} ${q} 0 0 1 ${-q} ${q}h${-a}a${q} ${q} 0 0 1 ${-q} ${-q}v${-b}a${q} ${q} 0 0 1 ${q} ${-q}z`;
}

function circle(cx: number, cy: number, r: number): string {
	const q = n(r);
	return `M${n(cx - r)} ${n(cy)}a${q} ${q} 0 1 0 ${n(2 * r)} 0a${q} ${q} 0 1 0 ${n(-2 * r)} 0z`;
}

function ellipse(cx: number, cy: number, rx: number, ry: number): string {
	return `M${n(cx - rx)} ${n(cy)}a${n(rx)} ${n(ry)} 0 1 0 ${n(2 * rx)} 0a${n(rx)} ${n(ry)} 0 1 0 ${n(-2 * rx)} 0z`;
}

const across = (x: number, y: number, h: number) => `M${n(x)} ${n(y)}v${n(h)}`;
const along = (x: number, y: number, w: number) => `M${n(x)} ${n(y)}h${n(w)}`;

const camera: Draw = ({ x, y, w, h }, view) => {
	if (view === 'top')
		return {
			outline: rectangle(x, y, w, h, w * 0.12),
			details: [
				circle(x + w * 0.42, y + h * 0.84, Math.min(w, h) * 0.11),
				circle(x + w * 0.42, y + h * 0.84, Math.min(w, h) * 0.06),
				rectangle(x + w * 0.12, y + h * 0.34, w * 0.66, h * 0.32, 3)
			],
			hatched: true
		};
	const deck = h * 0.16;
	if (view === 'side') {
		// A body with the viewfinder's hump on its deck.
		const [from, to] = [x + w * 0.06, x + w * 0.72];
		return {
			outline: `M${n(x)} ${n(y + h)}v${n(-(h - deck))}h${n(from - x)}l${n(w * 0.05)} ${n(-deck)}H${n(to)}l${n(w * 0.1)} ${n(deck)}H${n(x + w)}V${n(y + h)}z`,
			details: [along(x, y + deck, w), across(x + w * 0.86, y + deck, h - deck)],
			hatched: true
		};
	}
	const middle = x + w / 2;
	return {
		outline: `M${n(x)} ${n(y + h)}V${n(y + deck * 1.3)}q0 ${n(-deck * 0.3)} ${n(w * 0.04)} ${n(-deck * 0.3)}H${n(middle - w * 0.2)}l${n(w * 0.06)} ${n(-deck)}h${n(w * 0.28)}l${n(w * 0.06)} ${n(deck)}H${n(x + w * 0.96)}q${n(w * 0.04)} 0 ${n(w * 0.04)} ${n(deck * 0.3)}V${n(y + h)}z`,
		details: [circle(middle, y + h * 0.56, Math.min(w, h) * 0.3), across(x + w * 0.16, y + deck, h - deck)],
		hatched: true
	};
};

const lens: Draw = ({ x, y, w, h }, view, part, pxPerM) => {
	if (view === 'front') {
		const [cx, cy, r] = [x + w / 2, y + h / 2, Math.min(w, h) / 2];
		return {
			outline: ellipse(cx, cy, w / 2, h / 2),
			details: [
				circle(cx, cy, r * 0.84),
				circle(cx, cy, r * 0.56),
				`M${n(cx - r * 0.34)} ${n(cy - r * 0.18)}a${n(r * 0.4)} ${n(r * 0.4)} 0 0 1 ${n(r * 0.3)} ${n(-r * 0.2)}`
			],
			hatched: false
		};
	}
	const extension = part.shape.extensionM * pxPerM;
	const barrel = w - extension;
	const [rear, front] = [barrel * 0.1, Math.min(barrel * 0.16, h * 0.3)];
	const inset = h * 0.1;
	const body = `M${n(x)} ${n(y + inset)}h${n(rear)}v${n(-inset)}H${n(x + barrel)}`;
	const nose =
		extension > 0
			? `v${n(inset * 0.7)}h${n(extension)}v${n(h - inset * 1.4)}h${n(-extension)}v${n(inset * 0.7)}`
			: `v${n(h)}`;
	const rings: string[] = [];
	for (let k = 0; k < 3; k += 1) {
		const at = x + rear + (barrel - rear - front) * (0.3 + k * 0.22);
		rings.push(across(at, y, h));
	}
	const grip = x + rear + (barrel - rear - front) * 0.52;
	const ribs = Array.from({ length: 6 }, (_, k) => along(grip, y + (h * (k + 1)) / 7, (barrel - rear - front) * 0.22));
	return {
		outline: `${body}${nose}H${n(x + rear)}v${n(-inset)}h${n(-rear)}z`,
		details: [...rings, across(x + barrel - front, y, h), ...ribs],
		hatched: true
	};
};

const monitor: Draw = ({ x, y, w, h }, view) => ({
	outline: rectangle(x, y, w, h, 4),
	details:
		view === 'front'
			? [rectangle(x + w * 0.06, y + h * 0.09, w * 0.88, h * 0.82, 2)]
			: [view === 'side' ? across(x + w * 0.3, y + h * 0.05, h * 0.9) : across(x + w * 0.3, y, h)],
	hatched: view !== 'front'
});

const battery: Draw = ({ x, y, w, h }) => ({
	outline: rectangle(x, y, w, h, 4),
	details: [0.25, 0.5, 0.75].map((share) => along(x + w * 0.12, y + h * share, w * 0.76)),
	hatched: true
});

const motor: Draw = ({ x, y, w, h }, view) =>
	view === 'front'
		? {
				outline: ellipse(x + w / 2, y + h / 2, w / 2, h / 2),
				details: [circle(x + w / 2, y + h / 2, Math.min(w, h) * 0.14)],
				hatched: true
			}
		: {
				outline: rectangle(x, y, w, h, 3),
				details: [
					across(x + w * 0.78, y, h),
					...[0.25, 0.5, 0.75].map((share) => along(x + w * 0.78, y + h * share, w * 0.22))
				],
				hatched: true
			};

const microphone: Draw = ({ x, y, w, h }, view) =>
	view === 'front'
		? { outline: ellipse(x + w / 2, y + h / 2, w / 2, h / 2), details: [], hatched: false }
		: {
				outline: rectangle(x, y, w, h, Math.min(w, h) / 2),
				details: [0.4, 0.5, 0.6, 0.7, 0.8].map((share) => across(x + w * share, y + h * 0.15, h * 0.7)),
				hatched: false
			};

const filter: Draw = ({ x, y, w, h }, view) =>
	view === 'front'
		? {
				outline: rectangle(x, y, w, h, 3),
				details: [
					rectangle(x + w * 0.08, y + h * 0.1, w * 0.84, h * 0.8),
					circle(x + w / 2, y + h / 2, Math.min(w, h) * 0.34)
				],
				hatched: false
			}
		: {
				outline: `M${n(x)} ${n(y + h * 0.16)}h${n(w * 0.4)}L${n(x + w)} ${n(y)}v${n(h)}L${n(x + w * 0.4)} ${n(y + h * 0.84)}H${n(x)}z`,
				details: [across(x + w * 0.2, y + h * 0.16, h * 0.68), across(x + w * 0.4, y + h * 0.16, h * 0.68)],
				hatched: false
			};

const plate: Draw = ({ x, y, w, h }, view) => ({
	outline: view === 'top' ? rectangle(x, y, w, h, 3) : rectangle(x, y, w, h),
	details: view === 'top' ? [rectangle(x + w * 0.1, y + h * 0.42, w * 0.8, h * 0.16, h * 0.08)] : [],
	hatched: view !== 'top'
});

const cage: Draw = ({ x, y, w, h }) => {
	const bar = Math.max(3, Math.min(w, h) * 0.09);
	return {
		outline: rectangle(x, y, w, h, 3),
		details: [rectangle(x + bar, y + bar, w - 2 * bar, h - 2 * bar, 2)],
		hatched: false
	};
};

const weight: Draw = ({ x, y, w, h }) => ({
	outline: rectangle(x, y, w, h, 1),
	details: [`M${n(x)} ${n(y)}l${n(w)} ${n(h)}`, `M${n(x + w)} ${n(y)}l${n(-w)} ${n(h)}`],
	hatched: true
});

const adapter: Draw = ({ x, y, w, h }, view) =>
	view === 'front'
		? {
				outline: ellipse(x + w / 2, y + h / 2, w / 2, h / 2),
				details: [circle(x + w / 2, y + h / 2, Math.min(w, h) * 0.36)],
				hatched: false
			}
		: { outline: rectangle(x, y, w, h, 2), details: [across(x + w / 2, y, h)], hatched: true };

const other: Draw = ({ x, y, w, h }) => ({ outline: rectangle(x, y, w, h, 2), details: [], hatched: true });

const matteBox: Draw = ({ x, y, w, h }, view) =>
	view === 'front'
		? {
				outline: rectangle(x, y, w, h, 2),
				details: [rectangle(x + w * 0.1, y + h * 0.14, w * 0.8, h * 0.72)],
				hatched: false
			}
		: {
				outline: `M${n(x)} ${n(y + h * 0.2)}h${n(w * 0.45)}L${n(x + w)} ${n(y)}v${n(h)}L${n(x + w * 0.45)} ${n(y + h * 0.8)}H${n(x)}z`,
				details: [across(x + w * 0.18, y + h * 0.2, h * 0.6), across(x + w * 0.32, y + h * 0.2, h * 0.6)],
				hatched: false
			};

const support: Draw = ({ x, y, w, h }, view) =>
	view === 'front'
		? {
				outline: rectangle(x, y, w, h, 2),
				details: [0.25, 0.75].map((share) => circle(x + w * share, y + h / 2, Math.min(w, h) * 0.26)),
				hatched: false
			}
		: { outline: rectangle(x, y, w, h, 2), details: [along(x, y + h * 0.5, w)], hatched: true };

const drawings: Record<Part['kind'], Draw> = {
	camera,
	lens,
	adapter,
	filter,
	'matte box': matteBox,
	motor,
	monitor,
	battery,
	cage,
	microphone,
	support,
	plate,
	weight,
	other
};
