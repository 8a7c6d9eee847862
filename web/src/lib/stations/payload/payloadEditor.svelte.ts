import { combineBodies, type Vec3 } from '@poise/core';
import { v7 as newId } from 'uuid';
import { ask } from '$lib/keeping/ask';
import { KeptDocument, type SaveState as DocumentState } from '$lib/keeping/keptDocument.svelte';
import type { Part } from '$lib/model/part';
import { type Attitude, plainAttitude, quarterTurned } from '$lib/model/attitude';
import {
	bodyOf,
	type Payload,
	type PayloadCorrection,
	type PayloadDraft,
	type StandingPart,
	standingParts
} from '$lib/model/payload';
import { allMoved, duplicated, grouped, mirroredOver, moved, withAttitude } from './arrange';
import { differences, merge, type Merged } from './merge';
import { placeFor } from './placeFor';

/** How the draft on the screen stands to what the server has. */
export type SaveState = DocumentState | 'saving';

/**
 * A payload being edited: its undo history, its totals, and its way to the server.
 *
 * The draft is a kept document; here is what a payload adds to it: its parts as they stand, what can be done with them, and
 * two people's builds put together part by part.
 */
export class PayloadEditor {
	readonly document: KeptDocument<PayloadDraft>;
	#shelf = $state.raw<ReadonlyMap<string, Part>>(new Map());
	/** Made on this page; the shelf that is loaded next holds them too, and then has the last word. */
	#made: readonly Part[] = [];
	readonly id: string;

	selectedId = $state<string | null>(null);
	/** What the page itself could not do, deleting it, say. */
	#refusal = $state('');

	constructor(payload: Payload, shelf: readonly Part[]) {
		this.id = payload.id;
		const path = `/api/payloads/${payload.id}`;
		this.document = new KeptDocument<PayloadDraft>(
			`payload.${payload.id}`,
			draftOf(payload),
			{
				put: (draft, version) => ask<Payload>('PUT', path, { ...draft, version }),
				get: async () => {
					const there = await ask<Payload>('GET', path);
					return there.ok ? { ...there, value: { value: draftOf(there.value), version: there.value.version } } : there;
				},
				same: (a, b) => JSON.stringify(inOrder(a)) === JSON.stringify(inOrder(b))
			},
			payload.version
		);
		this.setShelf(shelf);
	}

	/** Takes back what this browser kept and the server never confirmed. Call once, in the browser. */
	restore(): void {
		this.document.restore();
	}

