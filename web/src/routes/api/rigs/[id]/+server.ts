import { rigStore } from '$lib/server/db/rigs';
import { itemRoutes } from '$lib/server/draftRoutes';
import { rigSave } from '$lib/server/schemas/rig';

export const { GET, PUT, DELETE } = itemRoutes(rigStore, rigSave);
