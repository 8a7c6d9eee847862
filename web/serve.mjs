/**
 * The built application with the sockets of its live pages on the same port. It answers under its own names alone, and its files carry the
 * same headers as its pages.
 */
import { server } from './build/index.js';
import { securityHeaders } from './headers.mjs';
import { hostNames, isHost } from './hosts.mjs';
import { isSocketPath } from './socketPath.mjs';

const shared = /** @type {any} */ (globalThis);
const http = server.server;
shared[Symbol.for('poise.httpServer')] = http;
shared[Symbol.for('poise.attach')]?.(http);

// Whoever started it is gone, without a word: it ends as if it had been told to.
if (process.channel !== undefined) {
	process.once('disconnect', () => process.kill(process.pid, 'SIGTERM'));
	process.channel.unref();
}

// A question that nobody waits for any more may still fail. It is said; nothing ends for it, and no head is let go.
process.on('unhandledRejection', (thrown) => {
	const { name, code } = /** @type {{ name?: unknown, code?: unknown }} */ (thrown ?? {});
	console.error(`Nobody waited for what failed: ${String(name)}${code === undefined ? '' : ` (${String(code)})`}`);
});

const names = hostNames(process.env);
const words = (/** @type {string | undefined} */ host) =>
	`This is Poise, and it does not answer to “${(host ?? '').slice(0, 80)}”. Start it with that name in POISE_HOSTS if it is its own.\n`;

/** Puts a question before whoever listens to an event already. @type {(event: string, asked: (...args: any[]) => boolean) => void} */
const before = (event, asked) => {
	const listeners = http.listeners(event);
	http.removeAllListeners(event);
	http.on(event, (/** @type {any[]} */ ...args) => {
		if (asked(...args)) for (const listen of listeners) listen.apply(http, args);
	});
};
before('request', (request, response) => {
	for (const [name, value] of securityHeaders) response.setHeader(name, value);
	if (isHost(names, request.headers.host)) return true;
	response.writeHead(421, { 'content-type': 'text/plain; charset=utf-8' });
	response.end(words(request.headers.host));
	return false;
});
before('upgrade', (request, socket) => {
	// From its first moment: whoever resets it is gone, and nothing else is.
	socket.on('error', () => socket.destroy());
	const refused = isHost(names, request.headers.host)
		? isSocketPath(request.url)
			? null
			: '404 Not Found'
		: '421 Misdirected Request';
	if (refused === null) return true;
	socket.end(`HTTP/1.1 ${refused}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`, () => socket.destroy());
	return false;
});
