import Joi from 'joi';
import type { Attitude } from '$lib/model/attitude';
import type { Payload, PayloadCorrection, PayloadDraft, Placement } from '$lib/model/payload';
import { counted, id, name, sigmas, vector, version, within } from './quantities';

const angle = (label: string) => within('turn', `${label} in radians`);

export const attitude = Joi.object<Attitude>({
	quarters: Joi.array().items(counted('quarters')).length(3).required().label('the quarter turns'),
	aboutUpRad: angle('the turn'),
	extended: within('partExtended', 'the share of the extension'),
	group: Joi.string().max(40).allow(null).required(),
	arm: Joi.object({
		lengthM: within('partArm', 'the arm’s length in metres'),
		aboutUpRad: angle('the arm’s turn'),
		riseRad: within('partArmRise', 'the arm’s rise'),
		massKg: within('partArmMass', 'the mass in kg')
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
