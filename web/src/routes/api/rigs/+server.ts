import { rigStore } from '$lib/server/db/rigs';
import { collectionRoutes } from '$lib/server/draftRoutes';
import { rigDraft } from '$lib/server/schemas/rig';

export const { GET, POST } = collectionRoutes(rigStore, rigDraft);
