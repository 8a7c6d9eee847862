import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aimAxes, cameraPose, frameOf, type Mount, type MountAxes, reachAxes, seededRandom, type Vec3 } from '../index';
import { rounds } from '../testing/rounds';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const place = fc.tuple(number(-8, 8), number(-8, 8), number(-2, 5)) as fc.Arbitrary<[number, number, number]>;
const angle = number(-3, 3);
const attitude = fc.record({ headingRad: angle, tiltRad: number(-1.5, 1.5), rollRad: angle });
const crane = fc.record({
	kind: fc.constant('crane' as const),
	pivotM: place,
	headingRad: angle,
	armM: number(1.5, 6),
	noseToCentreM: fc.tuple(number(-0.3, 0.6), number(-0.6, 0.3)),
	keptLevel: fc.boolean(),
	headBase: attitude
});
const track = fc.record({
	kind: fc.constant('track' as const),
	startM: place,
	headingRad: angle,
	inclineRad: number(-1.4, 1.4),
	base: attitude
});
const fixed = fc.record({ kind: fc.constant('fixed' as const), centreM: place, base: attitude });
const mounts: fc.Arbitrary<Mount> = fc.oneof(fixed, track, crane);
const axes: fc.Arbitrary<MountAxes> = fc.record({
	trackM: number(-2, 3),
	swingRad: angle,
	boomRad: number(-1, 1),
	extensionM: number(-0.5, 1),
	panRad: angle,
	tiltRad: number(-1.5, 1.5),
	rollRad: number(-1, 1)
});
const lens = { focalM: 0.035, sensorWidthM: 0.036, sensorHeightM: 0.02 };

describe('a head that is pointed at a subject', () => {
	it('has it in the middle of the picture, however its base stands, hangs or leans', () => {
		fc.assert(
			fc.property(mounts, axes, place, (mount, at, subjectM) => {
				const aimed = aimAxes({ mount, axes: at, subjectM });
				fc.pre(aimed.focusM > 0.01);
				const pose = cameraPose({ mount, axes: { ...at, ...aimed } });
				const seen = frameOf({ pose, pointM: subjectM, ...lens });
				expect(seen.depthM / aimed.focusM).toBeCloseTo(1, 9);
				expect(Math.abs(seen.xWidths!)).toBeLessThan(1e-8);
				expect(Math.abs(seen.yHeights!)).toBeLessThan(1e-8);
			}),
			{ numRuns: rounds(400) }
		);
	});
	it('keeps to the turn that its cables are wound to', () => {
		fc.assert(
			fc.property(mounts, place, number(-20, 20), (mount, subjectM, panRad) => {
				const aimed = aimAxes({ mount, axes: {}, subjectM, near: { panRad } });
				expect(Math.abs(aimed.panRad - panRad)).toBeLessThanOrEqual(Math.PI + 1e-9);
				expect(Math.abs(aimed.tiltRad)).toBeLessThanOrEqual(Math.PI / 2);
			})
		);
	});
	it('pans to the left with a growing pan, and up with a growing tilt, upright; hung it is the other way', () => {
		const upright: Mount = { kind: 'fixed', centreM: [0, 0, 2], base: { headingRad: 0, tiltRad: 0, rollRad: 0 } };
		const hung: Mount = { ...upright, base: { headingRad: 0, tiltRad: 0, rollRad: Math.PI } };
		const at = { panRad: 0.3, tiltRad: 0.2 };
		const one = cameraPose({ mount: upright, axes: at });
		expect([one.headingRad, one.elevationRad]).toEqual([expect.closeTo(0.3, 12), expect.closeTo(0.2, 12)]);
		const other = cameraPose({ mount: hung, axes: at });
		expect([other.headingRad, other.elevationRad]).toEqual([expect.closeTo(-0.3, 12), expect.closeTo(-0.2, 12)]);
	});
});

describe('where an arm or a carriage stands', () => {
	it('brings the head back to where it was, by the pose', () => {
		fc.assert(
			fc.property(fc.oneof(track, crane), axes, (mount, at) => {
				const { centreM } = cameraPose({ mount, axes: at });
				const reached = reachAxes({ mount, centreM });
				if (!reached.feasible) return;
				const { feasible: _, missM: __, ...back } = reached;
				const again = cameraPose({ mount, axes: { ...at, ...back } }).centreM;
				again.forEach((value, k) => expect(value).toBeCloseTo(centreM[k]!, 8));
			}),
			{ numRuns: rounds(400) }
		);
	});
	it('says how far off the rail a place is', () => {
		const rail: Mount = {
			kind: 'track',
			startM: [0, 0, 1],
			headingRad: 0,
			inclineRad: 0,
			base: { headingRad: 0, tiltRad: 0, rollRad: 0 }
		};
		const { trackM, missM } = reachAxes({ mount: rail, centreM: [0.7, 0.3, 1.4] });
		expect([trackM, missM]).toEqual([expect.closeTo(0.7, 12), expect.closeTo(0.5, 12)]);
	});
	it('an arm that is not kept level cannot come nearer than its head hangs below it', () => {
		const mount: Mount = {
			kind: 'crane',
			pivotM: [0, 0, 1],
			headingRad: 0,
			armM: 3,
			noseToCentreM: [0.2, -0.5],
			keptLevel: false
		};
		expect(reachAxes({ mount, centreM: [0.2, 0, 1.1] }).feasible).toBe(false);
		expect(reachAxes({ mount, centreM: [0.6, 0, 1.1] }).feasible).toBe(true);
	});
});

