import Joi from 'joi';
import type { Payload, PayloadDraft, Placement } from '$lib/model/payload';
import { id, name, vector } from './quantities';

const placement = Joi.object<Placement>({
	id: id().label('the place'),
	partId: id().label('the part'),
	positionM: vector('forward', 'left', 'up')
});

/** More than a hundred parts on one plate is a loop gone wrong, not a build. */
const mostParts = 100;

const draftFields = {
	name: name(),
	platePartId: id().label('the plate'),
	placements: Joi.array().items(placement).max(mostParts).unique('id').required().label('the parts')
};
const version = Joi.number().integer().min(1).required().label('the version');

export const payloadDraft = Joi.object<PayloadDraft>(draftFields).required();

/** A save names the version it was made from. */
export const payloadSave = Joi.object<PayloadDraft & { version: number }>({ ...draftFields, version }).required();

/** A payload as the logbook keeps it. */
export const keptPayload = Joi.object<Payload>({
	...draftFields,
	version,
	id: id(),
	updatedAt: Joi.string().isoDate().required()
}).required();