	get state(): SaveState {
		if (this.#refusal !== '') return 'refused';
		const { saving, underWay } = this.document;
		return underWay && saving === 'unsaved' ? 'saving' : saving;
	}
	get message(): string {
		return this.#refusal === '' ? this.document.message : this.#refusal;
	}
	get fields(): Readonly<Record<string, string>> {
		return this.document.fields;
	}
	/** What somebody else saved meanwhile, to choose from. */
	get theirs(): PayloadDraft | null {
		return this.document.theirs?.value ?? null;
	}
	/** Says why something about the payload could not be done. */
	refuse(message: string): void {
		this.#refusal = message;
	}

	setShelf(shelf: readonly Part[]): void {
		this.#shelf = new Map([...this.#made, ...shelf].map((part) => [part.id, part]));
	}

	/** A part made on this page, known from now on: the list the page was loaded with does not hold it yet. */
	putOnShelf(part: Part): void {
		this.#made = [...this.#made, part];
		this.#shelf = new Map([...this.#shelf, [part.id, part]]);
	}

	get draft(): PayloadDraft {
		return this.document.value;
	}
	get version(): number {
		return this.document.version;
	}
	#before: readonly StandingPart[] = [];
	readonly parts: readonly StandingPart[] = $derived.by(
		() => (this.#before = standingParts(this.document.value, this.#shelf, this.#before))
	);
	readonly totals = $derived(this.parts.length === 0 ? null : combineBodies({ bodies: this.parts.map(bodyOf) }));
	get canUndo(): boolean {
		return this.document.canUndo;
	}
	get canRedo(): boolean {
		return this.document.canRedo;
	}

	rename(name: string): void {
		this.#change({ ...this.draft, name }, 'name');
	}

	choosePlate(platePartId: string): void {
		this.#change({ ...this.draft, platePartId });
	}

	/** Puts a part on the plate, where a part of its kind usually sits, and selects it. */
	add(part: Part): void {
		const id = newId();
		const positionM = placeFor(part, this.parts);
		this.#change({ ...this.draft, placements: [...this.draft.placements, { id, partId: part.id, positionM }] });
		this.selectedId = id;
	}

	/** Moves a part, and whatever is grouped with it as far. */
	move(id: string, positionM: Vec3, about: string): void {
		this.#change(moved(this.draft, id, positionM), about);
	}
	setAttitude(id: string, change: Partial<Attitude>, about: string | null = null): void {
		this.#change(
			withAttitude(this.draft, id, (was) => ({ ...was, ...change })),
			about
		);
	}
	quarterTurn(id: string, axis: 0 | 1 | 2): void {
		this.#change(withAttitude(this.draft, id, (was) => quarterTurned(was, axis)));
	}
	mirror(id: string): void {
		this.#change(mirroredOver(this.draft, id));
	}
	/** A second one beside the first, selected. */
	duplicate(id: string): void {
		const { draft, copyId } = duplicated(this.draft, id, newId);
		this.#change(draft);
		this.selectedId = copyId;
	}
	groupWith(id: string, otherId: string | null): void {
		this.#change(grouped(this.draft, id, otherId, newId));
	}
	/** A measured centre of the whole build, or none. */
	correct(correction: PayloadCorrection | null): void {
		this.#change({ ...this.draft, correction });
	}
	/** Moves everything on the plate together, as one step. */
	moveAll(forwardM: number): void {
		this.#change(allMoved(this.draft, forwardM));
	}

	/** As somebody left it once; what stands now is one undo away. */
	bringBack(draft: PayloadDraft): void {
		this.settle();
		this.#change(draft);
	}

	remove(id: string): void {
		this.#change({ ...this.draft, placements: this.draft.placements.filter((each) => each.id !== id) });
		if (this.selectedId === id) this.selectedId = null;
	}

	settle(): void {
		this.document.settle();
	}
	undo(): void {
		this.document.undo();
	}
	redo(): void {
		this.document.redo();
	}
	/** Sends what is unsaved and waits for the answer; true when the server has everything. */
	save(): Promise<boolean> {
		return this.document.save();
	}
	/** After somebody else saved: this screen's build goes over theirs. */
	keepMine(): Promise<void> {
		return this.document.keepMine();
	}
	/** After somebody else saved: theirs is shown; this screen's build stays one undo away. */
	takeTheirs(): Promise<void> {
		return this.document.takeTheirs();
	}

	/** After somebody else saved: both builds in one, each part as whoever changed it left it. */
	get together(): Merged | null {
		if (this.theirs === null) return null;
		return merge(this.document.base, this.draft, this.theirs, (partId) => this.#shelf.get(partId)?.name ?? 'a part');
	}
	/** How theirs differs from what is on this screen. */
	get theirDifferences(): string[] {
		return this.theirs === null ? [] : differences(this.draft, this.theirs, this.#shelf);
	}
	async putTogether(): Promise<void> {
		const { together } = this;
		if (together === null) return;
		await this.document.keepMine(together.draft);
	}

	stop(): void {
		this.document.stop();
	}

	#change(next: PayloadDraft, about: string | null = null): void {
		this.document.set(next, about);
	}
}

const inOrder = ({ name, platePartId, placements, correction = null }: PayloadDraft) => [
	name.trim(),
	platePartId,
	placements.map(({ id, partId, positionM, attitude = plainAttitude }) => {
		const { quarters, aboutUpRad, extended, group, arm } = attitude;
		const held = arm === null ? null : [arm.lengthM, arm.aboutUpRad, arm.riseRad, arm.massKg];
		return [id, partId, ...positionM, ...quarters, aboutUpRad, extended, group, held];
	}),
	correction === null ? null : [...correction.shiftM, ...correction.sigmaM, correction.from]
];

const draftOf = ({ name, platePartId, placements, correction = null }: Payload): PayloadDraft => ({
	name,
	platePartId,
	placements,
	correction
});
