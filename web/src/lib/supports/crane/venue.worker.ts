import { craneClearPoses, craneNearest } from '@poise/core';
import type { VenueAnswer, VenueQuestion } from './inVenue';

/** The answer carries its question's number, so that one overtaken by another question is dropped. */
export interface NumberedQuestion extends VenueQuestion {
	readonly number: number;
}
export type NumberedAnswer = { readonly number: number } & (
	{ readonly answer: VenueAnswer } | { readonly problem: string }
);

addEventListener('message', ({ data: { number, clear, nearest, under } }: MessageEvent<NumberedQuestion>) => {
	try {
		const answer = { clear: craneClearPoses(clear), nearest: craneNearest(nearest), under: craneNearest(under) };
		postMessage({ number, answer } satisfies NumberedAnswer);
	} catch (thrown) {
		const problem = thrown instanceof Error ? thrown.message : 'The plan cannot be tried.';
		postMessage({ number, problem } satisfies NumberedAnswer);
	}
});
