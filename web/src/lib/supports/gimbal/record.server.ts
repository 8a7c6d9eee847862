import Joi from 'joi';
import { keptSnapshot } from '$lib/server/schemas/record';
import { reckoned, vector, version, within } from '$lib/server/schemas/quantities';
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
		version: version().optional(),
		name: Joi.string().required(),
		leastPayloadKg: reckoned(),
		greatestPayloadKg: reckoned(),
		geometry: gimbalGeometry
	}).required(),
	positionsM: positions(),
	axes: Joi.array()
		.items(
			Joi.object({
				id: Joi.string().required(),
				offsetM: vector('x', 'y', 'z'),
				carriedKg: reckoned(),
				residualTorqueNm: reckoned(),
				motorShare: reckoned().allow(null)
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
	minutes: within('sincePowerOn', 'minutes since power-on'),
	rollRad: within('horizonLean', 'the lean in radians'),
	temperatureC: within('temperature', 'the temperature in °C')
}).required();

export const horizonEntry: StoredAs<NewHorizonEntry> = { schema: horizon };
