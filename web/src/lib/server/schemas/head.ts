import Joi from 'joi';
import { type HeadDraft, type HeadFigures, headLimits, holdPolicies } from '$lib/model/head';
import { name, version, within } from './quantities';
import { one, span, words } from './words';

const headAxis = (label: string) =>
	Joi.object({
		range: span(headLimits.turn, `the range of ${label}`),
		maxRate: within(headLimits.rate, `the speed of ${label}`),
		maxAccel: within(headLimits.accel, `the acceleration of ${label}`)
	});
const motor = (label: string) =>
	Joi.object({
		turns: within(headLimits.ringTurns, `the turns of ${label}`),
		maxTurnsPerS: within(headLimits.ringRate, `the speed of ${label}`)
	})
		.allow(null)
		.required();
export const headFigures = Joi.object<HeadFigures>({
	pattern: words('the pattern', 40),
	massKg: within(headLimits.mass, 'the mass'),
	pan: headAxis('pan').required(),
	tilt: headAxis('tilt').required(),
	roll: headAxis('roll').allow(null).required(),
	focus: motor('the focus motor'),
	zoom: motor('the zoom motor'),
	hold: one(holdPolicies, 'how it is held')
}).required();
export const headDraft = Joi.object<HeadDraft>({ name: name(), head: headFigures }).required();
export const headSave = headDraft.append<HeadDraft & { version: number }>({ version: version() });
