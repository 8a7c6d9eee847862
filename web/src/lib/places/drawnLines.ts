import type { PlanPoint } from '$lib/model/venue';

/** A line of a drawing file, in the file's own units, y up. */
export interface DrawnLine {
	readonly points: readonly PlanPoint[];
	readonly closed: boolean;
	/** What the file calls the layer or the thing. */
	readonly label: string;
}

/** What a drawing file held. */
export interface Drawing {
	readonly lines: readonly DrawnLine[];
	/** What one unit of the file is in metres, when the file says. */
	readonly unitM: number | null;
	/** What was not taken: kind by how many. */
	readonly leftOut: Readonly<Record<string, number>>;
}
/** A file that is none, in words for whoever chose it. */
export type ReadDrawing = Drawing | { readonly problem: string };

export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];
export const still: Matrix = [1, 0, 0, 1, 0, 0];
export const moved = ([a, b, c, d, e, f]: Matrix, [x, y]: PlanPoint): PlanPoint => [
	a * x + c * y + e,
	b * x + d * y + f
];
/** First `inner`, then `outer`. */
export const combined = (outer: Matrix, inner: Matrix): Matrix => {
	const [a, b, c, d, e, f] = outer;
	const [g, h, i, j, k, l] = inner;
	return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
};

/** Points on a circle's piece, ends included, near enough to it for a plan: a chord every 10 degrees. */
export function arcPoints(
	[cx, cy]: PlanPoint,
	radius: number,
	fromRad: number,
	sweepRad: number,
	radiusY = radius
): PlanPoint[] {
	const steps = Math.max(2, Math.ceil(Math.abs(sweepRad) / (Math.PI / 18)));
	return Array.from({ length: steps + 1 }, (_, index): PlanPoint => {
		const angle = fromRad + (sweepRad * index) / steps;
		return [cx + radius * Math.cos(angle), cy + radiusY * Math.sin(angle)];
	});
}

export const lengthOf = ({ points, closed }: DrawnLine): number => {
	let sum = 0;
	for (let index = closed ? 0 : 1; index < points.length; index += 1) {
		const [from, to] = [points[(index + points.length - 1) % points.length]!, points[index]!];
		sum += Math.hypot(to[0] - from[0], to[1] - from[1]);
	}
	return sum;
};

/** Least and greatest corner of a drawing; null: it holds nothing. */
export function spanOf(lines: readonly Pick<DrawnLine, 'points'>[]): readonly [PlanPoint, PlanPoint] | null {
	let [left, low, right, high] = [Infinity, Infinity, -Infinity, -Infinity];
	for (const { points } of lines)
		for (const [x, y] of points) {
			left = Math.min(left, x);
			right = Math.max(right, x);
			low = Math.min(low, y);
			high = Math.max(high, y);
		}
	return left > right
		? null
		: [
				[left, low],
				[right, high]
			];
}

/** Joins open lines end to end where they meet, as drawing programs write a room line by line. */
export function joined(lines: readonly DrawnLine[]): DrawnLine[] {
	const span = spanOf(lines);
	if (span === null) return [];
	const near = Math.max(1e-9, Math.hypot(span[1][0] - span[0][0], span[1][1] - span[0][1]) * 1e-6);
	const keyOf = ([x, y]: PlanPoint, label: string) => `${label} ${Math.round(x / near)} ${Math.round(y / near)}`;
	const done: DrawnLine[] = lines.filter(({ closed }) => closed);
	const waiting = new Set(lines.filter(({ closed }) => !closed));
	const ends = new Map<string, Set<DrawnLine>>();
	for (const line of waiting)
		for (const end of [line.points[0]!, line.points[line.points.length - 1]!]) {
			const key = keyOf(end, line.label);
			ends.set(key, (ends.get(key) ?? new Set()).add(line));
		}
	for (const first of waiting) {
		waiting.delete(first);
		let points = [...first.points];
		// From the far end on, then from the near end on.
		for (const side of [0, 1]) {
			if (side === 1) points.reverse();
			for (;;) {
				const here = ends.get(keyOf(points[points.length - 1]!, first.label));
				// Where three lines meet nobody can say which goes on.
				if (here === undefined || here.size > 2) break;
				const next = [...here].filter((each) => waiting.has(each));
				if (next.length !== 1) break;
				waiting.delete(next[0]!);
				const more = [...next[0]!.points];
				const end = points[points.length - 1]!;
				const ahead = Math.hypot(more[0]![0] - end[0], more[0]![1] - end[1]);
				const behind = Math.hypot(more[more.length - 1]![0] - end[0], more[more.length - 1]![1] - end[1]);
				points.push(...(ahead <= behind ? more : more.reverse()).slice(1));
			}
		}
		points = points.reverse();
		const [start, end] = [points[0]!, points[points.length - 1]!];
		const closed = points.length > 3 && Math.hypot(start[0] - end[0], start[1] - end[1]) <= near * 2;
		done.push({ points: closed ? points.slice(0, -1) : points, closed, label: first.label });
	}
	return done;
}

/** A room's outline is hundreds of lines; this much is a whole town, or a file made to be no drawing. */
const mostDrawn = { things: 200_000, points: 400_000, depth: 100 } as const;
class TooMuch extends Error {}

/** Counts what a drawing holds while it is read; past what can be taken, reading ends in a sentence. */
export function withinReason(
	read: (count: { readonly thing: (depth: number) => void; readonly points: (many: number) => void }) => ReadDrawing
): ReadDrawing {
	let [things, points] = [0, 0];
	try {
		return read({
			thing: (depth) => {
				things += 1;
				if (things > mostDrawn.things || depth > mostDrawn.depth) throw new TooMuch();
			},
			points: (many) => {
				points += many;
				if (points > mostDrawn.points) throw new TooMuch();
			}
		});
	} catch (thrown) {
		if (thrown instanceof TooMuch || thrown instanceof RangeError)
			return {
				problem: 'There is too much in this drawing to be read here. Save only the room’s outline, and choose that.'
			};
		throw thrown;
	}
}
