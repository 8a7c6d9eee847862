import { standIns } from '$lib/server/live/standIns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ boxes: await standIns().catch(() => []) });
