import type { PlanPoint } from '$lib/model/venue';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import svgpath from 'svgpath';
import { type DrawnLine, joined, type ReadDrawing, withinReason } from './drawnLines';

type Attributes = Readonly<Record<string, string>>;
type Node = Readonly<Record<string, unknown>> & { readonly ':@'?: Attributes };

/** What is drawn only where something else calls for it. */
const notDrawn = ['defs', 'symbol', 'clipPath', 'mask', 'marker', 'pattern', 'style', 'metadata', 'title', 'desc'];
const unitsM: Readonly<Record<string, number>> = { mm: 0.001, cm: 0.01, m: 1, in: 0.0254, pt: 0.0254 / 72 };
/** Straight pieces that a curve is cut into. */
const curveSteps = 12;

/** The lines of an SVG drawing, y turned up. */
export const fromSvg = (text: string): ReadDrawing => withinReason((count) => read(text, count));

type Count = Parameters<Parameters<typeof withinReason>[0]>[0];
function read(text: string, count: Count): ReadDrawing {
	const none = { problem: 'This is not an SVG drawing, or it is damaged. Save it again as plain SVG and choose that.' };
	if (XMLValidator.validate(text) !== true) return none;
	const tree = new XMLParser({
		preserveOrder: true,
		ignoreAttributes: false,
		attributeNamePrefix: '',
		processEntities: false,
		removeNSPrefix: true
	}).parse(text) as Node[];
	const root = tree.find((node) => 'svg' in node);
	if (root === undefined) return none;
	const lines: DrawnLine[] = [];
	const leftOut: Record<string, number> = {};
	walk(root['svg'] as Node[], [], 'plan', 0);
	if (lines.length === 0) return { problem: 'There are no lines in this drawing: nothing to put on the plan.' };
	return { lines: joined(lines), unitM: unitOf(root[':@'] ?? {}), leftOut };

	/** `transforms`: the outermost last. */
	function walk(nodes: readonly Node[], transforms: readonly string[], label: string, depth: number): void {
		for (const node of nodes) {
			const tag = Object.keys(node).find((key) => key !== ':@' && key !== '#text');
			count.thing(depth);
			if (tag === undefined || notDrawn.includes(tag)) continue;
			const attributes = node[':@'] ?? {};
			if (attributes['display'] === 'none') continue;
			const inside = attributes['transform'] === undefined ? transforms : [attributes['transform'], ...transforms];
			const called = attributes['label'] ?? attributes['id'] ?? label;
			if (['g', 'svg', 'a', 'switch'].includes(tag)) walk(node[tag] as Node[], inside, called, depth + 1);
			else {
				const path = pathOf(tag, attributes);
				if (path === null) leftOut[tag] = (leftOut[tag] ?? 0) + 1;
				else for (const line of linesOf(path, inside, count)) lines.push({ ...line, label: called.slice(0, 60) });
			}
		}
	}
}

/** Paper's size where the drawing is to scale 1 : 1; null where it is in screen dots. */
function unitOf({ width = '', viewBox = '' }: Attributes): number | null {
	const found = /^\s*([\d.]+)\s*(mm|cm|m|in|pt)\s*$/.exec(width);
	const across = Number(viewBox.trim().split(/[\s,]+/)[2]);
	if (found === null || !(across > 0)) return null;
	return (Number(found[1]) * unitsM[found[2]!]!) / across;
}

/** A shape as a path; null: it is not a line. */
function pathOf(tag: string, attributes: Attributes): string | null {
	const number = (name: string) => Number.parseFloat(attributes[name] ?? '0') || 0;
	const list = (attributes['points'] ?? '')
		.trim()
		.split(/[\s,]+/)
		.filter(Boolean);
	switch (tag) {
		case 'path':
			return attributes['d'] ?? '';
		case 'line':
			return `M${number('x1')} ${number('y1')}L${number('x2')} ${number('y2')}`;
		case 'polyline':
			return list.length < 4 ? '' : `M${list.join(' ')}`;
		case 'polygon':
			return list.length < 6 ? '' : `M${list.join(' ')}Z`;
		case 'rect':
			return `M${number('x')} ${number('y')}h${number('width')}v${number('height')}h${-number('width')}Z`;
		case 'circle':
		case 'ellipse': {
			const [rx, ry] = tag === 'circle' ? [number('r'), number('r')] : [number('rx'), number('ry')];
			const [x, y] = [number('cx'), number('cy')];
			return `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;
		}
		default:
			return null;
	}
}

function linesOf(d: string, transforms: readonly string[], count: Count): Omit<DrawnLine, 'label'>[] {
	const path = transforms
		.reduce((each, transform) => each.transform(transform), svgpath(d))
		.abs()
		.unshort()
		.unarc();
	const lines: Omit<DrawnLine, 'label'>[] = [];
	let points: PlanPoint[] = [];
	const end = (closed: boolean) => {
		const [first, last] = [points[0], points[points.length - 1]];
		const meets =
			first !== undefined && last !== undefined && Math.hypot(first[0] - last[0], first[1] - last[1]) < 1e-9;
		const kept = closed && meets ? points.slice(0, -1) : points;
		if (kept.length >= (closed ? 3 : 2)) lines.push({ points: kept, closed });
		points = [];
	};
	path.iterate((segment, _index, x, y) => {
		const [command, ...given] = segment as unknown as [string, ...number[]];
		count.points(command === 'C' || command === 'Q' ? curveSteps : 1);
		const add = (px: number, py: number) => void points.push([px, -py]);
		if (command === 'M') {
			end(false);
			add(given[0]!, given[1]!);
		} else if (command === 'L') add(given[0]!, given[1]!);
		else if (command === 'H') add(given[0]!, y);
		else if (command === 'V') add(x, given[0]!);
		else if (command === 'Z') end(true);
		else
			for (let step = 1; step <= curveSteps; step += 1)
				add(...onCurve(command === 'C' ? given : raised(x, y, given), x, y, step / curveSteps));
	});
	end(false);
	return lines.filter((line) => line.points.every((point) => point.every(Number.isFinite)));
}

/** A quadratic curve's control points as a cubic's. */
const raised = (x: number, y: number, [cx, cy, ex, ey]: readonly number[]): number[] => [
	x + (2 / 3) * (cx! - x),
	y + (2 / 3) * (cy! - y),
	ex! + (2 / 3) * (cx! - ex!),
	ey! + (2 / 3) * (cy! - ey!),
	ex!,
	ey!
];

function onCurve(given: readonly number[], x: number, y: number, t: number): PlanPoint {
	const [ax, ay, bx, by, ex, ey] = given as [number, number, number, number, number, number];
	const s = 1 - t;
	const blend = (p0: number, p1: number, p2: number, p3: number) =>
		s * s * s * p0 + 3 * s * s * t * p1 + 3 * s * t * t * p2 + t * t * t * p3;
	return [blend(x, ax, bx, ex), blend(y, ay, by, ey)];
}
