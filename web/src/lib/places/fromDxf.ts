import type { PlanPoint } from '$lib/model/venue';
import DxfParser, {
	type IArcEntity,
	type ICircleEntity,
	type IDxf,
	type IEntity,
	type IInsertEntity,
	type ILineEntity,
	type ILwpolylineEntity,
	type IPoint,
	type IPolylineEntity
} from 'dxf-parser';
import {
	arcPoints,
	combined,
	type DrawnLine,
	joined,
	type Matrix,
	moved,
	type ReadDrawing,
	still,
	withinReason
} from './drawnLines';

/** What the header's unit numbers mean, in metres. */
const unitsM: Readonly<Record<number, number>> = {
	1: 0.0254,
	2: 0.3048,
	4: 0.001,
	5: 0.01,
	6: 1,
	10: 0.9144,
	14: 0.1
};
/** Blocks may hold blocks; a file that holds itself must end somewhere. */
const deepest = 6;

/** The lines of a DXF drawing seen from above, its blocks put in. */
export const fromDxf = (text: string): ReadDrawing => withinReason((count) => readText(text, count));

function readText(text: string, count: Parameters<Parameters<typeof withinReason>[0]>[0]): ReadDrawing {
	const none = { problem: 'This is not a DXF drawing, or it is damaged. Save it again as a text DXF and choose that.' };
	if (text.includes('\0')) return { problem: 'This DXF is a binary one. Save it as a text DXF and choose that.' };
	let read: IDxf | null;
	try {
		read = new DxfParser().parseSync(text);
	} catch {
		return none;
	}
	if (read === null || !Array.isArray(read.entities)) return none;
	const lines: DrawnLine[] = [];
	const leftOut: Record<string, number> = {};
	const dxf = read;
	take(dxf.entities, still, 0);
	if (lines.length === 0 && !text.includes('SECTION')) return none;
	if (lines.length === 0) return { problem: 'There are no lines in this drawing: nothing to put on the plan.' };
	const unit = dxf.header?.['$INSUNITS'];
	return { lines: joined(lines), unitM: typeof unit === 'number' ? (unitsM[unit] ?? null) : null, leftOut };

	function take(entities: readonly IEntity[], place: Matrix, depth: number): void {
		for (const entity of entities) {
			count.thing(depth);
			const points = pointsOf(entity);
			if (points !== null) {
				count.points(points.length);
				const closed = isClosed(entity);
				const kept = points.map((point) => moved(place, point)).filter((each) => each.every(Number.isFinite));
				const distinct = kept.filter(
					([x, y], index) => index === 0 || x !== kept[index - 1]![0] || y !== kept[index - 1]![1]
				);
				if (distinct.length >= (closed ? 3 : 2))
					lines.push({ points: distinct, closed, label: entity.layer || 'plan' });
			} else if (entity.type === 'INSERT' && depth < deepest) {
				const insert = entity as IInsertEntity;
				const block = dxf.blocks?.[insert.name];
				if (block?.entities !== undefined)
					take(block.entities, combined(place, placeOf(insert, block.position)), depth + 1);
			} else leftOut[entity.type] = (leftOut[entity.type] ?? 0) + 1;
		}
	}
}

const flat = ({ x, y }: IPoint): PlanPoint => [x, y];

function placeOf({ position, rotation = 0, xScale = 1, yScale = 1 }: IInsertEntity, base: IPoint | undefined): Matrix {
	const turn = (rotation * Math.PI) / 180;
	const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
	const [bx, by] = [base?.x ?? 0, base?.y ?? 0];
	const turned: Matrix = [xScale * cos, xScale * sin, -yScale * sin, yScale * cos, position.x, position.y];
	return combined(turned, [1, 0, 0, 1, -bx, -by]);
}

function isClosed(entity: IEntity): boolean {
	if (entity.type === 'CIRCLE') return true;
	return (entity.type === 'LWPOLYLINE' || entity.type === 'POLYLINE') && Boolean((entity as ILwpolylineEntity).shape);
}

/** Null: a kind that is not a line. */
function pointsOf(entity: IEntity): PlanPoint[] | null {
	switch (entity.type) {
		case 'LINE':
			return (entity as ILineEntity).vertices.map(flat);
		case 'LWPOLYLINE':
		case 'POLYLINE':
			return bulged((entity as ILwpolylineEntity | IPolylineEntity).vertices, isClosed(entity));
		case 'CIRCLE': {
			const { center, radius } = entity as ICircleEntity;
			return arcPoints(flat(center), radius, 0, 2 * Math.PI).slice(0, -1);
		}
		case 'ARC': {
			const { center, radius, startAngle, endAngle } = entity as IArcEntity;
			// Always counter-clockwise, so an end before the start is a turn further on.
			const sweep = (endAngle - startAngle) % (2 * Math.PI);
			return arcPoints(flat(center), radius, startAngle, sweep > 0 ? sweep : sweep + 2 * Math.PI);
		}
		default:
			return null;
	}
}

/** A polyline's sides may bulge: the tangent of a quarter of the arc's angle, positive to the right of the way. */
function bulged(vertices: readonly (IPoint & { readonly bulge?: number })[], closed: boolean): PlanPoint[] {
	const points: PlanPoint[] = [];
	vertices.forEach((vertex, index) => {
		points.push(flat(vertex));
		const bulge = vertex.bulge ?? 0;
		const last = index === vertices.length - 1;
		if (bulge === 0 || (last && !closed)) return;
		const next = vertices[(index + 1) % vertices.length]!;
		const sweep = 4 * Math.atan(bulge);
		const [dx, dy] = [next.x - vertex.x, next.y - vertex.y];
		const chord = Math.hypot(dx, dy);
		if (chord === 0) return;
		const radius = chord / (2 * Math.sin(sweep / 2));
		// The centre lies square to the chord's middle.
		const off = radius * Math.cos(sweep / 2);
		const centre: PlanPoint = [
			(vertex.x + next.x) / 2 - (dy / chord) * off,
			(vertex.y + next.y) / 2 + (dx / chord) * off
		];
		const from = Math.atan2(vertex.y - centre[1], vertex.x - centre[0]);
		points.push(...arcPoints(centre, Math.abs(radius), from, sweep).slice(1, -1));
	});
	return points;
}
