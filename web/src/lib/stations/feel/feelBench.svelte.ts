/* eslint-disable max-lines -- one object: three documents, what is tried and what is found for it depend on one another. */
import { powerPlan } from '@poise/core';
import { ask } from '$lib/keeping/ask';
import { type Held, KeptDocument } from '$lib/keeping/keptDocument.svelte';
import type { PowerPaper } from '$lib/model/paper';
import type { Turning, TurningAxis, Turnings } from '$lib/model/turning';
import { getContext, setContext } from 'svelte';
import { type AxisModel, axisModel, follows, motorsOf, respond, type Response, speakingAxis } from './figures';
import { type Beyond, beyondOf } from './beyond';
import { reckonedResidualNm } from './looks';
import { feelStation, type WishRead, wishesRead } from './wishes';
import type {
	AllSettings,
	FeelState,
	Mode,
	ModeSheet,
	OwnSettings,
	RecipeDetail,
	SettingName,
	Shot,
	ShotList
} from './model';
import { settingNames } from './model';
import { recipeFor } from './recipe';
import { keptOn } from './scales';
import { noShots, shotOf } from './shots';
import { stiffnessOf } from './stiffness';
import { ownOf, type Solved } from './solve';
import { type Advice, adviceFor } from './which';
import { gestureWords } from './shots';
import { most } from './limits';

/** What the loader gives: everything of one payload on one gimbal. */
export interface FeelData {
	readonly support: {
		readonly id: string;
		readonly kind: string;
		readonly name: string;
		readonly greatestPayloadKg: number;
	};
	readonly payload: { readonly id: string; readonly name: string; readonly version: number; readonly bare: boolean };
	readonly massKg: number;
	readonly turnings: Turnings;
	readonly power: PowerPaper | null;
	readonly balanced: boolean;
	readonly modesBefore: readonly string[];
	readonly sheet: Held<ModeSheet>;
	readonly setting: Held<FeelState>;
	readonly shots: Held<ShotList>;
}

function kept<T>(path: string, held: Held<T>): KeptDocument<T> {
	return new KeptDocument<T>(
		`feel.${path.replaceAll('/', '.')}`,
		held.value,
		{
			put: (content, version) => ask('PUT', `/api/feel/${path}`, { version, content }),
			get: () => ask('GET', `/api/feel/${path}`)
		},
		held.version
	);
}

/**
 * One payload on one gimbal at the station Feel: its mode sheet, how it is set, the crew's shots; what is tried beside what is
 * set, and what the search found.
 */

const withStiffness = (now: AllSettings, stiffness: number): AllSettings =>
	Object.fromEntries(Object.entries(now).map(([axis, own]) => [axis, { ...own, stiffness }])) as unknown as AllSettings;

export class FeelBench {
	readonly sheetDocument: KeptDocument<ModeSheet>;
	readonly settingDocument: KeptDocument<FeelState>;
	readonly shotsDocument: KeptDocument<ShotList>;
	readonly motors: readonly TurningAxis[];
	/** The document that was changed last: what Undo means. */
	#last = $state.raw<Pick<KeptDocument<unknown>, 'undo' | 'redo' | 'canUndo' | 'canRedo'> | null>(null);
	/** What was found, by stop of the slider, for what is asked now. */
	solved = $state.raw<ReadonlyMap<number, Solved>>(new Map());
	solving = $state(false);
	trouble = $state('');

	constructor(readonly data: FeelData) {
		const { support, payload, sheet, setting, shots } = data;
		this.sheetDocument = kept(`sheet/${support.id}`, sheet);
		this.settingDocument = kept(`setting/${support.id}/${payload.id}`, setting);
		this.shotsDocument = kept('shots', shots);
		this.motors = motorsOf(data.turnings);
	}

	get documents(): readonly Pick<
		KeptDocument<unknown>,
		'restore' | 'stop' | 'save' | 'saving' | 'message' | 'takeTheirs' | 'keepMine'
	>[] {
		return [this.sheetDocument, this.settingDocument, this.shotsDocument];
	}
	get sheet(): ModeSheet {
		return this.sheetDocument.value;
	}
	get state(): FeelState {
		return this.settingDocument.value;
	}
	get shots(): ShotList {
		return this.shotsDocument.value ?? noShots;
	}

