import type { SledPlane } from '@poise/core';
import { tryFigures } from '$lib/supports/tryFigures';
import type { ItemSetting, SledBenchState, SledRig, SledSeen, SledSetting, SledShot, SledTiming } from './model';
import { SettingBench } from '../settingBench.svelte';
import { getContext, setContext } from 'svelte';
import { countedSeen, estimateFromSeen, type MountedBody, settable, type SledFigures, sledFigures } from './figures';
import { lineInWords, sledSlip, type SledSlip } from './slip';
import { dockedSetting, itemAt, settledOn } from './standing';
import { freshSledState } from './state';

const mostSeen = 200;
const mostRuns = 30;

type WithoutSetting<T> = T extends unknown ? Omit<T, 'setting' | 'payloadVersion'> : never;
export type NewSeen = WithoutSetting<SledSeen>;

/**
 * One payload on one sled: where everything stands today, what was seen of it, and everything worked out from that. Kept in
 * this browser at once and sent a moment later; the last word wins, as on the gimbal's bench.
 */
export class SledBench extends SettingBench<SledRig, MountedBody, SledSetting, SledBenchState> {
	constructor(
		sled: SledRig,
		payload: { readonly id: string; readonly version: number },
		bodies: readonly MountedBody[],
		saved: SledBenchState | null
	) {
		super('sled', sled, payload, bodies, saved ?? freshSledState(sled), (setting) => settledOn(sled.geometry, setting));
	}
	/** What was seen of this very build. */
	readonly #allSeen = $derived.by(() => this.document.value.seen);
	readonly seen = $derived(this.#allSeen.filter(({ payloadVersion }) => payloadVersion === this.payloadVersion));
	readonly #believeDrawing = $derived.by(() => this.document.value.believeDrawing === true);
	/** What counts of it. */
	readonly counted = $derived.by(() =>
		countedSeen({ seen: this.#allSeen, believeDrawing: this.#believeDrawing }, this.payloadVersion)
	);
	/** Hangs on the looks alone, so that a drag does not estimate anew. */
	readonly estimate = $derived.by(() => {
		if (!this.isLoaded) return null;
		return tryFigures(() => estimateFromSeen(this.support.geometry, this.bodies, this.counted));
	});
	readonly figures: SledFigures | null = $derived.by(() => {
		if (!this.isLoaded) return null;
		return tryFigures(() =>
			sledFigures(this.support, this.bodies, { ...this.document.value, seen: this.counted }, this.estimate)
		);
	});
	readonly slip: SledSlip | null = $derived.by(() => {
		if (this.figures === null) return null;
		const { setting, slips } = this.document.value;
		return sledSlip(this.support, setting, this.figures, slips.length, this.units);
	});

	itemStands(id: string, next: Partial<ItemSetting>, about: string): void {
		this.stands({ items: { ...this.setting.items, [id]: { ...itemAt(this.setting, id), ...next } } }, about);
	}

	/** Everything the slip asks for has been done. */
	accept(): void {
		const { slip } = this;
		if (slip === null || slip.kind !== 'move') return;
		this.moveTo(slip.target, slip.lines.map(lineInWords));
	}
	/** Any other set of moves, made and written on the roll. */
	override moveTo(target: SledSetting, words: readonly string[]): void {
		super.moveTo(settable(this.support.geometry, target), words, { cureId: null });
	}

	look(...seen: readonly NewSeen[]): void {
		this.change(this.#seen(seen));
	}
	#seen(seen: readonly NewSeen[]): Pick<SledBenchState, 'seen' | 'believeDrawing'> {
		const { setting, payloadVersion } = this;
		const now = seen.map((each) => ({ ...each, setting, payloadVersion }) as SledSeen);
		// Whoever goes on looking takes the looks' word.
		return { seen: [...this.state.seen, ...now].slice(-mostSeen), believeDrawing: false };
	}
	/** One thing seen counts no more, or counts again; it stays on the roll. */
	strike(look: SledSeen, struck: boolean): void {
		this.change({ seen: this.state.seen.map((each) => (each === look ? { ...each, struck } : each)) });
	}
	/** The drawing's word against all that was seen, or the other way round again. */
	believe(drawing: boolean): void {
		this.change({ believeDrawing: drawing });
	}

	/** Drops timed at the gimbal's present height and not used yet. */
	get timing(): SledTiming {
		const { timing, setting } = this.state;
		const kept = timing != null && Math.abs(timing.gimbalM - setting.gimbalM) < 0.0004;
		return kept ? timing : { plane: timing?.plane ?? 'fore', gimbalM: setting.gimbalM, runsS: [] };
	}
	timeIn(plane: SledPlane): void {
		if (plane !== this.timing.plane) this.change({ timing: { ...this.timing, plane, runsS: [] } });
	}
	timeRun(seconds: number): void {
		const { timing } = this;
		this.change({ timing: { ...timing, runsS: [...timing.runsS, seconds].slice(-mostRuns) } });
	}
	forgetRun(index: number): void {
		const { timing } = this;
		this.change({ timing: { ...timing, runsS: timing.runsS.filter((_, each) => each !== index) } });
	}
	/** The timed runs become one thing seen, in one step: undone, they are to be taken again, and never twice. */
	takeDrops(dropTimeS: number, sigmaS: number): void {
		const { plane, runsS } = this.timing;
		this.change({ ...this.#seen([{ kind: 'drop', plane, dropTimeS, sigmaS, runsS }]), timing: null });
	}

	toggleShot(shot: SledShot): void {
		const { shots } = this.state;
		this.change({ shots: shots.includes(shot) ? shots.filter((each) => each !== shot) : [...shots, shot] });
	}
	toggleMover(id: string): void {
		const { movers } = this.state;
		this.change({
			movers: movers.includes(id) ? movers.filter((each) => each !== id) : [...movers, id],
			cureId: null
		});
	}

	/** Docked anew: everything at mid-travel, a clean roll, nothing seen. The wishes stay. */
	startOver(): void {
		this.change({ setting: dockedSetting(this.support.geometry), slips: [], seen: [], cureId: null, rigged: [] });
	}
}

const context = Symbol('sled bench');
export const shareSledBench = (get: () => SledBench): void => void setContext(context, get);
/** The bench that the sheets of one payload on one sled share. */
export const sharedSledBench = (): SledBench => getContext<() => SledBench>(context)();
