import type { MoveNear } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import { type ClearQuestion, tryClear } from '$lib/places/clearance';
import type { TrialAsk, TrialTold } from '$lib/places/newestTrial.svelte';
import { viaThatClears } from './clear';
import type { Move } from './model';

/** What the page asks of this worker, and what it answers. */
export type ClearAsk =
	| TrialAsk<ClearQuestion>
	| { readonly type: 'via'; readonly number: number; readonly move: Move; readonly plan: VenuePlan | null };
export type ClearTold =
	| TrialTold<readonly MoveNear[]>
	| { readonly type: 'via'; readonly number: number; readonly via: ReturnType<typeof viaThatClears> };

addEventListener('message', ({ data }: MessageEvent<ClearAsk>) => {
	const { number } = data;
	try {
		const told: ClearTold =
			data.type === 'ask'
				? { type: 'ask', number, answer: tryClear(data.question) }
				: { type: 'via', number, via: viaThatClears(data.move, data.plan) };
		postMessage(told);
	} catch {
		// No answer is no proof: the page says that it could not be tried.
		postMessage(data.type === 'ask' ? { type: 'ask', number, answer: null } : { type: 'via', number, via: null });
	}
});
