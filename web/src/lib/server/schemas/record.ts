import Joi from 'joi';
import type { BalanceRecord } from '$lib/model/balance';
import { benchState, positions } from './bench';
import { partShape } from './part';
import { keptPayload } from './payload';
import type { WantedCorrection } from '../db/balanceChanges';
import { massKg, vector } from './quantities';
import { rigGeometry } from './rig';

/** What a logged balance keeps beyond its line. */
export type BalanceDetail = Pick<
	BalanceRecord,
	'snapshot' | 'rig' | 'positionsM' | 'axes' | 'nudges' | 'weights' | 'alternativeIds' | 'found'
>;

/** The payload as it was, with the parts it was made of. */
export const keptSnapshot = Joi.object({
	payload: keptPayload,
	parts: Joi.array()
		.items(
			Joi.object({
				id: Joi.string().required(),
				name: Joi.string().required(),
				kind: Joi.string().required(),
				massKg: massKg(),
				shape: partShape
			})
		)
		.required()
}).required();

export const balanceDetail = Joi.object<BalanceDetail>({
	snapshot: keptSnapshot,
	rig: Joi.object({
		id: Joi.string().required(),
		version: Joi.number(),
		name: Joi.string().required(),
		leastPayloadKg: Joi.number().required(),
		greatestPayloadKg: Joi.number().required(),
		geometry: rigGeometry
	}).required(),
	positionsM: positions(),
	axes: Joi.array()
		.items(
			Joi.object({
				id: Joi.string().required(),
				offsetM: vector('x', 'y', 'z'),
				carriedKg: Joi.number().required(),
				residualTorqueNm: Joi.number().required(),
				motorShare: Joi.number().allow(null).required()
			})
		)
		.required(),
	nudges: benchState.extract('nudges'),
	weights: benchState.extract('weights'),
	alternativeIds: benchState.extract('alternativeIds'),
	found: Joi.array().items(Joi.string().max(40)).max(12)
}).required();

const line = /^[\P{Cc}\n\r\t]*$/u;

/** A correction of a line of the logbook; always with a reason. */
export const correction = Joi.object<WantedCorrection>({
	why: Joi.string().trim().min(1).max(500).pattern(line).required().label('the reason'),
	note: Joi.string().allow('').max(2000).pattern(line).label('the note'),
	positionsM: positions().optional(),
	struck: Joi.boolean().label('struck out')
})
	.or('note', 'positionsM', 'struck')
	.required();
