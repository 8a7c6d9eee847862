import type { SolveFeelInput } from '@poise/core';
import { solveWithWins } from './solve';

/** One search a message; the newest question is answered, those it overtakes are not. */
export interface SolveAsk {
	readonly number: number;
	readonly asked: readonly { readonly calm: number; readonly input: SolveFeelInput }[];
}

let newest = 0;
self.onmessage = async ({ data }: MessageEvent<SolveAsk>) => {
	newest = data.number;
	for (const { calm, input } of data.asked) {
		if (newest !== data.number) return;
		try {
			self.postMessage({ number: data.number, solved: solveWithWins(calm, input) });
		} catch (thrown) {
			self.postMessage({ number: data.number, trouble: (thrown as Error).message });
			return;
		}
		// Lets a newer question in between two searches.
		await new Promise((resolve) => setTimeout(resolve, 0));
	}
};
