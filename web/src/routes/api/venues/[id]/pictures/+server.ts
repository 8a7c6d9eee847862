import { greatestPictureBytes } from '$lib/model/venue';
import { api, idOf, readBytes } from '$lib/server/api';
import { addPicture } from '$lib/server/db/venues';
import { pictureTypeOf } from '$lib/server/pictureType';
import { Refusal } from '$lib/server/refusal';
import type { RequestEvent } from './$types';

export const POST = api(async (event: RequestEvent) => {
	const bytes = await readBytes(event.request, greatestPictureBytes);
	const type = pictureTypeOf(bytes);
	if (type === null) throw new Refusal('wrongType', 'That is not a picture. Send a PNG, JPEG or WebP.');
	return addPicture(event.locals.crewId, idOf(event.params.id), type, bytes);
});
