import type { Turnings } from '$lib/model/turning';
import { axisModel, follows, motorsOf, respond, speakingAxis } from './figures';
import { wishesRead } from './wishes';
import type { FeelState, ModeSheet, RecipeDetail, Shot } from './model';
import { settingNames } from './model';
import { reachWords } from './modes';
import { isWalk } from './shots';

/** What a recipe keeps of how things are set: the words, the figures on the gimbal's own scales, and what they come to. Null while nothing turns. */
export function recipeFor(
	sheet: ModeSheet,
	state: FeelState,
	shot: Shot,
	{
		turnings,
		payload,
		massKg
	}: { readonly turnings: Turnings; readonly payload: { readonly id: string }; readonly massKg: number }
): RecipeDetail | null {
	const axis = turnings[state.axis] === undefined ? speakingAxis(turnings) : state.axis;
	const turning = axis === null ? undefined : turnings[axis];
	if (axis === null || turning === undefined) return null;
	const mode = sheet.modes.find(({ id }) => id === state.modeId) ?? null;
	const model = axisModel(sheet, state.now[axis], turning, payload.id, axis, follows(sheet, state, axis));
	const reads = wishesRead(model, shot, state);
	const got = (id: keyof Shot['wanted']) => reads.find((read) => read.id === id)?.got ?? null;
	const { figures } = respond(model, state, isWalk(shot.gesture) ? 'quarterTurn' : shot.gesture, axis);
	return {
		shotName: shot.name,
		shotId: shot.id,
		wanted: shot.wanted,
		modeName: mode?.name ?? 'No mode named',
		modeReach: mode === null ? '' : reachWords(mode),
		axis,
		axes: motorsOf(turnings),
		settings: state.now,
		names: Object.fromEntries(settingNames.map((name) => [name, sheet.scales[name].name])) as RecipeDetail['names'],
		posture: state.posture,
		people: state.people,
		focalM: state.focalM,
		sensorWidthM: state.sensorWidthM,
		massKg,
		inertiaKgM2: turning.inertiaKgM2,
		figures: {
			...figures,
			lagRad: got('lagRad') ?? figures.lagRad,
			shakeShare: got('shakeShare') ?? figures.shakeShare
		},
		assumed: settingNames.some((name) => sheet.scales[name].measured === null)
	};
}
