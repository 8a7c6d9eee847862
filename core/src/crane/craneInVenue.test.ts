import { describe, expect, it } from 'vitest';
import {
	craneClearPoses,
	type CraneInVenueInput,
	craneNearest,
	cranePose,
	type Kept,
	prismDistance,
	type Vec3
} from '../index';

const thin = { tube: 0, head: 0, camera: 0, weights: 0 };
const crane: Omit<CraneInVenueInput, 'shapes'> = {
	reach: { noseM: [3, 0], tailM: [-1, 0], lensM: [0, 0], keptLevel: true },
	pivotM: [0, 0, 1.5],
	headingRad: 0,
	radiiM: thin,
	swingRangeRad: [-Math.PI, Math.PI],
	boomRangeRad: [-0.4, 0.8]
};
const wallAt = (x: number, keepM = 0, topM = 9): Kept => ({
	id: `wall ${x}`,
	outlineM: [
		[x, -9],
		[x, 9]
	],
	closed: false,
	bottomM: 0,
	topM,
	keepM
});
const pillar: Kept = {
	id: 'pillar',
	outlineM: [
		[1.5, 1.5],
		[2, 1.5],
		[2, 2],
		[1.5, 2]
	],
	closed: true,
	bottomM: 0,
	topM: 4,
	keepM: 0.3
};

describe('how far the work has come', () => {
	it('rises from little to all, in steps that an eye sees, and changes nothing', () => {
		const shapes = [wallAt(2.5, 0.3), pillar, wallAt(-2)];
		for (const work of [craneClearPoses, craneNearest]) {
			const told: number[] = [];
			const answer = work({ ...crane, shapes }, (share) => told.push(share));
			expect(answer).toEqual(work({ ...crane, shapes }));
			expect(told.at(-1)).toBeCloseTo(1, 12);
			told.forEach((share, index) => expect(share).toBeGreaterThan(index === 0 ? 0 : told[index - 1]!));
			expect(told.length).toBeGreaterThanOrEqual(2);
			expect(told.length).toBeLessThanOrEqual(60);
		}
		const whole: number[] = [];
		craneClearPoses({ ...crane, shapes: [] }, (share) => whole.push(share));
		expect(whole).toEqual([1]);
	});
});

