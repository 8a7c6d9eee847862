import type { Vec3 } from '@poise/core';
import type { LiveBench } from './liveBench.svelte';
import { aheadOf, aimRates, type Columns, columnsOf } from './phoneAim';

/**
 * A phone held like a grip: pressed, the head turns as the phone's aim turns, however it is held; let go, it rests. It is a hold of its own:
 * nothing moves while nobody presses.
 */
export class Grip {
	words = $state('Grip: press, turn the phone');
	ratio = $state(1);
	#pressed = false;
	/** As it was felt last, and which way of it is ahead since it was pressed. */
	#last: { readonly columns: Columns; readonly atMs: number } | null = null;
	#ahead: Vec3 | null = null;
	readonly #bench: LiveBench;
	readonly #hear = (event: DeviceOrientationEvent) => {
		if (!this.#pressed) return;
		const columns = columnsOf(event);
		if (columns === null) {
			this.words = 'This device does not feel how it is turned';
			return;
		}
		this.#ahead ??= aheadOf(columns, globalThis.screen?.orientation?.angle ?? 0);
		const last = this.#last;
		this.#last = { columns, atMs: event.timeStamp };
		if (last === null) return;
		const rates = aimRates(last.columns, columns, this.#ahead, (event.timeStamp - last.atMs) / 1000);
		this.#bench.grip(
			rates === null ? {} : { panRad: rates.panRadPerS * this.ratio, tiltRad: rates.tiltRadPerS * this.ratio }
		);
	};

	constructor(bench: LiveBench) {
		this.#bench = bench;
	}
	press(): void {
		const felt = globalThis.DeviceOrientationEvent as unknown as
			{ requestPermission?: () => Promise<string> } | undefined;
		if (felt === undefined) {
			this.words = 'This device does not feel how it is turned';
			return;
		}
		this.#pressed = true;
		[this.#last, this.#ahead] = [null, null];
		void felt.requestPermission?.().catch(() => {});
		addEventListener('deviceorientation', this.#hear);
		this.#bench.press();
	}
	release(): void {
		if (!this.#pressed) return;
		this.#pressed = false;
		removeEventListener('deviceorientation', this.#hear);
		this.#bench.grip({});
		this.#bench.release();
	}
	end(): void {
		this.release();
	}
}
