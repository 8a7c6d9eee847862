import { radFromDeg } from '@poise/core';
import type { LiveBench } from './liveBench.svelte';

/** A phone's own turn rates, rad/s about the world's upright and across the hand. */
interface Turning {
	readonly yawRadPerS: number;
	readonly pitchRadPerS: number;
}

/** What a device says about its turning, in degrees a second about its own axes, as a hand that holds it upright turns it. */
export function turningOf(rate: {
	readonly alpha: number | null;
	readonly beta: number | null;
	readonly gamma: number | null;
}): Turning | null {
	const { alpha, beta, gamma } = rate;
	const turns = [alpha, beta, gamma];
	if (turns.some((each) => each === null || !Number.isFinite(each))) return null;
	const rad = radFromDeg;
	// Upright in the hand the phone's own y axis is the world's upright, its x axis lies across.
	return { yawRadPerS: rad(gamma!), pitchRadPerS: rad(alpha!) };
}

/**
 * A phone held like a grip: pressed, the head turns as the phone is turned; let go, it rests. It is a hold of its own: nothing moves
 * while nobody presses.
 */
export class Grip {
	words = $state('Grip: press, turn the phone');
	ratio = $state(1);
	#pressed = false;
	readonly #bench: LiveBench;
	readonly #hear = (event: DeviceMotionEvent) => {
		if (!this.#pressed || event.rotationRate === null) return;
		const turning = turningOf(event.rotationRate);
		if (turning === null) return;
		this.#bench.grip({
			panRad: turning.yawRadPerS * this.ratio,
			tiltRad: turning.pitchRadPerS * this.ratio
		});
	};

	constructor(bench: LiveBench) {
		this.#bench = bench;
	}
	press(): void {
		this.#pressed = true;
		const asks = (globalThis.DeviceMotionEvent as unknown as { requestPermission?: () => Promise<string> } | undefined)
			?.requestPermission;
		if (globalThis.DeviceMotionEvent === undefined) {
			this.words = 'This device does not feel its turning';
			return;
		}
		void asks?.().catch(() => {});
		addEventListener('devicemotion', this.#hear);
		this.#bench.press();
	}
	release(): void {
		if (!this.#pressed) return;
		this.#pressed = false;
		removeEventListener('devicemotion', this.#hear);
		this.#bench.grip({});
		this.#bench.release();
	}
	end(): void {
		this.release();
	}
}
