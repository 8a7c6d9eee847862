import Joi from 'joi';
import { type Person, type Thumb, themes, unitSystems } from '$lib/model/person';
import { id, within } from './quantities';

export type PersonChange = Partial<{
	-readonly [field in 'units' | 'theme' | 'payloadId' | 'supportId' | 'thumb']: NonNullable<Person[field]>;
}>;

export const thumbRule = Joi.object<Thumb>({
	lagS: within('thumbLag', 'the thumb’s lag in seconds'),
	spreadS: within('thumbSpread', 'the thumb’s spread in seconds')
});

/** What a person may change about themselves; at least one of them. */
export const personChange = Joi.object<PersonChange>({
	units: Joi.string()
		.valid(...unitSystems)
		.label('units'),
	theme: Joi.string()
		.valid(...themes)
		.label('theme'),
	payloadId: id().optional().label('the payload'),
	supportId: id().optional().label('the support'),
	thumb: thumbRule
})
	.min(1)
	.required();

/** Who is working now. */
export const personChoice = Joi.object<{ personId: string }>({ personId: id().label('the person') }).required();
