import type { TrialAsk, TrialTold } from '$lib/places/newestTrial.svelte';
import { type RoomAnswer, type RoomQuestion, tryRoom } from './room';

addEventListener('message', ({ data }: MessageEvent<TrialAsk<RoomQuestion>>) => {
	const { number } = data;
	let answer: RoomAnswer | null = null;
	try {
		answer = tryRoom(data.question);
	} catch {
		// No answer is no proof: the page says that it could not be tried.
	}
	postMessage({ type: 'ask', number, answer } satisfies TrialTold<RoomAnswer>);
});
