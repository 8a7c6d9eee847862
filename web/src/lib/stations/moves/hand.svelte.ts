import { carriedTo, type Way, wayOf } from './carry';
import { axisAt, changedKnot } from './knots';
import type { Knot } from './model';
import type { MoveBench } from './moveBench.svelte';
import { far } from './words';

export const wayWords: Readonly<Record<Way, string>> = {
	orbit: 'Orbit',
	push: 'Push in',
	truck: 'Truck',
	lift: 'Lift',
	turn: 'Turn'
};
/** A dot of the page is so wide on a screen of the usual size: 96 of them an inch. */
const dotM = 0.0254 / 96;
/** A camera that is turned goes so far for a metre of hand. */
const radPerM = 2;

/** A hand on the picture: which way it carries the camera, and how far for its own way. */
export class Hand {
	way = $state<Way>('orbit');
	by = $state<'arm' | 'base' | 'both'>('both');
	/** The camera's way for the hand's: 10 is ten times as far. */
	ratio = $state(1);
	#from: Knot | null = null;

	constructor(readonly bench: MoveBench) {}

	/** So many dots across and up from where it took hold. */
	readonly pull = (across: number, up: number, first: boolean): void => {
		if (first) {
			if (this.bench.chosen === null) this.bench.putHere();
			this.#from = this.bench.chosen;
			return;
		}
		this.#carry(across * dotM * this.ratio, up * dotM * this.ratio);
	};
	/** By a button: a centimetre of hand a press. */
	press(across: number, up: number): void {
		this.pull(0, 0, true);
		this.#carry(across * 0.01 * this.ratio, up * 0.01 * this.ratio);
		this.bench.settle();
	}

	#carry(acrossM: number, upM: number): void {
		const { bench } = this;
		const from = this.#from;
		if (from === null) return;
		if (this.way === 'turn') return this.#turn(from, acrossM * radPerM, upM * radPerM);
		const to = wayOf(bench.move, from.values, this.way, acrossM, upM);
		const { move, reached } = carriedTo(bench.move, from.id, to, this.by);
		bench.told = reached.why === null ? '' : `${reached.why} It stays ${far(reached.missM, bench.units)} short.`;
		bench.set(move, `hand ${from.id}`);
	}
	/** The picture goes with the hand, so the camera turns the other way. */
	#turn({ id, values, off }: Knot, left: number, up: number): void {
		const { bench } = this;
		if (bench.move.aim === 'subject') {
			const next = { ...off, panRad: off.panRad + left, tiltRad: off.tiltRad - up };
			return bench.set(changedKnot(bench.move, id, { off: next }), `hand ${id}`);
		}
		const panned = axisAt(bench.move, id, 'panRad', values.panRad + left);
		bench.set(axisAt(panned, id, 'tiltRad', values.tiltRad - up), `hand ${id}`);
	}
}
