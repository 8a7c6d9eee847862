import { networkInterfaces } from 'node:os';

const loopback = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Whom this application answers as: the names of this machine's own loopback, what it was told to listen on, what it was told it is called
 * (`POISE_HOSTS`, with commas between), and, where it listens on everything, the machine's own addresses. A name somebody else points here
 * is none of them: a page of theirs could otherwise read and write as if it were ours.
 * @param {{ HOST?: string | undefined, POISE_HOSTS?: string | undefined }} env
 * @returns {ReadonlySet<string>}
 */
export function hostNames({ HOST = '127.0.0.1', POISE_HOSTS = '' }) {
	const everywhere = HOST === '0.0.0.0' || HOST === '::';
	const addresses = everywhere
		? Object.values(networkInterfaces())
				.flat()
				.map((each) => (each?.family === 'IPv6' ? `[${each.address}]` : (each?.address ?? '')))
		: [HOST.includes(':') && !HOST.startsWith('[') ? `[${HOST}]` : HOST];
	const given = POISE_HOSTS.split(',').map((name) => name.trim());
	return new Set([...loopback, ...addresses, ...given].filter((name) => name !== '').map((name) => name.toLowerCase()));
}

/** Whether a request's Host, with or without a port, is one of them. */
export function isHost(/** @type {ReadonlySet<string>} */ names, /** @type {string | undefined} */ host) {
	const name = /^(\[[0-9a-f:.]+\]|[^:[\]@/\s]+)(?::\d{1,5})?$/i.exec(host ?? '')?.[1];
	return name !== undefined && names.has(name.toLowerCase());
}
