import { api } from '$lib/server/api';
import { readEdits } from '$lib/server/readEdits';
import type { RequestEvent } from './$types';

/** Who left a document how, the newest first: `/api/edits/payload/ID`, `/api/edits/bench/SUPPORT/PAYLOAD`. */
export const GET = api(({ locals, params }: RequestEvent) => readEdits(locals.crewId, params.document));
