import { greatestPictureBytes } from '$lib/model/venue';
import { api, idOf, readBytes } from '$lib/server/api';
import { addPicture } from '$lib/server/db/venues';
import { recoded } from '$lib/server/recoded';
import type { RequestEvent } from './$types';

export const POST = api(async (event: RequestEvent) => {
	const bytes = await readBytes(event.request, greatestPictureBytes);
	const { type, content } = await recoded(bytes);
	return addPicture(event.locals.crewId, idOf(event.params.id), type, content);
});
