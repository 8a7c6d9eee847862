import Joi from 'joi';
import type { RigGeometry } from '$lib/model/rig';
import { lengthM, massKg, vector } from './quantities';

const key = () =>
	Joi.string()
		.pattern(/^[a-zA-Z][a-zA-Z0-9]{0,39}$/)
		.required();
const label = () => Joi.string().min(1).max(80).required();
const point = () => vector('x', 'y', 'z');
const torque = () => Joi.number().positive().max(200);

const range = () =>
	Joi.array()
		.items(Joi.number())
		.length(2)
		.custom((value: [number, number], { error }) => (value[0] <= value[1] ? value : error('range.order')))
		.required();

const axis = Joi.object({
	id: key(),
	label: label(),
	direction: point(),
	pivotM: point(),
	motorTorqueNm: torque(),
	frictionNm: Joi.number().min(0).max(50)
});

const part = Joi.object({
	id: key(),
	label: label(),
	body: Joi.object({ massKg: massKg(), cgM: point() }).required(),
	hangsOn: key().allow(null)
});

const slide = Joi.object({
	id: key(),
	label: label(),
	purpose: label(),
	plusWord: label(),
	minusWord: label(),
	balances: key(),
	direction: point(),
	rangeM: range(),
	moves: Joi.array().items(Joi.string()).min(1).required(),
	scale: Joi.object({
		readingAtZeroM: Joi.number().required(),
		sense: Joi.number().valid(1, -1).required()
	}).required(),
	knobPitchM: Joi.number().positive().allow(null).required()
});

const place = Joi.object({
	id: key(),
	label: label(),
	atM: point(),
	hangsOn: key(),
	movesWith: Joi.array().items(key()).required(),
	greatestKg: massKg()
});

const box = Joi.object({ kind: 'box', partId: key(), atM: point(), sizeM: point() });
const tube = Joi.object({
	kind: 'tube',
	partId: key(),
	pointsM: Joi.array().items(point()).min(2).required(),
	widthM: lengthM('the width')
});
const motor = Joi.object({
	kind: 'motor',
	partId: key(),
	atM: point(),
	axis: Joi.string().valid('x', 'y', 'z').required(),
	radiusM: lengthM('the radius'),
	lengthM: lengthM('the length')
});
/** Chosen by its kind rather than tried in turn: a failed try costs more than the check itself. */
const stroke = Joi.alternatives().conditional('.kind', {
	switch: [
		{ is: 'box', then: box },
		{ is: 'tube', then: tube },
		{ is: 'motor', then: motor }
	],
	otherwise: Joi.forbidden()
});

export const rigGeometry = Joi.object<RigGeometry>({
	axes: Joi.array().items(axis).min(1).required(),
	parts: Joi.array().items(part).required(),
	slides: Joi.array().items(slide).required(),
	mountM: point(),
	counterweightPlaces: Joi.array().items(place).required(),
	strokes: Joi.array().items(stroke).required()
}).required();
