import { craneClearPoses, craneNearest } from '@poise/core';
import type { VenueAnswer, VenueQuestion } from './inVenue';

/** The answer carries its question's number, so that one overtaken by another question is dropped. */
export interface NumberedQuestion extends VenueQuestion {
	readonly number: number;
}
export type NumberedAnswer = { readonly number: number } & (
	| { readonly answer: VenueAnswer }
	| { readonly problem: string }
	/** Not done yet: which share of it is, 0 to 1. */
	| { readonly share: number }
);

/** The poses take most of it, the nearest of each thing the rest, and what it passes over least. */
const parts = { clear: [0, 0.7], nearest: [0.7, 0.2], under: [0.9, 0.1] } as const;
/** No eye wants it oftener. */
const everyMs = 100;

addEventListener('message', ({ data: { number, clear, nearest, under } }: MessageEvent<NumberedQuestion>) => {
	try {
		let toldAtMs = performance.now();
		const told = (part: keyof typeof parts) => (share: number) => {
			if (performance.now() - toldAtMs < everyMs) return;
			toldAtMs = performance.now();
			const [from, length] = parts[part];
			postMessage({ number, share: from + length * share } satisfies NumberedAnswer);
		};
		const answer = {
			clear: craneClearPoses(clear, told('clear')),
			nearest: craneNearest(nearest, told('nearest')),
			under: craneNearest(under, told('under'))
		};
		postMessage({ number, answer } satisfies NumberedAnswer);
	} catch (thrown) {
		const problem = thrown instanceof Error ? thrown.message : 'The plan cannot be tried.';
		postMessage({ number, problem } satisfies NumberedAnswer);
	}
});
