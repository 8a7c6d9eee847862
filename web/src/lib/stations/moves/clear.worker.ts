import { moveClearance, type MoveNear } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import { type ClearQuestion, viaThatClears } from './clear';
import type { Move } from './model';

/** What the page asks of this worker, and what it answers. */
export type ClearAsk =
	| { readonly type: 'clear'; readonly number: number; readonly question: ClearQuestion }
	| { readonly type: 'via'; readonly number: number; readonly move: Move; readonly plan: VenuePlan | null };
export type ClearTold =
	| { readonly type: 'clear'; readonly number: number; readonly near: readonly MoveNear[] | null }
	| { readonly type: 'via'; readonly number: number; readonly via: ReturnType<typeof viaThatClears> };

addEventListener('message', ({ data }: MessageEvent<ClearAsk>) => {
	try {
		const told: ClearTold =
			data.type === 'clear'
				? { type: 'clear', number: data.number, near: moveClearance(data.question) }
				: { type: 'via', number: data.number, via: viaThatClears(data.move, data.plan) };
		postMessage(told);
	} catch {
		// No answer is no proof: the page says that it could not be tried.
		postMessage(
			data.type === 'clear'
				? { type: 'clear', number: data.number, near: null }
				: { type: 'via', number: data.number, via: null }
		);
	}
});
