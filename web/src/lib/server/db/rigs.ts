import type { RigGeometry } from '$lib/model/rig';
import { rigGeometry } from '../schemas/rig';
import { gearStore } from './gearStore';
import { rigs } from './schema';

export const rigStore = gearStore<RigGeometry>(rigs, 'rig', rigGeometry);
export const { list: listRigs, find: findRig, create: createRig, save: saveRig, remove: deleteRig } = rigStore;
