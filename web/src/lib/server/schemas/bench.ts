import Joi from 'joi';
import type { BenchState, Nudge } from '$lib/model/balance';
import type { Positions } from '$lib/model/rig';
import { furthestM, id } from './quantities';

const position = () => Joi.number().min(-furthestM).max(furthestM).required().label('the reading');

export const positions = () =>
	Joi.object<Positions>()
		.pattern(/^[a-zA-Z][a-zA-Z0-9]{0,39}$/, position())
		.max(12)
		.required();

const nudge = Joi.object<Nudge>({
	slideId: Joi.string().max(40).required(),
	fromM: position(),
	toM: position()
});

/** The roll of slips keeps the last two hundred moves; the page trims it before sending. */
export const benchState = Joi.object<BenchState>({
	positionsM: positions(),
	nudges: Joi.array().items(nudge).max(200).required()
}).required();

export interface NewBalance {
	/** Made by the page, so that sending twice after a lost answer logs once. */
	readonly id: string;
	readonly payloadId: string;
	readonly rigId: string;
	readonly payloadVersion: number;
	readonly positionsM: Positions;
	readonly nudges: readonly Nudge[];
	readonly note: string;
}

export const newBalance = Joi.object<NewBalance>({
	id: id(),
	payloadId: id(),
	rigId: id(),
	payloadVersion: Joi.number().integer().min(1).required(),
	positionsM: positions(),
	nudges: Joi.array().items(nudge).max(200).required(),
	note: Joi.string()
		.allow('')
		.max(2000)
		.pattern(/^[\P{Cc}\n\r\t]*$/u)
		.required()
		.label('the note')
}).required();
