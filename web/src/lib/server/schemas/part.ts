import Joi from 'joi';
import { type NewPart, partKinds, type PartShape } from '$lib/model/part';
import { lengthM, massKg, name, vector, words } from './quantities';

/** Thinner than a sheet of card is a slip of the finger, and would not be seen in a drawing. */
const thinnestM = 0.001;

export const partShape = words(
	Joi.object<PartShape>({
		sizeM: Joi.array()
			.ordered(lengthM('the length', thinnestM), lengthM('the width', thinnestM), lengthM('the height', thinnestM))
			.length(3)
			.required()
			.label('the size'),
		cgFromMiddleM: vector('forward of the middle', 'left of the middle', 'above the middle').allow(null),
		extensionM: lengthM('the extension')
	}).required()
);

export const newPart = words(
	Joi.object<NewPart>({
		name: name(),
		kind: words(
			Joi.string()
				.valid(...partKinds)
				.required()
				.label('the kind')
		).messages({ 'any.only': 'the kind must be one of the list' }),
		massKg: massKg(),
		shape: partShape
	}).required()
);
