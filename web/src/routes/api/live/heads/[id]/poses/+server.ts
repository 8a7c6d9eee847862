import { api, idOf, readBody } from '$lib/server/api';
import { createPose } from '$lib/server/db/liveHeads';
import { poseNew } from '$lib/server/schemas/live';
import type { RequestEvent } from './$types';

export const POST = api(async (event: RequestEvent) =>
	createPose(event.locals.crewId, idOf(event.params.id), await readBody(event, poseNew))
);
