import { api, idOf, readBody, validated } from '$lib/server/api';
import { feelPaper, type FeelPaperOf, findFeelPaper, saveFeelPaper } from '$lib/stations/feel/papers.server';
import { Refusal } from '$lib/server/refusal';
import { feelSave } from '$lib/stations/feel/schemas.server';
import { refuseForeignModes } from '$lib/stations/feel/modes.server';
import type { RequestEvent } from './$types';
import Joi from 'joi';

/** `/api/feel/sheet/SUPPORT`, `/api/feel/setting/SUPPORT/PAYLOAD`, `/api/feel/shots`. */
function paperOf(path: string) {
	const [called, support, payload, ...more] = path.split('/');
	const { kind, as } = feelPaper(called);
	const asked = [support, payload].filter((each) => each !== undefined).length;
	if (more.length > 0 || asked !== { shots: 0, sheet: 1, setting: 2 }[kind]) throw new Refusal('notFound');
	const of: FeelPaperOf = {
		kind,
		supportId: support === undefined ? null : idOf(support),
		payloadId: payload === undefined ? null : idOf(payload)
	};
	return { of, as };
}

export const GET = api(async ({ locals, params }: RequestEvent) => {
	const found = await findFeelPaper(locals.crewId, paperOf(params.paper).of);
	if (found === null) throw new Refusal('notFound', 'Nobody has written this yet.');
	return found;
});

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const { of, as } = paperOf(event.params.paper);
	const { version, content } = await readBody(event, feelSave(Joi.object().required()));
	const read = validated(content, as.schema);
	await refuseForeignModes(crewId, of, read);
	return saveFeelPaper(crewId, person.id, of, version, read);
});
