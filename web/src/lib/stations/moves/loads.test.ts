import { describe, expect, it } from 'vitest';
import { fromPattern } from './fromPattern';
import { railInFrame, railRead, type RailRead, setUpWords, tipReserve } from './loads';
import type { Move, RailSupport } from './model';
import { type Run, runOf, runs } from './path';
import { movePatterns } from './patterns';

/* What a rail, its stands and its clamps bear: by hand, at both ends of the travel, standing and hung. */

const g = 9.80665;
const plain: Partial<RailSupport> = {
	...{ lengthM: 2, travelM: [0, 1.6], railKg: 2, carriageKg: 1, plateM: 0.25, reachM: 0, inclineRad: 0 },
	...{ headingRad: 0, startM: [1, 1, 1], stance: 'up', supportsM: [0, 2], clampsDown: false },
	...{ supportBearsN: null, clampHoldsNm: null, holdsN: null }
};
function railed(of: Partial<RailSupport> = {}): Move & { readonly support: RailSupport } {
	const bare = fromPattern(
		movePatterns.find(({ id }) => id === 'slider')!,
		'A move',
		null,
		null
	);
	if (bare.support.kind !== 'rail') throw new Error('The pattern has a rail.');
	return {
		...bare,
		support: { ...bare.support, ...plain, ...of },
		camera: { ...bare.camera, massKg: 4 },
		head: { ...bare.head, figures: { ...bare.head.figures, massKg: 1 } }
	};
}
const read = (of: Partial<RailSupport> = {}): RailRead => railRead(railed(of))!;

describe('what the supports bear', () => {
	it('at either end of the travel most of the load is on the near one, and all of it on both', () => {
		// Carriage, camera and head weigh 6 kg; the travel begins 0.2 m from the rail's first end.
		const { spansN, carriedKg, curve, warnings } = read();
		expect(carriedKg).toBe(6);
		const [near, far] = [g * (1 + 6 * (1.8 / 2)), g * (1 + 6 * (0.2 / 2))];
		for (const [least, most] of spansN) {
			expect(least).toBeCloseTo(far, 9);
			expect(most).toBeCloseTo(near, 9);
		}
		expect(curve[0]!.supportsN[0]).toBeCloseTo(near, 9);
		expect(curve.at(-1)!.supportsN[1]).toBeCloseTo(near, 9);
		expect(warnings).toEqual([]);
	});
	it('a rail that lifts off a support is told, and where it lifts most; clamped down it is not', () => {
		const off: Partial<RailSupport> = { supportsM: [0.6, 1.4] };
		const { spansN, warnings, leastAtM } = read(off);
		expect(Math.min(...spansN.map(([least]) => least))).toBeLessThan(0);
		expect(warnings).toEqual([expect.stringMatching(/^The rail lifts off a support/)]);
		expect([0, 1.6].some((end) => Math.abs(leastAtM - end) < 1e-9)).toBe(true);
		expect(read({ ...off, clampsDown: true }).warnings).toEqual([]);
	});
	it('more than a support’s maker says is told from there on', () => {
		const most = g * (1 + 6 * 0.9);
		expect(read({ supportBearsN: most + 0.01 }).warnings).toEqual([]);
		expect(read({ supportBearsN: most - 0.01 }).warnings).toEqual([expect.stringMatching(/^A support bears more/)]);
	});
	it('one clamp is turned by what hangs over either end, and told where it does not hold', () => {
		const { momentNm, spansN } = read({ supportsM: [1] });
		expect(momentNm).toBeCloseTo(g * 6 * 0.8, 9);
		expect(spansN[0]![1]).toBeCloseTo(g * 8, 9);
		expect(read({ supportsM: [1], clampHoldsNm: momentNm! - 0.01 }).warnings[0]).toMatch(/^One clamp does not hold/);
		expect(read({ supportsM: [1], clampHoldsNm: momentNm! + 0.01 }).warnings).toEqual([]);
	});
	it('on a slope the carriage is to be held up or down alike, and told where its brake does not', () => {
		for (const sign of [1, -1]) {
			const { holdN } = read({ inclineRad: (sign * Math.PI) / 6 });
			expect(holdN).toBeCloseTo(sign * g * 6 * 0.5, 9);
			const [held, slips] = [3, -3].map((more) => read({ inclineRad: (sign * Math.PI) / 6, holdsN: 29.4 + more }));
			expect(held!.warnings).toEqual([]);
			expect(slips!.warnings).toEqual([expect.stringMatching(/^The carriage’s brake does not hold/)]);
		}
	});
	it('what stands above a rail that rises presses its low support, what hangs below it its high one', () => {
		const [level, stands, hangs] = [read(), read({ inclineRad: 0.5 }), read({ inclineRad: 0.5, stance: 'hung' })];
		const low = ({ curve }: RailRead) => curve[20]!.supportsN[0]!;
		const shift = (g * 6 * 0.25 * Math.sin(0.5)) / 2;
		expect(low(stands)).toBeCloseTo(low(level) * Math.cos(0.5) + shift, 9);
		expect(low(hangs)).toBeCloseTo(low(level) * Math.cos(0.5) - shift, 9);
	});
	it('a dolly’s track lies on the floor: nothing is said of it', () => {
		expect(railRead(railed({ what: 'dolly' }))).toBeNull();
	});
});

