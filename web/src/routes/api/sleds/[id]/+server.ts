import { sledStore } from '$lib/server/db/sleds';
import { itemRoutes } from '$lib/server/draftRoutes';
import { sledSave } from '$lib/server/schemas/sled';

export const { GET, PUT, DELETE } = itemRoutes(sledStore, sledSave);
