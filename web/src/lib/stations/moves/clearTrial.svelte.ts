import type { MoveNear } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import type { ClearQuestion } from '$lib/places/clearance';
import { NewestTrial, plain, type TrialTold, type Worked } from '$lib/places/newestTrial.svelte';
import type { viaThatClears } from './clear';
import type { ClearAsk, ClearTold } from './clear.worker';
import type { Move } from './model';

type Via = ReturnType<typeof viaThatClears>;

/** A move's newest way through the room, and a way round what is too near. */
export class ClearTrial extends NewestTrial<ClearQuestion, readonly MoveNear[]> {
	#via: ((via: Via) => void) | null = null;

	constructor(worker: Worked) {
		super(worker, {
			broken: 'The clearance could not be worked out here. Reload the page; until then nothing is proven.',
			untried: 'It could not be tried against the plan: nothing is proven.'
		});
	}
	via(move: Move, plan: VenuePlan | null): Promise<Via> {
		return new Promise((resolve) => {
			this.#via = resolve;
			const asked: ClearAsk = { type: 'via', number: this.number, move: plain(move), plan: plain(plan) };
			this.worker.postMessage(asked);
		});
	}
	protected override told(told: ClearTold | TrialTold<readonly MoveNear[]>): void {
		if (told.type === 'via') this.#found(told.via);
		else super.told(told);
	}
	protected override broke(): void {
		super.broke();
		this.#found(null);
	}
	#found(via: Via): void {
		this.#via?.(via);
		this.#via = null;
	}
}
