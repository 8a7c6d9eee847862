import { crossingSides, outlineAreaM2 } from '@poise/core';
import Joi from 'joi';
import { within } from '$lib/server/schemas/quantities';
import { craneLimits } from './limits';

const foot = Joi.array().items(within(craneLimits.foot, 'the foot in metres')).length(2);

/** Feet in order, round some area, without crossing: the core says the same when it is asked. */
export const feet = Joi.array()
	.items(foot)
	.min(3)
	.max(12)
	.required()
	.label('the feet')
	.custom((value: [number, number][], { error }) => {
		if (outlineAreaM2(value) <= 5e-7) return error('feet.order');
		return crossingSides(value) === null ? value : error('feet.cross');
	})
	.messages({
		'feet.order': 'the feet must go counter-clockwise round the base, seen from above',
		'feet.cross': 'the sides of the base cross each other'
	});
