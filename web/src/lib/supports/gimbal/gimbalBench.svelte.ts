import type { Covariance, Remedy } from '@poise/core';
import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
import type { BenchReference } from '../address';
import { keptBench } from '../keptBench';
import { getContext, setContext } from 'svelte';
import type { BalanceOrder, BenchState, Look, Nudge } from '$lib/supports/gimbal/model';
import type { Positions, Gimbal } from './model';
import { tryFigures } from '$lib/supports/tryFigures';
import { type BenchFigures, benchFigures, completePositions, type SolvedBench, solveWithLooks } from './figures';
import type { MountedBody } from '$lib/model/payload';
import { countedLooks } from './looks';
import { extensionId, setUpGimbal } from './setUp';

const mostNudges = 200;

/** Distributes over the kinds of a look, which plain `Omit` does not. */
type WithoutPositions<T> = T extends unknown ? Omit<T, 'positionsM'> : never;
export type NewLook = WithoutPositions<Look>;

/** One and the same empty list, so that nothing is solved anew for it. */
const none: readonly never[] = [];

/** Rounded up to the next 5 g: less would not do. */
const weighableKg = (massKg: number) => Math.ceil(massKg * 200 - 1e-9) / 200;

/**
 * One payload on one gimbal: where the slides stand today, what has been moved, and everything worked out from it. The
 * last reading wins on the server: a scale says what it says, whoever read it.
 */
export class GimbalBench {
	readonly document: KeptDocument<BenchState>;
	/** The gimbal as its makers made it; {@link rig} is how it is put together today. */
	readonly bareRig: Gimbal;
	readonly payloadId: string;
	readonly payloadVersion: number;
	readonly bodies: readonly MountedBody[];
	/** How unsure what balances taught of the parts and the zeros is, together. */
	readonly #learned: Covariance | null;

	constructor(
		rig: Gimbal,
		payload: { readonly id: string; readonly version: number },
		bodies: readonly MountedBody[],
		saved: BenchState | null,
		learned: Covariance | null = null
	) {
		this.bareRig = rig;
		this.payloadId = payload.id;
		this.payloadVersion = payload.version;
		this.bodies = bodies;
		this.#learned = learned;
		const state = {
			...saved,
			positionsM: completePositions(rig, saved?.positionsM ?? {}),
			nudges: saved?.nudges ?? []
		};
		this.document = keptBench({ supportId: rig.id, payloadId: payload.id }, state);
	}

	get reference(): BenchReference {
		return { kind: 'gimbal', supportId: this.bareRig.id, payloadId: this.payloadId };
	}
	get state(): BenchState {
		return this.document.value;
	}
	// The parts of the state that the solution hangs on, apart from the readings, so that a drag does not solve anew.
	readonly #looks = $derived.by(() => this.document.value.looks ?? none);
	readonly #believeDrawing = $derived.by(() => this.document.value.believeDrawing ?? false);
	readonly #counted = $derived(countedLooks({ looks: this.#looks, believeDrawing: this.#believeDrawing }));
	readonly #order = $derived.by(() => this.document.value.order ?? 'verticalNext');
	readonly #weights = $derived.by(() => this.document.value.weights ?? none);
	readonly #alternativeIds = $derived.by(() => this.document.value.alternativeIds ?? none);

	readonly rig: Gimbal = $derived.by(() =>
		setUpGimbal(this.bareRig, { order: this.#order, weights: this.#weights, alternativeIds: this.#alternativeIds })
	);
	readonly solved: SolvedBench | null = $derived.by(() => {
		// A bare plate is nothing to balance yet.
		if (this.bodies.length < 2) return null;
		return tryFigures(() => solveWithLooks(this.rig, this.bodies, this.#counted, this.#learned));
	});
	readonly figures: BenchFigures | null = $derived.by(() => {
		const { solved } = this;
		if (solved === null) return null;
		return benchFigures(this.rig, this.bodies, this.document.value.positionsM, solved);
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
		return this.document.value.waived ?? false;
	}

	get positionsM(): Positions {
		return this.document.value.positionsM;
	}
	get nudges(): readonly Nudge[] {
		return this.document.value.nudges;
	}
	/** What the scale reads now, typed or dragged: no nudge, only the truth. */
	read(slideId: string, positionM: number, about: string): void {
		const { value: present } = this.document;
		this.#change({ ...present, positionsM: { ...present.positionsM, [slideId]: positionM } }, about);
	}

	/** What a loose axis was seen to do, with the slides where they stand. */
	look(look: NewLook): void {
		const { value: present } = this.document;
		const seen: Look = { ...look, positionsM: present.positionsM };
		// Whoever goes on looking takes the looks' word.
		this.#change({ ...present, looks: [...(present.looks ?? []), seen].slice(-mostNudges), believeDrawing: false });
	}

	/** One thing seen counts no more, or counts again; it stays on the roll. */
	strike(index: number, struck: boolean): void {
		const { value: present } = this.document;
		this.#change({
			...present,
			looks: (present.looks ?? []).map((look, each) => (each === index ? { ...look, struck } : look))
		});
	}
	/** The drawing's word against all that was seen, or the other way round again. */
	believe(drawing: boolean): void {
		this.#change({ ...this.document.value, believeDrawing: drawing });
	}

	setOrder(order: BalanceOrder): void {
		this.#change({ ...this.document.value, order });
	}
	waive(waived: boolean): void {
		this.#change({ ...this.document.value, waived });
	}

	/** Puts a remedy into effect: a weight at its place, another hole, the cradle turned, an extension fitted. */
	apply(remedy: Remedy): void {
		const { value: present } = this.document;
		if (remedy.kind === 'addMass') {
			const weight = { placeId: remedy.placeId, massKg: weighableKg(remedy.massKg) };
			return this.#change({ ...present, weights: [...(present.weights ?? []), weight] });
		}
		const id = remedy.kind === 'extendSlide' ? extensionId(remedy.slideId) : remedy.alternativeId;
		this.#change({ ...present, alternativeIds: [...(present.alternativeIds ?? []), id] });
	}

	/** Takes off what a remedy put on. */
	takeOff(what: { readonly alternativeId: string } | { readonly weight: number }): void {
		const { value: present } = this.document;
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
		const { value: present } = this.document;
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
		const { order } = this.document.value;
		this.#change({
			positionsM: completePositions(this.rig, {}),
			nudges: [],
			...(order === undefined ? {} : { order })
		});
	}

	#change(next: BenchState, about: string | null = null): void {
		this.document.set(next, about);
	}
}

const context = Symbol('gimbal bench');
export const shareGimbalBench = (get: () => GimbalBench): void => void setContext(context, get);
/** The bench that the sheets of one payload on one gimbal share. */
export const sharedGimbalBench = (): GimbalBench => getContext<() => GimbalBench>(context)();
