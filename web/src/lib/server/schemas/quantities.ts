import type { Vec3 } from '@poise/core';
import Joi from 'joi';
import { keyPattern, type Limit, type LimitName, limits, unitSlack } from '$lib/model/limits';

/** A number within a limit: of the one table by its name, or of a kind's own. */
export function within(limit: LimitName | Limit, label?: string): Joi.NumberSchema {
	const { least, most, above }: Limit = typeof limit === 'string' ? limits[limit] : limit;
	const number = Joi.number().max(most).required();
	const both = above === true ? number.greater(least) : number.min(least);
	return label === undefined ? both : both.label(label);
}
/** A whole number of them. */
export const counted = (limit: LimitName | Limit, label?: string): Joi.NumberSchema => within(limit, label).integer();
/** What was reckoned from what is stored beside it. */
export const reckoned = (): Joi.NumberSchema => within('reckoned');
/** Two of them, the least first. */
export const ends = (limit: LimitName | Limit, label: string) =>
	Joi.array()
		.items(within(limit, label))
		.length(2)
		.required()
		.custom((value: [number, number], { error }) => (value[0] <= value[1] ? value : error('range.order')));

/**
 * Every message a person can be shown, in plain words. They are given once, at the door, and not to each schema: a schema
 * with messages of its own is checked many times slower, and a gimbal is hundreds of numbers.
 */
export const plainWords: Readonly<Record<string, string>> = {
	'any.required': '{{#label}} is missing',
	'any.only': '{{#label}} must be one of the list',
	'any.unknown': '{{#label}} is not expected here',
	// JSON has no NaN and no infinity; they arrive as null or as text and end here.
	'number.base': '{{#label}} must be a number',
	'number.infinity': '{{#label}} must be a number',
	'number.unsafe': '{{#label}} is too large',
	'number.less': '{{#label}} must be less than {{#limit}}',
	'number.greater': '{{#label}} must be more than {{#limit}}',
	'boolean.base': '{{#label}} must be yes or no',
	'array.min': '{{#label}} must hold at least {{#limit}}',
	'array.length': '{{#label}} must hold {{#limit}}',
	'number.positive': '{{#label}} must be more than 0',
	'number.integer': '{{#label}} must be a whole number',
	'number.min': '{{#label}} must be at least {{#limit}}',
	'number.max': '{{#label}} must be at most {{#limit}}',
	'string.base': '{{#label}} must be text',
	'string.empty': '{{#label}} is missing',
	'string.isoDate': '{{#label}} must be a date and a time',
	'string.guid': '{{#label}} must be an id',
	'string.trim': '{{#label}} must not start or end with a space',
	'string.max': '{{#label}} must be at most {{#limit}} characters',
	'string.pattern.base': '{{#label}} must not hold control characters',
	'array.base': '{{#label}} must be a list',
	'array.max': '{{#label}} must be at most {{#limit}}',
	'array.unique': '{{#label}} is there twice',
	'array.includesRequiredKnowns': '{{#label}} is incomplete: {{#knownMisses}} missing',
	'object.base': '{{#label}} must be an object',
	'object.missing': 'something must be changed',
	'object.min': '{{#label}} must change something',
	'object.max': '{{#label}} must hold at most {{#limit}}',
	'object.unknown': '{{#label}} is not expected here',
	'rig.reference': '{{#label}} names something that is not there',
	'any.ref': '{{#label}} cannot be compared',
	'unit.length': '{{#label}} must be a direction of length 1',
	'range.order': '{{#label}} must not have its least above its greatest'
};

export const id = () => Joi.string().guid({ separator: '-' }).required();

export const name = () =>
	Joi.string()
		.trim()
		.min(1)
		.max(120)
		// Postgres refuses the zero byte in any text, and a name stands on one line.
		.pattern(/^\P{Cc}*$/u)
		.required()
		.label('the name');

export const massKg = () => within('partMass').label('the mass in kg');

/** A length that may go either way, within reach. */
export const offsetM = (label: string) => within('onPlate').label(`${label}, in metres,`);

export const lengthM = (label: string, least = 0) => within('length').min(least).label(`${label} in metres`);

export const vector = (...labels: [string, string, string]) =>
	Joi.array<Vec3>()
		.ordered(...labels.map(offsetM))
		.length(3)
		.required();

/** Which way something goes: a vector of length 1. */
export const direction = () =>
	vector('x', 'y', 'z')
		.custom((value: Vec3, { error }) =>
			Math.abs(Math.hypot(...value) - 1) <= unitSlack ? value : error('unit.length')
		)
		.label('the direction');

/** One standard deviation along each axis: nobody measures a centre to less than a hundredth of a millimetre. */
export const sigmas = () => Joi.array<Vec3>().items(within('sigma')).length(3).label('the uncertainty in metres');

/** A fixed word in code, such as a slide's. */
export const key = () => Joi.string().pattern(keyPattern).required();

/** Which save something was made from; the column that counts them is a 32-bit integer. */
export const version = () => counted('version', 'the version');
