import Joi from 'joi';
import { limit } from '$lib/model/limits';
import { turningAxes } from '$lib/model/turning';
import { feelLimits, most } from './limits';
import {
	axisDoings,
	type FeelState,
	gestureKeys,
	modeKinds,
	type ModeSheet,
	type NewRecipe,
	postures,
	type RecipeDetail,
	type SettingName,
	settingNames,
	type ShotList
} from './model';
import { id, key, version, within } from '$lib/server/schemas/quantities';
import { flag, maybeWords, note, one, words } from '$lib/server/schemas/words';

const perAxis = (each: Joi.Schema) =>
	Joi.object(Object.fromEntries(turningAxes.map((axis) => [axis, each]))).required();
const perSetting = (of: (name: SettingName) => Joi.Schema) =>
	Joi.object(Object.fromEntries(settingNames.map((name) => [name, of(name)]))).required();
const stamp = Joi.object({ at: Joi.string().isoDate().required(), by: words('who') });
const stamped = { id: id(), at: Joi.string().isoDate().required(), by: words('who') };

const realValue: Record<SettingName, keyof typeof feelLimits> = {
	follow: 'follow',
	deadband: 'deadband',
	smooth: 'smooth',
	stiffness: 'stiffnessShare'
};
const scale = (name: SettingName) =>
	Joi.object({
		name: words('what the menu calls it', 60),
		least: within(feelLimits.ownFigure, 'the least figure'),
		most: within(feelLimits.ownFigure, 'the greatest figure').greater(Joi.ref('least')),
		law: one(['linear', 'log'] as const, 'the law'),
		// Even steps may begin at nothing.
		atLeast: Joi.when('law', {
			is: 'log',
			then: within(feelLimits[realValue[name]], 'the value at the least').greater(0),
			otherwise: within(limit(0, feelLimits[realValue[name]].most, 'From nothing on.'), 'the value at the least')
		}),
		atMost: within(feelLimits[realValue[name]], 'the value at the greatest').greater(Joi.ref('atLeast')),
		measured: stamp.allow(null).required()
	}).required();

const mode = Joi.object({
	id: key(),
	kind: one(modeKinds, 'the kind of mode'),
	name: words('the mode’s name', 60),
	does: perAxis(one(axisDoings, 'what the axis does')),
	goodFor: maybeWords('what it is good for'),
	control: words('the control', 80),
	presses: within(feelLimits.presses, 'the presses').integer(),
	held: flag('held'),
	fromId: key().allow(null),
	stick: maybeWords('what the stick does', 120),
	wheel: maybeWords('what the wheel does', 120)
});

const own = (label: string) => within(feelLimits.ownFigure, label);
const run = Joi.object({
	...stamped,
	follow: own('the follow setting'),
	deadband: own('the dead band’s setting'),
	smooth: own('the smoothing’s setting'),
	angleRad: within(feelLimits.turn, 'the turn'),
	halfS: within(feelLimits.timed, 'the time to half of the way'),
	endS: within(feelLimits.timed, 'the time until it stood').greater(Joi.ref('halfS')),
	restShortRad: within(feelLimits.deadband, 'how far short it stood').less(Joi.ref('angleRad')),
	struck: flag('struck out')
});
const look = Joi.object({
	...stamped,
	kind: one(['buzzes', 'sags'] as const, 'what was seen'),
	axis: one(turningAxes, 'the axis'),
	stiffness: own('the stiffness'),
	leanRad: within(limit(0, feelLimits.lean.most, 'A buzz leans nothing.'), 'the lean'),
	payloadId: id(),
	payloadName: words('the payload’s name'),
	naturalRadPerS: within(feelLimits.loopRate, 'the loop’s rate'),
	stiffnessNmPerRad: within(feelLimits.loopStiffness, 'the motor’s stiffness'),
	residualNm: within(feelLimits.residual, 'what the balance came to'),
	struck: flag('struck out')
});

const stick = Joi.object({
	deadZone: within(feelLimits.deadZone, 'the dead zone'),
	expo: within(feelLimits.expo, 'the curve'),
	maxRateRadPerS: within(feelLimits.rate, 'the top speed'),
	widthsPerS: within(feelLimits.widthsPerS, 'the picture’s speed'),
	focalsM: Joi.array()
		.items(within(feelLimits.focal, 'the focal length'))
		.min(1)
		.max(most.focals)
		.required()
		.label('the focal lengths'),
	gripRatio: within(feelLimits.gripRatio, 'the grip’s ratio'),
	gripAxes: perAxis(flag('the axis')),
	gripRecentre: maybeWords('how the grip is recentred')
});

