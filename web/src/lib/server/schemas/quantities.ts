import Joi from 'joi';
import type { Vec3 } from '@poise/core';

/** No piece of gear in this trade is heavier, and no plate longer: past these a figure is a slip of the finger. */
export const heaviestPartKg = 60;
export const furthestM = 3;

/** Joi lets NaN through as "not a number" and Infinity as "infinity"; both end here, with the same plain words. */
const plainWords = {
	'number.base': '{{#label}} must be a number',
	'number.infinity': '{{#label}} must be a number',
	'number.unsafe': '{{#label}} is too large',
	'any.required': '{{#label}} is missing',
	'string.empty': '{{#label}} is missing',
	'array.includesRequiredKnowns': '{{#label}} is incomplete: {{#knownMisses}} missing',
	'object.unknown': '{{#label}} is not expected here'
};

export const words = <S extends Joi.Schema>(schema: S): S => schema.messages(plainWords) as S;

export const id = () => words(Joi.string().guid({ separator: '-' }).required()).messages({ 'string.guid': '{{#label}} must be an id' });

export const name = () =>
	words(
		Joi.string()
			.trim()
			.min(1)
			.max(120)
			// Control characters have no place in a name, and Postgres refuses the zero byte in any text.
			.pattern(/^\P{Cc}*$/u)
			.required()
			.label('the name')
	).messages({
		'string.pattern.base': 'the name must be on one line, without control characters',
		'string.trim': 'the name must not start or end with a space',
		'string.max': 'the name must be at most 120 characters',
		'string.base': 'the name must be text'
	});

export const massKg = () =>
	words(Joi.number().greater(0).max(heaviestPartKg).required().label('the mass')).messages({
		'number.greater': 'the mass must be more than 0',
		'number.max': `the mass must be at most ${heaviestPartKg} kg`
	});

/** A length that may go either way, within reach. */
export const offsetM = (label: string) =>
	words(Joi.number().min(-furthestM).max(furthestM).required().label(label)).messages({
		'number.min': `${label} must be within ${furthestM} m`,
		'number.max': `${label} must be within ${furthestM} m`
	});

export const lengthM = (label: string, least = 0) =>
	words(Joi.number().min(least).max(furthestM).required().label(label)).messages({
		'number.min': least > 0 ? `${label} must be at least ${least * 1000} mm` : `${label} must not be negative`,
		'number.max': `${label} must be at most ${furthestM} m`
	});

export const vector = (...labels: [string, string, string]) =>
	words(
		Joi.array<Vec3>()
			.ordered(...labels.map(offsetM))
			.length(3)
			.required()
	);
