import Joi from 'joi';
import { measuringWays, type NewMeasurement } from '$lib/model/measurement';
import { id, key, sigmas, vector, within } from './quantities';

const found = Joi.array()
	.items(
		Joi.object({
			axis: Joi.valid(0, 1, 2).required(),
			valueM: within('onPlate', 'the centre in metres'),
			sigmaM: within('sigma', 'its uncertainty in metres')
		})
	)
	.min(1)
	.max(3)
	.unique('axis')
	.required()
	.label('what was found');

export const newMeasurement = Joi.object<NewMeasurement>({
	id: id(),
	partId: id().allow(null),
	payloadId: id().allow(null),
	way: Joi.string()
		.valid(...measuringWays)
		.required(),
	found,
	readings: Joi.string().max(2000).required()
})
	.custom((value: NewMeasurement, { error }) =>
		(value.partId === null) === (value.payloadId === null) ? error('any.only') : value
	)
	.required();

export const foundCoordinates = Joi.object({ list: found }).required();

const partFigure = Joi.object({
	cgFromMiddleM: vector('forward', 'left', 'up').allow(null),
	cgSigmaM: sigmas().allow(null).required(),
	cgFrom: Joi.string().max(200).allow(null).required()
}).required();
const zeroFigure = Joi.object({
	readingAtZeroM: within('scaleZero'),
	zeroSigmaM: within('zeroSigma')
}).required();
/** A figure that was taken over, as the book keeps it. */
export const keptFigure = Joi.alternatives().try(partFigure, zeroFigure).required();

/** A figure to be taken over: a part's centre, or a scale's zero. */
export const gearFigure = Joi.alternatives().try(
	Joi.object({
		about: Joi.string().valid('part').required(),
		partId: id(),
		from: Joi.string().max(200).required(),
		figure: partFigure
	}),
	Joi.object({
		about: Joi.string().valid('zero').required(),
		supportId: id(),
		slideId: key(),
		from: Joi.string().max(200).required(),
		figure: zeroFigure
	})
);
