import type { GimbalBalance } from '@poise/core';
import { ask } from '$lib/api';
import type { BenchState, Nudge } from '$lib/model/balance';
import type { Positions, Rig } from '$lib/model/rig';
import { begin, change, type History, redo, settle, undo } from '$lib/state/history';
import { keepSoon, recall } from '$lib/state/kept';
import {
	type BenchFigures,
	benchFigures,
	completePositions,
	type MountedBody,
	solveBench,
	tryFigures
} from './figures';

const restMs = 400;
const retryMs = 3000;
const mostNudges = 200;

interface Kept {
	readonly dirty: boolean;
	readonly history: History<BenchState>;
}

/**
 * One payload on one rig: where the slides stand today, what has been moved, and everything worked out from it.
 *
 * Kept in this browser at once and sent a moment later. The last reading wins on the server: a scale says what it says,
 * whoever read it.
 */
export class GimbalBench {
	#history = $state.raw<History<BenchState>>(begin({ positionsM: {}, nudges: [] }));
	#dirty = false;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly rig: Rig;
	readonly payloadId: string;
	readonly bodies: readonly MountedBody[];
	readonly solution: GimbalBalance | null;

	linkLost = $state(false);
	waived = $state(false);

	constructor(rig: Rig, payloadId: string, bodies: readonly MountedBody[], saved: BenchState | null) {
		this.rig = rig;
		this.payloadId = payloadId;
		this.bodies = bodies;
		// A bare plate is nothing to balance yet.
		this.solution = bodies.length > 1 ? tryFigures(() => solveBench(rig, bodies)) : null;
		this.#history = begin({
			positionsM: completePositions(rig, saved?.positionsM ?? {}),
			nudges: saved?.nudges ?? []
		});
	}

	readonly figures: BenchFigures | null = $derived.by(() => {
		const { solution } = this;
		if (solution === null) return null;
		return benchFigures(this.rig, this.bodies, this.#history.present.positionsM, solution);
	});

	/** Takes back what this browser kept and the server never confirmed. Call once, in the browser. */
	restore(): void {
		const kept = recall<Kept>(this.#key);
		if (kept?.dirty !== true) return;
		this.#history = kept.history;
		this.#touched();
	}

	get positionsM(): Positions {
		return this.#history.present.positionsM;
	}
	get nudges(): readonly Nudge[] {
		return this.#history.present.nudges;
	}
	get canUndo(): boolean {
		return this.#history.past.length > 0;
	}
	get canRedo(): boolean {
		return this.#history.future.length > 0;
	}

	/** What the scale reads now, typed or dragged: no nudge, only the truth. */
	read(slideId: string, positionM: number, about: string): void {
		const { positionsM, nudges } = this.#history.present;
		this.#change({ positionsM: { ...positionsM, [slideId]: positionM }, nudges }, about);
	}

	/** The slide has been moved to where the slip wants it: to the reading it names, which a hand can set. */
	accept(): void {
		const slideId = this.figures?.next?.slideId;
		const toM = slideId === undefined ? undefined : this.figures?.targetsM[slideId];
		if (slideId === undefined || toM === undefined) return;
		const { positionsM, nudges } = this.#history.present;
		const nudge = { slideId, fromM: positionsM[slideId] ?? 0, toM };
		this.#change({ positionsM: { ...positionsM, [slideId]: toM }, nudges: [...nudges, nudge].slice(-mostNudges) });
	}

	/** Everything back to mid-travel, with a clean roll. */
	startOver(): void {
		this.waived = false;
		this.#change({ positionsM: completePositions(this.rig, {}), nudges: [] });
	}

	settle(): void {
		this.#history = settle(this.#history);
	}
	undo(): void {
		if (!this.canUndo) return;
		this.#history = undo(this.#history);
		this.#touched();
	}
	redo(): void {
		if (!this.canRedo) return;
		this.#history = redo(this.#history);
		this.#touched();
	}

	async save(): Promise<void> {
		clearTimeout(this.#timer);
		if (!this.#dirty) return;
		const sent = this.#history.present;
		const outcome = await ask('PUT', `/api/benches/${this.rig.id}/${this.payloadId}`, sent);
		this.linkLost = !outcome.ok && outcome.away;
		if (outcome.ok && this.#history.present === sent) {
			this.#dirty = false;
			this.#keep();
		} else if (outcome.ok || outcome.away) this.#later(outcome.ok ? restMs : retryMs);
	}

	stop(): void {
		clearTimeout(this.#timer);
	}

	get #key(): string {
		return `bench.${this.rig.id}.${this.payloadId}`;
	}

	#change(next: BenchState, about: string | null = null): void {
		this.#history = change(this.#history, next, about);
		this.#touched();
	}

	#touched(): void {
		this.#dirty = true;
		this.#keep();
		this.#later(restMs);
	}

	#keep(): void {
		keepSoon<Kept>(this.#key, () => ({ dirty: this.#dirty, history: this.#history }));
	}

	#later(ms: number): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.save(), ms);
	}
}
