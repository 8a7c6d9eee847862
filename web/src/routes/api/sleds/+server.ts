import { sledStore } from '$lib/server/db/sleds';
import { collectionRoutes } from '$lib/server/draftRoutes';
import { sledDraft } from '$lib/server/schemas/sled';

export const { GET, POST } = collectionRoutes(sledStore, sledDraft);
