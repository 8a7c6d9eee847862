import { followResponse, steadyLag } from '@poise/core';
import type { TurningAxis, Turnings } from '$lib/model/turning';
import { beyondOf } from './beyond';
import { reckonedResidualNm } from './looks';
import type { StationState } from '$lib/shell/stations';
import { type AxisModel, axisModel, follows, type Lens, type Response, rms, shakenBy, speakingAxis } from './figures';
import { doneS, handleOf } from './gestures';
import type { FeelState, GestureKey, ModeSheet, Shot, Wishes } from './model';
import { isWalk, walkOf, wantedWith } from './shots';

/** What a shot wishes for beside what the settings give: of each wish, how much of its limit is used. */
export interface WishRead {
	readonly id: keyof Wishes;
	readonly got: number | null;
	readonly wanted: number;
	/** 1: at the limit. */
	readonly share: number;
	/** Late or restless: which way it is off. */
	readonly way: 1 | -1;
}

/** What a shot's wishes come to with a model of an axis, and with the turn of its own that is drawn already, if it is: lag at a steady pan, settle and overshoot of a turn, shake in its steps. */
export function wishesRead(model: AxisModel, shot: Shot, lens: Lens, drawn: Response | null = null): WishRead[] {
	const lag = steadyLag({ settings: { ...model.settings, maxRateRadPerS: 1e6 }, rateRadPerS: shot.panRadPerS }).lagRad;
	const wanted = wantedWith(shot, lens);
	const gesture = isWalk(shot.gesture) ? 'quarterTurn' : shot.gesture;
	const turned =
		drawn?.gesture === gesture && drawn.figures.settleS !== null ? drawn.figures : turnedFor(model, gesture, wanted);
	const holds = model.settings.followPerS === 0;
	const of = (id: keyof Wishes, got: number | null, way: 1 | -1): WishRead[] => {
		const limit = wanted[id];
		if (limit === null) return [];
		return [{ id, got, wanted: limit, share: got === null ? 9 : got / limit, way }];
	};
	return [
		...(holds ? [] : of('lagRad', lag === null ? null : Math.abs(lag), 1)),
		...(holds ? [] : of('settleS', turned.settleS, 1)),
		...of('overshootRad', turned.overshootRad, -1),
		...(wanted.shakeShare === null ? [] : of('shakeShare', walkedShare(model, lens, shot.walk), -1))
	];
}

/** The bubble of Feel: right of the marks too late for the shot, left of them too restless; furthest off speaks. */
export function feelStation(
	reads: readonly WishRead[],
	shot: Shot,
	{ buzzes, beyond }: { readonly buzzes: boolean; readonly beyond: boolean }
): StationState {
	if (beyond) return { offset: -6, words: 'more on it than it holds: it must not fly so' };
	if (buzzes) return { offset: -6, words: 'so stiff that it buzzes, as computed' };
	const worst = reads.reduce<WishRead | null>(
		(most, read) => (most === null || read.share > most.share ? read : most),
		null
	);
	if (worst === null) return { offset: 0, words: `${shot.name} asks for nothing` };
	const offset = worst.share * worst.way;
	if (worst.share <= 1) return { offset, words: `within what ${lower(shot.name)} asks, as computed` };
	return {
		offset,
		words: `${worst.way > 0 ? 'later' : 'more restless'} than ${lower(shot.name)} asks, as computed`
	};
}
const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

/** Settle and overshoot of a turn, looked at for longer than it may take, so that what is late is late and not merely unseen. */
const turnedFor = (model: AxisModel, gesture: GestureKey, { settleS }: Wishes) =>
	followResponse({
		settings: model.settings,
		handle: handleOf(gesture),
		...(model.phaseMarginRad <= 0 ? {} : { plant: model.plant }),
		endS: doneS(gesture) + 1.5 * (settleS ?? 2) + 1.5,
		atS: []
	});

/** What steps shake the picture by: the turning that is followed, stepped for so long that it has settled, and the bounce. */
function walkedShare(model: AxisModel, lens: Lens, walk: GestureKey): number {
	const { cameraRad } = followResponse({
		settings: model.settings,
		handle: handleOf(walk),
		...(model.phaseMarginRad <= 0 ? {} : { plant: model.plant }),
		endS: walkedForS,
		atS: walkedAtS
	});
	return (Math.hypot(rms(cameraRad, walkedAtS), shakenBy(model, walkOf[walk], lens)) * lens.focalM) / lens.sensorWidthM;
}
const walkedForS = 4;
const walkedAtS = Array.from({ length: 81 }, (_, k) => k * 0.05);

/** What the day line says of a gimbal as it is set. */
export function stationOf(
	sheet: ModeSheet,
	state: FeelState,
	shot: Shot,
	turnings: Turnings,
	payload: { readonly id: string; readonly massKg: number; readonly greatestPayloadKg: number }
): StationState | null {
	const axis = speakingAxis(turnings);
	const turning = axis === null ? undefined : turnings[axis];
	if (axis === null || turning === undefined) return null;
	const model = axisModel(sheet, state.now[axis], turning, payload.id, axis, follows(sheet, state, axis));
	const residualNm = (each: TurningAxis) =>
		reckonedResidualNm(sheet, payload.id, each, turnings[each] ?? { residualNm: NaN });
	return feelStation(wishesRead(model, shot, state), shot, {
		buzzes: model.phaseMarginRad <= 0,
		beyond: beyondOf({ ...payload, turnings, residualNm }).length > 0
	});
}
