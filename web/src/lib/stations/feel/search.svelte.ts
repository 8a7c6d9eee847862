import { untrack } from 'svelte';
import type { FeelBench } from './feelBench.svelte';
import { calmStops, type Solved, solveInput } from './solve';
import type { SolveAsk } from './solve.worker';

/** The stop that is looked at first, then outwards from it. */
const inOrder = (calm: number) => [...calmStops].sort((a, b) => Math.abs(a - calm) - Math.abs(b - calm));

/**
 * Keeps a worker searching for what the bench asks: call while a component is made. What was found for another shot, lens,
 * scale or balance is thrown away; moving the slider alone asks for nothing new.
 */
export function searchFor(get: () => FeelBench): void {
	let worker: Worker | null = null;
	let number = 0;
	const asked = $derived.by(() => {
		const bench = get();
		const { turning, nowModel, sheet, shot, axis, lens, stiffest } = bench;
		if (turning === null || nowModel === null || axis === null) return null;
		try {
			return calmStops.map((calm) => ({
				calm,
				input: solveInput(sheet, nowModel, turning, shot, lens, calm, stiffest)
			}));
		} catch {
			return null;
		}
	});
	const key = $derived(JSON.stringify(asked));

	$effect(() => {
		// What is asked may be made anew and be the same: only another question is one.
		void key;
		const bench = get();
		const questions = untrack(() => asked);
		if (questions === null) return;
		const mine = (number += 1);
		bench.solved = new Map();
		bench.solving = true;
		bench.trouble = '';
		worker ??= new Worker(new URL('./solve.worker.ts', import.meta.url), { type: 'module' });
		worker.onmessage = ({ data }: MessageEvent<{ number: number; solved?: Solved; trouble?: string }>) => {
			if (data.number !== number) return;
			if (data.trouble !== undefined) bench.trouble = data.trouble;
			if (data.solved !== undefined) bench.solved = new Map([...bench.solved, [data.solved.calm, data.solved]]);
			bench.solving = data.trouble === undefined && bench.solved.size < calmStops.length;
		};
		worker.onerror = () => {
			bench.solving = false;
			bench.trouble = 'The search stopped. Open this page again.';
		};
		// Moving the slider asks for nothing new.
		const order = inOrder(untrack(() => bench.state.calm));
		const ask: SolveAsk = { number: mine, asked: order.map((calm) => questions.find((each) => each.calm === calm)!) };
		worker.postMessage(ask);
	});
	$effect(() => () => worker?.terminate());
}
