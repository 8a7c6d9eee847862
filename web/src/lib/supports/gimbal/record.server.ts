import Joi from 'joi';
import { keptSnapshot } from '$lib/server/schemas/record';
import { vector } from '$lib/server/schemas/quantities';
import { type StoredAs, supportRenamed } from '$lib/server/stored';
import { benchState, positions } from './bench.server';
import { gimbalGeometry, withinLimits } from './geometry.server';
import type { NewHorizonEntry } from './horizon';
import type { GimbalRecordDetail } from './model';

const schema = Joi.object<GimbalRecordDetail>({
	snapshot: keptSnapshot,
	support: Joi.object({
		id: Joi.string().required(),
		kind: Joi.string(),
		version: Joi.number(),
		name: Joi.string().required(),
		leastPayloadKg: Joi.number().required(),
		greatestPayloadKg: Joi.number().required(),
		geometry: gimbalGeometry
	}).required(),
	positionsM: positions(),
	axes: Joi.array()
		.items(
			Joi.object({
				id: Joi.string().required(),
				offsetM: vector('x', 'y', 'z'),
				carriedKg: Joi.number().required(),
				residualTorqueNm: Joi.number().required(),
				motorShare: Joi.number().allow(null).required()
			})
		)
		.required(),
	nudges: benchState.extract('nudges'),
	weights: benchState.extract('weights'),
	alternativeIds: benchState.extract('alternativeIds'),
	found: Joi.array().items(Joi.string().max(40)).max(12)
}).required();

/** What the support's own shape was brought to, its copy is too. */
const supportWithinLimits = ({ support, ...rest }: Readonly<Record<string, unknown>>) => {
	const copy = support as Readonly<Record<string, unknown>>;
	return { ...rest, support: { ...copy, geometry: withinLimits(copy.geometry as typeof copy) } };
};

/** In shape 1 the copy of the support was called by its kind; in 2 nothing kept it within limits. */
export const gimbalDetail: StoredAs<GimbalRecordDetail> = {
	schema,
	upgrades: [supportRenamed('rig'), supportWithinLimits]
};

const horizon = Joi.object<NewHorizonEntry>({
	kind: Joi.string().valid('reading', 'calibration').required(),
	minutes: Joi.number().min(0).max(2880).required().label('minutes since power-on'),
	rollRad: Joi.number().min(-0.8).max(0.8).required().label('the lean in radians'),
	temperatureC: Joi.number().min(-40).max(70).required().label('the temperature in °C')
}).required();

export const horizonEntry: StoredAs<NewHorizonEntry> = { schema: horizon };
