import { craneStore } from '$lib/server/db/cranes';
import { itemRoutes } from '$lib/server/draftRoutes';
import { craneSave } from '$lib/server/schemas/crane';

export const { GET, PUT, DELETE } = itemRoutes(craneStore, craneSave);
