import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { building } from '$app/environment';
import { env } from '$env/dynamic/private';
import { refuse } from '$lib/server/api';
import { closeDatabase, migrateDatabase } from '$lib/server/db/client';
import { startWords } from '$lib/server/db/startWords';
import { findCrewWithPeople } from '$lib/server/db/people';
import { loadScenarioOnce, makeEmptyCrewOnce } from '$lib/server/demo/loadScenario';
import { type ChangeEar, listenToChanges } from '$lib/server/db/changes';
import { KeptAnswers } from '$lib/server/kept/keptAnswers';
import { KeptPages } from '$lib/server/kept/keptPages';
import { startLive, stopLive } from '$lib/server/live/desk';
import { gateOf } from '$lib/server/gate';
import { asRefusal, Refusal } from '$lib/server/refusal';
import { sayTrouble } from '$lib/server/trouble';
import { securityHeaders } from '../headers.mjs';
import { remembering } from '$lib/server/requestMemory';
import { gathering } from '$lib/server/unreadable';
import { needsStyle, withoutIdleStyles } from '$lib/server/sheetStyles';

/** The database may come up a moment after the application; this long is waited for it. */
const patienceMs = 15_000;

let ear: ChangeEar | null = null;
const pages = new KeptPages(() => ear);
const crews = new KeptAnswers<NonNullable<Awaited<ReturnType<typeof findCrewWithPeople>>>>(() => ear, {
	...{ weigh: () => 10_000, mostBytes: 1_000_000, longestMs: 10 * 60_000 }
});

export const init: ServerInit = async () => {
	if (building) return;
	// The adapter says when the last request is answered; an open pool would keep the process alive for ever.
	process.once(
		'sveltekit:shutdown',
		() =>
			void stopLive()
				.finally(() => ear?.stop())
				.finally(closeDatabase)
	);
	const giveUpAt = Date.now() + patienceMs;
	for (;;) {
		try {
			await migrateDatabase();
			if (env.POISE_SCENARIO === 'empty') await makeEmptyCrewOnce();
			else if (env.POISE_SCENARIO !== 'none') await loadScenarioOnce();
			await startLive();
			ear = listenToChanges(env.DATABASE_URL ?? '', {
				written: (row) => {
					pages.written(row);
					crews.written(row);
				},
				deaf: () => {
					pages.forgetAll();
					crews.forgetAll();
				}
			});
			pages.openTo(globalThis as unknown as Record<symbol, unknown>);
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

export const handle: Handle = async (request) => {
	const { url, request: asked } = request.event;
	if (asked.method !== 'GET' && asked.method !== 'HEAD') {
		const response = await gathering(() => inTurn(request));
		// Whoever hears that it is saved finds it on the next page.
		await ear?.caughtUp();
		return response;
	}
	const make = async () => gathering(() => remembering(() => inTurn(request)));
	if (asked.method === 'HEAD' || url.pathname === '/health' || url.pathname.startsWith('/api/')) return make();
	return pages.of(request.event, make);
};

/** With all of them waiting a page is there within ten seconds; more are told to come again. */
const gate = gateOf({ atOnce: 12, waiting: 250 });
/** What only says that the application is alive does not wait. */
const inTurn: Handle = async (request) => {
	const { event } = request;
	if (event.url.pathname === '/health') return answer(request);
	try {
		return await gate(async () => answer(request), !['GET', 'HEAD'].includes(event.request.method));
	} catch (thrown) {
		const isPage = event.request.method === 'GET' && !event.url.pathname.startsWith('/api/') && !event.isDataRequest;
		const response = isPage ? await plainPage(thrown) : refuse(thrown, event);
		if (asRefusal(thrown).code === 'busy') response.headers.set('retry-after', '2');
		return response;
	}
};

const answer: Handle = async ({ event, resolve }) => {
	const { pathname } = event.url;
	const isApi = pathname.startsWith('/api/');
	event.locals.shown = [];
	let response: Response;
	try {
		refuseOddAddress(event.url);
		refuseOtherOrigins(event.request);
		if (pathname !== '/health') await identify(event);
		response = await resolve(event, {
			transformPageChunk: ({ html }) =>
				withoutIdleStyles(html.replace('%poise.theme%', event.locals.person?.theme ?? 'day'), event.locals.shown),
			// The two faces every page begins with; without them its lines shift when they arrive.
			preload: ({ type, path }) =>
				type === 'js' ||
				(type === 'css' && needsStyle(path, event.locals.shown)) ||
				(type === 'font' && /-latin-[47]00-normal.*\.woff2$/.test(path))
		});
		if (isApi && response.status >= 400 && !response.headers.get('content-type')?.includes('json'))
			response = refuse(new Refusal(response.status === 405 ? 'wrongMethod' : 'notFound'), event);
		else if (isApi && response.status === 404 && event.route.id === null)
			response = refuse(new Refusal('notFound'), event);
	} catch (thrown) {
		if (isApi || event.request.method !== 'GET') response = refuse(thrown, event);
		else response = await plainPage(thrown);
	}
	for (const [name, value] of securityHeaders) response.headers.set(name, value);
	return compressed(response, event.request);
};

/** Words go out compressed to whoever takes them so; what is compressed already, or small, goes as it is. */
function compressed(response: Response, request: Request): Response {
	const type = response.headers.get('content-type') ?? '';
	const length = Number(response.headers.get('content-length') ?? Infinity);
	if (response.body === null || response.headers.has('content-encoding') || length < 1024) return response;
	if (!/^(text\/|application\/json)/.test(type)) return response;
	response.headers.append('vary', 'accept-encoding');
	if (!/\bgzip\b/.test(request.headers.get('accept-encoding') ?? '')) return response;
	const headers = new Headers(response.headers);
	headers.set('content-encoding', 'gzip');
	headers.delete('content-length');
	const { status, statusText } = response;
	return new Response(response.body.pipeThrough(new CompressionStream('gzip')), { status, statusText, headers });
}

const isAddress = (text: string | undefined): boolean => /^postgres(ql)?:\/\//.test(text ?? '');

/** The one place that decides whose data a request sees. One crew for now; sign-in replaces this function. */
async function identify(event: Parameters<Handle>[0]['event']): Promise<void> {
	const { crew, people } = (
		await crews.of('', async () => {
			const found = await findCrewWithPeople();
			if (found === null) throw new Refusal('databaseAway', 'No crew is set up yet.');
			return found;
		})
	).answer;
	const chosen = event.cookies.get('person');
	const person = people.find(({ id }) => id === chosen) ?? people[0];
	if (person === undefined) throw new Refusal('databaseAway', 'Nobody is in this crew yet.');
	Object.assign(event.locals, { crewId: crew.id, crewName: crew.name, person });
}

/** A browser says where a write comes from; a write from another site is refused. Tools without a browser say nothing. */
function refuseOtherOrigins(request: Request): void {
	if (['GET', 'HEAD', 'OPTIONS'].includes(request.method)) return;
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
