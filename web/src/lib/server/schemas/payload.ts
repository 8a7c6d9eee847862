import Joi from 'joi';
import type { Attitude } from '$lib/model/attitude';
import type { Payload, PayloadCorrection, PayloadDraft, Placement } from '$lib/model/payload';
import { id, massKg, name, sigmas, vector, version } from './quantities';

const angle = (label: string) => Joi.number().min(-6.3).max(6.3).required().label(`${label} in radians`);

export const attitude = Joi.object<Attitude>({
	quarters: Joi.array().items(Joi.number().integer().min(-3).max(3)).length(3).required().label('the quarter turns'),
	aboutUpRad: angle('the turn'),
	extended: Joi.number().min(0).max(1).required().label('the share of the extension'),
	group: Joi.string().max(40).allow(null).required(),
	arm: Joi.object({
		lengthM: Joi.number().greater(0).max(2).required().label('the arm’s length in metres'),
		aboutUpRad: angle('the arm’s turn'),
		riseRad: Joi.number().min(-1.5708).max(1.5708).required().label('the arm’s rise'),
		massKg: massKg().min(0).allow(0)
	})
		.allow(null)
		.required()
});

const placement = Joi.object<Placement>({
	id: id().label('the place'),
	partId: id().label('the part'),
	positionM: vector('forward', 'left', 'up'),
	attitude
});

export const correction = Joi.object<PayloadCorrection>({
	shiftM: vector('forward', 'left', 'up'),
	sigmaM: sigmas().required(),
	from: Joi.string().max(200).required()
}).allow(null);

/** More than a hundred parts on one plate is a loop gone wrong, not a build. */
const mostParts = 100;

const draftFields = {
	name: name(),
	platePartId: id().label('the plate'),
	placements: Joi.array().items(placement).max(mostParts).unique('id').required().label('the parts'),
	correction
};

/** A new build, perhaps as a variant of another. */
export const payloadDraft = Joi.object<PayloadDraft & { variantOf?: string }>({
	...draftFields,
	variantOf: id().optional()
}).required();

/** A save names the version it was made from. */
export const payloadSave = Joi.object<PayloadDraft & { version: number }>({
	...draftFields,
	version: version()
}).required();

/** A payload as the logbook keeps it. */
export const keptPayload = Joi.object<Payload>({
	...draftFields,
	version: version(),
	id: id(),
	familyId: Joi.string().allow(null),
	updatedAt: Joi.string().isoDate().required()
}).required();
