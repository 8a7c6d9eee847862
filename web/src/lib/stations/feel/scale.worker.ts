import { fitFollow, type FollowFit, type TimedTurn } from '@poise/core';
import type { TrialAsk, TrialTold } from '$lib/places/newestTrial.svelte';

addEventListener('message', ({ data }: MessageEvent<TrialAsk<readonly TimedTurn[]>>) => {
	const { number, question } = data;
	let answer: FollowFit | null = null;
	try {
		answer = fitFollow({ tests: question });
	} catch {
		// The page says that these times do not fit together.
	}
	postMessage({ type: 'ask', number, answer } satisfies TrialTold<FollowFit>);
});
