import type { Remedy } from '@poise/core';
import { ask } from '$lib/keeping/ask';
import type { BalanceOrder, BenchState, Look, Nudge } from '$lib/model/balance';
import { refused } from '$lib/sheet/fields/refused.svelte';
import type { Positions, Rig } from '$lib/model/rig';
import { begin, change, type History, redo, settle, undo } from '$lib/keeping/history';
import { keepSoon, recall } from '$lib/keeping/kept';
import { holds } from '$lib/keeping/saveOver';
import { sendsItself, sendsNoMore } from '$lib/keeping/unsent';
import {
	type BenchFigures,
	benchFigures,
	completePositions,
	type MountedBody,
	type SolvedBench,
	solveWithLooks,
	tryFigures
} from './figures';
import { countedLooks } from './looks';
import { extensionId, setUpRig } from './setUp';

const restMs = 400;
const retryMs = 3000;
const mostNudges = 200;

/** Distributes over the kinds of a look, which plain `Omit` does not. */
type WithoutPositions<T> = T extends unknown ? Omit<T, 'positionsM'> : never;
export type NewLook = WithoutPositions<Look>;

/** One and the same empty list, so that nothing is solved anew for it. */
const none: readonly never[] = [];

/** Rounded up to the next 5 g: less would not do. */
export const weighableKg = (massKg: number) => Math.ceil(massKg * 200 - 1e-9) / 200;

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
	readonly #saveNow = () => this.save();
	#timer: ReturnType<typeof setTimeout> | undefined;
	/** The rig as its makers made it; {@link rig} is how it is put together today. */
	readonly bareRig: Rig;
	readonly payloadId: string;
	readonly bodies: readonly MountedBody[];

	linkLost = $state(false);

	constructor(rig: Rig, payloadId: string, bodies: readonly MountedBody[], saved: BenchState | null) {
		this.bareRig = rig;
		this.payloadId = payloadId;
		this.bodies = bodies;
		this.#history = begin({
			...saved,
			positionsM: completePositions(rig, saved?.positionsM ?? {}),
			nudges: saved?.nudges ?? []
		});
	}

	get state(): BenchState {
		return this.#history.present;
	}
	// The parts of the state that the solution hangs on, apart from the readings, so that a drag does not solve anew.
	readonly #looks = $derived(this.#history.present.looks ?? none);
	readonly #believeDrawing = $derived(this.#history.present.believeDrawing ?? false);
	readonly #counted = $derived(countedLooks({ looks: this.#looks, believeDrawing: this.#believeDrawing }));
	readonly #order = $derived(this.#history.present.order ?? 'verticalNext');
	readonly #weights = $derived(this.#history.present.weights ?? none);
	readonly #alternativeIds = $derived(this.#history.present.alternativeIds ?? none);

	readonly rig: Rig = $derived.by(() =>
		setUpRig(this.bareRig, { order: this.#order, weights: this.#weights, alternativeIds: this.#alternativeIds })
	);
	readonly solved: SolvedBench | null = $derived.by(() => {
		// A bare plate is nothing to balance yet.
		if (this.bodies.length < 2) return null;
		return tryFigures(() => solveWithLooks(this.rig, this.bodies, this.#counted));
	});
	readonly figures: BenchFigures | null = $derived.by(() => {
		const { solved } = this;
		if (solved === null) return null;
		return benchFigures(this.rig, this.bodies, this.#history.present.positionsM, solved);
	});
	/** Everything seen, what is struck out too. */
	get looks(): readonly Look[] {
		return this.#looks;
	}
	/** What counts of it. */
	get counted(): readonly Look[] {
		return this.#counted;
	}
	get believeDrawing(): boolean {
		return this.#believeDrawing;
	}
	get order(): BalanceOrder {
		return this.#order;
	}
	get waived(): boolean {
		return this.#history.present.waived ?? false;
	}

	/** Takes back what this browser kept and the server never confirmed. Call once, in the browser. */
	restore(): void {
		sendsItself(this.#saveNow);
		const kept = recall<Kept>(this.#key);
		if (kept === null) return;
		if (kept.dirty) {
			this.#history = kept.history;
			this.#touched();
		} else if (holds(this.state, kept.history.present) && holds(kept.history.present, this.state))
			this.#history = kept.history;
	}

	get positionsM(): Positions {
		return this.#history.present.positionsM;
	}
	get nudges(): readonly Nudge[] {
		return this.#history.present.nudges;
	}
	get canUndo(): boolean {
		return refused.count > 0 || this.#history.past.length > 0;
	}
	get canRedo(): boolean {
		return this.#history.future.length > 0;
	}

	/** What the scale reads now, typed or dragged: no nudge, only the truth. */
	read(slideId: string, positionM: number, about: string): void {
		const { present } = this.#history;
		this.#change({ ...present, positionsM: { ...present.positionsM, [slideId]: positionM } }, about);
	}

	/** What a loose axis was seen to do, with the slides where they stand. */
	look(look: NewLook): void {
		const { present } = this.#history;
		const seen: Look = { ...look, positionsM: present.positionsM };
		// Whoever goes on looking takes the looks' word.
		this.#change({ ...present, looks: [...(present.looks ?? []), seen].slice(-mostNudges), believeDrawing: false });
	}

	/** One thing seen counts no more, or counts again; it stays on the roll. */
	strike(index: number, struck: boolean): void {
		const { present } = this.#history;
		this.#change({
			...present,
			looks: (present.looks ?? []).map((look, each) => (each === index ? { ...look, struck } : look))
		});
	}
	/** The drawing's word against all that was seen, or the other way round again. */
	believe(drawing: boolean): void {
		this.#change({ ...this.#history.present, believeDrawing: drawing });
	}

	setOrder(order: BalanceOrder): void {
		this.#change({ ...this.#history.present, order });
	}
	waive(waived: boolean): void {
		this.#change({ ...this.#history.present, waived });
	}

	/** Puts a remedy into effect: a weight at its place, another hole, the cradle turned, an extension fitted. */
	apply(remedy: Remedy): void {
		const { present } = this.#history;
		if (remedy.kind === 'addMass') {
			const weight = { placeId: remedy.placeId, massKg: weighableKg(remedy.massKg) };
			return this.#change({ ...present, weights: [...(present.weights ?? []), weight] });
		}
		const id = remedy.kind === 'extendSlide' ? extensionId(remedy.slideId) : remedy.alternativeId;
		this.#change({ ...present, alternativeIds: [...(present.alternativeIds ?? []), id] });
	}

	/** Takes off what a remedy put on. */
	takeOff(what: { readonly alternativeId: string } | { readonly weight: number }): void {
		const { present } = this.#history;
		if ('alternativeId' in what)
			this.#change({
				...present,
				alternativeIds: (present.alternativeIds ?? []).filter((id) => id !== what.alternativeId)
			});
		else this.#change({ ...present, weights: (present.weights ?? []).filter((_, index) => index !== what.weight) });
	}

	/** The slide has been moved to where the slip wants it: to the reading it names, which a hand can set. */
	accept(): void {
		const slideId = this.figures?.next?.slideId;
		const toM = slideId === undefined ? undefined : this.figures?.targetsM[slideId];
		if (slideId !== undefined && toM !== undefined) this.nudgeTo(slideId, toM);
	}

	/** A slide has been moved to there. */
	nudgeTo(slideId: string, toM: number): void {
		const { present } = this.#history;
		const { positionsM, nudges } = present;
		const nudge = { slideId, fromM: positionsM[slideId] ?? 0, toM };
		this.#change({
			...present,
			positionsM: { ...positionsM, [slideId]: toM },
			nudges: [...nudges, nudge].slice(-mostNudges)
		});
	}

	/** Everything back to mid-travel, with a clean roll. */
	startOver(): void {
		const { order } = this.#history.present;
		this.#change({
			positionsM: completePositions(this.rig, {}),
			nudges: [],
			...(order === undefined ? {} : { order })
		});
	}

	settle(): void {
		this.#history = settle(this.#history);
	}
	undo(): void {
		if (refused.takeBack() || !this.canUndo) return;
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
		sendsNoMore(this.#saveNow);
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
