import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nextNudge, type Observation, PhysicsInputError, type Tried } from '../index';
import { seededRandom } from '../numeric/random';
import { rounds } from '../testing/rounds';

const rangeM = [-0.05, 0.05] as const;
const settings = { rangeM, toleranceM: 0.001, firstStepM: 0.004 };

/** An axis whose holding band is hidden; `lies` names the looks that are reported wrong. */
function balance(band: readonly [number, number], startM: number, lies: ReadonlySet<number> = new Set()) {
	const truth = (at: number): Observation => (at < band[0] ? 'falls-' : at > band[1] ? 'falls+' : 'holds');
	const wrong: Record<Observation, Observation> = { 'falls+': 'falls-', 'falls-': 'falls+', holds: 'falls+' };
	const history: Tried[] = [];
	let positionM = startM;
	let contradicted = false;
	for (let look = 0; look < 60; look += 1) {
		const seen = truth(positionM);
		history.push({ positionM, observation: lies.has(look) ? wrong[seen] : seen });
		const next = nextNudge({ ...settings, history });
		contradicted ||= next.contradictory;
		expect(next.positionM).toBeGreaterThanOrEqual(rangeM[0]);
		expect(next.positionM).toBeLessThanOrEqual(rangeM[1]);
		if (next.done || next.outOfTravel !== null) return { next, looks: history.length, contradicted };
		positionM = next.positionM;
	}
	throw new Error(`No end after 60 looks: band ${band.join(' to ')}, start ${startM}`);
}

const bands = fc
	.tuple(fc.double({ min: -0.04, max: 0.04, noNaN: true }), fc.double({ min: 0.00005, max: 0.0025, noNaN: true }))
	.map(([middle, half]) => [middle - half, middle + half] as const);
const starts = fc.double({ min: rangeM[0], max: rangeM[1], noNaN: true });
const middleOf = ([low, high]: readonly [number, number]) => (low + high) / 2;

