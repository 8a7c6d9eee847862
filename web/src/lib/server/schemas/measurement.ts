import Joi from 'joi';
import { measuringWays, type NewMeasurement, type Taught } from '$lib/model/measurement';
import { id, key, sigmas, vector, within } from './quantities';

/** More balances are not left out of a lesson one by one: something else is wrong. */
export const mostLeftOut = 20;

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

/** Eighty balances of the largest builds are of fewer figures. */
const mostKeys = 3000;
const rowsOf = ({ keys, believedM, rows }: Taught) =>
	[believedM, ...rows].every(({ length }) => length === keys.length);
/** What a lesson said of a figure that was taken over from it. */
export const keptTaught = Joi.object<Taught>({
	lessonId: id(),
	widenedBy: within('widenedBy'),
	untaught: keptFigure,
	keys: Joi.array()
		.items(Joi.string().pattern(/^(part:[\da-f-]{36}\.[xyz]|zero:[\da-f-]{36}\.[a-zA-Z][a-zA-Z0-9]{0,39})$/))
		.min(1)
		.max(mostKeys)
		.unique()
		.required(),
	believedM: Joi.array().items(within('onPlate')).max(mostKeys).required(),
	rows: Joi.array()
		.items(Joi.array().items(within('covariance')).max(mostKeys))
		.min(1)
		.max(3)
		.required()
})
	.custom((value: Taught, { error }) => (rowsOf(value) ? value : error('array.length')))
	.required();

const proposals = () => Joi.array().items(Joi.string().max(80)).max(mostKeys).unique();
/** A lesson's figures to be taken over, by a part's id or a gimbal's and a slide's; `mark` says of which lesson. */
export const takingOver = Joi.object({
	mark: Joi.string().max(80).required(),
	take: Joi.alternatives().try(Joi.string().valid('all'), proposals().min(1)).required(),
	/** Of all: those that somebody said to leave as they are. */
	leave: proposals().required(),
	without: Joi.array().items(id().optional()).max(mostLeftOut).required()
}).required();

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