	changeSheet(next: Partial<ModeSheet>, about: string | null = null): void {
		this.#last = this.sheetDocument;
		this.sheetDocument.set({ ...this.sheet, ...next }, about);
	}
	change(next: Partial<FeelState>, about: string | null = null): void {
		this.#last = this.settingDocument;
		this.settingDocument.set({ ...this.state, ...next }, about);
	}
	changeShots(next: Partial<ShotList>, about: string | null = null): void {
		this.#last = this.shotsDocument;
		this.shotsDocument.set({ ...this.shots, ...next }, about);
	}
	readonly settle = (): void => {
		this.sheetDocument.settle();
		this.settingDocument.settle();
		this.shotsDocument.settle();
	};
	get canUndo(): boolean {
		return (this.#last ?? this.settingDocument).canUndo;
	}
	get canRedo(): boolean {
		return (this.#last ?? this.settingDocument).canRedo;
	}
	undo(): void {
		(this.#last ?? this.settingDocument).undo();
	}
	redo(): void {
		(this.#last ?? this.settingDocument).redo();
	}
	async save(): Promise<void> {
		await Promise.all(this.documents.map((each) => each.save()));
	}

	/** The axis in view, if there is a motor there; else the one that speaks for the gimbal. */
	readonly axis = $derived.by((): TurningAxis | null => {
		const asked = this.state.axis;
		return this.motors.includes(asked) ? asked : speakingAxis(this.data.turnings);
	});
	readonly turning = $derived.by((): Turning | null =>
		this.axis === null ? null : (this.data.turnings[this.axis] ?? null)
	);
	readonly shot = $derived.by((): Shot => shotOf(this.shots, this.state.shotId));
	readonly mode = $derived.by((): Mode | null => this.sheet.modes.find(({ id }) => id === this.state.modeId) ?? null);
	readonly advice = $derived.by((): readonly [Advice, Advice | null] =>
		adviceFor(this.shot, this.state.posture, this.state.people)
	);
	/** The mode of the advice, if this gimbal has it; the other school's; else the one it is in. */
	readonly aimMode = $derived.by(
		(): { readonly mode: Mode | null; readonly advice: Advice; readonly missing: boolean } => {
			const [first, second] = this.advice;
			for (const advice of [first, second]) {
				const mode = advice === null ? undefined : this.sheet.modes.find(({ kind }) => kind === advice.mode);
				if (advice !== null && mode !== undefined) return { mode, advice, missing: advice !== first };
			}
			return { mode: this.mode, advice: first, missing: true };
		}
	);
	/** Whether the axis in view goes with the hand in a mode. */
	#follows(mode: Mode | null): boolean {
		return this.axis !== null && follows(this.sheet, { modeId: mode?.id ?? null }, this.axis);
	}
	readonly found = $derived.by((): Solved | null => this.solved.get(this.state.calm) ?? null);
	readonly now = $derived.by((): OwnSettings | null => (this.axis === null ? null : this.state.now[this.axis]));
	/** Where every motor stands on the one scale of stiffness. */
	readonly stiffness = $derived.by(() =>
		stiffnessOf(this.sheet, this.data.payload.id, this.data.turnings, this.state.now)
	);
	/** No motor bears more: the least of all decides. */
	readonly stiffest = $derived.by((): number => this.stiffness.common?.most ?? this.sheet.scales.stiffness.most);
	/** What the search says, on the gimbal's own scales; where the axis holds, only the stiffness is its word. */
	readonly suggested = $derived.by((): OwnSettings | null => {
		const { found, turning, now } = this;
		if (found === null || turning === null || now === null) return null;
		const own = ownOf(this.sheet, turning, found.feel, this.stiffest);
		return this.#follows(this.aimMode.mode) ? own : { ...now, stiffness: own.stiffness };
	});
	/** What is laid beside what is set: by hand, else as found. */
	readonly aim = $derived.by((): OwnSettings | null =>
		this.axis !== null && this.state.tried !== null ? this.state.tried[this.axis] : this.suggested
	);
	readonly isSet = $derived.by((): boolean => {
		const { aim, now, aimMode } = this;
		if (aim === null || now === null) return false;
		return (
			settingNames.every((name) => aim[name] === now[name]) &&
			(aimMode.mode === null || aimMode.mode.id === this.state.modeId)
		);
	});

	model(own: OwnSettings, mode: Mode | null): AxisModel | null {
		if (this.axis === null || this.turning === null) return null;
		return axisModel(this.sheet, own, this.turning, this.data.payload.id, this.axis, this.#follows(mode));
	}
	readonly nowModel = $derived.by((): AxisModel | null => (this.now === null ? null : this.model(this.now, this.mode)));
	readonly aimModel = $derived.by((): AxisModel | null =>
		this.aim === null ? null : this.model(this.aim, this.aimMode.mode)
	);
	// Of the state only what a response hangs on: a setting that is dragged makes nothing else anew.
	readonly #focalM = $derived.by(() => this.state.focalM);
	readonly #sensorWidthM = $derived.by(() => this.state.sensorWidthM);
	readonly #gesture = $derived.by(() => this.state.gesture);
	readonly lens = $derived.by(() => ({ focalM: this.#focalM, sensorWidthM: this.#sensorWidthM }));
	readonly nowResponse = $derived.by((): Response | null => this.#respond(this.nowModel));
	readonly aimResponse = $derived.by((): Response | null => this.#respond(this.aimModel));
	#respond(model: AxisModel | null): Response | null {
		return model === null || this.axis === null ? null : respond(model, this.lens, this.#gesture, this.axis);
	}
	readonly nowWishes = $derived.by((): readonly WishRead[] =>
		this.nowModel === null ? [] : wishesRead(this.nowModel, this.shot, this.lens, this.nowResponse)
	);
	readonly aimWishes = $derived.by((): readonly WishRead[] =>
		this.aimModel === null ? [] : wishesRead(this.aimModel, this.shot, this.lens, this.aimResponse)
	);
	readonly station = $derived.by(() =>
		this.nowModel === null
			? null
			: feelStation(this.nowWishes, this.shot, {
					buzzes: this.nowModel.phaseMarginRad <= 0,
					beyond: this.beyond.length > 0
				})
	);
	/** More than it carries or its motors hold: it must not fly so. */
	readonly beyond = $derived.by((): readonly Beyond[] => {
		const { massKg, support, turnings, payload } = this.data;
		return beyondOf({
			...{ massKg, greatestPayloadKg: support.greatestPayloadKg, turnings },
			residualNm: (axis) => reckonedResidualNm(this.sheet, payload.id, axis, turnings[axis] ?? { residualNm: NaN })
		});
	});
	/** Scales of what is shown that nobody has measured. */
	readonly assumed = $derived.by((): readonly SettingName[] =>
		settingNames.filter((name) => this.sheet.scales[name].measured === null)
	);

	/** One setting tried, on the gimbal's own scale; the others as they are shown. */
	tryOne(name: SettingName, setting: number): void {
		const { axis, aim, now } = this;
		if (axis === null || now === null) return;
		const own = { ...(aim ?? now), [name]: keptOn(this.sheet.scales[name], setting) };
		this.change({ tried: { ...(this.state.tried ?? this.state.now), [axis]: own } }, `try ${name}`);
	}
	/** As found again. */
	untry(): void {
		this.change({ tried: null });
	}
	/** It stands so on the gimbal now: mode and settings, written on the roll. */
	setSo(words: readonly string[]): void {
		const { axis, aim, aimMode } = this;
		if (axis === null || aim === null) return;
		this.change({
			// One figure of stiffness is set for all motors; the rest is of the axis in view.
			now: withStiffness({ ...this.state.now, [axis]: aim }, aim.stiffness),
			tried: null,
			modeId: aimMode.mode?.id ?? this.state.modeId,
			slips: [...this.state.slips, words].slice(-most.slips)
		});
		this.settle();
	}
	/** One figure of stiffness for all motors. */
	stiffnessSet(setting: number): void {
		const kept = keptOn(this.sheet.scales.stiffness, setting);
		this.change({ now: withStiffness(this.state.now, kept), tried: null });
		this.settle();
	}
	/** A figure corrected of what stands on the gimbal. */
	standsAt(axis: TurningAxis, name: SettingName, setting: number): void {
		const own = { ...this.state.now[axis], [name]: keptOn(this.sheet.scales[name], setting) };
		this.change({ now: { ...this.state.now, [axis]: own } }, `now ${axis} ${name}`);
	}
	chooseShot(shotId: string): void {
		const shot = shotOf(this.shots, shotId);
		const axis = gestureWords[shot.gesture].axis;
		this.change({
			shotId,
			gesture: shot.gesture,
			tried: null,
			axis: this.motors.includes(axis) ? axis : this.state.axis
		});
	}

	/** What would be logged now. Null while nothing turns. */
	recipe(): RecipeDetail | null {
		return recipeFor(this.sheet, this.state, this.shot, this.data);
	}

	/** Minutes that so many watts more take off one set of batteries; null where no power sheet says. */
	minutesLess(watts: number): number | null {
		const paper = this.data.power;
		const tap = paper?.taps[0];
		if (paper === null || tap === undefined || !(watts > 0)) return null;
		try {
			const runS = (loads: PowerPaper['loads']) =>
				powerPlan({ ...paper, loads }).sources.find(({ id }) => id === tap.sourceId)?.setRunTimeS ?? null;
			const [before, after] = [
				runS(paper.loads),
				runS([...paper.loads, { id: 'hold', name: 'hold', tapId: tap.id, drawW: watts }])
			];
			return before === null || after === null ? null : (before - after) / 60;
		} catch {
			return null;
		}
	}
}

const context = Symbol('feel');
/** A getter, so that another gimbal or payload reaches the sheets that stay. */
export const shareFeel = (get: () => FeelBench): void => void setContext(context, get);
export const sharedFeel = (): FeelBench => getContext<() => FeelBench>(context)();
