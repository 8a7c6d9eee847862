import Joi from 'joi';
import type { BenchState, Nudge } from '$lib/supports/gimbal/model';
import type { Positions } from './model';
import { furthestM, key, massKg } from '$lib/server/schemas/quantities';

const position = () => Joi.number().min(-furthestM).max(furthestM).required().label('the reading');

export const positions = () =>
	Joi.object<Positions>()
		.pattern(/^[a-zA-Z][a-zA-Z0-9]{0,39}$/, position())
		.max(12)
		.required();

const nudge = Joi.object<Nudge>({
	slideId: Joi.string().max(40).required(),
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
