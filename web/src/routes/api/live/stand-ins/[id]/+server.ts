import Joi from 'joi';
import { api, readBody } from '$lib/server/api';
import { handleStandIn } from '$lib/server/live/standIns';
import type { RequestEvent } from './$types';

const handling = Joi.object({
	powered: Joi.boolean(),
	forget: Joi.boolean(),
	stuck: Joi.string().max(20).allow(null),
	driftPerS: Joi.number().min(-1).max(1),
	slowClock: Joi.number().min(-0.1).max(0.1),
	batteryPart: Joi.number().min(0).max(1),
	link: Joi.object({
		delayMs: Joi.number().min(0).max(2000),
		jitterMs: Joi.number().min(0).max(2000),
		lossPart: Joi.number().min(0).max(1),
		burst: Joi.number().min(1).max(100),
		duplicatePart: Joi.number().min(0).max(1)
	})
}).required();

export const POST = api(async (event: RequestEvent) => handleStandIn(event.params.id, await readBody(event, handling)));
