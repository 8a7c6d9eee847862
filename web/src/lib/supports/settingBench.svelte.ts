import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
import type { UnitSystem } from '$lib/model/person';
import type { BenchReference } from './address';
import { keptBench } from './keptBench';

/** How one payload stands on one support today, and the slips that were done. */
interface Standing<Setting> {
	readonly setting: Setting;
	readonly slips: readonly (readonly string[])[];
}
const mostSlips = 100;

/**
 * A bench whose state is a setting, a roll of slips and what else its kind keeps: kept in this browser at once and sent a
 * moment later; the last word wins. A kind adds its figures, its slip and what can be seen.
 */
export abstract class SettingBench<
	Support extends { readonly id: string },
	Body,
	Setting extends object,
	State extends Standing<Setting>
> {
	readonly document: KeptDocument<State>;
	readonly payloadId: string;
	readonly payloadVersion: number;
	/** Shared by the sheets: the units of whoever works. */
	units = $state<UnitSystem>('metric');

	/** `settled` brings a setting within the travels of the support as it is now. */
	constructor(
		readonly kind: string,
		readonly support: Support,
		payload: { readonly id: string; readonly version: number },
		readonly bodies: readonly Body[],
		state: State,
		readonly settled: (setting: Setting) => Setting
	) {
		this.payloadId = payload.id;
		this.payloadVersion = payload.version;
		this.document = keptBench(
			{ supportId: support.id, payloadId: payload.id },
			{ ...state, setting: settled(state.setting) }
		);
	}

	get reference(): BenchReference {
		return { kind: this.kind, supportId: this.support.id, payloadId: this.payloadId };
	}
	get state(): State {
		return this.document.value;
	}
	get setting(): Setting {
		return this.state.setting;
	}
	/** A bare plate is nothing to balance yet. */
	get isLoaded(): boolean {
		return this.bodies.length >= 2;
	}

	change(next: Partial<State>, about: string | null = null): void {
		this.document.set({ ...this.state, ...next }, about);
	}
	/** How things stand now, typed or dragged: no slip, only the truth. Kept within every travel. */
	stands(next: Partial<Setting>, about: string): void {
		this.change({ setting: this.settled({ ...this.setting, ...next }) } as Partial<State>, about);
	}
	/** Moves that were made, written on the roll; `also` is what of the rest they change. */
	moveTo(target: Setting, words: readonly string[], also: Partial<State> = {}): void {
		const slips = [...this.state.slips, words].slice(-mostSlips);
		this.change({ setting: this.settled(target), slips, ...also } as Partial<State>);
	}
}
