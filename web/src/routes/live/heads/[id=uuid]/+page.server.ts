import { findLiveHead, listPoses } from '$lib/server/db/liveHeads';
import { drawnCameras } from '$lib/server/drawnCameras';
import { listVenues } from '$lib/server/db/venues';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const { crewId } = locals;
		const [head, poses, venues, cameras] = await Promise.all([
			findLiveHead(crewId, params.id),
			listPoses(crewId),
			listVenues(crewId),
			drawnCameras(crewId)
		]);
		return { head, poses: poses.filter(({ headId }) => headId === head.id), venues, cameras };
	});
