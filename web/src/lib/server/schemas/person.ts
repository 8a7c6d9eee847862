import Joi from 'joi';
import { type Person, themes, unitSystems } from '$lib/model/person';
import { id } from './quantities';

export type PersonChange = Partial<{
	-readonly [field in 'units' | 'theme' | 'payloadId' | 'rigId']: NonNullable<Person[field]>;
}>;

/** What a person may change about themselves; at least one of them. */
export const personChange = Joi.object<PersonChange>({
	units: Joi.string()
		.valid(...unitSystems)
		.label('units'),
	theme: Joi.string()
		.valid(...themes)
		.label('theme'),
	payloadId: id().optional().label('the payload'),
	rigId: id().optional().label('the rig')
})
	.min(1)
	.required();

/** Who is working now. */
export const personChoice = Joi.object<{ personId: string }>({ personId: id().label('the person') }).required();
