import { balanceGimbal, type GimbalRig, learnFromBalances, mountPayload, readingAt, seededRandom } from '@poise/core';
import { scenario } from '@poise/demo';

/** Learning from many balances on a large shelf, as one JSON line. */
export function benchLearning(): void {
	const random = seededRandom(4);
	const between = (low: number, high: number) => low + random() * (high - low);
	const drawn = scenario.rigs[1]!.geometry as unknown as GimbalRig;
	const rig = { ...drawn, slides: drawn.slides.map((slide) => ({ ...slide, rangeM: [-0.5, 0.5] as const })) };
	const parts = Array.from({ length: 3000 }, (_, k) => ({
		id: `part ${k}`,
		massKg: between(0.1, 1.2),
		cgM: [between(-0.1, 0.15), between(-0.03, 0.03), between(0.02, 0.1)] as const,
		sigmaM: [0.008, 0.008, 0.008] as const
	}));
	for (const count of [50, 400]) {
		// Of the shelf sixty parts are ever used.
		const balances = Array.from({ length: count }, () => {
			const used = parts.slice(0, 60).filter(() => random() < 0.12);
			const payload = used.length === 0 ? parts.slice(0, 1) : used;
			const { slides } = balanceGimbal({
				chain: mountPayload({ rig, payload: payload.map((part) => ({ id: part.id, body: part })) })
			});
			return {
				rigId: 'rig',
				parts: payload.map(({ id }) => ({ partId: id, originM: [0, 0, 0] as const })),
				readingsM: Object.fromEntries(slides.map(({ id, positionM }, s) => [id, readingAt(rig.slides[s]!, positionM)])),
				readingSigmaM: 0.0005
			};
		});
		const times = Array.from({ length: 5 }, () => {
			const began = performance.now();
			learnFromBalances({ rigs: [{ id: 'rig', rig, zeroSigmaM: {} }], parts, balances });
			return performance.now() - began;
		}).sort((a, b) => a - b);
		console.log(
			JSON.stringify({
				...{ figure: `learnFromBalances, ${count} balances, a shelf of 3000 parts`, unit: 'ms', budget: 500 },
				...{ median: Math.round(times[2]!), worst: Math.round(times[4]!) }
			})
		);
	}
}
