import { describe, expect, it, vi } from 'vitest';
import { type Drawing, joined, lengthOf } from './drawnLines';
import { fromDxf } from './fromDxf';
import { fromSvg } from './fromSvg';
import { readDrawing } from './readDrawing';

/** A DXF file of these group codes and values. */
const dxf = (...pairs: readonly (readonly [number, string | number])[]) =>
	pairs.map(([code, value]) => `${code}\n${value}`).join('\n');
const header = (units: number) =>
	[
		[0, 'SECTION'],
		[2, 'HEADER'],
		[9, '$INSUNITS'],
		[70, units],
		[0, 'ENDSEC']
	] as const;
const line = (x1: number, y1: number, x2: number, y2: number, layer = 'Walls') =>
	[
		[0, 'LINE'],
		[8, layer],
		[10, x1],
		[20, y1],
		[30, 0],
		[11, x2],
		[21, y2],
		[31, 0]
	] as const;
const entities = (...inner: readonly (readonly [number, string | number])[]) =>
	[[0, 'SECTION'], [2, 'ENTITIES'], ...inner, [0, 'ENDSEC'], [0, 'EOF']] as const;
const read = (result: ReturnType<typeof fromDxf>): Drawing => {
	if ('problem' in result) throw new Error(result.problem);
	return result;
};

describe('a DXF drawing', () => {
	it('gives its lines joined into a room, its layer and its unit', () => {
		const room = read(
			fromDxf(
				dxf(
					...header(4),
					...entities(
						...line(0, 0, 8000, 0),
						...line(8000, 5000, 8000, 0),
						...line(8000, 5000, 0, 5000),
						...line(0, 5000, 0, 0)
					)
				)
			)
		);
		expect(room.unitM).toBe(0.001);
		expect(room.lines).toHaveLength(1);
		expect(room.lines[0]).toMatchObject({ closed: true, label: 'Walls' });
		expect(lengthOf(room.lines[0]!)).toBe(26000);
	});
	it('rounds circles, arcs and bulging sides off to within a few thousandths', () => {
		const half = read(
			fromDxf(
				dxf(
					...header(6),
					...entities(
						[0, 'CIRCLE'],
						[8, 'Pillar'],
						[10, 3],
						[20, 2],
						[40, 0.5],
						[0, 'ARC'],
						[8, 'Apse'],
						[10, 0],
						[20, 0],
						[40, 2],
						[50, 270],
						[51, 90],
						[0, 'LWPOLYLINE'],
						[8, 'Niche'],
						[90, 2],
						[70, 0],
						[10, 0],
						[20, 0],
						[42, 1],
						[10, 2],
						[20, 0]
					)
				)
			)
		);
		const of = (label: string) => half.lines.find((each) => each.label === label)!;
		expect(lengthOf(of('Pillar'))).toBeCloseTo(Math.PI, 1);
		expect(of('Pillar').closed).toBe(true);
		expect(lengthOf(of('Apse'))).toBeCloseTo(2 * Math.PI, 1);
		expect(Math.max(...of('Apse').points.map(([x]) => x))).toBeCloseTo(2, 6);
		// A bulge of 1 is half a circle, to the right of its way: below a side that runs along x.
		expect(lengthOf(of('Niche'))).toBeCloseTo(Math.PI, 1);
		expect(Math.min(...of('Niche').points.map(([, y]) => y))).toBeCloseTo(-1, 6);
	});
	it('puts blocks where they are inserted, turned and scaled', () => {
		const placed = read(
			fromDxf(
				dxf(
					[0, 'SECTION'],
					[2, 'BLOCKS'],
					[0, 'BLOCK'],
					[8, '0'],
					[2, 'Bench'],
					[70, 0],
					[10, 1],
					[20, 0],
					...line(1, 0, 3, 0, 'Seats'),
					[0, 'ENDBLK'],
					[0, 'ENDSEC'],
					...entities([0, 'INSERT'], [8, '0'], [2, 'Bench'], [10, 10], [20, 5], [41, 2], [42, 2], [50, 90])
				)
			)
		);
		const [[from, to]] = placed.lines.map(({ points }) => points) as [[[number, number], [number, number]]];
		expect(from[0]).toBeCloseTo(10, 9);
		expect(from[1]).toBeCloseTo(5, 9);
		expect(to[0]).toBeCloseTo(10, 9);
		expect(to[1]).toBeCloseTo(9, 9);
	});
	it('counts what it does not take', () => {
		const some = fromDxf(
			dxf(...entities(...line(0, 0, 1, 0), [0, 'TEXT'], [8, '0'], [10, 0], [20, 0], [40, 1], [1, 'Door']))
		);
		expect(read(some)).toMatchObject({ unitM: null, leftOut: { TEXT: 1 } });
	});
	it.each([
		['nothing', ''],
		['a letter', 'Dear crew, the plan follows by post.\n\nYours'],
		['a picture', '\u0089PNG\r\n\u001a\n\0\0\0'],
		['a torn file', '0\nSECTION\n2\nENTITIES\n0\nLINE\n10\nnot a number\n'],
		['an empty drawing', dxf(...entities())],
		['another drawing format', '<svg viewBox="0 0 1 1"><path d="M0 0L1 1"/></svg>']
	])('says in words that %s is none', (_, text) => {
		const result = fromDxf(text);
		expect('problem' in result ? result.problem : 'taken').toMatch(/DXF|no lines/);
	});
});

