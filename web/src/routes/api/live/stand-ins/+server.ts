import { api } from '$lib/server/api';
import { standIns } from '$lib/server/live/standIns';

export const GET = api(() => standIns());