describe('a rail on one rolling stand', () => {
	const stand = { halfBaseM: 0.5, standKg: 10 };
	const reserve = (of: Partial<RailSupport>, at = stand) => {
		const move = railed({ supportsM: [1], ...of });
		return tipReserve(move.support, railRead(move)!, at);
	};
	it('has less to spare the further its carriage goes out, the narrower it stands and the lighter the stand is', () => {
		const whole = reserve({});
		expect(whole).toBeGreaterThan(0);
		expect(reserve({ reachM: 0.4 })).toBeLessThan(whole);
		expect(reserve({}, { ...stand, halfBaseM: 0.3 })).toBeLessThan(whole);
		expect(reserve({}, { ...stand, standKg: 4 })).toBeLessThan(whole);
		expect(reserve({ travelM: [0, 0.4], lengthM: 2 })).toBeGreaterThan(whole);
	});
	it('tips where by hand the load beyond the wheels outweighs the stand: no reserve is left', () => {
		// 6 kg at 0.8 m past the middle; wheels at 0.5 m; stand and rail hold it with 12 kg at 0.5 m: 6·0.3 against 12·0.5.
		expect(reserve({})).toBeGreaterThan(0.3);
		expect(reserve({}, { halfBaseM: 0.15, standKg: 10 })).toBeLessThan(0);
	});
});

describe('the set-up', () => {
	const words = (of: Partial<RailSupport>) => setUpWords(railed(of).support).join(' ');
	it('says what hangs, what slopes, what stands on end and what is above heads', () => {
		expect(words({})).toMatch(/stands on the carriage, the right way up.*level along its length/);
		expect(words({ stance: 'hung' })).toMatch(/turn its picture over, and tie it/);
		expect(words({ inclineRad: 0.3 })).toMatch(/rises by 17°: lock the carriage/);
		expect(words({ inclineRad: Math.PI / 2 })).toMatch(/stands on end: its low end stop is on/);
		expect(words({ startM: [0, 0, 1.79] })).not.toMatch(/safety bond/);
		expect(words({ startM: [0, 0, 1.81] })).toMatch(/safety bond on rail, carriage and camera/);
		expect(words({ reachM: 0.2 })).toMatch(/the far support is clamped/);
	});
	it('the rail in the picture is told with when and where, and one behind the camera is not', () => {
		const way = (move: Move): Run => {
			const found = runOf(move);
			if (!runs(found)) throw new Error(found.words);
			return found;
		};
		const beside = railed({});
		expect(railInFrame(beside, way(beside))).toBeNull();
		// The subject lies along the rail, low: the camera looks down its whole length.
		const [x, y] = beside.support.startM;
		const along = { ...beside, subject: { ...beside.subject, atM: [x + 6, y, 0.2] as const } };
		const seen = railInFrame(along, way(along));
		expect(seen).not.toBeNull();
		expect(seen!.alongM).toBeGreaterThan(0.2);
		expect(seen!.alongM).toBeLessThanOrEqual(2);
	});
});
