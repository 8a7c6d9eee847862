import Joi from 'joi';
import { standInLimits } from '$lib/model/liveHead';
import { api, readBody } from '$lib/server/api';
import { handleStandIn } from '$lib/server/live/standIns';
import { within } from '$lib/server/schemas/quantities';
import type { RequestEvent } from './$types';

const perhaps = (limit: keyof typeof standInLimits) => within(standInLimits[limit]).optional();
const handling = Joi.object({
	powered: Joi.boolean(),
	forget: Joi.boolean(),
	stuck: Joi.string().max(20).allow(null),
	driftPerS: perhaps('drift'),
	slowClock: perhaps('slowClock'),
	batteryPart: perhaps('battery'),
	link: Joi.object({
		delayMs: perhaps('lateMs'),
		jitterMs: perhaps('lateMs'),
		lossPart: perhaps('lossPart'),
		burst: perhaps('burst'),
		duplicatePart: perhaps('lossPart')
	})
}).required();

export const POST = api(async (event: RequestEvent) => handleStandIn(event.params.id, await readBody(event, handling)));
