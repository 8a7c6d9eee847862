import Joi from 'joi';
import { type LensAt, lensAtLimit } from '$lib/model/lensAt';
import { within } from './quantities';
import { one } from './words';

/** Where a lens is from where its head's axes cross; none or null: nobody has measured it. */
export const lensAt = Joi.object<LensAt>({
	atM: Joi.array()
		.ordered(
			within(lensAtLimit, 'how far the lens is ahead'),
			within(lensAtLimit, 'how far the lens is to the left'),
			within(lensAtLimit, 'how far the lens is up')
		)
		.length(3)
		.required(),
	from: one(['measured', 'drawing'] as const, 'how it is known where the lens is')
}).allow(null);
