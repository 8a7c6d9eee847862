import { tryFigures } from '$lib/supports/tryFigures';
import type { CraneBenchState, CraneGround, CraneLook, CraneRig, CraneSetting } from './model';
import type { UnitSystem } from '$lib/model/person';
import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
import type { BenchReference } from '../address';
import { keptBench } from '../keptBench';
import { getContext, setContext } from 'svelte';
import { countedLooks, craneFigures, type CraneFigures } from './figures';
import { craneSlip, type CraneSlip, lineInWords } from './slip';
import { bareSetting, type MountedBody, settledOn } from './standing';
import { freshCraneState } from './state';

const mostSlips = 100;

/** One payload on one crane: what hangs where, and everything worked out from that. The last word wins. */
export class CraneBench {
	readonly document: KeptDocument<CraneBenchState>;
	readonly crane: CraneRig;
	readonly payloadId: string;
	readonly payloadVersion: number;
	readonly bodies: readonly MountedBody[];
	units = $state<UnitSystem>('metric');

	constructor(
		crane: CraneRig,
		payload: { readonly id: string; readonly version: number },
		bodies: readonly MountedBody[],
		saved: CraneBenchState | null
	) {
		this.crane = crane;
		this.payloadId = payload.id;
		this.payloadVersion = payload.version;
		this.bodies = bodies;
		const state = saved ?? freshCraneState(crane.geometry);
		this.document = keptBench(
			{ supportId: crane.id, payloadId: payload.id },
			{ ...state, setting: settledOn(crane.geometry, state.setting) }
		);
	}

	get reference(): BenchReference {
		return { kind: 'crane', supportId: this.crane.id, payloadId: this.payloadId };
	}
	get state(): CraneBenchState {
		return this.document.value;
	}
	get setting(): CraneSetting {
		return this.state.setting;
	}
	/** What was seen of this very build. */
	get looks(): readonly CraneLook[] {
		return (this.state.looks ?? []).filter(({ payloadVersion }) => payloadVersion === this.payloadVersion);
	}
	readonly counted = $derived.by(() => countedLooks(this.document.value, this.payloadVersion));
	readonly figures: CraneFigures | null = $derived.by(() => {
		if (this.bodies.length < 2) return null;
		return tryFigures(() => craneFigures(this.crane, this.bodies, this.document.value, this.counted));
	});
	readonly slip: CraneSlip | null = $derived.by(() =>
		this.figures === null ? null : craneSlip(this.crane, this.document.value, this.figures, this.units)
	);

	change(next: Partial<CraneBenchState>, about: string | null = null): void {
		this.document.set({ ...this.state, ...next }, about);
	}
	/** How things stand now, typed or dragged. */
	stands(next: Partial<CraneSetting>, about: string): void {
		this.change({ setting: settledOn(this.crane.geometry, { ...this.setting, ...next }) }, about);
	}
	ground(next: Partial<CraneGround>, about: string): void {
		this.change({ ground: { ...this.state.ground, ...next } }, about);
	}
	/** Let go, it did that; whoever goes on looking takes the looks' word. */
	look(what: CraneLook['what']): void {
		const look: CraneLook = { what, setting: this.setting, payloadVersion: this.payloadVersion };
		this.change({ looks: [...(this.state.looks ?? []), look].slice(-mostSlips), believeDrawing: false });
	}
	strike(look: CraneLook, struck: boolean): void {
		this.change({ looks: (this.state.looks ?? []).map((each) => (each === look ? { ...each, struck } : each)) });
	}
	believe(drawing: boolean): void {
		this.change({ believeDrawing: drawing });
	}
	/** A step of loading or unloading is done; null: all begin anew. */
	stepDone(order: 'loading' | 'unloading', id: string | null): void {
		const { loading = [], unloading = [] } = this.state.stepsDone ?? {};
		const done = { loading, unloading };
		this.change({ stepsDone: { ...done, [order]: id === null ? [] : [...done[order], id] } });
	}
	accept(): void {
		const { slip } = this;
		if (slip === null || slip.kind !== 'move') return;
		this.moveTo(slip.target, slip.lines.map(lineInWords));
	}
	moveTo(target: CraneSetting, words: readonly string[]): void {
		this.change({
			setting: settledOn(this.crane.geometry, target),
			slips: [...this.state.slips, words].slice(-mostSlips),
			choice: 0
		});
	}
	startOver(): void {
		this.change({
			setting: bareSetting(this.crane.geometry),
			slips: [],
			choice: 0,
			looks: [],
			stepsDone: { loading: [], unloading: [] }
		});
	}
}

const context = Symbol('crane bench');
export const shareCraneBench = (get: () => CraneBench): void => void setContext(context, get);
/** The bench that the sheets of one payload on one crane share. */
export const sharedCraneBench = (): CraneBench => getContext<() => CraneBench>(context)();
