import { idOf, refuse } from '$lib/server/api';
import { findPicture } from '$lib/server/db/venues';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async (event) => {
	const { locals, params } = event;
	try {
		const { type, content } = await findPicture(locals.crewId, idOf(params.id), idOf(params.picture));
		// A picture never changes under its id.
		return new Response(Buffer.from(content), {
			headers: { 'content-type': type, 'cache-control': 'private, max-age=31536000, immutable' }
		});
	} catch (thrown) {
		return refuse(thrown, event);
	}
};
