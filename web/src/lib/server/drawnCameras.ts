import { type DrawnCamera, drawnCamera } from '$lib/model/drawnCamera';
import { listParts } from './db/parts';
import { listPayloads } from './db/payloads';
import { hasItsParts } from './unreadable';

/** The crew's payloads as a head carries them. A build that cannot be worked out is none to choose. */
export async function drawnCameras(crewId: string): Promise<DrawnCamera[]> {
	const [parts, payloads] = await Promise.all([listParts(crewId), listPayloads(crewId)]);
	const byId = new Map(parts.map((part) => [part.id, part]));
	return payloads.flatMap((payload) => {
		const camera = hasItsParts(payload, parts) ? drawnCamera(payload, byId) : null;
		return camera === null ? [] : [camera];
	});
}
