import Joi from 'joi';
import { keyPattern } from '$lib/model/limits';
import type { BenchState, Nudge } from '$lib/supports/gimbal/model';
import type { Positions } from './model';
import { key, massKg, within } from '$lib/server/schemas/quantities';

const position = () => within('onPlate').label('the reading');

export const positions = () => Joi.object<Positions>().pattern(keyPattern, position()).max(12).required();

const nudge = Joi.object<Nudge>({
	slideId: key(),
	fromM: position(),
	toM: position()
});

const look = Joi.object({
	axisId: key(),
	positionsM: positions(),
	kind: Joi.string().valid('way', 'measured').required(),
	slideId: key().when('kind', { is: 'measured', then: Joi.forbidden() }),
	observation: Joi.string().valid('falls+', 'falls-', 'holds').when('kind', { is: 'way', then: Joi.required() }),
	seek: Joi.boolean(),
	struck: Joi.boolean(),
	how: Joi.string().max(200).when('kind', { is: 'measured', then: Joi.required() }),
	seen: Joi.array()
		.items(Joi.object({ slideId: key(), offsetM: position() }))
		.max(4)
		.when('kind', { is: 'measured', then: Joi.required() })
});

const setUp = {
	weights: Joi.array()
		.items(Joi.object({ placeId: key(), massKg: massKg() }))
		.max(8),
	alternativeIds: Joi.array().items(key().optional()).max(8)
};

/** The roll of slips keeps the last two hundred moves; the page trims it before sending. */
export const benchState = Joi.object<BenchState>({
	positionsM: positions(),
	nudges: Joi.array().items(nudge).max(200).required(),
	looks: Joi.array().items(look).max(200),
	order: Joi.string().valid('verticalNext', 'verticalLast'),
	waived: Joi.boolean(),
	believeDrawing: Joi.boolean(),
	...setUp
}).required();
