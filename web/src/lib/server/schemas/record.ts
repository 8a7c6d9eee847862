import Joi from 'joi';
import { keyPattern } from '$lib/model/limits';
import { partShape } from './part';
import { keptPayload } from './payload';
import { id, massKg, version, within } from './quantities';

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

const line = /^[\P{Cc}\n\r\t]*$/u;

/** What a corrected line said before. */
export const stoodBefore = Joi.object({
	note: Joi.string().allow('').max(2000),
	positionsM: Joi.object().pattern(keyPattern, within('onPlate')).max(12)
}).required();

/** What somebody wants changed about a line of the logbook, and why. */
export interface WantedCorrection {
	readonly why: string;
	readonly note?: string;
	/** Of a gimbal: what the scales really read. */
	readonly positionsM?: Readonly<Record<string, number>>;
	readonly struck?: boolean;
}

/** A correction of a line of the logbook; always with a reason. */
export const correction = Joi.object<WantedCorrection>({
	why: Joi.string().trim().min(1).max(500).pattern(line).required().label('the reason'),
	note: Joi.string().allow('').max(2000).pattern(line).label('the note'),
	positionsM: Joi.object().pattern(keyPattern, within('onPlate').label('the reading')).max(12),
	struck: Joi.boolean().label('struck out')
})
	.or('note', 'positionsM', 'struck')
	.required();

/** A balance of any kind to be logged; its state is read as the kind of the support says. */
export interface NewBalance {
	/** Made by the page, so that sending twice after a lost answer logs once. */
	readonly id: string;
	readonly payloadId: string;
	readonly supportId: string;
	readonly payloadVersion: number;
	readonly state: object;
	readonly note: string;
}

export const newBalance = Joi.object<NewBalance>({
	id: id(),
	payloadId: id(),
	supportId: id(),
	payloadVersion: version(),
	state: Joi.object().unknown().required(),
	note: Joi.string().allow('').max(2000).pattern(line).required().label('the note')
}).required();

/** Something to note about a support: its own schema reads the rest. */
export const noted = Joi.object<{ readonly id?: string }>({ id: id().optional() }).unknown().required();