describe('nextNudge', () => {
	it('ends in the middle of the holding band, to the tolerance, wherever it starts', () => {
		fc.assert(
			fc.property(bands, starts, (band, startM) => {
				const { next, contradicted } = balance(band, startM);
				expect(next.done).toBe(true);
				expect(Math.abs(next.positionM - middleOf(band))).toBeLessThanOrEqual(settings.toleranceM);
				expect(contradicted).toBe(false);
			}),
			{ numRuns: rounds(500) }
		);
	});

	it('keeps the true band inside its bracket all the way', () => {
		fc.assert(
			fc.property(bands, starts, (band, startM) => {
				const { next } = balance(band, startM);
				expect(next.lowerEdgeM[0]).toBeLessThanOrEqual(band[0]);
				expect(next.upperEdgeM[1]).toBeGreaterThanOrEqual(band[1]);
			})
		);
	});

	it('needs few looks when it starts near, as it does from a computed position', () => {
		const looks: number[] = [];
		for (let seed = 0; seed < 200; seed += 1) {
			const middle = -0.02 + (seed % 20) * 0.002;
			const half = 0.0006 + (seed % 7) * 0.0002;
			const startM = middle + ((seed % 11) - 5) * 0.0008;
			looks.push(balance([middle - half, middle + half], startM).looks);
		}
		looks.sort((a, b) => a - b);
		expect(looks[100]).toBeLessThanOrEqual(7);
		expect(looks[199]).toBeLessThanOrEqual(12);
	});

	it('survives one wrong look: it ends, and holds there or says that something contradicts', () => {
		fc.assert(
			fc.property(
				bands.filter(([low, high]) => high - low > 0.001),
				starts,
				fc.integer({ min: 0, max: 5 }),
				(band, startM, lie) => {
					const { next, contradicted } = balance(band, startM, new Set([lie]));
					const off = Math.max(band[0] - next.positionM, next.positionM - band[1], 0);
					// Right to the tolerance, or open about it.
					expect(next.outOfTravel !== null || off <= settings.toleranceM || contradicted).toBe(true);
				}
			),
			{ numRuns: rounds(500) }
		);
	});

	it('says so when looks contradict each other, and widens instead of believing the last', () => {
		const history: Tried[] = [
			{ positionM: 0, observation: 'falls-' },
			{ positionM: 0.01, observation: 'falls+' },
			{ positionM: 0.005, observation: 'holds' },
			{ positionM: 0.003, observation: 'falls+' }
		];
		const next = nextNudge({ ...settings, history });
		expect(next.contradictory).toBe(true);
		expect(next.done).toBe(false);
		expect(next.bracketM).toEqual([0, 0.01]);
		const settled = nextNudge({
			...settings,
			history: [...history, { positionM: 0.003, observation: 'falls-' }, { positionM: 0.003, observation: 'falls-' }]
		});
		expect(settled.lowerEdgeM).toEqual([0.003, 0.005]);
		expect(settled.upperEdgeM).toEqual([0.005, 0.01]);
	});

	it('says which end when the band lies past the travel', () => {
		expect(balance([-0.07, -0.06], 0).next.outOfTravel).toBe('least');
		expect(balance([0.06, 0.07], 0.02).next.outOfTravel).toBe('greatest');
	});

	it('takes the end of the travel for the edge when it still holds there', () => {
		const { next } = balance([-0.06, -0.047], -0.02);
		expect(next.done).toBe(true);
		expect(next.positionM).toBeCloseTo((-0.05 - 0.047) / 2, 2);
	});

	it('starts at mid-travel and about doubles the way gone while nothing changes, towards where it must lie', () => {
		expect(nextNudge({ ...settings, history: [] }).positionM).toBe(0);
		for (const [side, fromM] of [
			['falls+', 0.04],
			['falls-', -0.04]
		] as const) {
			const towards = side === 'falls+' ? -1 : 1;
			const history: Tried[] = [{ positionM: fromM, observation: side }];
			const steps: number[] = [];
			for (let look = 0; look < 3; look += 1) {
				const at = history.at(-1)!.positionM;
				const { positionM } = nextNudge({ ...settings, history });
				steps.push((positionM - at) * towards);
				history.push({ positionM, observation: side });
			}
			expect(steps[0]).toBeGreaterThan(0.003);
			expect(steps[1]! / steps[0]!).toBeGreaterThan(1.4);
			expect(steps[2]! / steps[1]!).toBeGreaterThan(1.4);
			expect(steps[2]! / steps[1]!).toBeLessThan(3);
		}
	});

	it('never believes one early false look: it looks on, and names the one that was wrong', () => {
		// The band is 2.5 to 4.6 mm; at 0 it was said to fall the other way.
		const history: Tried[] = [
			{ positionM: 0, observation: 'falls+' },
			{ positionM: 0.004, observation: 'holds' },
			{ positionM: 0.0031, observation: 'holds' }
		];
		const next = nextNudge({ ...settings, history });
		expect(next.contradictory).toBe(true);
		expect(next.done).toBe(false);
		const looked = [...history];
		for (let look = 0; look < 12; look += 1) {
			const { positionM, done } = nextNudge({ ...settings, history: looked });
			if (done) break;
			looked.push({ positionM, observation: positionM < 0.0025 ? 'falls-' : positionM > 0.0046 ? 'falls+' : 'holds' });
		}
		const ended = nextNudge({ ...settings, history: looked });
		expect(ended.done).toBe(true);
		expect(Math.abs(ended.positionM - 0.00355)).toBeLessThan(0.001);
		expect(ended.doubted).toEqual([0]);
	});

	it('names none while it is open which of them were wrong, and never all', () => {
		// One says that the band lies lower, two that it lies higher: with a narrow band either may be.
		const open: Tried[] = [
			{ positionM: -0.0195, observation: 'falls+' },
			{ positionM: -0.012, observation: 'holds' },
			{ positionM: -0.0125, observation: 'holds' }
		];
		const next = nextNudge({ ...settings, history: open, bandM: 0.00085 });
		expect([next.doubted, next.contradictory, next.done]).toEqual([[], true, false]);
		const more = [...open, { positionM: -0.0118, observation: 'holds' as const }];
		expect(nextNudge({ ...settings, history: more, bandM: 0.00085 }).doubted).toEqual([0]);
		const random = seededRandom(7);
		const spoken = ['holds', 'falls+', 'falls-'] as const;
		for (let round = 0; round < 200; round += 1) {
			const history = Array.from({ length: 1 + Math.floor(7 * random()) }, () => ({
				positionM: 0.09 * random() - 0.045,
				observation: spoken[Math.floor(3 * random())]!
			}));
			const { doubted } = nextNudge({ ...settings, history });
			expect(doubted.length).toBeLessThan(history.length);
			if (history.length === 1) expect(doubted).toEqual([]);
		}
	});

	it.each([
		['without a known band', undefined, 0.92, 8],
		['with a band known to a sixth', 1 / 6, 0.95, 5]
	])(
		'one look in ten wrong, %s: true to the tolerance in all but a few of a thousand',
		(_what, spread, least, most) => {
			const looks: number[] = [];
			let within = 0;
			const runs = rounds(1000, 100);
			for (let seed = 1; seed <= runs; seed += 1) {
				const random = seededRandom(seed);
				const middleM = (2 * random() - 1) * 0.03;
				const half = 0.0003 + random() * 0.0022;
				let positionM = middleM + 0.008 * (random() + random() + random() - 1.5);
				const bandM = half * Math.max(0.5, 1 + 2 * (spread ?? 0) * (random() + random() + random() - 1.5));
				const history: Tried[] = [];
				for (let look = 0; look < 60; look += 1) {
					const truth = positionM < middleM - half ? 'falls-' : positionM > middleM + half ? 'falls+' : 'holds';
					const others = (['holds', 'falls+', 'falls-'] as const).filter((each) => each !== truth);
					const observation = random() < 0.1 ? others[Math.floor(2 * random())]! : truth;
					history.push({ positionM, observation });
					const next = nextNudge({ ...settings, history, ...(spread === undefined ? {} : { bandM }) });
					positionM = next.positionM;
					if (next.done && Math.abs(positionM - middleM) <= settings.toleranceM) within += 1;
					if (next.done || next.outOfTravel !== null) break;
				}
				looks.push(history.length);
			}
			looks.sort((a, b) => a - b);
			expect(within / runs).toBeGreaterThan(least);
			expect(looks[runs / 2]).toBeLessThanOrEqual(most);
		}
	);

	it.each([
		['a position outside the range', { history: [{ positionM: 1, observation: 'holds' }] }, 'history[0].positionM'],
		['a look it does not know', { history: [{ positionM: 0, observation: 'wobbles' }] }, 'history[0].observation'],
		['no tolerance', { toleranceM: 0 }, 'toleranceM'],
		['no step', { firstStepM: -1 }, 'firstStepM'],
		['a range upside down', { rangeM: [1, -1] }, 'rangeM']
	])('throws for %s', (_what, change, path) => {
		const attempt = () => nextNudge({ ...settings, history: [], ...change } as Parameters<typeof nextNudge>[0]);
		expect(attempt).toThrow(PhysicsInputError);
		expect(attempt).toThrow(path);
	});
});