describe('an SVG drawing', () => {
	it('gives shapes as lines with y up, through nested transforms', () => {
		const room = read(
			fromSvg(
				`<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="210mm" viewBox="0 0 210 297">
				<defs><rect width="5" height="5"/></defs>
				<g transform="translate(10 20)" id="room"><g transform="scale(2)">
				<rect x="0" y="0" width="30" height="20"/><line x1="0" y1="5" x2="30" y2="5" id="rail"/></g></g>
				<text x="3" y="3">Hall</text></svg>`
			)
		);
		expect(room.unitM).toBeCloseTo(0.001, 12);
		expect(room.leftOut).toEqual({ text: 1 });
		const walls = room.lines.find(({ label }) => label === 'room')!;
		expect(walls.closed).toBe(true);
		expect(walls.points).toContainEqual([10, -20]);
		expect(walls.points).toContainEqual([70, -60]);
		expect(room.lines.find(({ label }) => label === 'rail')!.points).toEqual([
			[10, -30],
			[70, -30]
		]);
	});
	it('keeps the pieces of a path apart, and follows its curves', () => {
		const { lines } = read(
			fromSvg('<svg><path d="m0 0h4v3zM10 0q2 4 4 0t4 0M20 0a2 2 0 0 1 4 0c0 1 1 2 2 2"/><circle r="1"/></svg>')
		);
		expect(lines).toHaveLength(4);
		const triangle = lines.find(({ points }) => points.length === 3)!;
		expect(triangle.closed).toBe(true);
		expect(lengthOf(triangle)).toBe(12);
		const circle = lines.find(({ closed, points }) => closed && points.length > 10)!;
		expect(lengthOf(circle)).toBeCloseTo(2 * Math.PI, 1);
	});
	it.each([
		['nothing', ''],
		['a letter', 'Dear crew'],
		['a page', '<html><body><p>Plan</p></body></html>'],
		['a torn one', '<svg><g><rect x="0"'],
		['one that holds only words', '<svg><text>Hall</text></svg>']
	])('says in words that %s is none', (_, text) => {
		const result = fromSvg(text);
		expect('problem' in result ? result.problem : 'taken').toMatch(/SVG|no lines/);
	});
});

describe('joining lines', () => {
	it('stops where three meet, and never joins across layers', () => {
		const at = (x: number, y: number, label = 'a') => ({
			points: [
				[0, 0],
				[x, y]
			] as const,
			closed: false,
			label
		});
		expect(joined([at(1, 0), at(0, 1), at(-1, 0)])).toHaveLength(3);
		expect(joined([at(1, 0), at(0, 1, 'b')])).toHaveLength(2);
		expect(joined([at(1, 0), at(0, 1)])).toHaveLength(1);
		// A star of very many lines is no harder than so many lines apart.
		expect(joined(Array.from({ length: 20000 }, (_, index) => at(1 + index, 1)))).toHaveLength(20000);
	});
});