it('poses agree with the turns made one after another, of a vector at a time', () => {
	const about =
		(k: 0 | 1 | 2, by: number) =>
		(v: Vec3): Vec3 => {
			const [i, j] = [(k + 1) % 3, (k + 2) % 3] as [number, number];
			const out = [...v] as [number, number, number];
			out[i] = v[i]! * Math.cos(by) - v[j]! * Math.sin(by);
			out[j] = v[i]! * Math.sin(by) + v[j]! * Math.cos(by);
			return out;
		};
	fc.assert(
		fc.property(fixed, axes, (mount, at) => {
			const turns = [
				about(0, at.rollRad ?? 0),
				about(1, -at.tiltRad),
				about(2, at.panRad),
				about(0, mount.base.rollRad),
				about(1, -mount.base.tiltRad),
				about(2, mount.base.headingRad)
			];
			const forward = turns.reduce<Vec3>((v, turn) => turn(v), [1, 0, 0]);
			const { headingRad, elevationRad } = cameraPose({ mount, axes: at });
			expect(Math.cos(elevationRad) * Math.cos(headingRad)).toBeCloseTo(forward[0], 9);
			expect(Math.cos(elevationRad) * Math.sin(headingRad)).toBeCloseTo(forward[1], 9);
			expect(Math.sin(elevationRad)).toBeCloseTo(forward[2], 9);
		})
	);
});

describe('a lens that is not where the axes cross', () => {
	it('with a lens beside the crossing the subject stands in the middle of its picture, focus from the lens: any base, roll and offset', () => {
		const random = seededRandom(12);
		const between = (low: number, high: number) => low + random() * (high - low);
		let [hit, missed] = [0, 0];
		for (let k = 0; k < 3000; k += 1) {
			const mount = {
				kind: 'fixed',
				centreM: [between(-1, 1), between(-1, 1), between(0, 2)],
				base: { headingRad: between(-3, 3), tiltRad: between(-1, 1), rollRad: between(-3, 3) }
			} as const;
			const lensM = [between(-0.1, 0.2), between(-0.1, 0.1), between(-0.1, 0.15)] as const;
			const rollRad = between(-1, 1);
			const far = random() < 0.3 ? 0.25 : 4;
			const subjectM = mount.centreM.map((value) => value + between(-far, far)) as unknown as Vec3;
			const near = { panRad: between(-6, 6) };
			const aimed = aimAxes({ mount, axes: { rollRad }, subjectM, lensM, near });
			if (!aimed.feasible) {
				missed += 1;
				continue;
			}
			hit += 1;
			const { panRad, tiltRad, focusM } = aimed;
			const pose = cameraPose({ mount, axes: { panRad, tiltRad, rollRad }, lensM });
			const seen = frameOf({ pose, pointM: subjectM, focalM: 0.05, sensorWidthM: 0.036, sensorHeightM: 0.02 });
			expect(Math.abs(seen.xWidths!)).toBeLessThan(1e-7);
			expect(Math.abs(seen.yHeights!)).toBeLessThan(1e-7);
			expect(seen.depthM).toBeCloseTo(focusM, 9);
			expect(Math.abs(tiltRad)).toBeLessThanOrEqual(Math.PI / 2 + 1e-9);
			expect(Math.abs(panRad - near.panRad)).toBeLessThanOrEqual(Math.PI + 1e-9);
		}
		expect(hit).toBeGreaterThan(2000);
		expect(missed).toBeGreaterThan(10);
	});
	it('a held subject at a metre stands low in the picture by what the lens is above, and focus is off by what it is ahead', () => {
		const mount = { kind: 'fixed', centreM: [0, 0, 1], base: { headingRad: 0, tiltRad: 0, rollRad: 0 } } as const;
		const [lensM, subjectM] = [[0.06, 0, 0.07] as const, [1, 0, 1] as const];
		const plain = aimAxes({ mount, axes: {}, subjectM });
		const pose = cameraPose({ mount, axes: plain, lensM });
		const seen = frameOf({ pose, pointM: subjectM, focalM: 0.05, sensorWidthM: 0.036, sensorHeightM: 0.02 });
		expect(seen.yHeights).toBeCloseTo((-0.07 / 0.94) * (0.05 / 0.02), 3);
		expect(plain.focusM - aimAxes({ mount, axes: {}, subjectM, lensM }).focusM).toBeCloseTo(0.0624, 3);
		for (const bad of [
			[NaN, 0, 0],
			[0, Infinity, 0]
		] as const)
			expect(() => aimAxes({ mount, axes: {}, subjectM, lensM: bad })).toThrow(/lensM/);
	});
});
