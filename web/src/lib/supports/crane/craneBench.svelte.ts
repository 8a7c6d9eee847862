import { tryFigures } from '$lib/supports/tryFigures';
import type { CraneBenchState, CraneGround, CraneLook, CraneRig, CraneSetting } from './model';
import { SettingBench } from '../settingBench.svelte';
import { getContext, setContext } from 'svelte';
import { countedLooks, craneFigures, type CraneFigures } from './figures';
import { craneSlip, type CraneSlip, lineInWords } from './slip';
import { bareSetting, type MountedBody, settledOn } from './standing';
import { freshCraneState } from './state';

const mostLooks = 100;

/** One payload on one crane: what hangs where, and everything worked out from that. The last word wins. */
export class CraneBench extends SettingBench<CraneRig, MountedBody, CraneSetting, CraneBenchState> {
	constructor(
		crane: CraneRig,
		payload: { readonly id: string; readonly version: number },
		bodies: readonly MountedBody[],
		saved: CraneBenchState | null
	) {
		super('crane', crane, payload, bodies, saved ?? freshCraneState(crane.geometry), (setting) =>
			settledOn(crane.geometry, setting)
		);
	}
	/** What was seen of this very build. */
	get looks(): readonly CraneLook[] {
		return (this.state.looks ?? []).filter(({ payloadVersion }) => payloadVersion === this.payloadVersion);
	}
	readonly counted = $derived.by(() => countedLooks(this.document.value, this.payloadVersion));
	readonly figures: CraneFigures | null = $derived.by(() => {
		if (!this.isLoaded) return null;
		return tryFigures(() => craneFigures(this.support, this.bodies, this.document.value, this.counted));
	});
	readonly slip: CraneSlip | null = $derived.by(() =>
		this.figures === null ? null : craneSlip(this.support, this.document.value, this.figures, this.units)
	);

	ground(next: Partial<CraneGround>, about: string): void {
		this.change({ ground: { ...this.state.ground, ...next } }, about);
	}
	/** Let go, it did that; whoever goes on looking takes the looks' word. */
	look(what: CraneLook['what']): void {
		const look: CraneLook = { what, setting: this.setting, payloadVersion: this.payloadVersion };
		this.change({ looks: [...(this.state.looks ?? []), look].slice(-mostLooks), believeDrawing: false });
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
	override moveTo(target: CraneSetting, words: readonly string[]): void {
		super.moveTo(target, words, { choice: 0 });
	}
	startOver(): void {
		this.change({
			setting: bareSetting(this.support.geometry),
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
