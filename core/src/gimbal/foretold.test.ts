import { describe, expect, it } from 'vitest';
import { median } from '../mass/spread';
import { normal, seededRandom } from '../numeric/random';
import { nextNudge } from './nextNudge';
import { predictReadings } from './predictReadings';
import { randomBench } from './randomBench';
import { bandOf, carefulOperator, SimulatedBench } from './simulatedBench';
import type { Tried } from './tried';

/** Slides set by the drawing, and then by what is seen to fall and to hold: each slide's first look that holds is good enough. */
function balanced(seed: number, wrong: 'asDrawn' | 'twiceItsDoubt') {
	const drawn = randomBench({ random: seededRandom(seed) });
	const { rig, payload } = drawn;
	const doubts = predictReadings({
		rig,
		payload: payload.map((part) => ({ ...part, sigmaM: [0.006, 0.006, 0.006] as const })),
		zeroSigmaM: Object.fromEntries(rig.slides.map(({ id }) => [id, 0.002]))
	});
	const sides = seededRandom(seed + 77);
	const zeroErrorM = Object.fromEntries(
		rig.slides.map(({ id }, s) => [id, (sides() < 0.5 ? -2 : 2) * doubts[s]!.sigmaM])
	);
	const random = seededRandom(seed + 9000);
	// Honest friction as rigs are sold, no knobs, one look in a hundred wrong.
	const truth = wrong === 'asDrawn' ? drawn.truth : { bodies: {}, zeroErrorM };
	const bench = new SimulatedBench(rig, payload, truth, carefulOperator, random);
	const nudges = new Map(rig.axes.map(({ id }) => [id, 0]));
	const goAbout = (axisId: string) => {
		for (const slide of bench.slidesOf(axisId)) {
			const prior = { meanM: bench.read(slide), sigmaM: doubts[rig.slides.indexOf(slide)]!.sigmaM };
			const bandM = bandOf(bench.trueOffset(axisId).load) * Math.max(0.5, 1 + normal(random) / 6);
			const history: Tried[] = [];
			while (history.length < 40) {
				const positionM = bench.read(slide);
				const observation = bench.seen(slide);
				history.push({ positionM, observation });
				if (observation === 'holds') break;
				const next = nextNudge({ history, rangeM: slide.rangeM, toleranceM: 0.001, firstStepM: 0.004, bandM, prior });
				bench.move(slide, next.positionM - positionM);
				nudges.set(axisId, nudges.get(axisId)! + 1);
			}
		}
	};
	const innermostFirst = rig.axes.map(({ id }) => id).reverse();
	innermostFirst.forEach(goAbout);
	for (const axisId of innermostFirst) if (!bench.seenToHold(axisId)) goAbout(axisId);
	return { nudges: [...nudges.values()], poised: innermostFirst.every((id) => bench.truly(id)) };
}

describe('three hundred gimbals set by a drawing', () => {
	const of = (wrong: 'asDrawn' | 'twiceItsDoubt') => {
		const all = Array.from({ length: 300 }, (_, k) => balanced(k + 1, wrong));
		const sorted = all.flatMap(({ nudges }) => nudges).sort((a, b) => a - b);
		return {
			middle: median(sorted),
			most: sorted[Math.floor(0.95 * (sorted.length - 1))]!,
			mean: sorted.reduce((sum, each) => sum + each, 0) / sorted.length,
			poised: all.filter(({ poised }) => poised).length
		};
	};
	it('that is wrong by twice its stated doubt: two nudges an axis at the median, four at the 95th percent', () => {
		const { middle, most, poised } = of('twiceItsDoubt');
		expect(middle).toBeLessThanOrEqual(2);
		expect(most).toBeLessThanOrEqual(4);
		expect(poised).toBeGreaterThanOrEqual(285);
	});
	it('that is as good as it says: hardly more than where every step was half of what is left', () => {
		const { middle, mean } = of('asDrawn');
		expect(middle).toBeLessThanOrEqual(1);
		expect(mean).toBeLessThan(2);
	});
});

describe('a fall after the slide was set by the drawing', () => {
	const settings = { rangeM: [-0.09, 0.09] as const, toleranceM: 0.001, firstStepM: 0.004, bandM: 0.001 };
	const prior = { meanM: 0.03, sigmaM: 0.004 };
	const next = (...history: readonly Tried[]) => nextNudge({ ...settings, prior, history });
	it.each([0, 0.0004, -0.0004])(
		'goes as far as the drawing admits, however the scale was read: %d m beside',
		(beside) => {
			expect(next({ positionM: 0.03 + beside, observation: 'falls+' }).positionM).toBeCloseTo(0.022, 9);
			expect(next({ positionM: 0.03 + beside, observation: 'falls-' }).positionM).toBeCloseTo(0.038, 9);
			expect(next({ positionM: 0.03 + beside, observation: 'falls-' }).reckoned!.centreM).toBeCloseTo(0.038, 9);
		}
	);
	it('where it falls there too, twice as far each time, until something bounds it', () => {
		const at = (positionM: number, observation: Tried['observation'] = 'falls+'): Tried => ({ positionM, observation });
		expect(next(at(0.03), at(0.022)).positionM).toBeCloseTo(0.014, 9);
		expect(next(at(0.03), at(0.022), at(0.014)).positionM).toBeCloseTo(-0.002, 9);
		const bounded = next(at(0.03), at(0.022), at(0.014), at(-0.002, 'falls-')).positionM;
		expect(bounded).toBeGreaterThan(-0.002);
		expect(bounded).toBeLessThan(0.014);
	});
	it('one that fell where the drawing says it must leaves the drawing as it is', () => {
		expect(next({ positionM: 0.034, observation: 'falls+' }).positionM).toBe(0.03);
	});
});