export const modeSheet = Joi.object<ModeSheet>({
	pattern: words('the pattern', 40),
	modes: Joi.array().items(mode).max(most.modes).unique('id').required().label('the modes'),
	startsId: key().allow(null),
	resets: maybeWords('what resets it'),
	byHand: maybeWords('how an angle is set by hand'),
	calibration: maybeWords('the calibration'),
	scales: perSetting(scale),
	delayS: within(feelLimits.delay, 'the delay'),
	damping: within(feelLimits.damping, 'the damping'),
	fullDrawW: within(feelLimits.draw, 'what the motors draw'),
	runs: Joi.array().items(run).max(most.runs).unique('id').required().label('the timed turns'),
	looks: Joi.array().items(look).max(most.looks).unique('id').required().label('what was seen'),
	stick: stick.required()
}).required();

const settings = perAxis(perSetting(() => own('the setting')));
const wish = (limit: keyof typeof feelLimits, label: string) => within(feelLimits[limit], label).allow(null);
const wishes = Joi.object({
	lagRad: wish('lagRad', 'the lag'),
	settleS: wish('settleS', 'the time to settle'),
	overshootRad: wish('overshootRad', 'the overshoot'),
	shakeShare: wish('shakeShare', 'the shake')
}).required();
const lens = {
	focalM: within(feelLimits.focal, 'the focal length'),
	sensorWidthM: within(feelLimits.sensor, 'the sensor’s width')
};
const shotId = () => words('the shot', 60);
const people = Joi.valid(1, 2, 3).required().label('how many people');

export const feelState = Joi.object<FeelState>({
	shotId: shotId(),
	gesture: one(gestureKeys, 'what the hand does'),
	axis: one(turningAxes, 'the axis'),
	modeId: key().allow(null),
	posture: one(postures, 'the posture'),
	people,
	...lens,
	now: settings,
	tried: settings.allow(null),
	calm: within(feelLimits.calm, 'the calm'),
	slips: Joi.array()
		.items(Joi.array().items(words('the slip', 300)).max(12))
		.max(most.slips)
		.required()
		.label('the slips')
}).required();

const shot = Joi.object({
	id: id(),
	name: words('the shot’s name', 60),
	gesture: one(gestureKeys, 'what the hand does'),
	walk: one(gestureKeys, 'how it is walked'),
	panRadPerS: within(feelLimits.panRate, 'the pan'),
	wanted: wishes
});
export const shotList = Joi.object<ShotList>({
	own: Joi.array().items(shot).max(most.own).unique('id').required().label('the crew’s shots'),
	day: Joi.array()
		.items(
			Joi.object({ id: id(), words: words('the shot of the day', 120), shotId: shotId(), recipeId: id().allow(null) })
		)
		.max(most.day)
		.unique('id')
		.required()
		.label('the shots of the day')
}).required();

/** A document of Feel over the version it was made from. */
export const feelSave = (content: Joi.ObjectSchema) =>
	Joi.object<{ version: number; content: unknown }>({ version: version().min(0), content }).required();

const figures = Joi.object({
	lagRad: within(feelLimits.anyAngle, 'the lag'),
	settleS: within(feelLimits.anyTime, 'the time to settle').allow(null),
	overshootRad: within(feelLimits.anyAngle, 'the overshoot'),
	restShortRad: within(feelLimits.anyAngle, 'the rest'),
	shakeShare: within(feelLimits.anyRate, 'the shake'),
	pictureWidthsPerS: within(feelLimits.anyRate, 'the picture’s speed')
}).required();

export const recipeDetail = Joi.object<RecipeDetail>({
	shotName: words('the shot’s name', 60),
	shotId: shotId(),
	wanted: wishes,
	modeName: words('the mode’s name', 60),
	modeReach: maybeWords('how the mode is reached'),
	axis: one(turningAxes, 'the axis'),
	axes: Joi.array()
		.items(Joi.string().valid(...turningAxes))
		.max(3)
		.required(),
	settings,
	names: perSetting(() => words('what the menu calls it', 60)),
	posture: one(postures, 'the posture'),
	people,
	...lens,
	massKg: within(feelLimits.mass, 'the mass'),
	inertiaKgM2: within(feelLimits.inertia, 'the inertia'),
	figures,
	assumed: flag('assumed')
}).required();

export const newRecipe = Joi.object<NewRecipe>({
	id: id(),
	supportId: id(),
	payloadId: id(),
	note: note(),
	detail: recipeDetail
}).required();
export const recipeChange = Joi.object<{ readonly struck: boolean }>({ struck: flag('struck out') }).required();
