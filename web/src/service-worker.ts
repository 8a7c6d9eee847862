/// <reference lib="webworker" />
import { version } from '$service-worker';

/**
 * Answers one thing only: a page that is asked for while the server is away. Everything else goes to the network as ever; what
 * is typed is kept by the pages themselves.
 */
const worker = self as unknown as ServiceWorkerGlobalScope;
const cacheName = `away ${version}`;
const page = '/away.html';

worker.addEventListener('install', (event) => {
	event.waitUntil(caches.open(cacheName).then((cache) => cache.addAll([page, '/away.css', '/away.js'])));
	void worker.skipWaiting();
});
worker.addEventListener('activate', (event) => {
	event.waitUntil(
		caches
			.keys()
			.then((names) => Promise.all(names.filter((name) => name !== cacheName).map((name) => caches.delete(name))))
			.then(() => worker.clients.claim())
	);
});
worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const path = new URL(request.url).pathname;
	if (request.mode === 'navigate')
		event.respondWith(
			fetch(request).catch(async () => (await caches.match(page)) ?? new Response('Poise is waiting for its server.'))
		);
	else if (path === '/away.css' || path === '/away.js')
		event.respondWith(fetch(request).catch(async () => (await caches.match(path)) ?? Response.error()));
});
