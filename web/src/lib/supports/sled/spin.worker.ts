import { type Sled, simulateSpin, type SpinRun } from '@poise/core';

/** One run to compute; the answer carries its number back, so that an answer overtaken by another question is dropped. */
export interface SpinQuestion {
	readonly number: number;
	readonly sled: Sled;
	readonly spinRadPerS: number;
	readonly held: boolean;
}
export type SpinAnswer =
	{ readonly number: number; readonly run: SpinRun } | { readonly number: number; readonly problem: string };

const spinDurationS = 24;
/** What a good gimbal's rings and pan bearing take, N·m per rad/s. */
const dampingNmS = 0.02;
const panDampingNmS = 0.004;

addEventListener('message', ({ data }: MessageEvent<SpinQuestion>) => {
	const { number, sled, spinRadPerS, held } = data;
	try {
		const run = simulateSpin({
			sled,
			spinRadPerS,
			held,
			durationS: spinDurationS,
			dampingNmS,
			panDampingNmS,
			sampleS: 1 / 60,
			stepS: 1 / 480
		});
		postMessage({ number, run } satisfies SpinAnswer);
	} catch (thrown) {
		postMessage({
			number,
			problem: thrown instanceof Error ? thrown.message : 'The spin cannot be worked out.'
		} satisfies SpinAnswer);
	}
});