describe('a file made to be no drawing', () => {
	const says = (result: ReturnType<typeof fromDxf>) => ('problem' in result ? result.problem : 'lines');
	it('blocks within blocks within blocks end in a sentence', () => {
		const insert = (name: string) =>
			[
				[0, 'INSERT'],
				[2, name],
				[10, 0],
				[20, 0]
			] as const;
		const blocks = Array.from({ length: 6 }, (_, k) => [
			...([
				[0, 'BLOCK'],
				[2, `B${k}`],
				[10, 0],
				[20, 0]
			] as const),
			...(k === 5 ? line(0, 0, 1, 1) : Array.from({ length: 40 }, () => insert(`B${k + 1}`)).flat()),
			...([[0, 'ENDBLK']] as const)
		]).flat();
		const text = dxf(
			...([
				[0, 'SECTION'],
				[2, 'BLOCKS']
			] as const),
			...blocks,
			...([[0, 'ENDSEC']] as const),
			...entities(...Array.from({ length: 40 }, () => insert('B0')).flat())
		);
		expect(text.length).toBeLessThan(20_000);
		const began = performance.now();
		expect(says(fromDxf(text))).toMatch(/too much/);
		expect(performance.now() - began).toBeLessThan(8000);
	});
	it.each([
		['twenty thousand groups in one another', `${'<g>'.repeat(20_000)}<path d="M0 0h1"/>${'</g>'.repeat(20_000)}`],
		['three hundred thousand pieces of a path', `<path d="${'M0 0c1 1 2 2 3 3'.repeat(300_000)}"/>`],
		['three hundred thousand lines', '<line x2="1"/>'.repeat(300_000)]
	])(
		'%s end in a sentence',
		(_what, inner) => {
			expect(says(fromSvg(`<svg xmlns="x">${inner}</svg>`))).toMatch(/too much|damaged/);
		},
		20_000
	);
	it('an arc round a thousand times is round once', () => {
		const arc = (to: number) =>
			dxf(...entities([0, 'ARC'], [8, 'x'], [10, 0], [20, 0], [40, 1], [50, 0], [51, to], ...line(5, 5, 6, 6)));
		const [once, often] = [read(fromDxf(arc(90))), read(fromDxf(arc(90 + 360_000)))];
		const longest = ({ lines }: Drawing) => Math.max(...lines.map(lengthOf));
		expect(longest(often)).toBeCloseTo(longest(once), 6);
	});

	const worker = () => {
		const on: Record<string, (event: unknown) => void> = {};
		return {
			on,
			postMessage: vi.fn(),
			terminate: vi.fn(),
			addEventListener: (type: string, listener: unknown) => void (on[type] = listener as (event: unknown) => void)
		};
	};
	it('a reader that never answers is ended, and said so', async () => {
		const stub = worker();
		expect(says(await readDrawing('hall.dxf', '', () => stub as never, 20))).toMatch(/too long/);
		expect(stub.terminate).toHaveBeenCalledOnce();
	});
	it('a reader that dies is said to', async () => {
		const stub = worker();
		const told = readDrawing('hall.SVG', '<svg/>', () => stub as never, 5000);
		expect(stub.postMessage).toHaveBeenCalledWith({ kind: 'svg', text: '<svg/>' });
		stub.on['error']!({});
		expect(says(await told)).toMatch(/cannot be read here/);
		expect(stub.terminate).toHaveBeenCalledOnce();
	});
	it('what it read is handed on; what is no drawing never begins', async () => {
		const stub = worker();
		const told = readDrawing('hall.dxf', 'x', () => stub as never, 5000);
		stub.on['message']!({ data: { lines: [], unitM: null, leftOut: {} } });
		expect(await told).toEqual({ lines: [], unitM: null, leftOut: {} });
		const never = vi.fn();
		expect(says(await readDrawing('hall.pdf', 'x', never as never))).toMatch(/neither/);
		expect(never).not.toHaveBeenCalled();
	});
});
