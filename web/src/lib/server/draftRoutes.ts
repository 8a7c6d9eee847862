import type { RequestEvent } from '@sveltejs/kit';
import type Joi from 'joi';
import { api, idOf, readBody } from './api';
import type { DraftStore } from './db/draftStore';

/** All of one kind: read them, make another. */
export const collectionRoutes = <Draft>(store: DraftStore<Draft>, draft: Joi.Schema<Draft>) => ({
	GET: api(({ locals }) => store.list(locals.crewId)),
	POST: api(async (event) => store.create(event.locals.crewId, await readBody(event, draft)))
});

/** One of them: read it, save it over a version, take it away. */
export const itemRoutes = <Draft>(store: DraftStore<Draft>, save: Joi.Schema<Draft & { version: number }>) => ({
	GET: api((event: RequestEvent) => store.find(event.locals.crewId, idOf(event.params.id))),
	PUT: api(async (event: RequestEvent) => {
		const { version, ...draft } = await readBody(event, save);
		return store.save(event.locals.crewId, idOf(event.params.id), version, draft as unknown as Draft);
	}),
	DELETE: api((event: RequestEvent) => store.remove(event.locals.crewId, idOf(event.params.id)))
});
