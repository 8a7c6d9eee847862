import { hasStandIns, standIns } from '$lib/server/live/standIns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ run: hasStandIns(), boxes: await standIns().catch(() => []) });
