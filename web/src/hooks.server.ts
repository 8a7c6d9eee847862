import type { Handle, HandleServerError, RequestEvent, ServerInit } from '@sveltejs/kit';
import { sequence } from '@sveltejs/kit/hooks';
import { building } from '$app/environment';
import { env } from '$env/dynamic/private';
import { refuse } from '$lib/server/api';
import { closeDatabase, migrateDatabase } from '$lib/server/db/client';
import { startWords } from '$lib/server/db/startWords';
import { loadScenarioOnce, makeEmptyCrewOnce } from '$lib/server/demo/loadScenario';
import { type Asked, KeptPages } from '$lib/server/kept/keptPages';
import { revisions } from '$lib/server/kept/revisions';
import { sessionOf } from '$lib/server/session';
import { allowed, type Verb } from '$lib/model/access';
import { startLive, stopLive } from '$lib/server/live/desk';
import { gateOf } from '$lib/server/gate';
import { asRefusal, Refusal } from '$lib/server/refusal';
import { sayTrouble } from '$lib/server/trouble';
import { securityHeaders } from '../headers.mjs';
import { queriesSoFar, remembering } from '$lib/server/requestMemory';
import { gathering } from '$lib/server/unreadable';
import { needsStyle, withoutIdleStyles } from '$lib/server/sheetStyles';

/** The database may come up a moment after the application; this long is waited for it. */
const patienceMs = 15_000;

const pages = new KeptPages();

export const init: ServerInit = async () => {
	if (building) return;
	// The adapter says when the last request is answered; an open pool would keep the process alive for ever.
	process.once(
		'sveltekit:shutdown',
		() =>
			void stopLive()
				.finally(() => revisions.stop())
				.finally(closeDatabase)
	);
	const giveUpAt = Date.now() + patienceMs;
	for (;;) {
		try {
			await migrateDatabase();
			if (env.POISE_SCENARIO === 'empty') await makeEmptyCrewOnce();
			else if (env.POISE_SCENARIO !== 'none') await loadScenarioOnce();
			await startLive((crewId) => revisions.raise(crewId));
			revisions.listenTo(env.DATABASE_URL ?? '');
			return;
		} catch (thrown) {
			const words = startWords(env.DATABASE_URL ?? '', thrown);
			if (words === null) throw thrown;
			// Only one that may yet come up is waited for.
			if (asRefusal(thrown).code !== 'databaseAway' || Date.now() > giveUpAt || !isAddress(env.DATABASE_URL)) {
				console.error(words);
				process.exit(1);
			}
			await new Promise((resolve) => setTimeout(resolve, 300));
		}
	}
};

const isSave = ({ method }: Request): boolean => !['GET', 'HEAD', 'OPTIONS'].includes(method);
const isApi = ({ pathname }: URL): boolean => pathname.startsWith('/api/');
/** What only says that the application is alive asks nobody who it is, and waits for nothing. */
const isHealth = ({ pathname }: URL): boolean => pathname === '/health';

/** The outermost: whatever is thrown further in goes out in words, and everything with its headers. */
const answer: Handle = async ({ event, resolve }) => {
	let response: Response;
	try {
		refuseOddAddress(event.url);
		refuseOtherOrigins(event.request);
		response = await resolve(event);
	} catch (thrown) {
		const isPage = event.request.method === 'GET' && !isApi(event.url) && !event.isDataRequest;
		response = isPage ? await plainPage(thrown) : refuse(thrown, event);
		if (asRefusal(thrown).code === 'busy') response.headers.set('retry-after', '2');
	}
	for (const [name, value] of securityHeaders) response.headers.set(name, value);
	return response;
};

/** Whose data a request sees. */
const identify: Handle = async ({ event, resolve }) => {
	if (isHealth(event.url)) return resolve(event);
	const session = await sessionOf({ cookie: event.request.headers.get('cookie') });
	if (session === null) throw new Refusal('databaseAway', 'No crew is set up yet, or nobody is in it.');
	const { crew, person, people, role } = session;
	Object.assign(event.locals, { crewId: crew.id, crewName: crew.name, person, people, role });
	return resolve(event);
};

const verbOf = ({ request, url }: RequestEvent): Verb =>
	!isSave(request) ? 'see' : url.pathname === '/api/me' ? 'beOneself' : 'set';
/** What a role may not, no route is asked for. */
const guard: Handle = async ({ event, resolve }) => {
	if (!isHealth(event.url) && !allowed(event.locals.role, verbOf(event))) throw new Refusal('notAllowed');
	return resolve(event);
};

/** A page that was made already is given again; what is saved is on the next page of whoever saved it. */
const keep: Handle = async ({ event, resolve }) => {
	const { request, locals, url } = event;
	if (isHealth(url)) return resolve(event);
	if (isSave(request)) {
		try {
			return await resolve(event);
		} finally {
			revisions.raise(locals.crewId);
		}
	}
	if (request.method !== 'GET' || isApi(url)) return resolve(event);
	const { pathname, search } = new URL(request.url);
	const asked: Asked = {
		...{ revision: revisions.of(locals.crewId), crewId: locals.crewId, personId: locals.person.id },
		...{ host: request.headers.get('host') ?? '', path: pathname + search, isData: event.isDataRequest },
		...{ isGzip: takesGzip(request), known: request.headers.get('if-none-match') }
	};
	return pages.of(asked, async () => resolve(event));
};

