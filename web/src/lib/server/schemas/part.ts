import Joi from 'joi';
import { type NewPart, partKinds, type PartShape } from '$lib/model/part';
import { lengthM, massKg, name, sigmas, vector } from './quantities';

/** Thinner than a sheet of card is a slip of the finger, and would not be seen in a drawing. */
const thinnestM = 0.001;

export const partShape = Joi.object<PartShape>({
	sizeM: Joi.array()
		.ordered(lengthM('the length', thinnestM), lengthM('the width', thinnestM), lengthM('the height', thinnestM))
		.length(3)
		.required()
		.label('the size'),
	cgFromMiddleM: vector('forward of the middle', 'left of the middle', 'above the middle').allow(null),
	extensionM: lengthM('the extension'),
	cgSigmaM: sigmas().allow(null),
	cgFrom: Joi.string().max(200).allow(null),
	holePitchM: Joi.number().min(0.002).max(0.2).allow(null).label('the distance between holes in metres')
}).required();

const fields = {
	name: name(),
	kind: Joi.string()
		.valid(...partKinds)
		.required()
		.label('the kind'),
	massKg: massKg(),
	shape: partShape
};
export const newPart = Joi.object<NewPart>(fields).required();
/** With what it was when somebody began to change it, so that only what they changed is written. */
export const changedPart = Joi.object<NewPart & { readonly begun?: NewPart }>({
	...fields,
	begun: Joi.object<NewPart>(fields)
}).required();
