import type { LiveBench } from './liveBench.svelte';

/** A MIDI message that a surface sends: a control and where it stands, −1 to 1 about its middle. */
export function controlOf(data: ArrayLike<number>): { readonly control: number; readonly at: number } | null {
	const [status = 0, control = 0, value = 0] = [data[0], data[1], data[2]];
	if ((status & 0xf0) !== 0xb0 || data.length < 3 || value > 127 || control > 127) return null;
	// Its middle is 64 of 127; a little about it is rest.
	const off = value - 64;
	return { control, at: Math.abs(off) <= 2 ? 0 : off < 0 ? off / 64 : off / 63 };
}

/** Which axis a control of the surface steers: the first eight, in this order. */
export const surfaceAxes = ['panRad', 'tiltRad', 'zoom', 'focus', 'iris', 'trackM', 'swingRad', 'boomRad'] as const;

interface Input {
	onmidimessage: ((event: { data: Uint8Array | null }) => void) | null;
}

/** A MIDI surface: its first eight controls steer, each from its middle. It steers only while something holds. */
export class Surface {
	words = $state('Use a MIDI surface');
	readonly #bench: LiveBench;
	#inputs: Input[] = [];
	#at = { x: 0, y: 0 };

	constructor(bench: LiveBench) {
		this.#bench = bench;
	}
	async begin(): Promise<void> {
		const request = (navigator as Navigator & { requestMIDIAccess?: () => Promise<MIDIAccess> }).requestMIDIAccess;
		if (request === undefined) {
			this.words = 'This browser knows no MIDI';
			return;
		}
		try {
			const access = await request.call(navigator);
			this.#inputs = [...access.inputs.values()] as Input[];
			for (const input of this.#inputs) input.onmidimessage = ({ data }) => data !== null && this.hear(data);
			this.words = this.#inputs.length === 0 ? 'No surface is plugged in' : `${this.#inputs.length} surface is heard`;
		} catch {
			this.words = 'The browser gave no leave for MIDI';
		}
	}
	hear(data: ArrayLike<number>): void {
		const read = controlOf(data);
		const axis = read === null ? undefined : surfaceAxes[read.control % surfaceAxes.length];
		if (read === null || axis === undefined) return;
		if (axis === 'panRad' || axis === 'tiltRad') {
			this.#at = axis === 'panRad' ? { ...this.#at, x: read.at } : { ...this.#at, y: read.at };
			this.#bench.stick('surface', this.#at);
		} else this.#bench.ring(axis, read.at);
	}
	end(): void {
		for (const input of this.#inputs) input.onmidimessage = null;
	}
}
