import { keep, recall } from '$lib/keeping/kept';

const steps = [45, 55, 70, 85, 100] as const;
const usual = 3;

/** How bright the blackout lights are, on this screen alone: a phone in the wings and a desk in the booth differ. */
class Lamp {
	#step = $state<number>(usual);

	get percent(): number {
		return steps[this.#step] ?? steps[usual];
	}
	get atLeast(): boolean {
		return this.#step === 0;
	}
	get atMost(): boolean {
		return this.#step === steps.length - 1;
	}
	/** Takes up what this screen had. Call once, in the browser. */
	restore(): void {
		const kept = recall<number>('lamp');
		if (kept !== null && steps[kept] !== undefined) this.#step = kept;
		this.#shine();
	}
	turn(by: 1 | -1): void {
		this.#step = Math.max(0, Math.min(steps.length - 1, this.#step + by));
		keep('lamp', this.#step);
		this.#shine();
	}
	#shine(): void {
		document.documentElement.style.setProperty('--lamp', `${this.percent}%`);
	}
}

export const lamp = new Lamp();
