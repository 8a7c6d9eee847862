import Joi from 'joi';
import { type NewPart, partKinds, type PartShape } from '$lib/model/part';
import { lengthM, massKg, name, sigmas, vector, within } from './quantities';

const sideM = (label: string) => within('partSide', `${label} in metres`);

export const partShape = Joi.object<PartShape>({
	sizeM: Joi.array()
		.ordered(sideM('the length'), sideM('the width'), sideM('the height'))
		.length(3)
		.required()
		.label('the size'),
	cgFromMiddleM: vector('forward of the middle', 'left of the middle', 'above the middle').allow(null),
	extensionM: lengthM('the extension'),
	cgSigmaM: sigmas().allow(null),
	cgFrom: Joi.string().max(200).allow(null),
	holePitchM: within('holePitch', 'the distance between holes in metres').optional().allow(null)
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
