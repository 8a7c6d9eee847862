import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bandCentre, nextNudge, type Observation, type Tried } from '../index';
import { rounds } from '../testing/rounds';

const widths = { fallsBeyondM: 0.0008, holdsWithinM: 0.0014 };
const halfM = 0.001;
const truth = (centreM: number, at: number): Observation =>
	Math.abs(at - centreM) <= halfM ? 'holds' : at > centreM ? 'falls+' : 'falls-';
const metres = (most: number) => fc.double({ min: -most, max: most, noNaN: true });

describe('the middle of a holding band, foretold and seen', () => {
	it('is where it was foretold while nothing was seen, with about that doubt', () => {
		const { centreM, sigmaM } = bandCentre({ history: [], prior: { meanM: 0.0365, sigmaM: 0.002 }, ...widths });
		expect(centreM).toBe(0.0365);
		expect(sigmaM).toBeGreaterThan(0.0015);
		expect(sigmaM).toBeLessThan(0.003);
	});

	it('is never moved away from the truth by a true look that agrees', () => {
		fc.assert(
			fc.property(metres(0.01), metres(0.03), fc.array(metres(0.05), { maxLength: 6 }), (foretold, centreM, places) => {
				const prior = { meanM: foretold, sigmaM: 0.002 };
				const at = (history: readonly Tried[]) => bandCentre({ history, prior, ...widths }).centreM;
				places.forEach((positionM, index) => {
					const history = places
						.slice(0, index)
						.map((place) => ({ positionM: place, observation: truth(centreM, place) }));
					const before = at(history);
					const observation = truth(centreM, positionM);
					const agrees =
						observation === 'falls+'
							? before <= positionM - widths.fallsBeyondM
							: observation === 'falls-'
								? before >= positionM + widths.fallsBeyondM
								: false;
					if (!agrees) return;
					const after = at([...history, { positionM, observation }]);
					expect(Math.abs(after - centreM)).toBeLessThanOrEqual(Math.abs(before - centreM) + 1e-12);
				});
			}),
			{ numRuns: rounds(400) }
		);
	});

	it('goes to the side that the fall says, further with each, and finds a band a hundred doubts away', () => {
		fc.assert(
			fc.property(metres(0.2), (centreM) => {
				const prior = { meanM: 0, sigmaM: 0.002 };
				const history: Tried[] = [];
				for (let look = 0; look < 30; look += 1) {
					const { centreM: positionM } = bandCentre({ history, prior, ...widths });
					const observation = truth(centreM, positionM);
					if (observation === 'holds') return;
					history.push({ positionM, observation });
					const next = bandCentre({ history, prior, ...widths }).centreM;
					if (observation === 'falls+') expect(next).toBeLessThan(positionM);
					else expect(next).toBeGreaterThan(positionM);
				}
				throw new Error(`Not found in 30 looks: ${centreM}`);
			}),
			{ numRuns: rounds(300) }
		);
	});

	it('outlives one wrong look', () => {
		const prior = { meanM: 0.01, sigmaM: 0.002 };
		const history: Tried[] = [{ positionM: 0.01, observation: 'falls+' }];
		for (let look = 0; look < 12; look += 1) {
			const { centreM: positionM } = bandCentre({ history, prior, ...widths });
			history.push({ positionM, observation: truth(0.01, positionM) });
		}
		expect(Math.abs(history[history.length - 1]!.positionM - 0.01)).toBeLessThanOrEqual(halfM);
	});

	it.each([
		['prior.sigmaM', { prior: { meanM: 0, sigmaM: 0 } }],
		['prior.meanM', { prior: { meanM: NaN, sigmaM: 1 } }],
		['fallsBeyondM', { fallsBeyondM: -1 }],
		['holdsWithinM', { holdsWithinM: Infinity }],
		['history[0].positionM', { history: [{ positionM: NaN, observation: 'holds' as const }] }]
	])('stops a figure without sense: %s', (path, change) =>
		expect(() => bandCentre({ history: [], prior: { meanM: 0, sigmaM: 0.002 }, ...widths, ...change })).toThrow(path)
	);
});

describe('the next nudge where the place was foretold', () => {
	const settings = { rangeM: [0, 0.09] as const, toleranceM: 0.001, firstStepM: 0.004, bandM: 0.001 };
	it('keeps to a foretold place that the look agrees with', () => {
		const history: Tried[] = [{ positionM: 0.055, observation: 'falls+' }];
		const next = nextNudge({ ...settings, history, prior: { meanM: 0.0365, sigmaM: 0.002 } });
		expect(next.positionM).toBe(0.0365);
		expect(next.done).toBe(false);
		const there = nextNudge({
			...settings,
			history: [{ positionM: 0.039, observation: 'falls-' }],
			prior: { meanM: 0.0465, sigmaM: 0.002 }
		});
		expect(there.positionM).toBe(0.0465);
	});
	it('never leaves the travel, and says where past it the middle is reckoned', () => {
		const next = nextNudge({
			...settings,
			history: [
				{ positionM: 0.085, observation: 'falls-' },
				{ positionM: 0.09, observation: 'falls-' },
				{ positionM: 0.09, observation: 'falls-' }
			],
			prior: { meanM: 0.084, sigmaM: 0.002 }
		});
		expect(next.outOfTravel).toBe('greatest');
		expect(next.positionM).toBe(0.09);
		expect(next.reckoned!.centreM).toBeGreaterThan(0.09);
	});
});
