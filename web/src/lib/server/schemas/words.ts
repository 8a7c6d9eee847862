import Joi from 'joi';
import type { Limit } from '$lib/model/limits';
import { within } from './quantities';

const line = (label: string, longest: number) =>
	Joi.string()
		.trim()
		.max(longest)
		.pattern(/^\P{Cc}*$/u)
		.required()
		.label(label);
/** Words on one line, at least one. */
export const words = (label: string, longest = 120) => line(label, longest).min(1);
export const maybeWords = (label: string, longest = 300) => line(label, longest).allow('');
/** Over several lines. */
export const note = () =>
	Joi.string()
		.allow('')
		.max(2000)
		.pattern(/^[\P{Cc}\n\r\t]*$/u)
		.required()
		.label('the note');
export const flag = (label: string) => Joi.boolean().required().label(label);
export const one = <T extends string>(of: readonly T[], label: string) =>
	Joi.string()
		.valid(...of)
		.required()
		.label(label);
/** Two figures, the first truly less: a range of no width moves nothing. */
export const span = (limit: Limit, label: string) =>
	Joi.array()
		.items(within(limit, label))
		.length(2)
		.required()
		.custom((value: [number, number], { error }) => (value[0] < value[1] ? value : error('range.order')))
		.label(label);