/** With all of them waiting a page is there within ten seconds; more are told to come again. */
const gate = gateOf({ atOnce: 12, waiting: 250 });
/** Makes what is asked for, in its turn. */
const page: Handle = async (request) => {
	const { event } = request;
	if (isHealth(event.url)) return request.resolve(event);
	const made = () => gathering(async () => written(request));
	return gate(() => (isSave(event.request) ? made() : remembering(made)), isSave(event.request));
};
const written: Handle = async ({ event, resolve }) => {
	event.locals.shown = [];
	const response = await resolve(event, {
		transformPageChunk: ({ html }) =>
			withoutIdleStyles(html.replace('%poise.theme%', event.locals.person.theme), event.locals.shown),
		// The two faces every page begins with; without them its lines shift when they arrive.
		preload: ({ type, path }) =>
			type === 'js' ||
			(type === 'css' && needsStyle(path, event.locals.shown)) ||
			(type === 'font' && /-latin-[47]00-normal.*\.woff2$/.test(path))
	});
	if (event.request.method === 'GET') response.headers.append('server-timing', `queries;desc="${queriesSoFar()}"`);
	const isJson = response.headers.get('content-type')?.includes('json') ?? false;
	if (isApi(event.url) && response.status >= 400 && (!isJson || (response.status === 404 && event.route.id === null)))
		return refuse(new Refusal(response.status === 405 ? 'wrongMethod' : 'notFound'), event);
	return compressed(response, event.request);
};

export const handle = sequence(answer, identify, guard, keep, page);

/** Words go out compressed to whoever takes them so; what is compressed already, or small, goes as it is. */
function compressed(response: Response, request: Request): Response {
	const type = response.headers.get('content-type') ?? '';
	const length = Number(response.headers.get('content-length') ?? Infinity);
	if (response.body === null || response.headers.has('content-encoding') || length < 1024) return response;
	if (!/^(text\/|application\/json)/.test(type)) return response;
	response.headers.append('vary', 'accept-encoding');
	if (!takesGzip(request)) return response;
	const headers = new Headers(response.headers);
	headers.set('content-encoding', 'gzip');
	headers.delete('content-length');
	const { status, statusText } = response;
	return new Response(response.body.pipeThrough(new CompressionStream('gzip')), { status, statusText, headers });
}

const takesGzip = (request: Request): boolean => /\bgzip\b/.test(request.headers.get('accept-encoding') ?? '');
const isAddress = (text: string | undefined): boolean => /^postgres(ql)?:\/\//.test(text ?? '');

/** A browser says where a write comes from; a write from another site is refused. Tools without a browser say nothing. */
function refuseOtherOrigins(request: Request): void {
	if (!isSave(request)) return;
	const origin = request.headers.get('origin');
	const site = request.headers.get('sec-fetch-site');
	if (site !== null && site !== 'same-origin' && site !== 'none') throw new Refusal('otherOrigin');
	if (origin !== null && hostOf(origin) !== request.headers.get('host')) throw new Refusal('otherOrigin');
}

/** What the database cannot be asked for, no page and no list is asked for. */
function refuseOddAddress({ pathname, searchParams }: URL): void {
	const texts = [pathname, ...[...searchParams].flat()];
	if (/%00/.test(pathname) || texts.some((text) => text.includes('\0') || !text.isWellFormed()))
		throw new Refusal('badAddress');
}

function hostOf(origin: string): string | null {
	try {
		return new URL(origin).host;
	} catch {
		return null;
	}
}

/** When not even the frame of a page can be made, a page that says so and tries again by itself. */
async function plainPage(thrown: unknown): Promise<Response> {
	const refusal = asRefusal(thrown);
	if (refusal.status >= 500 && refusal.code !== 'busy') sayTrouble('page', thrown);
	const waits = refusal.status >= 500;
	const title = waits ? 'Poise is waiting' : 'Nothing is there';
	const then = waits
		? 'What you typed is kept in this browser. This page tries again every five seconds.'
		: '<a href="/">To the front page</a>';
	const html = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">${waits ? '<meta http-equiv="refresh" content="5">' : ''}<title>${title}</title><style>body{font:18px/1.4 system-ui,sans-serif;background:#12140f;color:#e2dfd0;display:grid;place-items:center;min-height:90vh;margin:0}main{max-width:32rem;padding:1.5rem}h1{font-weight:400}a{color:#c6d64a}</style><main><h1>${title}</h1><p>${refusal.message}</p><p>${then}</p></main></html>`;
	return new Response(html, {
		status: refusal.status,
		headers: {
			'content-type': 'text/html; charset=utf-8',
			'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'"
		}
	});
}

export const handleError: HandleServerError = ({ error, event, status, message }) => {
	const refusal = asRefusal(error);
	if (status >= 500 && refusal.status >= 500)
		sayTrouble(`${event.request.method} ${event.route.id ?? 'no route'}`, error);
	return { message: status === 404 ? message : refusal.message, code: refusal.code };
};
