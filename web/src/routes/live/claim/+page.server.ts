import { hasStandIns } from '$lib/server/live/standIns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = () => ({ standIns: hasStandIns() });
