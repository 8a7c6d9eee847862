import Joi from 'joi';
import { type Person, themes, unitSystems } from '$lib/model/person';
import { id, words } from './quantities';

/** What a person may change about themselves; at least one of them. */
export const personChange = words(
	Joi.object<Partial<Pick<Person, 'units' | 'theme'>>>({
		units: Joi.string()
			.valid(...unitSystems)
			.label('units'),
		theme: Joi.string()
			.valid(...themes)
			.label('theme')
	})
		.min(1)
		.required()
);

/** Who is working now. */
export const personChoice = words(Joi.object<{ personId: string }>({ personId: id().label('the person') }).required());