describe('a crane in a venue', () => {
	it('comes nearest to a wall with the arm level and square to it', () => {
		const [wall] = craneNearest({ ...crane, shapes: [wallAt(4)] });
		expect(wall!.distanceM).toBeGreaterThanOrEqual(1);
		expect(wall!.distanceM).toBeLessThan(1.03);
		expect(Math.abs(wall!.swingRad)).toBeLessThan(0.2);
		expect(Math.abs(wall!.boomRad)).toBeLessThan(0.2);
	});
	it.each([1e9, 1e100, 1e200, 1e300])(
		'never calls it clear where a wall through it is too long to be reckoned with, %d m',
		(farM) => {
			const wall: Kept = {
				...wallAt(2),
				outlineM: [
					[2, -farM],
					[2, farM]
				]
			};
			const level = { ...crane, swingRangeRad: [-0.5, 0.5], boomRangeRad: [0, 0], shapes: [wall] } as const;
			expect(craneClearPoses(level).clear.flat()).not.toContain(true);
			expect(craneNearest(level)[0]?.distanceM).toBe(0);
		}
	);
	it('is clear just as far round as a wall nearer than the arm is long lets it', () => {
		// Level only: the nose meets the wall at cos swing = 2/3.
		const { swingRad, clear } = craneClearPoses({
			...crane,
			boomRangeRad: [0, 0],
			shapes: [wallAt(2)],
			cellRad: 0.01
		});
		const meets = Math.acos(2 / 3);
		clear.forEach(([free], index) => {
			const [from, to] = [swingRad[index]!, swingRad[index + 1]!];
			// The tail is 1 m long and never there.
			if (Math.min(Math.abs(from), Math.abs(to)) < meets - 1e-9) expect(free).toBe(false);
			if (Math.min(Math.abs(from), Math.abs(to)) > meets + 0.03) expect(free).toBe(true);
		});
	});
	it('never calls a cell clear in which any pose is not', () => {
		const radiiM = { tube: 0.06, head: 0.1, camera: 0.2, weights: 0.3 };
		const reach = { ...crane.reach, lensM: [0.1, -0.3] as const };
		const shapes = [pillar, wallAt(-2.5, 0.2, 3)];
		const { swingRad, boomRad, clear } = craneClearPoses({ ...crane, reach, radiiM, shapes, cellRad: 0.08 });
		const roomAt = (swing: number, boom: number) => {
			const pose = cranePose({ reach, pivotM: crane.pivotM, swingRad: swing, boomRad: boom });
			const pieces: [Vec3, Vec3, number][] = [
				[pose.tailM, pose.noseM, radiiM.tube],
				[pose.noseM, pose.lensM, radiiM.head],
				[pose.lensM, pose.lensM, radiiM.camera],
				[pose.tailM, pose.tailM, radiiM.weights]
			];
			return Math.min(
				...shapes.flatMap((prism) =>
					pieces.map(([aM, bM, radius]) => prismDistance({ aM, bM, prism }) - radius - prism.keepM)
				)
			);
		};
		let [freeCells, blockedCells] = [0, 0];
		for (let s = 0; s < clear.length; s += 3)
			for (let b = 0; b < clear[s]!.length; b += 2) {
				const corners = [0, 1].flatMap((i) => [0, 1].map((j) => roomAt(swingRad[s + i]!, boomRad[b + j]!)));
				if (clear[s]![b]) {
					freeCells += 1;
					expect(Math.min(...corners)).toBeGreaterThanOrEqual(0);
				} else {
					blockedCells += 1;
					// Blocked is either true, or within what the finest cell cannot tell.
					expect(Math.min(...corners)).toBeLessThan(2 * 3.6 * 0.08);
				}
			}
		expect(freeCells).toBeGreaterThan(100);
		expect(blockedCells).toBeGreaterThan(20);
	});
	it('turns with its heading', () => {
		const [straight] = craneNearest({ ...crane, shapes: [pillar], swingRangeRad: [-1, 1] });
		const [turned] = craneNearest({ ...crane, shapes: [pillar], headingRad: 0.5, swingRangeRad: [-1.5, 0.5] });
		expect(turned!.distanceM).toBeCloseTo(straight!.distanceM, 1);
	});
	it('speaks of nothing that is far off, and is clear of it throughout', () => {
		const far = { ...crane, shapes: [wallAt(40)] };
		const { clear } = craneClearPoses(far);
		expect(craneNearest(far)).toEqual([]);
		expect(clear.every((row) => row.every(Boolean))).toBe(true);
	});
	it('is nowhere clear with its pivot inside something', () => {
		const round: Kept = {
			...pillar,
			outlineM: [
				[-1, -1],
				[1, -1],
				[1, 1],
				[-1, 1]
			]
		};
		expect(craneClearPoses({ ...crane, shapes: [round] }).clear.some((row) => row.some(Boolean))).toBe(false);
	});
	it('keeps as far from each thing as that thing asks', () => {
		const free = (keepM: number) =>
			craneClearPoses({ ...crane, shapes: [wallAt(4, keepM)] })
				.clear.flat()
				.filter(Boolean).length;
		const all = craneClearPoses({ ...crane, shapes: [] }).clear.flat().length;
		expect(free(0.5)).toBe(all);
		expect(free(1.5)).toBeLessThan(all);
		expect(free(2.5)).toBeLessThan(free(1.5));
	});
	it.each([
		['swingRangeRad', { swingRangeRad: [1, -1] as const }],
		['cellRad', { cellRad: 0 }]
	])('refuses %s that is none', (field, wrong) => {
		expect(() => craneClearPoses({ ...crane, shapes: [], ...wrong })).toThrow(field);
	});
});
