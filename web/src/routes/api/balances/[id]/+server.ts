import { api, idOf } from '$lib/server/api';
import { findBalance } from '$lib/server/db/balances';
import type { RequestEvent } from './$types';

export const GET = api((event: RequestEvent) => findBalance(event.locals.crewId, idOf(event.params.id)));
