import { craneStore } from '$lib/server/db/cranes';
import { collectionRoutes } from '$lib/server/draftRoutes';
import { craneDraft } from '$lib/server/schemas/crane';

export const { GET, POST } = collectionRoutes(craneStore, craneDraft);
